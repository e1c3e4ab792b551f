import { t } from "../i18n/texts";
import { clockText } from "../kit/measure";
import { ink } from "../kit/theme";
import { follow } from "./drag";
import { clockOf } from "./geometry";
import { outlinePath } from "./Ground";
import type { At } from "./tags";
import type { Look } from "./types";

/** The clock: hour ticks, the weakest plane, and the hand that turns the section. */
export function EndDial({ look, at, cx, cy }: { look: Look; at: At; cx: number; cy: number }) {
  const reach = look.geometry.max_radius_mm;
  const rim = (px: number) => reach + px;
  const perPx = reach / (cy - (at(0, reach)[1] as number) || 1);
  const hand = at(look.clockDeg, rim(17 * perPx));
  const foot = at(look.clockDeg + 180, rim(4 * perPx));
  const names = Object.keys(look.assessment.stages) as (keyof typeof look.assessment.stages)[];
  const last = look.assessment.stages[names.at(-1) ?? "blank"];
  return (
    <g>
      {Array.from({ length: 12 }, (_, hour) => {
        const [x0, y0] = at(hour * 30, rim(4 * perPx));
        const [x1, y1] = at(hour * 30, rim((hour % 3 === 0 ? 12 : 8) * perPx));
        const [tx, ty] = at(hour * 30, rim(22 * perPx));
        return (
          <g key={hour} pointerEvents="none">
            <path d={`M${x0} ${y0}L${x1} ${y1}`} stroke={ink.slate} />
            {
              <text x={tx} y={ty} fontSize="14" textAnchor="middle" dominantBaseline="central" fill={ink.quiet}>
                {hour || 12}
              </text>
            }
          </g>
        );
      })}
      {last?.burst_rpm && (
        <path
          d={outlinePath(
            [at(last.weak_plane_clock_deg, rim(-2 * perPx)), at(last.weak_plane_clock_deg + 180, rim(-2 * perPx))],
            false,
          )}
          stroke={ink.ochre}
          strokeWidth="2"
          strokeDasharray="10 4 2 4"
          pointerEvents="none"
        />
      )}
      <path
        d={outlinePath([hand, foot], false)}
        stroke={ink.moss}
        strokeWidth="2"
        strokeDasharray="7 4"
        pointerEvents="none"
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label={t("screen.piece.hour_of_the_section")}
        aria-valuenow={Math.round(look.clockDeg)}
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuetext={clockText(look.clockDeg)}
        style={{ cursor: "grab" }}
        onKeyDown={(event) => {
          const by = { ArrowRight: 5, ArrowUp: 5, ArrowLeft: -5, ArrowDown: -5 }[event.key];
          if (by === undefined) return;
          event.preventDefault();
          look.setClock((look.clockDeg + by + 360) % 360);
        }}
        onPointerDown={(event) => {
          const turnTo = (x: number, y: number) => look.setClock(Math.round(clockOf(x - cx, cy - y)) % 360);
          follow(event, turnTo, turnTo);
        }}
      >
        <circle cx={hand[0]} cy={hand[1]} r="22" fill="transparent" />
        <circle cx={hand[0]} cy={hand[1]} r="14" fill={ink.moss} />
        <text
          x={hand[0]}
          y={hand[1] + 0.5}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize="14"
          fontWeight="700"
          fill={ink.onMoss}
          pointerEvents="none"
        >
          {Math.round(look.clockDeg / 30) % 12 || 12}
        </text>
      </g>
    </g>
  );
}
