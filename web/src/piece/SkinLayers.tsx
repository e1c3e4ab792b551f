// What is drawn on the unrolled skin beside the defects: what nobody looked at, what a cut meets, grain, grooves, hours.
import type { Peel } from "../api/document";
import { ink } from "../kit/theme";
import { fold } from "./geometry";
import { grainOnSkin } from "./grain";
import { outlinePath } from "./Ground";
import { FOOT, LEFT, TOP, type At } from "./skinPlaces";
import type { Look } from "./types";
import { t } from "../i18n/texts";

/** What nobody has looked at, hatched over. */
export function Unseen({ look, at }: { look: Look; at: (clockDeg: number, zMm: number) => [number, number] }) {
  const { recorded, needed, gaps } = look.assessment.coverage;
  if (!recorded && !needed) return null;
  const [, top] = at(0, look.geometry.length_mm);
  const [, foot] = at(0, 0);
  return (
    <g pointerEvents="none">
      <pattern id="unseen" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V9" stroke={ink.slate} strokeWidth="2" strokeOpacity="0.45" />
      </pattern>
      {gaps.flatMap(([from = 0, to = 0]) =>
        [-360, 0].map((lap) => {
          const [left] = at(from + lap, 0);
          const [right] = at(to + lap, 0);
          return (
            <rect
              key={`${from}${lap}`}
              data-unseen
              x={left}
              y={top}
              width={Math.max(0, right - left)}
              height={foot - top}
              fill="url(#unseen)"
            />
          );
        }),
      )}
    </g>
  );
}

/** Where the cut is beyond the wood. */
export function Air({ peel, at }: { peel: Peel; at: At }) {
  const half = halfRow(peel);
  const d = peel.rows.flatMap(({ z_mm, stretches }) =>
    stretches
      .filter(({ kind, id }) => kind === "air" && id === null)
      .flatMap(({ from_deg, to_deg }) =>
        [-360, 0].map((lap) => {
          const [[x0, y0], [x1, y1]] = [at(from_deg + lap, z_mm + half), at(to_deg + lap, z_mm - half)];
          return `M${x0.toFixed(1)} ${y0.toFixed(1)}H${x1.toFixed(1)}V${y1.toFixed(1)}H${x0.toFixed(1)}Z`;
        }),
      ),
  );
  return <path d={d.join("")} fill="url(#ground-air)" stroke="none" pointerEvents="none" />;
}

const halfRow = ({ rows }: Peel) => ((rows.at(-1)?.z_mm ?? 0) - (rows[0]?.z_mm ?? 0)) / (rows.length - 1) / 2;

/** Above and below what that stage leaves of the length. */
export function NotOfIt({ peel, at, lengthMm }: { peel: Peel; at: At; lengthMm: number }) {
  const half = halfRow(peel);
  const [low, high] = [(peel.rows[0]?.z_mm ?? 0) - half, (peel.rows.at(-1)?.z_mm ?? lengthMm) + half];
  return [
    [high, lengthMm],
    [0, low],
  ].map(([from = 0, to = 0]) => {
    const [[x0, y0], [x1, y1]] = [at(0, to), at(360, from)];
    return (
      y1 - y0 > 0.5 && (
        <rect key={from} x={x0} y={y0} width={x1 - x0} height={y1 - y0} fill={ink.waste} pointerEvents="none" />
      )
    );
  });
}

/** How the fibres run. */
export function Grain({ look: { document, geometry }, at }: { look: Look; at: At }) {
  const lines = grainOnSkin(document.material, geometry.length_mm).map((line) =>
    outlinePath(
      line.map(([clockDeg, zMm]) => at(clockDeg, zMm)),
      false,
    ),
  );
  return <path d={lines.join("")} clipPath="url(#skin-clip)" fill="none" stroke={ink.grain} pointerEvents="none" />;
}

/** Grooves of an inlay, as wide as they are cut. */
export function Grooves({ look, at, tall }: { look: Look; at: At; tall: number }) {
  return look.grooves.flatMap(({ path, width_mm }, index) =>
    [-360, 0, 360].map((lap) => (
      <path
        key={`${index}${lap}`}
        data-groove={lap === 0 || undefined}
        d={outlinePath(
          path.map(({ clock_deg, z_mm }) => at(clock_deg + lap, z_mm)),
          false,
        )}
        fill="none"
        stroke={ink.moss}
        strokeOpacity="0.55"
        strokeWidth={Math.max(2, (width_mm / look.geometry.length_mm) * tall)}
        pointerEvents="none"
      />
    )),
  );
}

/** The height of the end's slice and the hours of the section. */
export function SliceLines({ look, at, wide, tall }: { look: Look; at: At; wide: number; tall: number }) {
  return (
    <g stroke={ink.moss} strokeDasharray="7 4" pointerEvents="none">
      <path d={`M${LEFT} ${at(0, look.zMm)[1]}H${LEFT + wide}`} />
      {[look.clockDeg, fold(look.clockDeg + 180)].map((clockDeg, index) => (
        <path key={index} d={`M${at(clockDeg, 0)[0]} ${TOP}V${tall + TOP}`} strokeWidth={index === 0 ? 2 : 1} />
      ))}
    </g>
  );
}

/** Which end is which, and the hours below. */
export function Words({ at, tall }: { at: At; tall: number }) {
  return (
    <g fontSize="14" fill={ink.quiet} pointerEvents="none">
      <text x={LEFT - 8} y={16} textAnchor="end">
        {t("screen.piece.tail")}
      </text>
      <text x={LEFT - 8} y={tall} textAnchor="end">
        {t("screen.piece.head")}
      </text>
      {Array.from({ length: 13 }, (_, hour) => (
        <g key={hour}>
          <path d={`M${at(hour * 30, 0)[0]} ${tall + TOP}v5`} stroke={ink.slate} />
          <text
            x={at(hour * 30, 0)[0]}
            y={tall + TOP + FOOT - 3}
            textAnchor="middle"
            fontWeight={hour % 3 === 0 ? 700 : 400}
          >
            {hour % 12 || 12}
          </text>
        </g>
      ))}
    </g>
  );
}
