// Editing a curve by its points: where they go when a hand moves, adds or takes one. What that comes to the core says.
import type { Form } from "../api/document";

export type Points = Form["outside"];
const LEAST_GAP_MM = 0.5;
const tidy = (mm: number) => Math.round(mm * 10) / 10;

/** How the inside is told. */
export const hollowOf = (form: Form): "follows" | "own" | "solid" =>
  form.follows ? "follows" : form.inside ? "own" : "solid";

/** One more point, half way before the one at `index`. */
export function addBetween(points: Points, index: number): Points {
  const [z0 = 0, r0 = 0] = points[index - 1] ?? [];
  const [z1 = 0, r1 = 0] = points[index] ?? [];
  return [...points.slice(0, index), [tidy((z0 + z1) / 2), tidy((r0 + r1) / 2)], ...points.slice(index)];
}

export const takeOut = (points: Points, index: number): Points => points.filter((_, other) => other !== index);

/** The point moved there, but never past its neighbours, below the axis or off the blank's ends. */
export function moveTo(points: Points, index: number, zMm: number, rMm: number, lengthMm: number): Points {
  const low = (points[index - 1]?.[0] ?? -LEAST_GAP_MM) + LEAST_GAP_MM;
  const high = (points[index + 1]?.[0] ?? lengthMm + LEAST_GAP_MM) - LEAST_GAP_MM;
  return points.map((point, other) =>
    other === index ? [tidy(Math.min(high, Math.max(low, zMm))), tidy(Math.max(0, rMm))] : point,
  );
}
