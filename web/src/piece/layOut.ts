const DIAL_PX = 38;
const HEAD_PX = 18;
export const SPINDLE_PX = 52;
const TAIL_PX = 56;
const GAP_PX = 8;
const LARGEST_SCALE = 5;
const STACKED_UNDER_PX = 520;

/**
 * Where end and section go, at one true scale: side by side on one axis line or, where it is narrow, one above the other.
 */
export function layOut(reachMm: number, lengthMm: number, width: number, height: number) {
  const fit = (px: number, mm: number) => px / mm;
  if (width < STACKED_UNDER_PX) {
    const scale = Math.min(
      fit(height - 2 * HEAD_PX - 4 * DIAL_PX, 4 * reachMm),
      fit(width - 2 * DIAL_PX, 2 * reachMm),
      fit(width - SPINDLE_PX - TAIL_PX, lengthMm),
      LARGEST_SCALE,
    );
    const row = HEAD_PX + 2 * DIAL_PX + 2 * reachMm * scale;
    return {
      scale,
      cx: width / 2,
      cy: HEAD_PX + DIAL_PX + reachMm * scale,
      x0: SPINDLE_PX + (width - SPINDLE_PX - TAIL_PX - lengthMm * scale) / 2,
      sectionY: row + HEAD_PX + DIAL_PX + reachMm * scale,
      titleY: row + 15,
    };
  }
  const across = width - 2 * DIAL_PX - SPINDLE_PX - TAIL_PX - GAP_PX;
  const scale = Math.min(
    fit(height - HEAD_PX - 2 * DIAL_PX, 2 * reachMm),
    fit(across, 2 * reachMm + lengthMm),
    LARGEST_SCALE,
  );
  const spare = Math.max(0, across - (2 * reachMm + lengthMm) * scale) / 3;
  const cx = spare + DIAL_PX + reachMm * scale;
  const cy = HEAD_PX + (height - HEAD_PX) / 2;
  return { scale, cx, cy, x0: cx + reachMm * scale + DIAL_PX + GAP_PX + SPINDLE_PX + spare, sectionY: cy, titleY: 15 };
}
