// What the wood looks like at any place within it: painted, seeded by the blank, so that every cut shows the same piece.
import { isPath, type Defect, type Document, type Geometry, type PathDefect } from "../../api/document";
import { onEnd, pathPoints, surfaceMm, turn } from "../geometry";

export type Rgb = [number, number, number];
/** Colour at a place; undefined where there is nothing left of it. */
export type Stuff = (clockDeg: number, rMm: number, zMm: number) => Rgb;

const PALE: Rgb = [228, 200, 152];
const DARK: Rgb = [118, 72, 44];
const STONE: Rgb = [196, 192, 182];
const RESIN: Rgb = [64, 112, 118];
const SHADOW: Rgb = [34, 24, 18];
const BARK: Rgb = [72, 52, 38];
const SPALT_LINE: Rgb = [38, 30, 26];

export const mixed = (one: Rgb, other: Rgb, share: number): Rgb => [
  one[0] + (other[0] - one[0]) * share,
  one[1] + (other[1] - one[1]) * share,
  one[2] + (other[2] - one[2]) * share,
];

/** A number of a text, the same for the same text (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 2166136261;
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 16777619);
  return hash >>> 0;
}

/** Smooth noise in space, 0 to 1: random values on a unit lattice with smooth steps between (value noise). */
export function noiseOf(seed: number) {
  const at = (x: number, y: number, z: number) => {
    let hash = seed ^ Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(z, 1274126177);
    hash = Math.imul(hash ^ (hash >>> 13), 1103515245);
    return ((hash ^ (hash >>> 16)) >>> 0) / 4294967296;
  };
  const smooth = (share: number) => share * share * (3 - 2 * share);
  return (x: number, y: number, z: number): number => {
    const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
    const [u, v, w] = [smooth(x - i), smooth(y - j), smooth(z - k)];
    const along = (dj: number, dk: number) => {
      const from = at(i, j + dj, k + dk);
      return from + (at(i + 1, j + dj, k + dk) - from) * u;
    };
    const low = along(0, 0) + (along(1, 0) - along(0, 0)) * v;
    const high = along(0, 1) + (along(1, 1) - along(0, 1)) * v;
    return low + (high - low) * w;
  };
}

type Noise = ReturnType<typeof noiseOf>;
/** How dark the figure is at a place in mm, 0 to 1. */
type Figure = (x: number, y: number, z: number) => number;

/** Late wood: a ring darkens slowly and ends sharply. */
const ring = (radiusMm: number, spacingMm: number) => {
  const share = (radiusMm / spacingMm) % 1;
  return share ** 3;
};

/** Rings about a pith that lies along the axis (end grain) or across it (face grain). */
function ringed(noise: Noise, seed: number, acrossDeg: number | undefined, geometry: Geometry): Figure {
  const reach = geometry.max_radius_mm;
  const spacing = Math.max(2.4, reach / 28);
  const off = 0.35 + ((seed >>> 8) % 100) / 160;
  const waver = (x: number, y: number, z: number) => (noise(x / 38, y / 38, z / 38) - 0.5) * spacing * 2.6;
  if (acrossDeg === undefined) {
    const { x: px, y: py } = onEnd(seed % 360, reach * off);
    return (x, y, z) => ring(Math.hypot(x - px, y - py) + waver(x, y, z / 4), spacing);
  }
  const along = onEnd(acrossDeg, 1);
  const pithMm = -geometry.length_mm * off - reach * 0.4;
  return (x, y, z) => {
    const across = x * along.y - y * along.x;
    return ring(Math.hypot(across, z - pithMm) + waver(x / 3, y / 3, z), spacing);
  };
}

/** Swirls with eyes where buds were. */
function burled(noise: Noise): Figure {
  return (x, y, z) => {
    const [a, b] = [noise(x / 30, y / 30, z / 30), noise(x / 30 + 40, y / 30, z / 30)];
    const swirl = noise(x / 11 + a * 5, y / 11 + b * 5, z / 11);
    const eye = noise(x / 7 + 90, y / 7, z / 7);
    return Math.min(1, ((swirl * 9) % 1) ** 2 * 0.7 + (eye > 0.82 ? (eye - 0.82) * 4 : 0));
  };
}

const marbled =
  (noise: Noise): Figure =>
  (x, y, z) =>
    Math.abs(noise(x / 24, y / 24, z / 24) - 0.5) * 0.8;

/** Colour everywhere in the blank, its defects with it. */
export function stuffOf(document: Document, defects: Defect[], geometry: Geometry): Stuff {
  const { material } = document;
  const seed = seedOf(`${document.number ?? ""} ${document.name} ${material.species}`);
  const noise = noiseOf(seed);
  const character = new Set<string>(material.character ?? []);
  const plain = material.kind === "non_wood" ? STONE : RESIN;
  const isWooden = material.kind === "wood" || material.kind === "hybrid";
  const heavy = Math.min(1, Math.max(0, (material.density_kg_m3 - 380) / 760));
  const pale = isWooden ? mixed(PALE, DARK, heavy * 0.85) : plain;
  const dark = mixed(pale, isWooden ? DARK : SHADOW, isWooden ? 0.55 : 0.35);
  const figure =
    material.grain === "burl" || character.has("burl")
      ? burled(noise)
      : material.grain === "none"
        ? marbled(noise)
        : ringed(noise, seed, material.grain === "face" ? (material.grain_clock_deg ?? 0) : undefined, geometry);
  const marks = defects.map((defect) => markOf(defect, geometry, noise));
  const spalted = character.has("spalted");
  return (clockDeg, rMm, zMm) => {
    const { x, y } = onEnd(clockDeg, rMm);
    let colour = mixed(pale, dark, figure(x, y, zMm) * 0.8 + noise(x / 3, y / 3, zMm / 14) * 0.2);
    if (spalted) {
      const zone = noise(x / 34 + 7, y / 34, zMm / 44);
      colour = mixed(colour, PALE, zone > 0.5 ? 0.35 : 0);
      if (Math.abs(zone - 0.5) < 0.014 || Math.abs(zone - 0.62) < 0.01) colour = SPALT_LINE;
    }
    for (const mark of marks) colour = mark(colour, clockDeg, rMm, zMm, x, y);
    return colour;
  };
}

type Mark = (colour: Rgb, clockDeg: number, rMm: number, zMm: number, x: number, y: number) => Rgb;

const BODY_LOOKS: Record<string, (noise: Noise) => (colour: Rgb, x: number, y: number, z: number) => Rgb> = {
  void: () => () => SHADOW,
  soft_zone: () => (colour) => mixed(colour, [238, 224, 190], 0.55),
  galleries: (noise) => (colour, x, y, z) => (noise(x / 2.2, y / 2.2, z / 2.2) > 0.72 ? SHADOW : colour),
  loose_piece: () => (colour) => mixed(colour, BARK, 0.35),
  hard_inclusion: () => () => [112, 116, 120],
  resin_body: (noise) => (_, x, y, z) => mixed(RESIN, [150, 200, 196], noise(x / 16, y / 16, z / 16) * 0.6),
  bubble_pocket: (noise) => (colour, x, y, z) => (noise(x / 1.6, y / 1.6, z / 1.6) > 0.78 ? SHADOW : colour),
};

/** How one defect changes the colour of a place. */
function markOf(defect: Defect, geometry: Geometry, noise: Noise): Mark {
  if (isPath(defect)) return sheetMark(defect, geometry);
  const within = insideBody(defect);
  const look = BODY_LOOKS[defect.type]?.(noise) ?? ((colour: Rgb) => colour);
  return (colour, clockDeg, rMm, zMm, x, y) => {
    const share = within(clockDeg, rMm, zMm);
    if (share > 1) return colour;
    // Its edge is drawn, whatever it is.
    return share > 0.9 ? mixed(colour, SHADOW, 0.6) : look(colour, x, y, zMm);
  };
}

/** Square of the distance from a body's middle in its own half-axes: under 1 within it. */
export function insideBody(defect: Exclude<Defect, PathDefect>) {
  const [a = 1, b = 1, c = 1] = defect.size_mm.map((extent) => extent / 2);
  const { clock_deg, r_mm, z_mm } = defect.centre;
  return (clockDeg: number, rMm: number, zMm: number) => {
    const between = (turn(clock_deg, clockDeg) * Math.PI) / 180;
    const radial = (rMm * Math.cos(between) - r_mm) / a;
    const tangential = (rMm * Math.sin(between)) / b;
    return radial ** 2 + tangential ** 2 + ((zMm - z_mm) / c) ** 2;
  };
}

const LEAST_LINE_MM = 1.4;

/** A crack, seam or layer as the sheet it is: from its mouth as deep as it goes, tapering to its tip. */
function sheetMark(defect: PathDefect, geometry: Geometry): Mark {
  const places = pathPoints(defect, geometry);
  const colourOf = defect.type === "bark_inclusion" ? BARK : SHADOW;
  const wide = Math.max(LEAST_LINE_MM, "width_mm" in defect ? defect.width_mm : LEAST_LINE_MM);
  const side = defect.enters === "side";
  const face = defect.enters === "head_face" ? 0 : geometry.length_mm;
  const inward = defect.enters === "head_face" ? 1 : -1;
  const flat = places.map(({ clockDeg, rMm }) => onEnd(clockDeg, rMm));
  return (colour, clockDeg, rMm, zMm, x, y) => {
    const depth = side ? surfaceMm(geometry, clockDeg, zMm) - rMm : (zMm - face) * inward;
    if (depth < -0.5 || depth > defect.depth_mm) return colour;
    const line = wide * (1 - 0.7 * (depth / defect.depth_mm));
    const perDeg = (Math.max(rMm, 1) * Math.PI) / 180;
    for (let index = 1; index < places.length; index++) {
      const [one, other] = [places[index - 1], places[index]];
      const [p, q] = [flat[index - 1], flat[index]];
      if (!one || !other || !p || !q) continue;
      const away = side
        ? offSegment(
            turn(one.clockDeg, clockDeg) * perDeg,
            zMm - one.zMm,
            turn(one.clockDeg, other.clockDeg) * perDeg,
            other.zMm - one.zMm,
          )
        : offSegment(x - p.x, y - p.y, q.x - p.x, q.y - p.y);
      if (away <= line / 2) return colourOf;
    }
    return colour;
  };
}

/** Distance of a point from a segment that starts at the origin. */
function offSegment(x: number, y: number, alongX: number, alongY: number): number {
  const square = alongX ** 2 + alongY ** 2;
  const share = square > 0 ? Math.min(1, Math.max(0, (x * alongX + y * alongY) / square)) : 0;
  return Math.hypot(x - share * alongX, y - share * alongY);
}
