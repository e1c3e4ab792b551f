import type { Defect } from "../api/document";
import { ink } from "../kit/theme";

/** How each kind of trouble is mapped: a pattern of ink, so that colour is never the only sign. */
export function GroundPatterns() {
  const dots = (id: string, spacing: number, size: number, colour: string) => (
    <pattern id={id} width={spacing} height={spacing} patternUnits="userSpaceOnUse" patternTransform="rotate(18)">
      <circle cx={spacing * 0.28} cy={spacing * 0.3} r={size} fill={colour} />
      <circle cx={spacing * 0.78} cy={spacing * 0.72} r={size} fill={colour} />
    </pattern>
  );
  return (
    <defs>
      {dots("ground-firm", 11, 0.9, ink.ink)}
      {dots("ground-soft", 7, 1, ink.ink)}
      {dots("ground-spongy", 4.6, 1.1, ink.ink)}
      {dots("ground-galleries", 8, 1.8, ink.ink)}
      <pattern id="ground-void" width="6" height="6" patternUnits="userSpaceOnUse"><rect width="6" height="6" fill={ink.ground} /></pattern>
      <pattern id="ground-bark" width="8" height="6" patternUnits="userSpaceOnUse"><path d="M0 2h5M4 5h4" stroke={ink.ink} strokeWidth="1.6" /></pattern>
      <pattern id="ground-loose" width="10" height="7" patternUnits="userSpaceOnUse"><path d="M0 6l5-5 5 5" fill="none" stroke={ink.rust} strokeWidth="1.4" /></pattern>
      <pattern id="ground-hard" width="9" height="9" patternUnits="userSpaceOnUse"><path d="M0 9l9-9v9z" fill={ink.slate} /></pattern>
      <pattern id="ground-resin" width="16" height="8" patternUnits="userSpaceOnUse"><path d="M0 4q4-5 8 0t8 0" fill="none" stroke={ink.slate} strokeWidth="1.3" /></pattern>
      <pattern id="ground-waste" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="7" height="7" fill={ink.waste} /></pattern>
    </defs>
  );
}

/** The pattern a defect is filled with. */
export function groundOf(defect: Defect): string {
  switch (defect.type) {
    case "soft_zone": return `url(#ground-${defect.grade})`;
    case "galleries": return "url(#ground-galleries)";
    case "bark_inclusion": return "url(#ground-bark)";
    case "loose_piece": return "url(#ground-loose)";
    case "hard_inclusion": return "url(#ground-hard)";
    case "resin_body": return "url(#ground-resin)";
    default: return "url(#ground-void)";
  }
}

const edges: Partial<Record<Defect["type"], string>> = { void: "7 3 2 3", soft_zone: "2 5", resin_body: "none", galleries: "2 5" };
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
  points.map(([x, y], index) => `${index === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`).join("") + (closed && points.length > 0 ? "Z" : "");
