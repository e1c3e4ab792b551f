import { describe, expect, it } from "vitest";
import type { BodyDefect, Crack, Defect, Geometry } from "../api/document";
import { addPoint, copyOf, dropPoint, freeId, makeDefect, moveDefect, movePoint, overEdge, resize } from "./edit";

const disc: Geometry = {
  length_mm: 60,
  max_radius_mm: 100,
  surface: { z_mm: [0, 60], radii_mm: [Array(120).fill(100), Array(120).fill(100)] },
  survey: null,
  on_centres: null,
  form: null,
  by_test: [],
  suspects: [],
};
const at = (clockDeg: number, zMm: number, rMm = 92) => ({ clockDeg, zMm, rMm });
const made = (
  ...args: [Parameters<typeof makeDefect>[0], ReturnType<typeof at>, ReturnType<typeof at>, "skin" | "end"]
) => makeDefect(args[0], "N", args[1], args[2], args[3], disc);

describe("pointing", () => {
  it("draws a crack along a stroke on the skin", () => {
    expect(made("crack", at(300, 58), at(306, 20), "skin")).toMatchObject({
      enters: "side",
      path: [
        { clock_deg: 300, z_mm: 58 },
        { clock_deg: 306, z_mm: 20 },
      ],
      depth_mm: 20,
    });
  });

  it("makes a plain touch a crack along the axis, within the blank", () => {
    const crack = made("crack", at(10, 55), at(10, 55), "skin") as Crack;
    expect(crack.path.map(({ z_mm }) => z_mm)).toEqual([37, 60]);
    expect(crack.path.map(({ clock_deg }) => clock_deg)).toEqual([10, 10]);
  });

  it("draws a crack on the tail face, never past the rim", () => {
    const crack = made("crack", at(30, 40, 20), at(40, 40, 130), "end") as Crack;
    expect(crack).toMatchObject({ enters: "tail_face" });
    expect(crack.path.map(({ r_mm, z_mm }) => [r_mm, z_mm])).toEqual([
      [20, 60],
      [100, 60],
    ]);
  });

  it("puts a void and a soft zone where it points, in sizes that fit the blank", () => {
    const pocket = made("void", at(45, 30, 70), at(45, 30, 70), "end") as BodyDefect;
    expect(pocket).toMatchObject({ type: "void", contents: "air", centre: { clock_deg: 45, r_mm: 70, z_mm: 30 } });
    expect(Math.max(...pocket.size_mm)).toBeLessThanOrEqual(60);
    expect(made("soft_zone", at(0, 30), at(0, 30), "skin")).toMatchObject({ type: "soft_zone", grade: "soft" });
  });
});

describe("every kind of trouble", () => {
  it.each(["galleries", "loose_piece", "hard_inclusion", "resin_body"] as const)(
    "%s lies where it was pointed at, whole in its own measures",
    (tool) => {
      const body = made(tool, at(45, 30, 70), at(45, 30, 70), "end") as BodyDefect;
      expect(body).toMatchObject({ id: "N", type: tool, centre: { clock_deg: 45, r_mm: 70, z_mm: 30 } });
      expect(Math.min(...body.size_mm)).toBeGreaterThanOrEqual(6);
    },
  );

  it("draws bark along a stroke, with a thickness and nothing that only cracks have", () => {
    const bark = made("bark_inclusion", at(300, 58), at(306, 20), "skin");
    expect(bark).toEqual({
      id: "N",
      type: "bark_inclusion",
      enters: "side",
      path: [
        { clock_deg: 300, z_mm: 58 },
        { clock_deg: 306, z_mm: 20 },
      ],
      depth_mm: 20,
      width_mm: 5,
    });
  });
});

describe("pointing in the section", () => {
  const cut = (tool: Parameters<typeof makeDefect>[0], from: ReturnType<typeof at>, to: ReturnType<typeof at>) =>
    makeDefect(tool, "N", from, to, "section", disc);

  it("draws a crack along the axis at that hour, as deep at each end as its tip was drawn", () => {
    expect(cut("crack", at(120, 10, 90), at(120, 50, 60))).toMatchObject({
      enters: "side",
      depth_mm: 40,
      path: [
        { clock_deg: 120, z_mm: 10, depth_mm: 10 },
        { clock_deg: 120, z_mm: 50, depth_mm: 40 },
      ],
    });
  });

  it("takes ends about as deep for equally deep", () => {
    const crack = cut("crack", at(120, 10, 70), at(120, 50, 71)) as Crack;
    expect(crack.depth_mm).toBe(30);
    expect(crack.path.map(({ depth_mm }) => depth_mm)).toEqual([undefined, undefined]);
  });

  it("puts a pocket where it was pointed at", () =>
    expect(cut("void", at(300, 20, 35), at(300, 20, 35))).toMatchObject({
      centre: { clock_deg: 300, r_mm: 35, z_mm: 20 },
    }));
});

describe("moving", () => {
  const pocket = made("void", at(350, 30, 70), at(350, 30, 70), "end") as BodyDefect;

  it("turns past 12, slides, and keeps to the wood", () => {
    expect(moveDefect(pocket, { clockDeg: 20, zMm: -5, rMm: 4 }, disc)).toMatchObject({
      centre: { clock_deg: 10, z_mm: 25, r_mm: 74 },
    });
    expect(moveDefect(pocket, { zMm: 500, rMm: 500 }, disc)).toMatchObject({ centre: { z_mm: 60, r_mm: 100 } });
    expect(moveDefect(pocket, { zMm: -500, rMm: -500 }, disc)).toMatchObject({ centre: { z_mm: 0, r_mm: 0 } });
  });

  it("keeps a path's shape when it comes to the end of the blank", () => {
    const crack = made("crack", at(300, 20), at(306, 50), "skin");
    const moved = moveDefect(crack, { zMm: 40, clockDeg: 10 }, disc) as Crack;
    expect(moved.path).toEqual([
      { clock_deg: 310, z_mm: 30 },
      { clock_deg: 316, z_mm: 60 },
    ]);
  });

  it("leaves the defect it was given alone", () => {
    const before = structuredClone(pocket);
    moveDefect(pocket, { clockDeg: 90 }, disc);
    expect(pocket).toEqual(before);
  });
});

describe("shaping", () => {
  const crack = made("crack", at(300, 20), at(306, 50), "skin") as Crack;

  it("moves a point, draws one out between two, and drops it again, but never under two", () => {
    const moved = movePoint(
      { ...crack, path: crack.path.map((point) => ({ ...point, depth_mm: 7 })) },
      1,
      { clockDeg: 371, zMm: 900 },
      disc,
    );
    expect(moved.path[1]).toEqual({ clock_deg: 11, z_mm: 60, depth_mm: 7 });
    const longer = addPoint(crack, 0, { clockDeg: 320, zMm: 35 }, disc);
    expect(longer.path.map(({ clock_deg }) => clock_deg)).toEqual([300, 320, 306]);
    expect(dropPoint(longer, 1)).toEqual(crack);
    expect(dropPoint(crack, 0)).toBe(crack);
  });

  it("keeps a point of a face on the face", () => {
    const face = made("crack", at(30, 40), at(60, 70), "end") as Crack;
    expect(movePoint(face, 0, { clockDeg: 30, zMm: 5, rMm: 500 }, disc).path[0]).toEqual({
      clock_deg: 30,
      z_mm: 60,
      r_mm: 100,
    });
  });

  it("draws a body larger along one of its axes, and never to nothing", () => {
    const pocket = made("void", at(350, 30, 70), at(350, 30, 70), "end") as BodyDefect;
    expect(resize(pocket, 1, 41.6).size_mm[1]).toBe(42);
    expect(resize(pocket, 2, -3).size_mm[2]).toBe(1);
  });

  it("carries a crack that comes to the end on over the edge, and leaves one that does not", () => {
    const [side, face] =
      overEdge(
        { ...(made("crack", at(300, 20), at(306, 60), "skin") as Crack), id: "A", depth_mm: 18 },
        [{ ...crack, id: "A" }],
        disc,
      ) ?? [];
    expect(face).toMatchObject({
      id: "B",
      enters: "tail_face",
      group: "A",
      depth_mm: 18,
      path: [
        { clock_deg: 306, z_mm: 60, r_mm: 100 },
        { clock_deg: 306, z_mm: 60, r_mm: 82 },
      ],
    });
    expect(side).toMatchObject({ id: "A", enters: "side", group: "A" });
    expect(overEdge(made("crack", at(300, 20), at(306, 40), "skin") as Crack, [], disc)).toBeUndefined();
  });

  it("copies under a letter of its own, beside the first", () => {
    const copy = copyOf({ ...crack, id: "A" }, [{ ...crack, id: "A" }], disc) as Crack;
    expect([copy.id, copy.path[0]?.clock_deg]).toEqual(["B", 320]);
  });
});

it("finds a letter nobody uses", () => {
  const named = (...ids: string[]) => ids.map((id) => ({ id }) as Defect);
  expect([freeId([]), freeId(named("A", "B")), freeId(named("B"))]).toEqual(["A", "C", "A"]);
  expect(freeId(named(..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"))).toBe("A2");
});
