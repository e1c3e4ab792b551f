import { describe, expect, it } from "vitest";
import { clearPlace, clearSide } from "./tags";

describe("a word beside a mark", () => {
  it("follows its mark to the first place that hides no letter", () => {
    const places: [number, number][] = [
      [60, 0],
      [75, 0],
      [45, 0],
    ];
    const cleared = (...letters: [number, number][]) => clearPlace(places, letters)[0];
    expect([cleared(), cleared([58, 12]), cleared([66, 4]), cleared([52, 0], [70, 0])]).toEqual([60, 75, 45, 60]);
  });
  it("stands where it is wished, unless it would hide a letter there", () => {
    expect(clearSide([100, 100], [-1, -1], [])).toEqual([-1, -1]);
    expect(
      clearSide(
        [100, 100],
        [-1, -1],
        [
          [200, 100],
          [60, 160],
        ],
      ),
    ).toEqual([-1, -1]);
    expect(clearSide([100, 100], [-1, -1], [[80, 88]])).toEqual([-1, 1]);
    expect(
      clearSide(
        [100, 100],
        [-1, -1],
        [
          [80, 88],
          [70, 112],
        ],
      ),
    ).toEqual([1, -1]);
  });
  it("stays where it is wished where every side would hide one", () => {
    expect(
      clearSide(
        [100, 100],
        [-1, -1],
        [
          [80, 88],
          [80, 112],
          [120, 88],
          [120, 112],
        ],
      ),
    ).toEqual([-1, -1]);
  });
});
