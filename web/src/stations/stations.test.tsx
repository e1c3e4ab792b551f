// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Document } from "../api/document";
import type { DraftHandle } from "../draft/useDraft";
import { amountText } from "../kit/measure";
import { renderStation, samples } from "../testing/station";
import { Finish } from "./finish/Finish";
import { FormStation } from "./form/FormStation";
import { Log } from "./log/Log";
import { MendStation } from "./mend/MendStation";
import { RouteStation } from "./route/RouteStation";
import { Survey } from "./survey/Survey";
import { Turn } from "./turn/Turn";

afterEach(cleanup);

const names = () => screen.queryAllByRole("tab").map((tab) => tab.textContent);

const STATIONS = [
  {
    name: "Route",
    station: <RouteStation />,
    sections: ["Ways", "Steps", "Odds", "Rehearse", "Drying", "What if", "Promised"],
  },
  { name: "Survey", station: <Survey />, sections: ["Defects", "Tests", "Photographs", "Value"] },
  { name: "Form", station: <FormStation />, sections: ["Shape", "Placement", "Compare", "Setting out"] },
  { name: "Mend", station: <MendStation />, sections: ["Plan", "Drying"] },
  { name: "Turn", station: <Turn />, sections: ["Speed", "Workholding", "Cuts", "Measured"] },
  { name: "Finish", station: <Finish />, sections: [] },
  { name: "Log", station: <Log />, sections: [] },
];

describe.each(STATIONS)("$name", ({ station, sections }) => {
  it("opens with its sections, at most three advices and a name on every control", async () => {
    renderStation(station, samples.platter);
    await waitFor(() => expect(names()).toEqual(sections));
    for (const advice of screen.queryAllByRole("list", { name: "Advice" }))
      expect(within(advice).getAllByRole("listitem").length).toBeLessThanOrEqual(3);
    const controls = ["button", "textbox", "radio", "checkbox", "combobox", "link"].flatMap((role) =>
      screen.queryAllByRole(role),
    );
    expect(controls.length).toBeGreaterThan(0);
    for (const control of controls) expect(control).toHaveAccessibleName();
  });
});

describe("Survey", () => {
  it("chooses a defect from its list", async () => {
    const { selection } = renderStation(<Survey />, samples.lamp);
    await userEvent.click(screen.getAllByRole("button", { name: /Crack/ })[0] as HTMLElement);
    expect(selection.choose).toHaveBeenCalledWith("A");
  });

  it("changes a chosen defect's depth in the draft, and not before the field is left", async () => {
    const { blank } = renderStation(<Survey />, samples.lamp, { chosen: "A" });
    const depth = screen.getByLabelText("Depth, mm");
    await userEvent.clear(depth);
    await userEvent.type(depth, "3 cm");
    expect(blank.put).not.toHaveBeenCalled();
    await userEvent.tab();
    expect(blank.put).toHaveBeenCalledWith(expect.objectContaining({ id: "A", depth_mm: 30 }), false);
  });

  it("says beside a field what it cannot read, and changes nothing", async () => {
    const { blank } = renderStation(<Survey />, samples.lamp, { chosen: "A" });
    const depth = screen.getByLabelText("Depth, mm");
    await userEvent.clear(depth);
    await userEvent.type(depth, "deep{Enter}");
    expect(depth).toBeInvalid();
    expect(depth).toHaveValue("deep");
    expect(blank.put).not.toHaveBeenCalled();
  });
});

describe("What was looked at", () => {
  const looked = (survey: Document["survey"]) => {
    const document: Document = { ...samples.lamp.document, ...(survey && { survey }) };
    return renderStation(<Survey />, { ...samples.lamp, document });
  };

  it("goes down all round with both ends at one press", async () => {
    const { blank } = looked(undefined);
    await userEvent.click(screen.getByRole("tab", { name: "Tests" }));
    await userEvent.click(screen.getByRole("button", { name: "Went all round, nothing more" }));
    const seen = vi.mocked(blank.draft.change).mock.calls.at(-1)?.[0].survey?.seen;
    expect(seen?.map(({ surface }) => surface)).toEqual(["side", "head_face", "tail_face"]);
    expect(seen?.[0]).toMatchObject({ from_deg: 0, to_deg: 360 });
  });

  it("goes down by hours, over twelve too, and is taken back", async () => {
    const { blank } = looked({ seen: [{ surface: "head_face" }] });
    await userEvent.click(screen.getByRole("tab", { name: "Tests" }));
    const type = async (label: string, text: string) => {
      await userEvent.clear(screen.getByLabelText(label));
      await userEvent.type(screen.getByLabelText(label), `${text}{Enter}`);
    };
    await type("From, o’clock", "10");
    await type("To, o’clock", "2");
    await userEvent.click(screen.getByRole("button", { name: "Looked at these hours" }));
    const seen = () => vi.mocked(blank.draft.change).mock.calls.at(-1)?.[0].survey?.seen;
    expect(seen()?.[1]).toMatchObject({ surface: "side", from_deg: 300, to_deg: 420 });
    await userEvent.click(screen.getByRole("button", { name: "Not looked at: Head end" }));
    expect(seen()).toEqual([]);
  });
});

describe("Mend", () => {
  it("lists the steps of the plan in their order, and starts a card of a saved draft", async () => {
    renderStation(<MendStation />, samples.platter);
    const { steps } = samples.platter.mend;
    await waitFor(() => expect(screen.getAllByRole("heading", { level: 4 })).toHaveLength(steps.length));
    expect(screen.getAllByRole("heading", { level: 4 })[0]).toHaveTextContent(/^1\. /);
    expect(screen.getByRole("button", { name: "Start a card" })).toBeEnabled();
  });
});

describe("Turn", () => {
  it("gives the limit of each stage beside its name", () => {
    renderStation(<Turn />, samples.bowl);
    const limit = amountText(samples.bowl.assessment.stages.blank.limit_rpm, "rpm", "mm");
    expect(within(screen.getByRole("region", { name: "As it stands" })).getByText(`≤ ${limit}`)).toBeVisible();
  });
});

describe("Route", () => {
  const { platter } = samples;
  const changed = (change: DraftHandle["change"]) => vi.mocked(change).mock.calls.at(-1)?.[0];

  it("lays the ways beside one another with dates, hands and cost, and takes another in the draft", async () => {
    const { blank } = renderStation(<RouteStation />, platter);
    const table = screen.getByRole("table", { name: "Ways compared" });
    const rows = within(table).getAllByRole("rowheader");
    expect(rows.length).toBe(platter.route.alternatives.length);
    expect(rows[0]).toHaveTextContent("Dry whole, turn once");
    expect(rows[1]).toHaveTextContent(/Rough out, dry, finish.*Advised/);
    await userEvent.click(screen.getByRole("button", { name: "Take it: Rough out, dry, finish" }));
    expect(changed(blank.draft.change)?.route).toEqual({
      choices: expect.objectContaining({ wet: "rough_out" }) as unknown,
    });
    await userEvent.click(screen.getByRole("button", { name: "Back to the advised way" }));
    expect(changed(blank.draft.change)?.route).toEqual({ choices: {} });
  });

  it("marks a step done with its day; roughed out, with its wall and how wet it is", async () => {
    const { route } = platter;
    const alternatives = [...route.alternatives].sort(({ key }) => (key === "rough_out" ? -1 : 0));
    const own = renderStation(<RouteStation />, { ...platter, route: { ...route, alternatives } });
    await userEvent.click(screen.getByRole("tab", { name: "Steps" }));
    own.again({ ...own.bench, way: { ...own.bench.way, step: "rough_out" } });
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    expect(changed(own.blank.draft.change)?.route).toEqual({
      choices: { wet: "dry_whole" },
      done: [
        {
          step: "rough_out",
          on: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as unknown,
          wall_mm: 32,
          moisture_pct: platter.assessment.drying?.moisture_pct,
        },
      ],
    });
  });

  it("moves a step, leaves it out, and adds one of one's own after it", async () => {
    const own = renderStation(<RouteStation />, platter);
    await userEvent.click(screen.getByRole("tab", { name: "Steps" }));
    own.again({ ...own.bench, way: { ...own.bench.way, step: "true_up" } });
    const route = () => changed(own.blank.draft.change)?.route;
    const ids = platter.route.alternatives[0]?.steps.map(({ id }) => id) ?? [];
    const at = ids.indexOf("true_up");
    await userEvent.click(screen.getByRole("button", { name: "Earlier" }));
    expect(route()?.order?.slice(at - 1, at + 1)).toEqual(["true_up", ids[at - 1]]);
    expect([...(route()?.order ?? [])].sort()).toEqual([...ids].sort());
    await userEvent.click(screen.getByRole("button", { name: "Leave out" }));
    expect(route()?.left_out).toEqual(["true_up"]);
    await userEvent.type(screen.getByLabelText("What is done"), "Burn the mark");
    await userEvent.click(screen.getByRole("button", { name: "Add it after the open one" }));
    const [added] = route()?.own ?? [];
    expect(added).toMatchObject({ name: "Burn the mark", hands_min: 15 });
    expect(route()?.order?.[at + 1]).toBe(added?.id);
  });

  it("takes a step to another place where it is dragged", async () => {
    const own = renderStation(<RouteStation />, platter);
    await userEvent.click(screen.getByRole("tab", { name: "Steps" }));
    const ids = platter.route.alternatives[0]?.steps.map(({ id }) => id) ?? [];
    const grip = (id: string) => document.querySelector(`[data-grip="${id}"]`) as HTMLElement;
    const item = (id: string) => grip(id).closest("li") as HTMLElement;
    fireEvent.dragStart(grip("sand"), { dataTransfer: { setData: vi.fn() } });
    fireEvent.dragOver(item("mount"));
    fireEvent.drop(item("mount"));
    const order = changed(own.blank.draft.change)?.route?.order ?? [];
    expect(order.indexOf("sand")).toBe(order.indexOf("mount") - 1);
    expect([...order].sort()).toEqual([...ids].sort());
  });

  it("says what another wall would do, and takes it", async () => {
    const own = renderStation(<RouteStation />, platter);
    await userEvent.click(screen.getByRole("tab", { name: "What if" }));
    const does = await screen.findByRole("table", { name: "What it does" });
    expect(within(does).getAllByRole("row")).toHaveLength(5);
    await userEvent.clear(screen.getByLabelText("Wall, mm"));
    await userEvent.type(screen.getByLabelText("Wall, mm"), "14{Enter}");
    const take = await screen.findByRole("button", { name: "Take it" });
    await waitFor(() => expect(take).toBeEnabled());
    await userEvent.click(take);
    const form = changed(own.blank.draft.change)?.form;
    expect([form?.follows, form?.inside]).toEqual([{ wall_mm: 14, floor_mm: 14 }, undefined]);
  });

  it("says how it dries in words beside the picture, place by place", async () => {
    renderStation(<RouteStation />, platter);
    await userEvent.click(screen.getByRole("tab", { name: "Drying" }));
    expect(screen.getByRole("img")).toHaveAccessibleName(/Moisture over time: from 17.1 % to 12.1 % in about 80 days/);
    expect(within(screen.getByRole("table", { name: "Places in order" })).getAllByRole("row").length).toBe(4);
  });
});
