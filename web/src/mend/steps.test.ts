import { describe, expect, it } from "vitest";
import type { MendStep } from "../api/document";
import { changed, freeStepId, moved, newStep, otherMould } from "./steps";

const steps: MendStep[] = [{ id: "dry", do: "dry", to_pct: 12 }, { id: "fill", do: "fill", of: ["A"] }, { id: "fill-2", do: "fill", of: ["B"] }];

describe("a plan of mending", () => {
  it("moves a step one place, never off the end", () => {
    expect(moved(steps, 1, -1).map(({ id }) => id)).toEqual(["fill", "dry", "fill-2"]);
    expect(moved(steps, 2, 1)).toBe(steps);
    expect(moved(steps, 0, -1)).toBe(steps);
  });

  it("gives each step a name of its own", () => {
    expect(freeStepId(steps, "fill")).toBe("fill-3");
    expect(freeStepId(steps, "cast")).toBe("cast");
  });

  it("starts a casting with room for the blank, standing", () => {
    expect(newStep("cast", [], { across: 150.2, length: 60 }).mould).toEqual({ type: "box", width_mm: 171, length_mm: 171, depth_mm: 70 });
    expect(newStep("fill", steps, { across: 1, length: 1 })).toEqual({ id: "fill-3", do: "fill", of: [] });
  });

  it("leaves out what is set to nothing", () => {
    expect(changed({ id: "c", do: "cast", pieces: 4 }, { pieces: undefined, night_c: 12 })).toEqual({ id: "c", do: "cast", night_c: 12 });
  });

  it("keeps what it can of a mould of another kind", () => {
    expect(otherMould({ type: "box", width_mm: 60, length_mm: 180, depth_mm: 40, displaced_ml: 5 }, "tube")).toEqual({ type: "tube", diameter_mm: 180, depth_mm: 40, displaced_ml: 5 });
    expect(otherMould({ type: "tube", diameter_mm: 90, depth_mm: 40 }, "sheet")).toEqual({ type: "sheet", width_mm: 90, length_mm: 90, sheet_mm: 6, depth_mm: 40 });
  });
});
