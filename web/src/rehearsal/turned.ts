// The piece as the eye sees it turning fast: shells of revolution, as far out as there is wood for a share of a turn.
import { BufferGeometry, Color, Float32BufferAttribute } from "three";
import type { Geometry } from "../api/document";
import { surfaceMm } from "../piece/geometry";
import type { LoopPoint } from "../piece/round/loop";
import { cornerOf } from "../piece/round/solid";
import type { Rgb, Stuff } from "../piece/round/stuff";

const HOURS = 48;
/** So much of a place's own colour is left in its ring. */
const OWN = 0.16;

/** Distance from the axis at each of HOURS hours, nearest first. */
export function reaches(geometry: Geometry, { zMm, rMm }: Pick<LoopPoint, "zMm" | "rMm">): number[] {
  const all = Array.from({ length: HOURS }, (_, hour) => Math.min(rMm, surfaceMm(geometry, (hour * 360) / HOURS, zMm)));
  return all.sort((one, other) => one - other);
}

/** How far out there is wood for at least that share of a turn. */
export const reachedFor = (sorted: number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.floor((1 - share) * sorted.length)))] ?? 0;

export type Ring = { zMm: number; rMm: number };

/** A surface of revolution, coloured ring by ring. */
export function revolved(rings: Ring[], colour: (ring: Ring, clockDeg: number) => Rgb): BufferGeometry {
  const [corners, colours, faces]: [number[], number[], number[]] = [[], [], []];
  const shade = new Color();
  rings.forEach((ring) => {
    for (let step = 0; step <= HOURS; step++) {
      const clockDeg = (step * 360) / HOURS;
      corners.push(...cornerOf(ring.zMm, clockDeg, ring.rMm));
      const [r, g, b] = colour(ring, clockDeg);
      shade.setRGB(r / 255, g / 255, b / 255, "srgb");
      colours.push(shade.r, shade.g, shade.b);
    }
  });
  for (let row = 0; row < rings.length - 1; row++)
    for (let step = 0; step < HOURS; step++) {
      const [a, b] = [row * (HOURS + 1) + step, (row + 1) * (HOURS + 1) + step];
      faces.push(a, b, b + 1, a, b + 1, a + 1);
    }
  const mesh = new BufferGeometry();
  mesh.setAttribute("position", new Float32BufferAttribute(corners, 3));
  mesh.setAttribute("color", new Float32BufferAttribute(colours, 3));
  mesh.setIndex(faces);
  mesh.computeVertexNormals();
  return mesh;
}

/** The mean of a ring's colours, with a little of each place's own. */
export function ringColour(stuff: Stuff) {
  let of: Ring | undefined;
  let mean: Rgb = [0, 0, 0];
  const at = ({ zMm, rMm }: Ring, clockDeg: number): Rgb =>
    stuff(clockDeg, Math.max(0, rMm - 0.5), zMm) ?? [92, 72, 52];
  return (ring: Ring, clockDeg: number): Rgb => {
    if (of !== ring) {
      of = ring;
      const all = Array.from({ length: 12 }, (_, step) => at(ring, step * 30));
      const middle = (which: 0 | 1 | 2) => all.reduce((sum, one) => sum + one[which], 0) / all.length;
      mean = [middle(0), middle(1), middle(2)];
    }
    const own = at(ring, clockDeg);
    return [0, 1, 2].map((i) => (mean[i] ?? 0) * (1 - OWN) + (own[i] ?? 0) * OWN) as Rgb;
  };
}
