// A plan of mending as the turner changes it: only its order and what stands in it, nothing of what it comes to.
import type { Document, MendKind, MendStep } from "../api/document";

export const KINDS: Record<MendKind, string> = { dry: "Dry", stabilise: "Stabilise", soak: "Harden", glue: "Glue", fill: "Fill", inlay: "Inlay", cast: "Cast", sand: "Level" };

/** An id no other step has. */
export function freeStepId(steps: MendStep[], kind: MendKind): string {
  const taken = new Set(steps.map(({ id }) => id));
  for (let count = 1; ; count += 1) {
    const id = count === 1 ? kind : `${kind}-${count}`;
    if (!taken.has(id)) return id;
  }
}

/** What a step of a kind starts as. across and length: of the blank, mm. */
export function newStep(kind: MendKind, steps: MendStep[], size: { across: number; length: number }): MendStep {
  const step: MendStep = { id: freeStepId(steps, kind), do: kind };
  if (kind === "dry") return { ...step, to_pct: 12, in: "room" };
  if (kind === "soak") return { ...step, of: [], with: "thin_ca" };
  if (kind === "glue") return { ...step, of: [], with: "medium_ca" };
  if (kind === "fill") return { ...step, of: [] };
  if (kind === "stabilise") return { ...step, of: [] };
  if (kind === "inlay") return { ...step, with: "epoxy", grooves: [ring(size.length / 2)] };
  if (kind === "cast") return { ...step, with: "casting_epoxy_deep", mould: { type: "box", width_mm: Math.ceil(size.across) + 20, length_mm: Math.ceil(size.across) + 20, depth_mm: Math.ceil(size.length) + 10 } };
  return step;
}

/** A groove all the way round. */
export const ring = (z_mm: number) => ({ width_mm: 3, depth_mm: 4, path: [{ clock_deg: 0, z_mm }, { clock_deg: 360, z_mm }] });

/** The same with one step moved earlier (−1) or later (+1); as it was where there is no room. */
export function moved(steps: MendStep[], index: number, by: -1 | 1): MendStep[] {
  const there = index + by;
  const [one, other] = [steps[index], steps[there]];
  if (!one || !other) return steps;
  return steps.map((step, place) => (place === index ? other : place === there ? one : step));
}

export const withSteps = (document: Document, steps: MendStep[]): Document => ({ ...document, mend: { steps } });

/** A step with some of it set; what is set to undefined is left out. */
export function changed(step: MendStep, change: { [Key in keyof MendStep]?: MendStep[Key] | undefined }): MendStep {
  return Object.fromEntries(Object.entries({ ...step, ...change }).filter(([, value]) => value !== undefined)) as MendStep;
}

/** Sizes a mould of another kind starts with, as near as may be to what it was. */
export function otherMould(mould: NonNullable<MendStep["mould"]>, type: NonNullable<MendStep["mould"]>["type"]): NonNullable<MendStep["mould"]> {
  const wide = mould.width_mm ?? mould.diameter_mm ?? 100;
  const long = mould.length_mm ?? mould.diameter_mm ?? wide;
  const kept = { type, depth_mm: mould.depth_mm, ...(mould.displaced_ml !== undefined && { displaced_ml: mould.displaced_ml }) };
  if (type === "tube" || type === "cup") return { ...kept, diameter_mm: Math.ceil(Math.max(wide, long)) };
  return { ...kept, width_mm: wide, length_mm: long, ...(type === "sheet" && { sheet_mm: mould.sheet_mm ?? 6 }) };
}
