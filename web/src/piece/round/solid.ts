// The round view's meshes. Along the axis to the right, 12 o'clock up; seen from the tailstock, 3 o'clock lies away from the eye.
import {
  BufferGeometry,
  DataTexture,
  Float32BufferAttribute,
  LinearFilter,
  RepeatWrapping,
  ShapeUtils,
  SRGBColorSpace,
  Vector2,
} from "three";
import type { Geometry } from "../../api/document";
import { faceOf, reachedMm, type LoopPoint } from "./loop";
import type { Picture } from "./paint";

/** Steps round a whole turn. */
export const AROUND = 96;
export type Corner = [number, number, number];

export const cornerOf = (zMm: number, clockDeg: number, rMm: number): Corner => {
  const angle = (clockDeg * Math.PI) / 180;
  return [zMm, rMm * Math.cos(angle), -rMm * Math.sin(angle)];
};

/** One strip of the outline swept from one hour to another: smooth within, its texture by hour and place along all strips. */
export function sweptStrip(
  strip: LoopPoint[],
  geometry: Geometry,
  [fromDeg, toDeg]: [number, number],
  [startV, endV]: [number, number],
): BufferGeometry {
  const steps = Math.max(1, Math.round((AROUND * (toDeg - fromDeg)) / 360));
  const [corners, places, faces]: [number[], number[], number[]] = [[], [], []];
  strip.forEach((point, row) => {
    for (let step = 0; step <= steps; step++) {
      const clockDeg = fromDeg + ((toDeg - fromDeg) * step) / steps;
      corners.push(...cornerOf(point.zMm, clockDeg, reachedMm(geometry, point, clockDeg)));
      places.push(clockDeg / 360, startV + ((endV - startV) * row) / (strip.length - 1));
    }
  });
  const wide = steps + 1;
  for (let row = 0; row < strip.length - 1; row++)
    for (let step = 0; step < steps; step++) {
      const [a, b] = [row * wide + step, (row + 1) * wide + step];
      faces.push(a, b, b + 1, a, b + 1, a + 1);
    }
  return meshOf(corners, places, faces);
}

/** All strips of a surface; their rows of the texture are those of `rowsOf`. */
export function swept(strips: LoopPoint[][], geometry: Geometry, hours: [number, number]): BufferGeometry[] {
  const all = strips.reduce((count, strip) => count + strip.length - 1, 0);
  let start = 0;
  return strips.map((strip) => {
    const end = start + (strip.length - 1) / all;
    const part = sweptStrip(strip, geometry, hours, [start, end]);
    start = end;
    return part;
  });
}

/** The flat face of the cut at one hour. */
export function cutFace(strips: LoopPoint[][], geometry: Geometry, clockDeg: number): BufferGeometry {
  const outline = faceOf(strips, geometry, clockDeg);
  const faces = ShapeUtils.triangulateShape(
    outline.map(([z, r]) => new Vector2(z, r)),
    [],
  );
  return meshOf(
    outline.flatMap(([z, r]) => cornerOf(z, clockDeg, r)),
    outline.flatMap(([z, r]) => [z / geometry.length_mm, r / geometry.max_radius_mm]),
    faces.flat(),
  );
}

/** The blank's own edges: a ring at each end and a line along it at every third hour. */
export function ghostLines(geometry: Geometry): Corner[][] {
  const { z_mm } = geometry.surface;
  const skin = (zMm: number, clockDeg: number) =>
    cornerOf(zMm, clockDeg, reachedMm(geometry, { zMm, rMm: Infinity, side: "outside" }, clockDeg));
  const ends = [z_mm[0] ?? 0, z_mm.at(-1) ?? 0];
  return [
    ...ends.map((zMm) => Array.from({ length: AROUND + 1 }, (_, step) => skin(zMm, (step * 360) / AROUND))),
    ...[0, 90, 180, 270].map((clockDeg) => z_mm.map((zMm) => skin(zMm, clockDeg))),
  ];
}

function meshOf(corners: number[], places: number[], faces: number[]): BufferGeometry {
  const mesh = new BufferGeometry();
  mesh.setAttribute("position", new Float32BufferAttribute(corners, 3));
  mesh.setAttribute("uv", new Float32BufferAttribute(places, 2));
  mesh.setIndex(faces);
  mesh.computeVertexNormals();
  return mesh;
}

export function textureOf({ width, height, data }: Picture): DataTexture {
  const texture = new DataTexture(data, width, height);
  texture.colorSpace = SRGBColorSpace;
  texture.wrapS = RepeatWrapping;
  texture.magFilter = LinearFilter;
  texture.minFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}
