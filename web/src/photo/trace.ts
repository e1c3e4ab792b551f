// Places on a photograph, and what is put down on it point by point. What they come to the core says.
import type { ProfileQuestion, Trace, TraceQuestion } from "../api/document";

export type Spot = [number, number];
export type Mark = NonNullable<TraceQuestion["marks"]>[number];
export type Tracing = {
  scale: Spot[];
  mm: number;
  /** Two places on the axis of a piece seen from the side. */ axis?: Spot[];
  outline: Spot[];
  centre?: Spot;
  marks: Mark[];
};
export type Part = "scale" | "axis" | "outline" | "curve" | "centre" | "crack" | "void" | "soft_zone";
/** What is pointed at on a lump's end, and on a piece from the side. */
export const OF_AN_END = ["scale", "outline", "centre", "crack", "void", "soft_zone"] as const;
export const OF_A_PROFILE = ["scale", "axis", "curve"] as const;

export const NOTHING: Tracing = { scale: [], mm: 100, outline: [], marks: [] };

const endless = (mark: Mark | undefined, type: Part): mark is Mark =>
  mark?.type === type && type === "crack" && !mark.edge;

/** One more place, for the part that is being pointed at; `fresh` begins another crack. */
export function pointed(tracing: Tracing, part: Part, spot: Spot, fresh = false): Tracing {
  const last = tracing.marks.at(-1);
  const others = tracing.marks.slice(0, -1);
  switch (part) {
    case "scale":
      return { ...tracing, scale: tracing.scale.length < 2 ? [...tracing.scale, spot] : [spot] };
    case "axis":
      return { ...tracing, axis: tracing.axis?.length === 1 ? [...tracing.axis, spot] : [spot] };
    case "curve":
    case "outline":
      return { ...tracing, outline: [...tracing.outline, spot] };
    case "centre":
      return { ...tracing, centre: spot };
    case "crack":
      if (!fresh && endless(last, part))
        return { ...tracing, marks: [...others, { ...last, points: [...(last.points ?? []), spot] }] };
      return { ...tracing, marks: [...tracing.marks, { type: part, points: [spot] }] };
    default:
      // A round one takes two: its middle, then a place on its edge.
      if (last?.type === part && !last.edge) return { ...tracing, marks: [...others, { ...last, edge: spot }] };
      return { ...tracing, marks: [...tracing.marks, { type: part, centre: spot }] };
  }
}

/** The last place of that part taken back. */
export function takenBack(tracing: Tracing, part: Part): Tracing {
  if (part === "scale") return { ...tracing, scale: tracing.scale.slice(0, -1) };
  if (part === "axis") return { ...tracing, axis: (tracing.axis ?? []).slice(0, -1) };
  if (part === "outline" || part === "curve") return { ...tracing, outline: tracing.outline.slice(0, -1) };
  if (part === "centre") {
    const { scale, mm, outline, marks } = tracing;
    return { scale, mm, outline, marks };
  }
  const last = tracing.marks.at(-1);
  const others = tracing.marks.slice(0, -1);
  if (last?.type === "crack" && (last.points?.length ?? 0) > 1)
    return { ...tracing, marks: [...others, { ...last, points: (last.points ?? []).slice(0, -1) }] };
  if (last?.edge && last.centre) return { ...tracing, marks: [...others, { type: last.type, centre: last.centre }] };
  return { ...tracing, marks: others };
}

/** What to ask the core; nothing until there is a scale and an outline. Marks not finished are left out. */
export function question(
  tracing: Tracing,
  view: "tail_face" | "head_face",
  lengthMm: number,
): TraceQuestion | undefined {
  const [from, to] = tracing.scale;
  if (!from || !to || tracing.outline.length < 5) return undefined;
  const marks = tracing.marks.filter(({ type, points, edge }) =>
    type === "crack" ? (points?.length ?? 0) > 1 : edge !== undefined,
  );
  return {
    scale: { from, to, mm: tracing.mm },
    outline: tracing.outline,
    length_mm: lengthMm,
    view,
    ...(tracing.centre && { centre: tracing.centre }),
    ...(marks.length > 0 && { marks }),
  };
}

/** What to ask the core of a curve; nothing until there are a scale, an axis and three places of it. */
export function profileQuestion(
  { scale: [from, to], mm, axis: [head, tail] = [], outline }: Tracing,
  fromZMm: number,
): ProfileQuestion | undefined {
  if (!from || !to || !head || !tail || outline.length < 3) return undefined;
  return { scale: { from, to, mm }, axis: { from: head, to: tail }, curve: outline, from_z_mm: fromZMm };
}

/** The outline as the core took it, as places on the picture. */
export function outlineOf({ stations, centre, mm_per_share }: Trace, view: "tail_face" | "head_face"): Spot[] {
  const radii = stations[0]?.radii_mm ?? [];
  const [x = 0, y = 0] = centre;
  return radii.map((radius, step) => {
    const angle = (step / radii.length) * 2 * Math.PI;
    const across = (radius * Math.sin(angle)) / mm_per_share;
    return [x + (view === "head_face" ? -across : across), y - (radius * Math.cos(angle)) / mm_per_share];
  });
}
