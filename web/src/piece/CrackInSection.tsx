import type { PathDefect } from "../api/document";
import { ink } from "../kit/theme";
import { DefectTag } from "./Defect";
import { pathPoints, turn } from "./geometry";
import { barbed, outlinePath } from "./Ground";
import type { InSection, Look } from "./types";

const FOOTPRINT_DEG = 12;
/** A crack where its footprint reaches this plane, on the hand's side (1) or the opposite one (-1). */
export function CrackInSection({
  look,
  defect,
  at,
  hand,
}: {
  look: Look;
  defect: PathDefect;
  at: InSection;
  hand: 1 | -1;
}) {
  const hour = hand === 1 ? look.clockDeg : look.clockDeg + 180;
  const places = pathPoints(defect, look.geometry).filter(
    ({ clockDeg }) => Math.abs(turn(hour, clockDeg)) <= FOOTPRINT_DEG,
  );
  if (places.length < 2) return null;
  const inward = { side: 0, head_face: 1, tail_face: -1 }[defect.enters];
  const mouth = places.map(({ zMm, rMm }) => at(zMm, hand * rMm));
  const tip = places.map(({ zMm, rMm }) =>
    at(zMm + inward * defect.depth_mm, hand * (inward === 0 ? Math.max(0, rMm - defect.depth_mm) : rMm)),
  );
  const first: [number, number] = tip[0] ?? [0, 0];
  const last: [number, number] = tip.at(-1) ?? [0, 0];
  return (
    <g pointerEvents="none">
      <path
        d={outlinePath([...mouth, ...[...tip].reverse()])}
        fill={defect.type === "crack" ? ink.rust : "url(#ground-bark)"}
        fillOpacity={defect.type === "crack" ? 0.22 : 1}
        stroke="none"
      />
      <path d={barbed(tip, 1, 9, 4)} fill="none" stroke={ink.rust} strokeWidth="1.2" />
      <path d={outlinePath(mouth, false)} fill="none" stroke={ink.rust} strokeWidth="3" />
      <DefectTag
        x={inward === 0 ? Math.min(first[0], last[0]) - 11 : (first[0] + last[0]) / 2}
        y={(first[1] + last[1]) / 2 - hand * 2}
        id={defect.id}
      />
    </g>
  );
}
