import type { PerspectiveCamera, WebGLRenderer } from "three";

/**
 * Sets picture and camera to the size of their box; how far off the camera has to be for something of that size to fill
 * its shorter side. Nothing of a box that has no size yet.
 */
export function fitted(
  box: HTMLElement,
  renderer: WebGLRenderer,
  camera: PerspectiveCamera,
  sizeMm: number,
): number | undefined {
  const [wide, tall] = [box.clientWidth, box.clientHeight];
  if (wide === 0 || tall === 0) return undefined;
  renderer.setSize(wide, tall);
  camera.aspect = wide / tall;
  const half = Math.tan((camera.fov * Math.PI) / 360) * Math.min(1, camera.aspect);
  return (sizeMm * 0.5) / half;
}
