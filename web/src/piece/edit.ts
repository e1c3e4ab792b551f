// Making and moving defects by pointing. Places stay on the blank; whether they make sense the core says.
import type { BodyDefect, BodyType, Crack, Defect, Geometry, PathDefect, PathType } from "../api/document";
import { isPath } from "../api/document";
import { fold, surfaceMm, turn, type Place } from "./geometry";

export type Tool = Defect["type"];

const round = (value: number, to: number) => Math.round(value / to) * to;
const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** A letter nobody uses yet: A, B … Z, A2 … */
export function freeId(defects: Defect[]): string {
  const used = new Set(defects.map(({ id }) => id));
  for (let round = 1; ; round++) {
    for (const letter of "ABCDEFGHIJKLMNOPQRSTUVWXYZ") {
      const id = round === 1 ? letter : `${letter}${round}`;
      if (!used.has(id)) return id;
    }
  }
}

const BODIES: Record<BodyType, { of: [number, number, number]; detail: object }> = {
  void: { of: [0.18, 0.2, 0.16], detail: { contents: "air" } },
  soft_zone: { of: [0.45, 0.6, 0.45], detail: { grade: "soft" } },
  galleries: { of: [0.3, 0.5, 0.4], detail: { hole_diameter_mm: 2, holes_per_cm2: 2 } },
  loose_piece: { of: [0.12, 0.3, 0.2], detail: { bonded_share: 0.3 } },
  hard_inclusion: { of: [0.1, 0.1, 0.1], detail: { of: "stone" } },
  resin_body: { of: [0.4, 0.5, 0.4], detail: { density_kg_m3: 1100 } },
  bubble_pocket: { of: [0.2, 0.3, 0.3], detail: { bubble_diameter_mm: 2, bubbles_per_cm3: 10 } },
};

/** A new defect from where the pointer went down and came up: on the skin, on the tail face, or in the section, where it goes in as deep as it was drawn. */
export function makeDefect(
  tool: Tool,
  id: string,
  from: Place,
  to: Place,
  on: "skin" | "end" | "section",
  geometry: Geometry,
): Defect {
  if (tool === "crack" || tool === "bark_inclusion" || tool === "delamination")
    return onPath(tool, { skin: sideCrack, end: faceCrack, section: cutCrack }[on](id, from, to, geometry));
  const centre = { clock_deg: round(from.clockDeg, 1), r_mm: round(from.rMm, 1), z_mm: round(from.zMm, 1) };
  const size = (share: number) => Math.max(6, round(within(geometry.max_radius_mm * share, 6, geometry.length_mm), 1));
  const { of, detail } = BODIES[tool];
  return { id, type: tool, centre, size_mm: of.map(size), ...detail } as Defect;
}

/** An opened glue line runs as a crack does; bark too, but it fills its seam and cannot be glued shut. */
function onPath(tool: PathType, crack: Crack): Defect {
  if (tool === "crack") return crack;
  if (tool === "delamination") return { ...crack, type: "delamination", width_mm: 0.2 };
  const { id, enters, path, depth_mm } = crack;
  return { id, type: "bark_inclusion", enters, path, depth_mm, width_mm: 5 };
}

/** Pointed at rather than drawn along. */
const isStill = (from: Place, to: Place, geometry: Geometry) =>
  Math.abs(turn(from.clockDeg, to.clockDeg)) < 2 && Math.abs(to.zMm - from.zMm) < geometry.length_mm * 0.04;

function sideCrack(id: string, from: Place, to: Place, geometry: Geometry): Crack {
  const reach = geometry.length_mm * 0.3;
  const ends = isStill(from, to, geometry)
    ? [
        { ...from, zMm: from.zMm - reach },
        { ...from, zMm: from.zMm + reach },
      ]
    : [from, to];
  const path = ends.map(({ clockDeg, zMm }) => ({
    clock_deg: round(fold(clockDeg), 1),
    z_mm: round(within(zMm, 0, geometry.length_mm), 1),
  }));
  return {
    id,
    type: "crack",
    enters: "side",
    path,
    depth_mm: round(geometry.max_radius_mm * 0.2, 1),
    width_mm: 1,
    through: false,
    mend: "none",
  };
}

/** A crack seen in the section: it runs along the axis at that hour, and its tip is where it was drawn. */
function cutCrack(id: string, from: Place, to: Place, geometry: Geometry): Crack {
  const along = { ...to, clockDeg: from.clockDeg };
  const crack = sideCrack(id, from, along, geometry);
  const depths = [from, to].map(({ rMm, zMm }) => Math.max(1, round(surfaceMm(geometry, from.clockDeg, zMm) - rMm, 1)));
  const deepest = Math.max(...depths);
  const even = isStill(from, along, geometry) || Math.abs((depths[0] ?? 0) - (depths[1] ?? 0)) <= deepest * EVEN_SHARE;
  return {
    ...crack,
    depth_mm: deepest,
    path: even ? crack.path : crack.path.map((point, index) => ({ ...point, depth_mm: depths[index] ?? deepest })),
  };
}
/** Ends that differ in depth by less than this share are taken as equally deep. */
const EVEN_SHARE = 0.1;

function faceCrack(id: string, from: Place, to: Place, geometry: Geometry): Crack {
  const still = Math.abs(turn(from.clockDeg, to.clockDeg)) < 2 && Math.abs(to.rMm - from.rMm) < 3;
  const ends = still
    ? [
        { ...from, rMm: from.rMm - 12 },
        { ...from, rMm: from.rMm + 12 },
      ]
    : [from, to];
  const path = ends.map(({ clockDeg, rMm }) => ({
    clock_deg: round(fold(clockDeg), 1),
    z_mm: geometry.length_mm,
    r_mm: Math.floor(within(rMm, 0, surfaceMm(geometry, clockDeg, geometry.length_mm))),
  }));
  return {
    id,
    type: "crack",
    enters: "tail_face",
    path,
    depth_mm: round(geometry.length_mm * 0.25, 1),
    width_mm: 1,
    through: false,
    mend: "none",
  };
}

/** The defect turned, slid along the axis, and drawn out from it by so much. */
export function moveDefect(
  defect: Defect,
  by: { clockDeg?: number; zMm?: number; rMm?: number },
  geometry: Geometry,
): Defect {
  const { clockDeg = 0, zMm = 0, rMm = 0 } = by;
  const z = (value: number) => round(within(value, 0, geometry.length_mm), 0.5);
  const clock = (value: number) => round(fold(value + clockDeg), 0.5);
  if (!isPath(defect)) {
    const centre = { clock_deg: clock(defect.centre.clock_deg), z_mm: z(defect.centre.z_mm + zMm), r_mm: 0 };
    centre.r_mm = round(within(defect.centre.r_mm + rMm, 0, surfaceMm(geometry, centre.clock_deg, centre.z_mm)), 0.5);
    return { ...defect, centre };
  }
  // A path keeps its shape: it slides only as far as its own ends allow.
  const zs = defect.path.map((point) => point.z_mm);
  const slide = defect.enters === "side" ? within(zMm, -Math.min(...zs), geometry.length_mm - Math.max(...zs)) : 0;
  const path = defect.path.map((point) => ({
    ...point,
    clock_deg: clock(point.clock_deg),
    z_mm: z(point.z_mm + slide),
    ...(point.r_mm !== undefined && {
      r_mm: round(within(point.r_mm + rMm, 0, surfaceMm(geometry, point.clock_deg + clockDeg, point.z_mm)), 0.5),
    }),
  }));
  return { ...defect, path };
}

type Spot = { clockDeg: number; zMm: number; rMm?: number };

/** A place as a point of that path: on the side by hour and height, on a face by hour and radius. */
function pointAt(defect: PathDefect, { clockDeg, zMm, rMm = 0 }: Spot, geometry: Geometry): PathDefect["path"][number] {
  const clock_deg = round(fold(clockDeg), 1);
  if (defect.enters === "side") return { clock_deg, z_mm: round(within(zMm, 0, geometry.length_mm), 0.5) };
  const z_mm = defect.enters === "head_face" ? 0 : geometry.length_mm;
  return { clock_deg, z_mm, r_mm: Math.floor(within(rMm, 0, surfaceMm(geometry, clockDeg, z_mm)) * 2) / 2 };
}

/** One point of a path elsewhere; how deep it goes there stays. */
export function movePoint(defect: PathDefect, index: number, spot: Spot, geometry: Geometry): PathDefect {
  const path = defect.path.map((point, other) =>
    other === index ? { ...point, ...pointAt(defect, spot, geometry) } : point,
  );
  return { ...defect, path };
}

/** A path with one more point after the point of that index. */
export function addPoint(defect: PathDefect, after: number, spot: Spot, geometry: Geometry): PathDefect {
  return {
    ...defect,
    path: [...defect.path.slice(0, after + 1), pointAt(defect, spot, geometry), ...defect.path.slice(after + 1)],
  };
}

/** A path with one point less; two it must have. */
export const dropPoint = (defect: PathDefect, index: number): PathDefect =>
  defect.path.length > 2 ? { ...defect, path: defect.path.filter((_, other) => other !== index) } : defect;

/** A body so large along one of its own axes: 0 radial, 1 round, 2 along. */
export const resize = (defect: BodyDefect, axis: 0 | 1 | 2, mm: number): BodyDefect => ({
  ...defect,
  size_mm: defect.size_mm.map((old, other) => (other === axis ? Math.max(1, round(mm, 1)) : old)),
});

/** Where a path on the side comes to an end of the blank: the face it may go on over, and the hour; nothing where it stays on the side. */
function edgeOf(defect: PathDefect, lengthMm: number) {
  if (defect.enters !== "side") return undefined;
  const last = [defect.path[0], defect.path.at(-1)].find(
    (point) => point && (point.z_mm <= AT_EDGE_MM || point.z_mm >= lengthMm - AT_EDGE_MM),
  );
  return (
    last && {
      enters: last.z_mm <= AT_EDGE_MM ? ("head_face" as const) : ("tail_face" as const),
      clockDeg: last.clock_deg,
    }
  );
}
const AT_EDGE_MM = 2;

/** The same crack carried on over the edge onto the face, inwards as deep as it goes on the side; the two belong together. Nothing where it does not come to an end. */
export function overEdge(
  defect: PathDefect,
  defects: Defect[],
  geometry: Geometry,
): [PathDefect, PathDefect] | undefined {
  const edge = edgeOf(defect, geometry.length_mm);
  if (!edge) return undefined;
  const z_mm = edge.enters === "head_face" ? 0 : geometry.length_mm;
  const reach = Math.floor(surfaceMm(geometry, edge.clockDeg, z_mm));
  const path = [reach, Math.max(0, reach - defect.depth_mm)].map((r_mm) => ({ clock_deg: edge.clockDeg, z_mm, r_mm }));
  const group = defect.group ?? defect.id;
  return [
    { ...defect, group },
    {
      ...defect,
      id: freeId(defects),
      enters: edge.enters,
      path,
      depth_mm: Math.min(defect.depth_mm, geometry.length_mm),
      group,
    },
  ];
}

/** The same again under another letter, turned a little so that both can be seen. */
export const copyOf = (defect: Defect, defects: Defect[], geometry: Geometry): Defect =>
  moveDefect({ ...defect, id: freeId(defects) }, { clockDeg: 20 }, geometry);

/** Today where this screen stands, as a file has it. */
export const today = () => new Date().toLocaleDateString("sv-SE");
