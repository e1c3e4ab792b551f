// A plan of mending as the turner changes it: only its order and what stands in it, nothing of what it comes to.
import type { Document, Groove, MendKind, MendStep } from "../api/document";
import { t } from "../i18n/texts";

export const KINDS: Record<MendKind, string> = {
  dry: t("screen.draft.dry"),
  stabilise: t("screen.draft.stabilise"),
  soak: t("screen.draft.harden"),
  glue: t("screen.draft.glue"),
  fill: t("screen.draft.fill"),
  inlay: t("screen.draft.inlay"),
  cast: t("screen.draft.cast"),
  sand: t("screen.draft.level"),
};

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
  if (kind === "cast")
    return {
      ...step,
      with: "casting_epoxy_deep",
      mould: {
        type: "box",
        width_mm: Math.ceil(size.across) + 20,
        length_mm: Math.ceil(size.across) + 20,
        depth_mm: Math.ceil(size.length) + 10,
      },
    };
  return step;
}

/** A groove all the way round. */
export const ring = (z_mm: number) => ({
  width_mm: 3,
  depth_mm: 4,
  path: [
    { clock_deg: 0, z_mm },
    { clock_deg: 360, z_mm },
  ],
});

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
  return Object.fromEntries(
    Object.entries({ ...step, ...change }).filter(([, value]) => value !== undefined),
  ) as MendStep;
}

type OnSkin = { clockDeg: number; zMm: number };

/** Nearly all the way round is a ring. */
const RING_DEG = 345;

/** A groove as it was drawn over the skin: as wide and deep as the last one. */
export function grooveDrawn(from: OnSkin, to: OnSkin, like: Groove | undefined): Groove {
  const { width_mm, depth_mm } = like ?? ring(0);
  const z = [from, to].map(({ zMm }) => Math.round(zMm * 2) / 2) as [number, number];
  if (Math.abs(to.clockDeg - from.clockDeg) >= RING_DEG)
    return { ...ring(Math.round(z[0] + z[1]) / 2), width_mm, depth_mm };
  return {
    width_mm,
    depth_mm,
    path: [from, to].map(({ clockDeg }, end) => ({ clock_deg: Math.round(clockDeg), z_mm: z[end] ?? 0 })),
  };
}

/** The document with one more groove at its step of that id. */
export const withGroove = (document: Document, id: string, from: OnSkin, to: OnSkin): Document =>
  withSteps(
    document,
    (document.mend?.steps ?? []).map((step) =>
      step.id === id
        ? { ...step, grooves: [...(step.grooves ?? []), grooveDrawn(from, to, step.grooves?.at(-1))] }
        : step,
    ),
  );

/** Grooves of every inlay that is planned. */
export const groovesOf = (document: Document): Groove[] =>
  (document.mend?.steps ?? []).flatMap(({ grooves }) => grooves ?? []);

/** The same with the wood elsewhere in its mould; what is as usual is left out. */
export function putPlaced(step: MendStep, change: Partial<NonNullable<MendStep["placed"]>>): MendStep {
  const next = Object.fromEntries(
    Object.entries({ ...step.placed, ...change }).filter(([, value]) => value !== 0 && value !== false),
  );
  return changed(step, { placed: Object.keys(next).length > 0 ? next : undefined });
}

/** Sizes a mould of another kind starts with, as near as may be to what it was. */
export function otherMould(
  mould: NonNullable<MendStep["mould"]>,
  type: NonNullable<MendStep["mould"]>["type"],
): NonNullable<MendStep["mould"]> {
  const wide = mould.width_mm ?? mould.diameter_mm ?? 100;
  const long = mould.length_mm ?? mould.diameter_mm ?? wide;
  const kept = {
    type,
    depth_mm: mould.depth_mm,
    ...(mould.displaced_ml !== undefined && { displaced_ml: mould.displaced_ml }),
  };
  if (type === "tube" || type === "cup") return { ...kept, diameter_mm: Math.ceil(Math.max(wide, long)) };
  return { ...kept, width_mm: wide, length_mm: long, ...(type === "sheet" && { sheet_mm: mould.sheet_mm ?? 6 }) };
}
