import { describe, expect, it } from "vitest";
import { layOut, SPINDLE_PX } from "./layOut";

describe("where end and section go", () => {
  it("is side by side on one line where there is room, neither over the other nor out of the frame", () => {
    const [reachMm, lengthMm, width, height] = [60, 140, 800, 400] as const;
    const { scale, cx, cy, x0, sectionY } = layOut(reachMm, lengthMm, width, height);
    expect(sectionY).toBe(cy);
    expect(cx - reachMm * scale).toBeGreaterThan(0);
    expect(x0 - SPINDLE_PX).toBeGreaterThanOrEqual(cx + reachMm * scale);
    expect(x0 + lengthMm * scale).toBeLessThan(width);
    expect(cy + reachMm * scale).toBeLessThan(height);
  });

  it("is one above the other where it is narrow, at the same scale", () => {
    const [reachMm, lengthMm, width, height] = [60, 140, 400, 500] as const;
    const { scale, cy, x0, sectionY } = layOut(reachMm, lengthMm, width, height);
    expect(sectionY - reachMm * scale).toBeGreaterThan(cy + reachMm * scale);
    expect(sectionY + reachMm * scale).toBeLessThan(height);
    expect(x0 + lengthMm * scale).toBeLessThan(width);
  });

  it("draws a pen blank no larger than five to one", () => {
    expect(layOut(9, 60, 1600, 900).scale).toBe(5);
    expect(layOut(150, 300, 800, 400).scale).toBeLessThan(2);
  });
});
