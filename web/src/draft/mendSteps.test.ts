import { describe, expect, it } from "vitest";
import { sampleDocument } from "../testing/blank";
import type { MendStep } from "../api/document";
import {
  changed,
  freeStepId,
  grooveDrawn,
  groovesOf,
  moved,
  newStep,
  otherMould,
  putPlaced,
  withGroove,
} from "./mendSteps";

const steps: MendStep[] = [
  { id: "dry", do: "dry", to_pct: 12 },
  { id: "fill", do: "fill", of: ["A"] },
  { id: "fill-2", do: "fill", of: ["B"] },
];

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
    expect(newStep("cast", [], { across: 150.2, length: 60 }).mould).toEqual({
      type: "box",
      width_mm: 171,
      length_mm: 171,
      depth_mm: 70,
    });
    expect(newStep("fill", steps, { across: 1, length: 1 })).toEqual({ id: "fill-3", do: "fill", of: [] });
  });

  it("leaves out what is set to nothing", () => {
    expect(changed({ id: "c", do: "cast", pieces: 4 }, { pieces: undefined, night_c: 12 })).toEqual({
      id: "c",
      do: "cast",
      night_c: 12,
    });
  });

  it("keeps what it can of a mould of another kind", () => {
    expect(otherMould({ type: "box", width_mm: 60, length_mm: 180, depth_mm: 40, displaced_ml: 5 }, "tube")).toEqual({
      type: "tube",
      diameter_mm: 180,
      depth_mm: 40,
      displaced_ml: 5,
    });
    expect(otherMould({ type: "tube", diameter_mm: 90, depth_mm: 40 }, "sheet")).toEqual({
      type: "sheet",
      width_mm: 90,
      length_mm: 90,
      sheet_mm: 6,
      depth_mm: 40,
    });
  });

  it("takes a stroke over the skin as a groove like the last one, and one right across it as a ring", () => {
    const last = {
      width_mm: 5,
      depth_mm: 2,
      path: [
        { clock_deg: 0, z_mm: 4 },
        { clock_deg: 360, z_mm: 4 },
      ],
    };
    expect(grooveDrawn({ clockDeg: 30.4, zMm: 12.3 }, { clockDeg: 75, zMm: 40.1 }, last)).toEqual({
      width_mm: 5,
      depth_mm: 2,
      path: [
        { clock_deg: 30, z_mm: 12.5 },
        { clock_deg: 75, z_mm: 40 },
      ],
    });
    expect(grooveDrawn({ clockDeg: 2, zMm: 20 }, { clockDeg: 358, zMm: 21 }, undefined)).toEqual({
      width_mm: 3,
      depth_mm: 4,
      path: [
        { clock_deg: 0, z_mm: 20.5 },
        { clock_deg: 360, z_mm: 20.5 },
      ],
    });
    const document = sampleDocument({
      mend: {
        steps: [
          { id: "inlay", do: "inlay", grooves: [last] },
          { id: "dry", do: "dry" },
        ],
      },
    });
    const more = withGroove(document, "inlay", { clockDeg: 10, zMm: 5 }, { clockDeg: 20, zMm: 9 });
    expect(groovesOf(more).map(({ width_mm, path }) => [width_mm, path[0]?.clock_deg])).toEqual([
      [5, 0],
      [5, 10],
    ]);
    expect(groovesOf(withGroove(document, "gone", { clockDeg: 10, zMm: 5 }, { clockDeg: 20, zMm: 9 }))).toEqual([last]);
  });

  it("says where the wood lies in a mould only where that is not as usual", () => {
    const step: MendStep = { id: "cast", do: "cast" };
    expect(putPlaced(step, { x_mm: 4, lies: true }).placed).toEqual({ x_mm: 4, lies: true });
    expect(putPlaced({ ...step, placed: { x_mm: 4, lies: true } }, { x_mm: 0, lies: false })).toEqual(step);
  });
});
