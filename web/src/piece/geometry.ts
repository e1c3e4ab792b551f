// Drawing geometry only: where things lie on the drawings. Every judgement comes from the core.
import type { BodyDefect, Defect, Geometry, PathDefect } from "../api/document";
import { isPath } from "../api/document";

export type Point = { x: number; y: number };
export type Place = { clockDeg: number; rMm: number; zMm: number };

const RADIANS = Math.PI / 180;
export const fold = (deg: number) => ((deg % 360) + 360) % 360;
/** Signed turn the short way, −180 to 180. */
export const turn = (from: number, to: number) => fold(to - from + 180) - 180;

/** x to 3 o'clock, y to 12, in mm. */
export const onEnd = (clockDeg: number, rMm: number): Point => ({
  x: rMm * Math.sin(clockDeg * RADIANS),
  y: rMm * Math.cos(clockDeg * RADIANS),
});
export const clockOf = (x: number, y: number) => fold(Math.atan2(x, y) / RADIANS);

/** Radius of the blank's surface, between the angles and stations the core gave. */
export function surfaceMm(geometry: Geometry, clockDeg: number, zMm: number): number {
  const { z_mm, radii_mm } = geometry.surface;
  const after = Math.max(
    1,
    z_mm.findIndex((z) => z >= zMm),
  );
  const [low, high] = [z_mm[after - 1] ?? 0, z_mm[after] ?? 1];
  const share = Math.min(1, Math.max(0, (zMm - low) / (high - low || 1)));
  const onRing = (ring: number[] = []) => {
    const at = (fold(clockDeg) / 360) * ring.length;
    const index = Math.floor(at);
    const [a, b] = [ring[index % ring.length] ?? 0, ring[(index + 1) % ring.length] ?? 0];
    return a + (b - a) * (at - index);
  };
  return onRing(radii_mm[after - 1]) * (1 - share) + onRing(radii_mm[after]) * share;
}

/** Radius of a profile at z, or undefined beyond its ends. */
export function profileMm(profile: [number, number][] | number[][], zMm: number): number | undefined {
  for (let index = 1; index < profile.length; index++) {
    const [z0 = 0, r0 = 0] = profile[index - 1] ?? [];
    const [z1 = 0, r1 = 0] = profile[index] ?? [];
    if (zMm >= z0 && zMm <= z1) return r0 + ((r1 - r0) * (zMm - z0)) / (z1 - z0 || 1);
  }
  return undefined;
}

/** [u, z] outline of a body in the plane through the axis at an hour, u measured towards that hour; empty where the plane misses it. */
export function bodyInPlane(body: BodyDefect, planeDeg: number): [number, number][] {
  const [a = 1, b = 1, c = 1] = body.size_mm.map((extent) => extent / 2);
  const between = (planeDeg - body.centre.clock_deg) * RADIANS;
  const [cosine, sine] = [Math.cos(between), Math.sin(between)];
  const square = (cosine / a) ** 2 + (sine / b) ** 2;
  const middle = (body.centre.r_mm * cosine) / a ** 2 / square;
  const atMiddle = 1 - ((middle * cosine - body.centre.r_mm) / a) ** 2 - ((middle * sine) / b) ** 2;
  if (atMiddle <= 0) return [];
  return Array.from({ length: 49 }, (_, step) => {
    const angle = (step / 48) * 2 * Math.PI;
    return [
      middle + Math.sqrt(atMiddle / square) * Math.cos(angle),
      body.centre.z_mm + c * Math.sqrt(atMiddle) * Math.sin(angle),
    ];
  });
}

/** [clock, z] outline of a body on a surface whose radius at an hour is given; empty where the surface misses it. */
export function bodyOnSkin(body: BodyDefect, radiusAt: (clockDeg: number) => number): [number, number][] {
  const [a = 1, b = 1, c = 1] = body.size_mm.map((extent) => extent / 2);
  const half: [number, number, number][] = [];
  for (let step = -120; step <= 120; step++) {
    const between = step * 1.5;
    const r = radiusAt(body.centre.clock_deg + between);
    const radial = (r * Math.cos(between * RADIANS) - body.centre.r_mm) / a;
    const tangential = (r * Math.sin(between * RADIANS)) / b;
    const left = 1 - radial ** 2 - tangential ** 2;
    if (left > 0) half.push([body.centre.clock_deg + between, body.centre.z_mm, c * Math.sqrt(left)]);
  }
  return [
    ...half.map(([clock, z, reach]): [number, number] => [clock, z + reach]),
    ...half.reverse().map(([clock, z, reach]): [number, number] => [clock, z - reach]),
  ];
}

/** A path cut fine, with its clock angles unfolded so that they run on past 12. */
export function pathPoints(defect: PathDefect, geometry: Geometry): Place[] {
  const places: Place[] = [];
  defect.path.forEach((point, index) => {
    const before = defect.path[index - 1];
    const here = {
      clockDeg: point.clock_deg,
      zMm: point.z_mm,
      rMm: point.r_mm ?? surfaceMm(geometry, point.clock_deg, point.z_mm),
    };
    if (!before) return places.push(here);
    const from = places.at(-1) ?? here;
    const steps = 12;
    for (let step = 1; step <= steps; step++) {
      const share = step / steps;
      const zMm = before.z_mm + (point.z_mm - before.z_mm) * share;
      if (defect.enters === "side") {
        const clockDeg = from.clockDeg + turn(before.clock_deg, point.clock_deg) * share;
        places.push({ clockDeg, zMm, rMm: surfaceMm(geometry, clockDeg, zMm) });
      } else {
        const [a, b] = [onEnd(before.clock_deg, before.r_mm ?? 0), onEnd(point.clock_deg, point.r_mm ?? 0)];
        const [x, y] = [a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share];
        places.push({ clockDeg: clockOf(x, y), rMm: Math.hypot(x, y), zMm });
      }
    }
    return undefined;
  });
  return places;
}

/** Where the middle of a defect lies. */
export function middleOf(defect: Defect, geometry: Geometry): Place {
  if (!isPath(defect)) return { clockDeg: defect.centre.clock_deg, rMm: defect.centre.r_mm, zMm: defect.centre.z_mm };
  const places = pathPoints(defect, geometry);
  return places[Math.floor(places.length / 2)] ?? { clockDeg: 0, rMm: 0, zMm: 0 };
}
