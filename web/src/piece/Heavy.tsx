import { ink } from "../kit/theme";
import { clearPlace, clearSide, tagPlace, type At } from "./tags";
import type { Look } from "./types";
import { t } from "../i18n/texts";

/** Where the heavy side lies as it stands. */
export function Heavy({ look, at }: { look: Look; at: At }) {
  const { heavy_clock_deg: clockDeg } = look.assessment.stages.blank;
  if (clockDeg === null) return null;
  const letters = look.document.defects.map((defect) => tagPlace(look, defect, at));
  // How far out says nothing: where it hides no letter, its word towards the middle.
  const [x, y] = clearPlace(
    [0.6, 0.75, 0.45, 0.9].map((share) => at(clockDeg, look.geometry.max_radius_mm * share)),
    letters,
  );
  const [ox, oy] = at(0, 0);
  const [across, up] = clearSide([x, y], [x >= ox ? -1 : 1, y <= oy ? -1 : 1], letters);
  return (
    <g pointerEvents="none">
      <path d={`M${ox} ${oy}L${x} ${y}`} stroke={ink.ink} strokeWidth="1" />
      <rect x={x - 6} y={y - 6} width="12" height="12" fill={ink.ink} />
      <text
        x={x + across * 11}
        y={y + up * 9}
        fontSize="14"
        textAnchor={across < 0 ? "end" : "start"}
        dominantBaseline="central"
        fill={ink.ink}
        style={{ paintOrder: "stroke", stroke: ink.ground, strokeWidth: 4 }}
      >
        {t("screen.piece.heavy")}
      </text>
    </g>
  );
}
