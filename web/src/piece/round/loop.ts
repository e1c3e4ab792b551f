// The outline that turns round the axis, and the surface it sweeps: drawing geometry only.
import type { Geometry } from "../../api/document";
import { profileMm, surfaceMm } from "../geometry";

/** A point of the outline; `side` tells which surface it belongs to. A radius beyond the wood is cut back to it. */
export type LoopPoint = { zMm: number; rMm: number; side: "outside" | "inside" | "end" };

const FINEST_SHARE = 1 / 32;
const CORNER_COSINE = Math.cos((35 * Math.PI) / 180);
const SAME_MM = 0.01;

/**
 * The closed outline in the half-plane of one hour, from the closed end's middle out over the outside, the rim and
 * back along the inside; of the blank itself where there is no form. A ring's outline does not touch the axis.
 */
export function loopOf(geometry: Geometry): LoopPoint[] {
  const { form, surface } = geometry;
  if (!form) return blankLoop(surface.z_mm);
  const tail = form.opens === "tail";
  const outside = mapped(form.outside, "outside", !tail);
  const [first, last] = [outside[0], outside.at(-1)];
  if (!first || !last) return [];
  const axis = (zMm: number): LoopPoint => ({ zMm, rMm: 0, side: "end" });
  if (!form.inside) return [axis(first.zMm), ...outside, axis(last.zMm)];
  // Back from the mouth to the floor.
  const inside = mapped(form.inside, "inside", tail);
  const floor = inside.at(-1);
  if (!floor) return [axis(first.zMm), ...outside, axis(last.zMm)];
  const through = Math.abs(floor.zMm - first.zMm) < SAME_MM && floor.rMm > SAME_MM;
  return through ? [...outside, ...inside, first] : [axis(first.zMm), ...outside, ...inside, axis(floor.zMm)];
}

const blankLoop = (stations: number[]): LoopPoint[] => {
  const [low = 0, high = 0] = [stations[0], stations.at(-1)];
  const skin = stations.map((zMm): LoopPoint => ({ zMm, rMm: Infinity, side: "outside" }));
  return [{ zMm: low, rMm: 0, side: "end" }, ...skin, { zMm: high, rMm: 0, side: "end" }];
};

function mapped(profile: number[][], side: LoopPoint["side"], backwards: boolean): LoopPoint[] {
  const points = profile.map(([zMm = 0, rMm = 0]): LoopPoint => ({ zMm, rMm, side }));
  return backwards ? points.reverse() : points;
}

/** The outline's point at an hour: as far out as there is wood. */
export const reachedMm = (geometry: Geometry, point: LoopPoint, clockDeg: number): number =>
  Math.min(point.rMm, surfaceMm(geometry, clockDeg, point.zMm));

/** The outline cut fine enough to follow the wood's own surface, in strips that meet at its corners. */
export function stripsOf(geometry: Geometry): LoopPoint[][] {
  const loop = loopOf(geometry);
  const flat = (point: LoopPoint): [number, number] => [point.zMm, Math.min(point.rMm, geometry.max_radius_mm)];
  const finest = Math.max(geometry.length_mm, geometry.max_radius_mm) * FINEST_SHARE;
  const strips: LoopPoint[][] = [];
  loop.slice(1).forEach((point, index) => {
    const before = loop[index] ?? point;
    const [[z0, r0], [z1, r1]] = [flat(before), flat(point)];
    const long = Math.hypot(z1 - z0, r1 - r0);
    if (long < SAME_MM) return;
    const steps = Math.max(1, Math.ceil(long / finest));
    const side = before.side === point.side ? point.side : "end";
    const cut = Array.from({ length: steps + 1 }, (_, step): LoopPoint => {
      const share = step / steps;
      const skin = before.rMm === Infinity && point.rMm === Infinity;
      return { zMm: z0 + (z1 - z0) * share, rMm: skin ? Infinity : r0 + (r1 - r0) * share, side };
    });
    const open = strips.at(-1);
    if (open && open.at(-1)?.side === side && isSmooth(open, cut, flat)) open.push(...cut.slice(1));
    else strips.push(cut);
  });
  return strips;
}

function isSmooth(open: LoopPoint[], cut: LoopPoint[], flat: (point: LoopPoint) => [number, number]): boolean {
  const [a, b, c] = [open.at(-2), open.at(-1), cut[1]].map((point) => flat(point as LoopPoint));
  if (!a || !b || !c) return false;
  const [u, v] = [
    [b[0] - a[0], b[1] - a[1]],
    [c[0] - b[0], c[1] - b[1]],
  ] as const;
  return (u[0] * v[0] + u[1] * v[1]) / (Math.hypot(...u) * Math.hypot(...v) || 1) >= CORNER_COSINE;
}

/** Radius of the hollow at z, mm; 0 where there is none. */
export const hollowMm = ({ form }: Geometry, zMm: number): number =>
  form?.inside ? (profileMm(form.inside, zMm) ?? 0) : 0;

/** Is there any wood at this hour and z? Not where the wood's own surface runs out over the hollow. */
export const isWood = (geometry: Geometry, clockDeg: number, zMm: number): boolean =>
  surfaceMm(geometry, clockDeg, zMm) > hollowMm(geometry, zMm) + SAME_MM;

/** The outline at one hour as a polygon [z, r], for the face of the cut; the last place is not the first again. */
export function faceOf(strips: LoopPoint[][], geometry: Geometry, clockDeg: number): [number, number][] {
  const points = strips.flatMap((strip) => strip.slice(0, -1));
  const [first, last] = [points[0], strips.at(-1)?.at(-1)];
  if (first && last && Math.hypot(first.zMm - last.zMm, first.rMm - last.rMm) > SAME_MM) points.push(last);
  return points.map((point) => [point.zMm, reachedMm(geometry, point, clockDeg)]);
}

/** Wall along the inside as the core gave it, at z, mm; undefined where there is none. */
export function wallMm({ form }: Geometry, zMm: number): number | undefined {
  const walls = form?.walls;
  const [low, high] = [walls?.[0]?.[0], walls?.at(-1)?.[0]];
  // Beside the foot, below the hollow, there is no wall.
  if (!walls || low === undefined || high === undefined || zMm < low || zMm > high) return undefined;
  return walls.reduce((best, wall) =>
    Math.abs((wall[0] ?? 0) - zMm) < Math.abs((best[0] ?? 0) - zMm) ? wall : best,
  )[2];
}
