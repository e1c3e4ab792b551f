import { describe, expect, it } from "vitest";
import type { BodyDefect, Crack, Geometry } from "../api/document";
import {
  bodyInPlane,
  bodyOnSkin,
  clockOf,
  fold,
  middleOf,
  onEnd,
  pathPoints,
  profileMm,
  surfaceMm,
  turn,
} from "./geometry";

const disc = (radius: number, length: number): Geometry => ({
  length_mm: length,
  max_radius_mm: radius,
  surface: { z_mm: [0, length], radii_mm: [Array(120).fill(radius), Array(120).fill(radius)] },
  survey: null,
  on_centres: null,
  form: null,
  by_test: [],
  suspects: [],
});
const cone: Geometry = {
  ...disc(80, 100),
  surface: { z_mm: [0, 100], radii_mm: [Array(120).fill(40), Array(120).fill(80)] },
};
const voidAt = (clock_deg: number, r_mm: number, size_mm = [20, 30, 16]): BodyDefect => ({
  id: "v",
  type: "void",
  centre: { clock_deg, r_mm, z_mm: 30 },
  size_mm,
  contents: "air",
});
const crackOn = (path: Crack["path"], enters: Crack["enters"] = "side"): Crack => ({
  id: "c",
  type: "crack",
  enters,
  path,
  depth_mm: 10,
  width_mm: 1,
});

describe("the clock on paper", () => {
  it("puts 12 up, 3 right, and comes back", () => {
    expect(onEnd(0, 10).y).toBeCloseTo(10);
    expect(onEnd(90, 10).x).toBeCloseTo(10);
    for (let deg = 0; deg < 360; deg += 29) expect(clockOf(onEnd(deg, 5).x, onEnd(deg, 5).y)).toBeCloseTo(deg);
  });

  it("folds and turns the short way", () => {
    expect([370, -10, 720].map(fold)).toEqual([10, 350, 0]);
    expect([turn(350, 10), turn(10, 350), turn(0, 90)]).toEqual([20, -20, 90]);
  });
});

describe("surfaces and profiles", () => {
  it("goes in straight lines between stations", () =>
    expect([0, 25, 100].map((z) => surfaceMm(cone, 77, z))).toEqual([40, 50, 80]));

  it("gives a profile only within its own span", () => {
    const profile = [
      [10, 20],
      [30, 40],
    ];
    expect([10, 20, 30].map((z) => profileMm(profile, z))).toEqual([20, 30, 40]);
    expect([9.9, 30.1].map((z) => profileMm(profile, z))).toEqual([undefined, undefined]);
  });
});

describe("bodies", () => {
  it("show their whole section in their own plane, none in one that misses them", () => {
    const own = bodyInPlane(voidAt(40, 60), 40);
    const us = own.map(([u]) => u);
    const zs = own.map(([, z]) => z);
    expect([Math.min(...us), Math.max(...us)].map(Math.round)).toEqual([50, 70]);
    expect([Math.min(...zs), Math.max(...zs)].map(Math.round)).toEqual([22, 38]);
    expect(bodyInPlane(voidAt(40, 60), 130)).toEqual([]);
  });

  it("lie below the axis in the plane of the hour opposite", () => {
    const us = bodyInPlane(voidAt(40, 60), 220).map(([u]) => u);
    expect(Math.max(...us)).toBeLessThan(0);
  });

  it("shrink to nothing where the peel has not reached them", () => {
    const skin = (peel: number) => bodyOnSkin(voidAt(90, 60), () => 100 - peel);
    expect(skin(0)).toEqual([]);
    expect(skin(29)).toEqual([]);
    expect(skin(32).length).toBeGreaterThan(4);
    const middle = skin(40).map(([, z]) => z);
    expect([Math.min(...middle), Math.max(...middle)].map(Math.round)).toEqual([22, 38]);
  });
});

describe("paths", () => {
  it("run on past 12 instead of back round the clock", () => {
    const clocks = pathPoints(
      crackOn([
        { clock_deg: 350, z_mm: 10 },
        { clock_deg: 10, z_mm: 50 },
      ]),
      disc(100, 60),
    ).map((place) => place.clockDeg);
    expect(clocks[0]).toBe(350);
    expect(clocks.at(-1)).toBeCloseTo(370);
  });

  it("keep to the surface of a cone", () => {
    const places = pathPoints(
      crackOn([
        { clock_deg: 0, z_mm: 0 },
        { clock_deg: 0, z_mm: 100 },
      ]),
      cone,
    );
    places.forEach(({ rMm, zMm }) => expect(rMm).toBeCloseTo(40 + 0.4 * zMm));
  });

  it("go straight over a face, past the axis", () => {
    const places = pathPoints(
      crackOn(
        [
          { clock_deg: 0, z_mm: 60, r_mm: 40 },
          { clock_deg: 180, z_mm: 60, r_mm: 40 },
        ],
        "tail_face",
      ),
      disc(100, 60),
    );
    expect(Math.min(...places.map(({ rMm }) => rMm))).toBeLessThan(0.001);
  });

  it("have a middle, as bodies have", () => {
    expect(
      middleOf(
        crackOn([
          { clock_deg: 20, z_mm: 10 },
          { clock_deg: 40, z_mm: 50 },
        ]),
        disc(100, 60),
      ),
    ).toMatchObject({ zMm: 30 });
    expect(middleOf(voidAt(40, 60), disc(100, 60))).toEqual({ clockDeg: 40, rMm: 60, zMm: 30 });
  });
});
