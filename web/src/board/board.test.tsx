// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Board as BoardAnswer, BoardPiece, BoardStep } from "../api/document";
import { api } from "../api/client";
import { Units } from "../kit/Units";
import { emptyShop } from "../testing/shop";
import { barsOf } from "./bars";
import { Board } from "./Board";
import { Timeline } from "./Timeline";
import { busyHours, daysOf, scaleOf } from "./times";

const message = (key: string) => ({ key, amounts: {} });
const at = (text: string) => new Date(`2030-05-${text}:00`).toISOString();
const step = (id: string, from: string, to: string, until = to): BoardStep => ({
  id,
  name: message(`route.kinds.${id}`),
  stretch: "turn",
  person: 1,
  parts: [{ from: at(from), to: at(to) }],
  until: at(until),
  hands_min: 10,
  lathe: "Big Dot",
  equipment: [],
  held_up_by: null,
  spoilt: false,
});
const piece = (id: number, steps: BoardStep[], about: Partial<BoardPiece> = {}): BoardPiece => ({
  id,
  number: 30 + id,
  name: `Bowl ${id}`,
  words: null,
  odds: null,
  due_on: null,
  finish_at: null,
  late_days: null,
  decided_by: [],
  stopped: null,
  under_way: null,
  left: steps.length,
  steps,
  ...about,
});
const ines = { id: 1, name: "Ines", role: "owner" as const, hours: [{ weekday: 3, from_min: 480, to_min: 960 }] };
const board: BoardAnswer = {
  backup: null,
  now: at("01T09:00"),
  minutes: 40,
  until: at("04T00:00"),
  somebody: false,
  pending: 0,
  people: [ines],
  pieces: [
    piece(1, [step("mount", "01T10:00", "01T10:10"), step("true_up", "01T10:10", "01T10:30", "02T10:30")]),
    piece(2, [step("hollow", "02T11:00", "02T11:40")], {
      due_on: "2030-05-01",
      late_days: 1.2,
      words: "for the quay",
      decided_by: [
        { step: "hollow", name: message("route.kinds.hollow"), what: "wait", minutes: 1440, held_up_by: null },
      ],
    }),
  ],
  choices: [
    {
      id: 2,
      steps: [{ id: "hollow", stretch: "turn", name: message("route.kinds.hollow") }],
      hands_min: 35,
      wait_min: 0,
      lathe: "Big Dot",
      why: message("board.why.late"),
    },
  ],
};
function show(element: React.ReactNode) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={client}>
      <Units value={{ unit: "mm", toggle: () => undefined }}>
        <MemoryRouter>{element}</MemoryRouter>
      </Units>
    </QueryClientProvider>,
  );
}

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe("the timeline", () => {
  const cell = (row: number, day: number) =>
    within(screen.getAllByRole("row")[row] as HTMLElement).getAllByRole("cell")[day] as HTMLElement;

  it("is a table that says in words what happens to each piece on each day", () => {
    show(<Timeline board={board} />);
    expect(screen.getAllByRole("columnheader")).toHaveLength(4);
    expect(cell(1, 0)).toHaveTextContent("10:00 to 10:30 Mount, True up; True up: waits");
    expect(cell(1, 1)).toHaveTextContent("True up: waits until 10:30");
    expect(cell(1, 2)).toHaveTextContent("nothing");
    expect(cell(2, 0)).toHaveTextContent("due");
    expect(screen.getByRole("row", { name: /^Big Dot/ })).toHaveTextContent("11:00 to 11:40");
    expect(screen.getByRole("row", { name: /^Ines/ })).toHaveTextContent("10:00 to 10:10");
  });

  it("is gone through by the arrow keys, and says below it where one is", async () => {
    show(<Timeline board={board} />);
    await userEvent.tab();
    await userEvent.tab();
    expect(cell(1, 0)).toHaveFocus();
    await userEvent.keyboard("{ArrowDown}{ArrowRight}");
    expect(cell(2, 1)).toHaveFocus();
    expect(screen.getByRole("status")).toHaveTextContent(/32 Bowl 2, Thu,? 2 May: 11:00 to 11:40/);
    await userEvent.keyboard("{ArrowLeft}{ArrowLeft}{ArrowUp}{ArrowUp}");
    expect(cell(1, 0)).toHaveFocus();
  });
});

describe("the rows of the shop", () => {
  it("show the oven full by what is in it now", () => {
    const under_way = {
      name: message("route.kinds.mount"),
      from: null,
      until: at("01T12:00"),
      weigh: null,
      equipment: ["oven"],
    };
    show(<Timeline board={{ ...board, pieces: [piece(4, [], { under_way })] }} />);
    expect(screen.getByRole("row", { name: /^Oven/ })).toHaveTextContent("09:00 to 12:00");
  });
});

describe("the bars of a piece", () => {
  it("join what is done without a break, and keep what waits apart", () => {
    const bars = barsOf(board.pieces[0] as BoardPiece, Date.parse(board.now));
    expect(bars.map(({ kind, names }) => [kind, names.length])).toEqual([
      ["hands", 2],
      ["wait", 1],
    ]);
  });

  it("begin with what is under way", () => {
    const under_way = {
      name: message("route.kinds.mount"),
      from: null,
      until: at("02T09:00"),
      weigh: null,
      equipment: [],
    };
    const [first] = barsOf(piece(3, [], { under_way }), 5);
    expect(first).toMatchObject({ kind: "wait", from: 5, to: Date.parse(under_way.until) });
  });
});

describe("the scale of the days", () => {
  it("gives the hours of work most of a day's width, and never runs backwards", () => {
    const days = daysOf(board);
    const scale = scaleOf(days, busyHours(board.people));
    expect(days).toHaveLength(3);
    const [from, to] = [at("01T08:00"), at("01T16:00")].map((text) => scale(Date.parse(text)));
    expect((to ?? 0) - (from ?? 0)).toBeCloseTo(86 / 3);
    const places = Array.from({ length: 72 }, (_, hour) => scale((days[0]?.start ?? 0) + hour * 3_600_000));
    expect(places).toEqual([...places].sort((one, other) => one - other));
  });
});

describe("the board", () => {
  const open = (answer: BoardAnswer = board) => {
    vi.spyOn(api, "waits").mockResolvedValue({ now: board.now, waits: [] });
    const asked = vi.spyOn(api, "board").mockResolvedValue(answer);
    show(<Board shop={emptyShop} />);
    return asked;
  };

  it("asks for forty minutes first, and for what is chosen then", async () => {
    const asked = open();
    expect(await screen.findByText(/32 Hollow/)).toBeInTheDocument();
    expect(asked).toHaveBeenLastCalledWith(40, 7);
    await userEvent.click(screen.getByRole("radio", { name: "90 min" }));
    expect(asked).toHaveBeenLastCalledWith(90, 7);
    await userEvent.click(screen.getByRole("radio", { name: "4 weeks" }));
    expect(asked).toHaveBeenLastCalledWith(90, 28);
  });

  it("says what is late, by how much, for whom and what decides it", async () => {
    open();
    const late = within(await screen.findByRole("region", { name: "Late" }));
    expect(late.getByText(/1 day/)).toHaveTextContent("32 Bowl 2: 1 day late: Hollow (waits 24 hours).");
    expect(late.getByText("for the quay")).toBeInTheDocument();
  });

  it("says what dries, until when, and when it is weighed", async () => {
    const drying = {
      name: message("board.on_its_card"),
      from: null,
      until: at("20T09:00"),
      weigh: at("01T08:00"),
      equipment: ["oven"],
    };
    open({ ...board, pieces: [piece(4, [], { under_way: drying })], choices: [] });
    const needs = within(await screen.findByRole("region", { name: "Needs you" }));
    expect(needs.getByRole("listitem")).toHaveTextContent(/34 Bowl 4: in 19 days.*Weigh it now\./);
    cleanup();
    open({ ...board, pieces: [piece(4, [], { under_way: { ...drying, weigh: at("06T08:00") } })], choices: [] });
    expect(await screen.findByText(/Weigh it on Mon,? 6 May/)).toBeInTheDocument();
  });

  it("says which pieces are at risk, the likeliest to be lost first, and what takes most of them", async () => {
    const odds = (verdict: "go" | "care" | "stop", share: number): NonNullable<BoardPiece["odds"]> => ({
      verdict,
      truths: 200,
      sound: { share, low: share - 0.05, high: Math.min(1, share + 0.05) },
      injury: { share: 0, low: 0, high: 0.02 },
      worst: share < 1 ? { event: "crack_runs", step: "hollow", share: 1 - share, then: "lost" } : null,
    });
    const pieces = [
      piece(1, [], { odds: odds("care", 0.9) }),
      piece(2, [], { odds: odds("stop", 0.5) }),
      piece(3, [], { odds: odds("go", 1) }),
      piece(4, []),
    ];
    open({ ...board, pieces, choices: [] });
    const risky = within(await screen.findByRole("region", { name: "At risk" })).getAllByRole("listitem");
    expect(risky.map((item) => item.textContent?.slice(0, 2))).toEqual(["32", "31"]);
    expect(risky[0]).toHaveTextContent(/Not this way: 50 in 100, 100 of 200 truths/);
    expect(risky[1]).toHaveTextContent(/Go with care: 90 in 100.*A crack runs on: 10 in 100/);
  });

  it("has no list of pieces at risk where none is known to be", async () => {
    open({ ...board, pieces: [piece(4, [])], choices: [] });
    await screen.findByRole("region", { name: "Needs you" });
    expect(screen.queryByRole("region", { name: "At risk" })).toBeNull();
  });

  it("says when pieces are still being planned, and whose hours are supposed", async () => {
    open({ ...board, pending: 3, somebody: true, pieces: [], choices: [] });
    expect(await screen.findByText("3 pieces are still being planned.")).toBeInTheDocument();
    expect(screen.getByText(/Nobody's hours are written down/)).toBeInTheDocument();
    expect(screen.getByText(/Nothing can be begun/)).toBeInTheDocument();
  });
});
