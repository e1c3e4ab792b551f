// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { amountText } from "../kit/measure";
import { renderStation, samples } from "../testing/station";
import { Finish } from "./finish/Finish";
import { FormStation } from "./form/FormStation";
import { Log } from "./log/Log";
import { MendStation } from "./mend/MendStation";
import { Survey } from "./survey/Survey";
import { Turn } from "./turn/Turn";

afterEach(cleanup);

const names = () => screen.queryAllByRole("tab").map((tab) => tab.textContent);

const STATIONS = [
  { name: "Survey", station: <Survey />, sections: ["Defects", "Tests", "Photographs", "Value"] },
  { name: "Form", station: <FormStation />, sections: ["Shape", "Placement", "Compare", "Setting out"] },
  { name: "Mend", station: <MendStation />, sections: ["Plan", "Drying"] },
  { name: "Turn", station: <Turn />, sections: ["Speed", "Workholding", "Cuts"] },
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
