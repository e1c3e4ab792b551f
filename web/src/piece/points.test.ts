import { describe, expect, it } from "vitest";
import type { Form } from "../api/document";
import { addBetween, hollowOf, moveTo, takeOut } from "./points";

const line = [
  [0, 10],
  [20, 30],
  [40, 20],
];

describe("points of a curve", () => {
  it("one more lies half way, and taken out it is as before", () => {
    const more = addBetween(line, 1);
    expect(more).toEqual([
      [0, 10],
      [10, 20],
      [20, 30],
      [40, 20],
    ]);
    expect(takeOut(more, 1)).toEqual(line);
  });

  it("a point never passes its neighbours, the axis or the ends of the wood", () => {
    expect(moveTo(line, 1, 25, 35, 60)[1]).toEqual([25, 35]);
    expect(moveTo(line, 1, 90, -5, 60)[1]).toEqual([39.5, 0]);
    expect(moveTo(line, 0, -9, 4, 60)[0]).toEqual([0, 4]);
    expect(moveTo(line, 2, 99, 4, 60)[2]).toEqual([60, 4]);
  });

  it("knows how the inside is told", () => {
    const form = { kind: "bowl", opens: "tail", curve: "smooth", outside: line } as Form;
    expect(hollowOf(form)).toBe("solid");
    expect(hollowOf({ ...form, inside: line })).toBe("own");
    expect(hollowOf({ ...form, follows: { wall_mm: 6, floor_mm: 9 } })).toBe("follows");
  });
});
