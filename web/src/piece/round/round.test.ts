import { describe, expect, it } from "vitest";
import type { Geometry } from "../../api/document";
import { sampleDocument } from "../../testing/blank";
import { hollowMm, loopOf, stripsOf, wallMm } from "./loop";
import { bandOf, paintSkin } from "./paint";
import { cutFace, swept } from "./solid";
import { noiseOf, seedOf, stuffOf } from "./stuff";

const ring = (r: number) => Array.from({ length: 12 }, () => r);
const geometry: Geometry = {
  length_mm: 60,
  max_radius_mm: 100,
  surface: { z_mm: [0, 60], radii_mm: [ring(100), ring(100)] },
  survey: null,
  on_centres: null,
  by_test: [],
  suspects: [],
  form: {
    opens: "tail",
    outside: [
      [5, 40],
      [55, 90],
    ],
    inside: [
      [15, 0],
      [15, 30],
      [55, 80],
    ],
    walls: [
      [15, 0, 10],
      [40, 62, 7],
      [55, 80, 4],
    ],
  },
};
const whole = { ...geometry, form: null };

/** Volume within the triangles of a closed surface, by the divergence theorem. */
function volumeMm3(of: Geometry): number {
  return Math.abs(
    swept(stripsOf(of), of, [0, 360]).reduce((sum, mesh) => {
      const at = mesh.getAttribute("position");
      const index = mesh.getIndex();
      for (let place = 0; index && place < index.count; place += 3) {
        const [a, b, c] = [0, 1, 2].map((corner) => {
          const vertex = index.getX(place + corner);
          return [at.getX(vertex), at.getY(vertex), at.getZ(vertex)];
        }) as [number[], number[], number[]];
        sum +=
          ((a[0] ?? 0) * ((b[1] ?? 0) * (c[2] ?? 0) - (b[2] ?? 0) * (c[1] ?? 0)) -
            (a[1] ?? 0) * ((b[0] ?? 0) * (c[2] ?? 0) - (b[2] ?? 0) * (c[0] ?? 0)) +
            (a[2] ?? 0) * ((b[0] ?? 0) * (c[1] ?? 0) - (b[1] ?? 0) * (c[0] ?? 0))) /
          6;
      }
      return sum;
    }, 0),
  );
}

describe("the surface in the round", () => {
  it("is closed, floor and rim too: it holds just the wood of the form", () => {
    // Frustum of the outside less that of the hollow: π h (R² + R r + r²) / 3.
    const frustum = (h: number, R: number, r: number) => (Math.PI * h * (R * R + R * r + r * r)) / 3;
    const wood = frustum(50, 40, 90) - frustum(40, 30, 80);
    expect(volumeMm3(geometry) / wood).toBeCloseTo(1, 2);
    expect(volumeMm3(whole) / (Math.PI * 100 ** 2 * 60)).toBeCloseTo(1, 2);
  });

  it("ends where the wood ends", () => {
    const narrow = { ...geometry, surface: { z_mm: [0, 60], radii_mm: [ring(70), ring(70)] } };
    expect(volumeMm3(narrow)).toBeLessThan(volumeMm3(geometry));
    const picture = paintSkin(stripsOf(narrow), narrow, () => [1, 2, 3], "stuff", { width: 8, height: 64 });
    // Where the hollow is wider than the wood there is nothing; at the foot there is.
    const alpha = Array.from({ length: 64 }, (_, row) => picture.data[row * 8 * 4 + 3]);
    expect(alpha[2]).toBe(255);
    expect(alpha).toContain(0);
  });

  it("breaks at its corners and is smooth between them", () => {
    expect(stripsOf(whole).map((strip) => strip[0]?.side)).toEqual(["end", "outside", "end"]);
    const turning = loopOf(geometry);
    expect(turning[0]).toMatchObject({ rMm: 0, zMm: 5 });
    expect(turning.at(-1)).toMatchObject({ rMm: 0, zMm: 15 });
  });

  it("opens at the other end, and at both", () => {
    const form = geometry.form as NonNullable<Geometry["form"]>;
    const head = {
      ...geometry,
      form: {
        ...form,
        opens: "head" as const,
        outside: [
          [5, 90],
          [55, 40],
        ],
        inside: [
          [5, 80],
          [45, 30],
          [45, 0],
        ],
      },
    };
    expect(volumeMm3(head) / volumeMm3(geometry)).toBeCloseTo(1, 2);
    const through = {
      ...geometry,
      form: {
        ...form,
        outside: [
          [5, 90],
          [55, 90],
        ],
        inside: [
          [5, 80],
          [55, 80],
        ],
      },
    };
    expect(volumeMm3(through) / (Math.PI * 50 * (90 ** 2 - 80 ** 2))).toBeCloseTo(1, 2);
  });

  it("is cut flat: the face has the area of the wall", () => {
    const mesh = cutFace(stripsOf(geometry), geometry, 30);
    const at = mesh.getAttribute("uv");
    const index = mesh.getIndex();
    let area = 0;
    for (let place = 0; index && place < index.count; place += 3) {
      const [a, b, c] = [0, 1, 2].map((corner) => index.getX(place + corner)) as [number, number, number];
      const [x, y] = [(v: number) => at.getX(v) * 60, (v: number) => at.getY(v) * 100];
      area += Math.abs((x(b) - x(a)) * (y(c) - y(a)) - (x(c) - x(a)) * (y(b) - y(a))) / 2;
    }
    expect(area).toBeCloseTo((50 * (40 + 90)) / 2 - (40 * (30 + 80)) / 2, 0);
  });
});

describe("the wall's thickness", () => {
  it("is what the core gave at the nearest place, and none on a solid", () => {
    expect(wallMm(geometry, 41)).toBe(7);
    expect(wallMm(whole, 41)).toBeUndefined();
    expect(wallMm(geometry, 10)).toBeUndefined();
    expect(hollowMm(geometry, 35)).toBeCloseTo(55);
  });

  it("falls into bands, the thinnest hatched closest", () => {
    expect([2.9, 3, 7.9, 40].map((mm) => bandOf(mm)?.upTo)).toEqual([3, 5, 8, Infinity]);
  });
});

describe("the stuff", () => {
  const crack = {
    id: "A",
    type: "crack" as const,
    enters: "side" as const,
    path: [
      { clock_deg: 90, z_mm: 10 },
      { clock_deg: 90, z_mm: 40 },
    ],
    depth_mm: 20,
    width_mm: 2,
  };
  const hole = {
    id: "B",
    type: "void" as const,
    contents: "air" as const,
    centre: { clock_deg: 270, r_mm: 50, z_mm: 30 },
    size_mm: [20, 20, 20] as [number, number, number],
  };
  const document = sampleDocument({ number: 7 });

  it("is the same wood each time, and another for another blank", () => {
    const at = (number: number) => stuffOf(sampleDocument({ number }), [], whole)(40, 33, 21);
    expect(at(7)).toEqual(at(7));
    expect(at(7)).not.toEqual(at(8));
    expect(seedOf("a")).not.toBe(seedOf("b"));
  });

  it("shows a crack from its mouth to its depth, and a void through and through", () => {
    const [sound, marked] = [stuffOf(document, [], whole), stuffOf(document, [crack, hole], whole)];
    const differs = (clock: number, r: number, z: number) =>
      JSON.stringify(sound(clock, r, z)) !== JSON.stringify(marked(clock, r, z));
    expect(differs(90, 99, 25)).toBe(true);
    expect(differs(90, 82, 25)).toBe(true);
    expect(differs(90, 78, 25)).toBe(false);
    expect(differs(95, 99, 25)).toBe(false);
    expect(differs(270, 50, 30)).toBe(true);
    expect(differs(270, 50, 42)).toBe(false);
  });

  it("changes smoothly: noise has no steps and stays between 0 and 1", () => {
    const noise = noiseOf(5);
    const values = Array.from({ length: 400 }, (_, step) => noise(step / 40, 0.3, 7.7));
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...values)).toBeLessThanOrEqual(1);
    const steps = values.slice(1).map((value, index) => Math.abs(value - (values[index] ?? 0)));
    expect(Math.max(...steps)).toBeLessThan(0.06);
  });
});
