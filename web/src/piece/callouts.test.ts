import { describe, expect, it } from "vitest";
import { samples } from "../testing/station";
import { calloutsIn, calloutText } from "./callouts";

const frame = { x: 0, y: 0, wide: 300, high: 60 };
const mark = (id: string, x: number, y: number, text = "crack 25 mm deep") => ({ id, x, y, text });

describe("a line of text beside a defect", () => {
  it("stands to the right, or to the left where the drawing ends", () => {
    expect(calloutsIn(frame, [mark("A", 20, 30)])).toMatchObject([{ x: 31, y: 30, anchor: "start" }]);
    expect(calloutsIn(frame, [mark("A", 280, 30)])).toMatchObject([{ x: 269, y: 30, anchor: "end" }]);
  });

  it("stands to the left of what is drawn, not across it", () => {
    const crack = { ...mark("A", 280, 30), left: 260 };
    expect(calloutsIn(frame, [crack], [{ x: 258, y: 20, wide: 6, high: 20 }])).toMatchObject([
      { x: 249, y: 30, anchor: "end" },
    ]);
  });

  it("covers no letter and no other text", () => {
    const placed = calloutsIn(frame, [mark("A", 20, 30), mark("B", 60, 30), mark("C", 200, 30)]);
    expect(placed.map(({ id, y }) => [id, y])).toEqual([
      ["A", 13],
      ["B", 30],
      ["C", 47],
    ]);
  });

  it("is left out where there is no room", () => {
    expect(calloutsIn({ ...frame, wide: 90 }, [mark("A", 45, 30)])).toEqual([]);
    expect(calloutsIn(frame, [mark("A", 20, 30)], [{ x: 0, y: 0, wide: 300, high: 60 }])).toEqual([]);
  });

  it("says what it is, how deep or large, and whether it goes through the wall", () => {
    const { document, assessment } = samples.lamp;
    const text = (id: string) => {
      const defect = document.defects.find((own) => own.id === id);
      return defect && calloutText(defect, assessment, "mm");
    };
    expect(text("A")).toMatch(/^crack \d+ mm deep, through the wall$/);
    expect(text("C")).toMatch(/^crack \d+ mm deep$/);
  });
});
