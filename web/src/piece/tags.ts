import { isPath, type BodyDefect, type PathDefect } from "../api/document";
import { pathPoints } from "./geometry";
import type { Look } from "./types";

/** A place of the end as it is drawn. */
export type At = (clockDeg: number, rMm: number) => [number, number];

/** The place of a path that is nearest to the z line. */
export function nearestPlace(look: Look, defect: PathDefect) {
  const places = pathPoints(defect, look.geometry);
  return places.reduce(
    (best, place) => (Math.abs(place.zMm - look.zMm) < Math.abs(best.zMm - look.zMm) ? place : best),
    places[0] ?? { clockDeg: 0, rMm: 0, zMm: 0 },
  );
}

/** Where a defect's letter stands. */
export function tagPlace(look: Look, defect: PathDefect | BodyDefect, at: At): [number, number] {
  if (!isPath(defect)) return at(defect.centre.clock_deg, defect.centre.r_mm);
  const { clockDeg, rMm } = nearestPlace(look, defect);
  return defect.enters === "side" ? at(clockDeg + 7, rMm - defect.depth_mm * 0.6) : at(clockDeg + 9, rMm);
}

const LETTER = 18;

/** The first of some places with no letter near it, or the first where none is free. */
export function clearPlace(places: [number, number][], letters: [number, number][]): [number, number] {
  const free = places.find(([x, y]) => letters.every(([at, height]) => Math.hypot(at - x, height - y) > LETTER));
  return free ?? places[0] ?? [0, 0];
}

const WORD = { wide: 66, high: 30 };

/** On which side of a mark a word hides no letter: [-1 left or 1 right, -1 above or 1 below], the wished one where it may be, or where none is free. */
export function clearSide(
  [x, y]: [number, number],
  wished: [number, number],
  letters: [number, number][],
): [number, number] {
  const [across, up] = wished;
  const sides: [number, number][] = [wished, [across, -up], [-across, up], [-across, -up]];
  const hides = ([left, above]: [number, number]) =>
    letters.some(([at, height]) => {
      const [away, off] = [(at - x) * left, (height - y) * above];
      return away > -8 && away < WORD.wide && off > -WORD.high / 3 && off < WORD.high;
    });
  return sides.find((side) => !hides(side)) ?? wished;
}
