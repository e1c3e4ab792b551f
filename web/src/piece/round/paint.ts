// Textures of the surfaces of the round view, worked out texel by texel from the stuff within.
import type { Geometry } from "../../api/document";
import { isWood, reachedMm, wallMm, type LoopPoint } from "./loop";
import { mixed, type Rgb, type Stuff } from "./stuff";

type Size = { width: number; height: number };
/** RGBA, row by row from the bottom, as the graphics card takes it. */
export type Picture = Size & { data: Uint8ClampedArray };

/** Colours of a wall by its thickness: each band up to `mm`, with how closely it is hatched; the thinnest first. */
export const BANDS: { upTo: number; colour: Rgb; hatch: number }[] = [
  { upTo: 3, colour: [154, 56, 32], hatch: 3 },
  { upTo: 5, colour: [200, 120, 40], hatch: 5 },
  { upTo: 8, colour: [222, 190, 110], hatch: 9 },
  { upTo: 12, colour: [176, 200, 150], hatch: 16 },
  { upTo: Infinity, colour: [110, 150, 110], hatch: 0 },
];

/** Rim, ends and cuts: nothing to measure there. */
const NO_WALL: Rgb = [236, 231, 216];
/** A hatching's unit, as a share of the largest radius. */
const HATCH_SHARE = 1 / 110;

export const bandOf = (mm: number) => BANDS.find(({ upTo }) => mm < upTo) ?? BANDS[BANDS.length - 1];

function picture(width: number, height: number, at: (column: number, row: number) => Rgb | undefined): Picture {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const colour = at(column, row);
      if (!colour) continue;
      const place = (row * width + column) * 4;
      data.set(colour, place);
      data[place + 3] = 255;
    }
  return { width, height, data };
}

/** Colour by the wall's thickness, hatched the closer the thinner it is. */
function bandColour(mm: number | undefined, slantMm: number, hatchMm: number): Rgb {
  const band = mm === undefined ? undefined : bandOf(mm);
  if (!band) return NO_WALL;
  const every = band.hatch * hatchMm;
  return every > 0 && Math.abs(slantMm) % every < 1.2 * hatchMm ? mixed(band.colour, [30, 24, 20], 0.5) : band.colour;
}

/** Thickness of the wall a point of the outline stands on; undefined where it stands on none (rim, ends, a solid). */
const wallAt = (geometry: Geometry, point: LoopPoint) =>
  point.side === "end" ? undefined : wallMm(geometry, point.zMm);

/**
 * The surface unrolled: hours across, along the outline's strips upwards. Nothing is painted where there is no wood, so
 * that an edge of bark or a hole shows as it is.
 */
export function paintSkin(
  strips: LoopPoint[][],
  geometry: Geometry,
  stuff: Stuff,
  by: "stuff" | "wall",
  { width, height }: Size,
): Picture {
  const rows = rowsOf(strips, height);
  return picture(width, height, (column, row) => {
    const point = rows[row];
    if (!point) return undefined;
    const clockDeg = (column / width) * 360;
    if (geometry.form?.inside && !isWood(geometry, clockDeg, point.zMm)) return undefined;
    const rMm = reachedMm(geometry, point, clockDeg);
    if (by === "wall")
      return bandColour(
        wallAt(geometry, point),
        point.zMm + rMm + (geometry.max_radius_mm * clockDeg * Math.PI) / 180,
        geometry.max_radius_mm * HATCH_SHARE,
      );
    return stuff(clockDeg, rMm, point.zMm);
  });
}

/** The outline's point at each row: as many rows to a strip as its share of the length. */
export function rowsOf(strips: LoopPoint[][], height: number): LoopPoint[] {
  const all = strips.reduce((count, strip) => count + strip.length - 1, 0);
  return Array.from({ length: height }, (_, row) => {
    let left = ((row + 0.5) / height) * all;
    for (const strip of strips) {
      if (left <= strip.length - 1) return between(strip, left);
      left -= strip.length - 1;
    }
    return strips.at(-1)?.at(-1) as LoopPoint;
  });
}

function between(strip: LoopPoint[], place: number): LoopPoint {
  const index = Math.min(Math.floor(place), strip.length - 2);
  const [one, other] = [strip[index], strip[index + 1]] as [LoopPoint, LoopPoint];
  const share = place - index;
  const rMm = one.rMm === Infinity ? Infinity : one.rMm + (other.rMm - one.rMm) * share;
  return { side: one.side, zMm: one.zMm + (other.zMm - one.zMm) * share, rMm };
}

/** The face of the cut at one hour: along the axis across, out from it upwards; plain where the wall is looked at. */
export function paintFace(
  geometry: Geometry,
  stuff: Stuff,
  by: "stuff" | "wall",
  clockDeg: number,
  { width, height }: Size,
): Picture {
  return picture(width, height, (column, row) => {
    const zMm = ((column + 0.5) / width) * geometry.length_mm;
    const rMm = ((row + 0.5) / height) * geometry.max_radius_mm;
    return by === "wall" ? NO_WALL : stuff(clockDeg, rMm, zMm);
  });
}
