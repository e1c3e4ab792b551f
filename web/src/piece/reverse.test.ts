import { describe, expect, it } from "vitest";
import { sampleDocument } from "../testing/blank";
import type { Document } from "../api/document";
import { reverse, reverseSpot } from "./reverse";

const piece = sampleDocument({
  format: "mossy-anvil/blank",
  version: 7,
  name: "Bowl",
  material: {
    kind: "wood",
    species: "hornbeam",
    density_kg_m3: 600,
    moisture_pct: 12,
    grain: "face",
    grain_clock_deg: 30,
  },
  shape: {
    type: "outline",
    stations: [
      { z_mm: 0, radii_mm: [10, 20, 30, 40] },
      { z_mm: 60.3, radii_mm: [50, 60, 70, 80] },
    ],
    centre_offset_mm: [3, 4],
  },
  defects: [
    {
      id: "A",
      type: "crack",
      enters: "tail_face",
      path: [
        { clock_deg: 30, z_mm: 60.3, r_mm: 5, depth_mm: 4 },
        { clock_deg: 0, z_mm: 60.3, r_mm: 20 },
      ],
      depth_mm: 9,
      width_mm: 1,
    },
    { id: "B", type: "void", centre: { clock_deg: 90, r_mm: 30, z_mm: 20.1 }, size_mm: [5, 6, 7], contents: "air" },
  ],
  readings: [
    { kind: "awl", value: 6, at: { clock_deg: 300, z_mm: 10 }, taken_at: "2030-05-01T09:00:00Z" },
    { kind: "mass", value: 900, taken_at: "2030-05-01T09:00:00Z" },
  ],
  form: {
    kind: "bowl",
    opens: "tail",
    curve: "smooth",
    outside: [
      [4, 45],
      [56, 110],
    ],
    inside: [
      [14, 0],
      [56, 100],
    ],
  },
});

describe("turned end for end", () => {
  const turned = reverse(piece);

  it("what was three o'clock, 20 mm from the head, is nine o'clock, as far from the tail", () => {
    expect(reverseSpot({ clock_deg: 90, z_mm: 20 }, 60)).toEqual({ clock_deg: 270, z_mm: 40 });
    expect(turned.defects[1]).toMatchObject({ centre: { clock_deg: 270, r_mm: 30, z_mm: 40.2 }, size_mm: [5, 6, 7] });
  });

  it("a crack in the tail end is in the head end, and goes as deep", () =>
    expect(turned.defects[0]).toMatchObject({
      enters: "head_face",
      depth_mm: 9,
      path: [
        { clock_deg: 330, z_mm: 0, r_mm: 5, depth_mm: 4 },
        { clock_deg: 0, z_mm: 0 },
      ],
    }));

  it("a bowl that opened to the tail opens to the head; fibres, radii, offset and tests go along", () => {
    expect(turned.form).toMatchObject({
      opens: "head",
      outside: [
        [4.3, 110],
        [56.3, 45],
      ],
      inside: [
        [4.3, 100],
        [46.3, 0],
      ],
    });
    expect(turned.shape).toMatchObject({
      centre_offset_mm: [-3, 4],
      stations: [
        { z_mm: 0, radii_mm: [50, 80, 70, 60] },
        { z_mm: 60.3, radii_mm: [10, 40, 30, 20] },
      ],
    });
    expect(turned.material.grain_clock_deg).toBe(330);
    expect(turned.readings?.[0]).toMatchObject({ at: { clock_deg: 60, z_mm: 50.3 } });
  });

  it("centres change their faces, and forms beside go along", () => {
    const leaned = {
      ...piece,
      centres: { head_mm: [2, 3], tail_mm: [5, 7] },
      sketches: [{ name: "one", form: piece.form }],
    } as Document;
    const turned = reverse(leaned);
    expect(turned.centres).toEqual({ head_mm: [-5, 7], tail_mm: [-2, 3] });
    expect(turned.sketches?.[0]?.form.opens).toBe("head");
    // Along a leaned axis the piece is a little longer: z is counted from its other end.
    expect(turned.form?.outside.at(-1)?.[0]).toBeCloseTo(Math.hypot(60.3, 3, 4) - 4, 5);
    expect(reverse(turned)).toEqual(leaned);
  });

  it("turned twice is the very same", () => expect(reverse(turned)).toEqual(piece));

  it("takes along what was looked at: hours the other way about, ends changed over", () => {
    const seen: Document = {
      ...piece,
      survey: { seen: [{ surface: "side", from_deg: 30, to_deg: 120 }, { surface: "head_face" }] },
    };
    const turned = reverse(seen);
    expect(turned.survey?.seen).toEqual([{ surface: "side", from_deg: 240, to_deg: 330 }, { surface: "tail_face" }]);
    expect(reverse(turned).survey).toEqual(seen.survey);
  });
});
