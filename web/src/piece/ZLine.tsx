import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { follow } from "./drag";
import type { InSection, Look } from "./types";
/** The z line, which slides along the axis and cuts the end view and the skin at the same place. */
export function ZLine({ look, at, x0, scale }: { look: Look; at: InSection; x0: number; scale: number }) {
  const unit = useUnit();
  const reach = look.geometry.max_radius_mm;
  const [x, top] = at(look.zMm, reach);
  const [, bottom] = at(look.zMm, -reach);
  const slide = (px: number) =>
    look.setZ(Math.round(Math.min(look.geometry.length_mm, Math.max(0, (px - x0) / scale))));
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={t("screen.piece.distance_from_the_head")}
      aria-valuenow={Math.round(look.zMm)}
      aria-valuemin={0}
      aria-valuemax={Math.round(look.geometry.length_mm)}
      aria-valuetext={amountText(look.zMm, "mm", unit)}
      style={{ cursor: "ew-resize" }}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        look.setZ(Math.min(look.geometry.length_mm, Math.max(0, look.zMm + by)));
      }}
      onPointerDown={(event) => {
        follow(event, slide, slide);
      }}
    >
      <path d={`M${x} ${top - 10}V${bottom + 4}`} stroke="transparent" strokeWidth="20" />
      <path d={`M${x} ${top - 10}V${bottom + 4}`} stroke={ink.moss} strokeWidth="1.6" strokeDasharray="7 4" />
      <path d={`M${x - 9} ${top - 24}h18v9l-9 8l-9 -8z`} fill={ink.moss} />
      <text x={x + 13} y={top - 15} fontSize="14" fill={ink.moss} fontWeight="700">
        {amountText(look.zMm, "mm", unit)}
      </text>
    </g>
  );
}
