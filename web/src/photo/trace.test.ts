import { describe, expect, it } from "vitest";
import {
  NOTHING,
  outlineOf,
  pointed,
  profileQuestion,
  question,
  takenBack,
  type Part,
  type Spot,
  type Tracing,
} from "./trace";

const put = (tracing: Tracing, part: Part, ...spots: Spot[]) =>
  spots.reduce((whole, spot) => pointed(whole, part, spot), tracing);
const square: Spot[] = [
  [0.2, 0.2],
  [0.5, 0.1],
  [0.8, 0.2],
  [0.8, 0.8],
  [0.2, 0.8],
];

describe("tracing", () => {
  it("asks nothing until there are two places of the scale and five of the outline", () => {
    const scaled = put(NOTHING, "scale", [0.1, 0.9], [0.6, 0.9]);
    expect(question(scaled, "tail_face", 60)).toBeUndefined();
    expect(question(put(NOTHING, "outline", ...square), "tail_face", 60)).toBeUndefined();
    expect(question(put(scaled, "outline", ...square), "tail_face", 60)).toEqual({
      scale: { from: [0.1, 0.9], to: [0.6, 0.9], mm: 100 },
      outline: square,
      length_mm: 60,
      view: "tail_face",
    });
  });

  it("asks for a curve once it has a scale, an axis and three places", () => {
    const scaled = put(NOTHING, "scale", [0.1, 0.9], [0.6, 0.9]);
    const onAxis = put(scaled, "axis", [0.1, 0.5], [0.9, 0.5]);
    expect(profileQuestion(put(scaled, "curve", [0.2, 0.4], [0.3, 0.3], [0.4, 0.4]), 4)).toBeUndefined();
    expect(profileQuestion(put(onAxis, "curve", [0.2, 0.4], [0.3, 0.3]), 4)).toBeUndefined();
    expect(profileQuestion(put(onAxis, "curve", [0.2, 0.4], [0.3, 0.3], [0.4, 0.4]), 4)).toEqual({
      scale: { from: [0.1, 0.9], to: [0.6, 0.9], mm: 100 },
      axis: { from: [0.1, 0.5], to: [0.9, 0.5] },
      curve: [
        [0.2, 0.4],
        [0.3, 0.3],
        [0.4, 0.4],
      ],
      from_z_mm: 4,
    });
    expect(takenBack(takenBack(onAxis, "axis"), "axis").axis).toEqual([]);
    expect(put(onAxis, "axis", [0.3, 0.3]).axis).toEqual([[0.3, 0.3]]);
    expect(takenBack(put(onAxis, "curve", [0.2, 0.4], [0.3, 0.3]), "curve").outline).toEqual([[0.2, 0.4]]);
  });

  it("begins the scale anew with a third place", () =>
    expect(put(NOTHING, "scale", [0, 0], [1, 0], [0.5, 0.5]).scale).toEqual([[0.5, 0.5]]));

  it("draws a crack on until another is begun, and rounds by middle and edge", () => {
    const one = put(NOTHING, "crack", [0.1, 0.1], [0.2, 0.2], [0.3, 0.2]);
    const two = pointed(one, "crack", [0.7, 0.7], true);
    const round = put(two, "void", [0.5, 0.5], [0.55, 0.5]);
    expect(round.marks.map(({ type, points }) => [type, points?.length])).toEqual([
      ["crack", 3],
      ["crack", 1],
      ["void", undefined],
    ]);
    const whole = put(put(round, "scale", [0, 0], [1, 0]), "outline", ...square);
    // A crack of one point is not asked about yet.
    expect(question(whole, "head_face", 60)?.marks?.map(({ type }) => type)).toEqual(["crack", "void"]);
  });

  it("takes back one place at a time", () => {
    const round = put(put(NOTHING, "crack", [0.1, 0.1], [0.2, 0.2]), "void", [0.5, 0.5], [0.55, 0.5]);
    const half = takenBack(round, "void");
    expect(half.marks.at(-1)).toEqual({ type: "void", centre: [0.5, 0.5] });
    expect(takenBack(half, "void").marks).toHaveLength(1);
    expect(takenBack(takenBack(half, "void"), "crack").marks[0]?.points).toHaveLength(1);
    expect(takenBack(put(NOTHING, "centre", [0.4, 0.4]), "centre").centre).toBeUndefined();
    expect(takenBack(put(NOTHING, "outline", ...square), "outline").outline).toHaveLength(4);
  });
});

it("draws the core's outline back onto the picture, from either end", () => {
  const trace = {
    stations: [{ z_mm: 0, radii_mm: [40, 30, 20, 10] }],
    centre: [0.5, 0.4],
    mm_per_share: 100,
    across_mm: [0, 0],
    defects: [],
  };
  const rounded = (view: "tail_face" | "head_face") =>
    outlineOf(trace, view).map(([x, y]) => [Math.round(x * 100), Math.round(y * 100)]);
  expect(rounded("tail_face")).toEqual([
    [50, 0],
    [80, 40],
    [50, 60],
    [40, 40],
  ]);
  expect(rounded("head_face")).toEqual([
    [50, 0],
    [20, 40],
    [50, 60],
    [60, 40],
  ]);
});
