// How the fibres lie, as lines on the drawings: a sign for the eye, not a measurement. Lengths in mm, angles in degrees.
import type { Document } from "../api/document";
import { fold } from "./geometry";

export type Line = [number, number][];
type Material = Document["material"];
export type Fibres = "along" | "across" | "burl" | undefined;

export const fibresOf = ({ grain, kind }: Material): Fibres => {
  if (kind === "resin" || kind === "non_wood") return undefined;
  return grain === "end" ? "along" : grain === "face" ? "across" : grain === "burl" ? "burl" : undefined;
};

const STEPS = 36;
const line = (at: (share: number) => [number, number]): Line =>
  Array.from({ length: STEPS + 1 }, (_, step) => at(step / STEPS));

/** Places in a unit square, even but unruled (R2 sequence). */
const scattered = (count: number): [number, number][] =>
  Array.from({ length: count }, (_, index): [number, number] => [
    (0.31 + index / 1.324718) % 1,
    (0.17 + index / 1.754878) % 1,
  ]);

/** A bud of a burl: rings about a point, each a little out of round. */
const bud = (x: number, y: number, size: number, turned: number): Line[] =>
  [0.35, 0.65, 1].map((share) =>
    line((along) => {
      const angle = along * 2 * Math.PI;
      const reach = size * share * (1 + 0.18 * Math.sin(3 * angle + turned));
      return [x + reach * Math.cos(angle), y + reach * Math.sin(angle) * 0.8];
    }),
  );

/** On the unrolled skin: [clock, z]. */
export function grainOnSkin(material: Material, lengthMm: number): Line[] {
  const fibres = fibresOf(material);
  if (fibres === "along")
    return Array.from({ length: 24 }, (_, index) =>
      line((share) => [(index + 0.5) * 15 + 2.2 * Math.sin(share * 5 + index * 1.7), share * lengthMm]),
    );
  if (fibres === "across")
    return Array.from({ length: 9 }, (_, index) =>
      line((share) => {
        // A flat-sawn round: rings show as waves, high where the fibres end, low where they run.
        const clock = share * 360;
        const wave = Math.cos(((clock - (material.grain_clock_deg ?? 0)) * Math.PI) / 90);
        return [clock, ((index + 0.5) / 9 + 0.05 * wave) * lengthMm];
      }),
    );
  if (fibres === "burl")
    return scattered(22).flatMap(([u, v], index) =>
      bud(u * 360, v * lengthMm, 1, index).map((ring) =>
        ring.map(([x, y]): [number, number] => [
          u * 360 + (x - u * 360) * 7,
          v * lengthMm + (y - v * lengthMm) * lengthMm * 0.09,
        ]),
      ),
    );
  return [];
}

/** On the section at an hour: [z, u], u towards that hour. Short strokes where the fibres come out of the paper. */
export function grainOnSection(material: Material, lengthMm: number, reachMm: number, clockDeg: number): Line[] {
  const fibres = fibresOf(material);
  const across = (share: number) => (share * 2 - 1) * reachMm;
  if (fibres === "along")
    return Array.from({ length: 15 }, (_, index) =>
      line((share) => [share * lengthMm, across((index + 0.5) / 15) + reachMm * 0.012 * Math.sin(share * 7 + index)]),
    );
  if (fibres === "across") {
    const seen = Math.abs(Math.cos((fold(clockDeg - (material.grain_clock_deg ?? 0)) * Math.PI) / 180));
    const rows = Math.max(5, Math.round(lengthMm / (reachMm * 0.11)));
    const strokes = Math.round(8 + 22 * (1 - seen));
    const long = seen > 0.9 ? 1 : Math.max(0.25, seen);
    return Array.from({ length: rows }, (_, row) => (row + 0.5) / rows).flatMap((z, row) =>
      seen > 0.9
        ? [
            line((share): [number, number] => [
              z * lengthMm + lengthMm * 0.01 * Math.sin(share * 6 + row),
              across(share),
            ]),
          ]
        : Array.from({ length: strokes }, (__, stroke): Line => {
            const from = (stroke + (row % 2) / 2) / strokes;
            return [
              [z * lengthMm, across(from)],
              [z * lengthMm, across(from + (0.8 * long) / strokes)],
            ];
          }),
    );
  }
  if (fibres === "burl")
    return scattered(26).flatMap(([u, v], index) => bud(u * lengthMm, across(v), reachMm * 0.07, index));
  return [];
}

/** On the end: [x, y], x to 3 o'clock, y to 12. */
export function grainOnEnd(material: Material, reachMm: number): Line[] {
  const fibres = fibresOf(material);
  if (fibres === "along")
    // The pith lies a little off the middle, as it mostly does.
    return [0.14, 0.27, 0.39, 0.5, 0.61, 0.71, 0.81, 0.9].map((share) =>
      line((along) => {
        const angle = along * 2 * Math.PI;
        const reach = reachMm * share * (1 + 0.03 * Math.sin(3 * angle + share * 9));
        return [reachMm * 0.05 * (1 - share) + reach * Math.cos(angle), reach * Math.sin(angle)];
      }),
    );
  if (fibres === "across") {
    const angle = ((material.grain_clock_deg ?? 0) * Math.PI) / 180;
    return Array.from({ length: 13 }, (_, index) => ((index - 6) / 6.6) * reachMm).map((off) =>
      line((share) => {
        const half = Math.sqrt(Math.max(reachMm ** 2 - off ** 2, 0)) * 0.97;
        const along = (share * 2 - 1) * half;
        const wavy = off + reachMm * 0.012 * Math.sin(share * 8 + off);
        return [along * Math.sin(angle) + wavy * Math.cos(angle), along * Math.cos(angle) - wavy * Math.sin(angle)];
      }),
    );
  }
  if (fibres === "burl")
    return scattered(30)
      .map(([u, v]): [number, number] => [(u * 2 - 1) * reachMm, (v * 2 - 1) * reachMm])
      .filter(([x, y]) => Math.hypot(x, y) < reachMm * 0.92)
      .flatMap(([x, y], index) => bud(x, y, reachMm * 0.085, index));
  return [];
}
