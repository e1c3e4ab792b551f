// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Form, Rehearsal, RehearsalAct, RehearsalState } from "../api/document";
import { sampleDocument } from "../testing/blank";
import { plannedNext, stepped } from "./advised";
import { Controls } from "./Controls";
import { foundText } from "./foundText";
import { cutSpeeds, lessons, overLimit } from "./lessons";
import { Noticed } from "./Noticed";
import { reachedFor } from "./turned";

afterEach(cleanup);

const message = (id: string) => ({ key: `route.kinds.${id}`, amounts: {} });
const step = (id: string, limit_rpm: number) => ({
  id,
  kind: id,
  name: message(id),
  turned: limit_rpm > 0,
  limit_rpm,
  turns_not: null,
  wait_days: null,
});
const region = (taken: number) => ({
  side: "outside",
  kind: "sound",
  z_mm: [0, 40],
  tool: "bowl_gouge",
  second: "carbide_round",
  finish_tool: null,
  overhang_mm: 12,
  wall_mm: null,
  look_at: ["A"],
  air_share: 0.2,
  swath: [
    { z_mm: 0, from_mm: 100, to_mm: 80 },
    { z_mm: 40, from_mm: 100, to_mm: 90 },
  ],
  refused: [],
  taken,
});
const state = (change: Partial<RehearsalState> = {}): RehearsalState => ({
  acts: 0,
  steps: [step("outside", 659), step("hollow", 500), step("coat", 0)],
  at: 0,
  speed: { rpm: 0, limit_rpm: 659, least_rpm: 60, most_rpm: 3000 },
  regions: [region(0), region(0)],
  region: 0,
  wall: { planned_mm: 6, mm: 6, form: null },
  outline: { outside: [], inside: null },
  senses: {
    signs: [],
    shake_share: 0,
    air_share: 0.2,
    mass_g: 900,
    comes_off: null,
    torn: false,
    turns_per_s: 0,
    knocks_per_s: 0,
    ring_hz: 400,
    cutting: false,
  },
  found: [],
  mended: [],
  minutes: 12,
  days: 0.1,
  cost: 3,
  events: [],
  ended: null,
  ...change,
});
const crack = {
  id: "A",
  type: "crack",
  enters: "side",
  path: [
    { clock_deg: 90, z_mm: 10 },
    { clock_deg: 92, z_mm: 50 },
  ],
  width_mm: 1,
  depth_mm: 20,
} as const;
const blank = sampleDocument({ defects: [{ ...crack, path: [...crack.path] }], route: { choices: {} } });
const rehearsal = (acts: RehearsalAct[], change: Partial<RehearsalState> = {}): Rehearsal => ({
  id: 1,
  blank_id: 2,
  by: null,
  begun_at: "2030-05-01T09:00:00Z",
  ended_at: null,
  outcome: null,
  acts,
  truth: "unknown",
  document: blank,
  state: state(change),
});

describe("the plan's next act", () => {
  it("sets the speed as somebody would, takes cut after cut, and goes on", () => {
    expect(plannedNext(state())).toEqual({ act: "speed", rpm: 650 });
    const running = { rpm: 650, limit_rpm: 659, least_rpm: 60, most_rpm: 3000 };
    expect(plannedNext(state({ speed: running }))).toEqual({ act: "cut", region: 0, share: 1 });
    expect(plannedNext(state({ speed: running, regions: [region(1), region(0.4)] }))).toEqual({
      act: "cut",
      region: 1,
      share: 1,
    });
    expect(plannedNext(state({ speed: running, regions: [region(1)] }))).toEqual({ act: "go_on" });
    expect(plannedNext(state({ at: 3 }))).toBeUndefined();
  });

  it("steps the speed by twentieths, never past the lathe, and off below its slowest", () => {
    const speed = { rpm: 600, limit_rpm: 640, least_rpm: 60, most_rpm: 610 };
    expect(stepped(speed, 1)).toBe(610);
    expect(stepped(speed, -1)).toBe(570);
    expect(stepped({ ...speed, rpm: 0 }, 1)).toBe(60);
    expect(stepped({ ...speed, rpm: 60 }, -1)).toBe(0);
  });
});

describe("what was learned", () => {
  const acts: RehearsalAct[] = [
    { act: "speed", rpm: 400 },
    { act: "cut", region: 0 },
    { act: "go_on" },
    { act: "speed", rpm: 480 },
    { act: "cut", region: 0 },
  ];

  it("is the fastest speed of each step that was cut", () => {
    expect([...cutSpeeds(rehearsal(acts))]).toEqual([
      ["outside", 400],
      ["hollow", 480],
    ]);
  });

  it("goes into the plan: slower where it broke, mended first, the wall that was left, a speed of one's own", () => {
    const event = { key: "crack_runs", step: "hollow", of: null, then: "lost", energy_j: 9 } as const;
    const form: Form = {
      kind: "bowl",
      opens: "tail",
      curve: "smooth",
      outside: [],
      follows: { wall_mm: 8, floor_mm: 9 },
    };
    const ended = { sound: false, event, rpm: 480, bears_rpm: 470, signs: [], truth: [] };
    const found = lessons(rehearsal(acts, { at: 1, ended, wall: { planned_mm: 6, mm: 8, form } }));
    expect(found.map(({ kind, step: of }) => `${kind} ${of}`)).toEqual([
      "slower hollow",
      "mend_first ",
      "wall ",
      "own_speed outside",
    ]);
    const all = found.reduce((document, lesson) => lesson.into(document), blank);
    expect(all.route?.speeds).toEqual({ hollow: 400, outside: 400 });
    expect(all.route?.choices).toEqual({ cracks: "mend_first" });
    expect(all.form).toBe(form);
  });

  it("is nothing where it broke far over the plan's limit: the plan was not wrong", () => {
    const event = { key: "splits", step: "hollow", of: null, then: "lost", energy_j: 200 } as const;
    const ended = { sound: false, event, rpm: 2900, bears_rpm: 2700, signs: [], truth: [] };
    const fast = rehearsal([{ act: "go_on" }, { act: "speed", rpm: 2900 }], { at: 1, ended });
    expect(overLimit(fast)).toBe(true);
    expect(lessons(fast)).toEqual([]);
    const planned = { ...ended, rpm: 500 };
    expect(overLimit(rehearsal([], { at: 1, ended: planned }))).toBe(false);
  });

  it("is nothing where the plan was kept to", () => {
    const kept: RehearsalAct[] = [
      { act: "speed", rpm: 650 },
      { act: "cut", region: 0 },
    ];
    expect(lessons(rehearsal(kept))).toEqual([]);
  });
});

it("sees as solid only what is wood all round, and the less of a turn the fainter", () => {
  const sorted = [10, 20, 30, 40];
  expect([1, 0.75, 0.5, 0.02].map((share) => reachedFor(sorted, share))).toEqual([10, 20, 30, 40]);
});

describe("at the screen lathe", () => {
  const controls = (change: Partial<RehearsalState>, run = vi.fn()) => {
    render(
      <Controls
        {...{ run }}
        state={state(change)}
        document={blank}
        busy={false}
        clockDeg={90}
        setClock={vi.fn()}
        zMm={20}
        setZ={vi.fn()}
        length={40}
      />,
    );
    return run;
  };

  it("tests and mends only while it stands, where the hand is", () => {
    const run = controls({});
    fireEvent.click(screen.getByRole("button", { name: "Tap here" }));
    expect(run).toHaveBeenCalledWith({ act: "tap", clock_deg: 90, z_mm: 20 });
    fireEvent.click(screen.getByRole("button", { name: "Feel its depth" }));
    expect(run).toHaveBeenCalledWith({ act: "feel", of: "A" });
    expect(screen.getAllByRole("button", { name: /^Cut with/ })[0]?.hasAttribute("disabled")).toBe(true);
  });

  it("cuts while it turns, with a tool that is safe there, as thick as is chosen", () => {
    const run = controls({ speed: { rpm: 600, limit_rpm: 659, least_rpm: 60, most_rpm: 3000 } });
    expect(screen.getByRole("button", { name: "Tap here" }).hasAttribute("disabled")).toBe(true);
    fireEvent.click(screen.getByRole("radio", { name: "Heavy" }));
    fireEvent.click(screen.getAllByRole("button", { name: "Cut with round carbide" })[1] as HTMLElement);
    expect(run).toHaveBeenCalledWith({ act: "cut", region: 1, share: 1, tool: "carbide_round", chip: "heavy" });
  });

  it("says first what warns most", () => {
    const senses = {
      ...state().senses,
      signs: [
        { key: "rattles", level: "faint" },
        { key: "ticks", level: "clear" },
      ] as RehearsalState["senses"]["signs"],
      comes_off: "dust" as const,
      knocks_per_s: 8,
    };
    render(<Noticed state={state({ senses })} />);
    const said = screen.getAllByRole("listitem").map((item) => item.textContent);
    expect(said[0]).toContain("tick");
    expect(said[1]).toContain("rattles");
    expect(said.join(" ")).toContain("8 knocks a second");
  });

  it("tells of each test in a sentence", () => {
    const found = (about: object) => foundText({ act: 1, clock_deg: 90, z_mm: 20, ...about } as never, "mm");
    expect(found({ kind: "tap", dull: true })).toContain("Dull at 3 o’clock, 20 mm");
    expect(found({ kind: "awl", depth_mm: 0 })).toContain("stops at the skin");
    expect(found({ kind: "feel", of: "A", depth_mm: 17 })).toBe("A is 17 mm deep.");
    expect(found({ kind: "look", seen: [], grown: { B: 2.4 } })).toContain("Crack B is 2.4 mm longer.");
    expect(found({ kind: "look", seen: [], grown: {} })).toBe("Nothing new to be seen.");
  });
});
