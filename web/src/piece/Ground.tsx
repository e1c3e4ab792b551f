import { memo } from "react";
import type { Defect } from "../api/document";
import { ink } from "../kit/theme";

const TILE_PX = 64;
const PLASTIC = 1.324717957244746;

/** Even but unruled places in a unit square: the R2 sequence, steps of 1/p and 1/p² with p the plastic number. */
const scattered = (count: number): [number, number][] =>
  Array.from({ length: count }, (_, index): [number, number] => [
    (0.5 + index / PLASTIC) % 1,
    (0.5 + index / PLASTIC ** 2) % 1,
  ]);

/** How each kind of trouble is mapped: a pattern of ink, so that colour is never the only sign. */
export const GroundPatterns = memo(function GroundPatterns() {
  const dots = (id: string, count: number, size: number) => (
    <pattern id={id} width={TILE_PX} height={TILE_PX} patternUnits="userSpaceOnUse">
      {scattered(count).map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x * TILE_PX} cy={y * TILE_PX} r={size} fill={ink.ink} />
      ))}
    </pattern>
  );
  return (
    <defs>
      {dots("ground-firm", 34, 0.9)}
      {dots("ground-soft", 80, 1)}
      {dots("ground-spongy", 190, 1.15)}
      {dots("ground-galleries", 60, 1.9)}
      <pattern id="ground-bubbles" width="14" height="12" patternUnits="userSpaceOnUse">
        <circle cx="4" cy="4" r="2.4" fill="none" stroke={ink.ink} />
        <circle cx="11" cy="9" r="1.5" fill="none" stroke={ink.ink} />
      </pattern>
      <pattern id="ground-void" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill={ink.ground} />
      </pattern>
      <pattern id="ground-bark" width="8" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 2h5M4 5h4" stroke={ink.ink} strokeWidth="1.6" />
      </pattern>
      <pattern id="ground-loose" width="10" height="7" patternUnits="userSpaceOnUse">
        <path d="M0 6l5-5 5 5" fill="none" stroke={ink.rust} strokeWidth="1.4" />
      </pattern>
      <pattern id="ground-hard" width="9" height="9" patternUnits="userSpaceOnUse">
        <path d="M0 9l9-9v9z" fill={ink.slate} />
      </pattern>
      <pattern id="ground-resin" width="16" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 4q4-5 8 0t8 0" fill="none" stroke={ink.slate} strokeWidth="1.3" />
      </pattern>
      <pattern id="ground-air" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="9" height="9" fill={ink.waste} />
        <path d="M0 0V9" stroke={ink.slate} strokeWidth="1" strokeOpacity="0.55" />
      </pattern>
      <pattern id="ground-waste" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill={ink.waste} />
      </pattern>
    </defs>
  );
});

/** The pattern a defect is filled with. */
export function groundOf(defect: Defect): string {
  switch (defect.type) {
    case "soft_zone":
      return `url(#ground-${defect.grade})`;
    case "galleries":
      return "url(#ground-galleries)";
    case "bubble_pocket":
      return "url(#ground-bubbles)";
    case "bark_inclusion":
      return "url(#ground-bark)";
    case "loose_piece":
      return "url(#ground-loose)";
    case "hard_inclusion":
      return "url(#ground-hard)";
    case "resin_body":
      return "url(#ground-resin)";
    default:
      return "url(#ground-void)";
  }
}

const edges: Partial<Record<Defect["type"], string>> = {
  void: "7 3 2 3",
  soft_zone: "2 5",
  resin_body: "none",
  galleries: "2 5",
  bubble_pocket: "2 5",
};
/** The broken edge it is drawn with. */
export const edgeOf = (defect: Defect) => edges[defect.type] ?? "none";

/** An ink line with barbs on its deep side, like a scarp on a survey map. */
export function barbed(points: [number, number][], side: 1 | -1, spacing = 9, barb = 6): string {
  const line = points.map(([x, y], index) => `${index === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`).join("");
  let run = spacing / 2;
  let barbs = "";
  for (let index = 1; index < points.length; index++) {
    const [x0, y0] = points[index - 1] as [number, number];
    const [x1, y1] = points[index] as [number, number];
    const length = Math.hypot(x1 - x0, y1 - y0);
    while (run <= length && length > 0) {
      const [dx, dy] = [(x1 - x0) / length, (y1 - y0) / length];
      const [x, y] = [x0 + dx * run, y0 + dy * run];
      barbs += `M${x.toFixed(1)} ${y.toFixed(1)}l${((dx * 0.5 - dy * side) * barb).toFixed(1)} ${((dy * 0.5 + dx * side) * barb).toFixed(1)}`;
      run += spacing;
    }
    run -= length;
  }
  return line + barbs;
}

export const outlinePath = (points: [number, number][], closed = true) =>
  points.map(([x, y], index) => `${index === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`).join("") +
  (closed && points.length > 0 ? "Z" : "");
