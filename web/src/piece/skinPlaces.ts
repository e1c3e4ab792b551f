// Places on the unrolled skin: between the hour and height on the piece and points of the drawing.
import type { Peel } from "../api/document";
import { profileMm } from "./geometry";

/** Left, right and below the skin there is room for words, px; above it a little. */
export const LEFT = 44;
export const RIGHT = 14;
export const FOOT = 24;
export const TOP = 4;

export type At = (clockDeg: number, zMm: number) => [number, number];
export type Back = (x: number, y: number) => { clockDeg: number; zMm: number };

/** The skin's size in a drawing of that size, and the ways to and fro: 12 to 12 o'clock left to right, tail above. */
export function skinPlaces(width: number, height: number, lengthMm: number) {
  const wide = width - LEFT - RIGHT;
  const tall = height - FOOT - TOP;
  const at: At = (clockDeg, zMm) => [LEFT + (clockDeg / 360) * wide, TOP + (1 - zMm / lengthMm) * tall];
  const back: Back = (x, y) => ({
    clockDeg: ((x - LEFT) / wide) * 360,
    zMm: Math.min(lengthMm, Math.max(0, (1 - (y - TOP) / tall) * lengthMm)),
  });
  return { wide, tall, at, back };
}

/** Half as wide as a letter. */
const TAG = 11;

/** A letter at 12 o'clock stands inside the edge, so that it can be read. */
export function tagX(at: At, x: number) {
  const [[left], [right]] = [at(0, 0), at(360, 0)];
  return x < left - TAG || x > right + TAG ? x : Math.min(right - TAG, Math.max(left + TAG, x));
}

/** Radius of the cut at z, between the rows the core gave. */
export const cutRadiusMm = ({ rows }: Peel, zMm: number) =>
  profileMm(
    rows.map((row) => [row.z_mm, row.radius_mm]),
    zMm,
  ) ??
  (zMm < (rows[0]?.z_mm ?? 0) ? rows[0] : rows.at(-1))?.radius_mm ??
  1;
