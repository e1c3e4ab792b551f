import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { CastDetail } from "../../api/document";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet } from "../../kit/parts";
import { t } from "../../i18n/texts";

const [WIDE, MAP, LINES, LEFT, FOOT] = [420, 110, 120, 46, 22];
/** Steps of temperature that are drawn apart, by a deeper hatch each. */
const BANDS = [30, 40, 55, 70] as const;

/** Temperature through the depth over time, and below it the hottest and the surface with the share cured. */
export function Heat({ heat, peakC }: { heat: CastDetail["heat"]; peakC: number }) {
  const unit = useUnit();
  const end = heat.times_h[heat.times_h.length - 1] ?? 1;
  const x = scaleLinear([0, end], [LEFT, WIDE - 8]);
  const deep = scaleLinear([0, heat.depth_mm], [MAP, 4]);
  const top = Math.max(60, Math.ceil(peakC / 20) * 20);
  const hot = scaleLinear([0, top], [LINES, 6]);
  const cured = scaleLinear([0, 1], [LINES, 6]);
  const path = (values: number[], y: (value: number) => number) =>
    line<number>(
      (_, index) => x(heat.times_h[index] ?? 0),
      (value) => y(value),
    )(values) ?? "";
  const rows = heat.celsius.length;
  const said = t("screen.mend.hottest_gelled_throughout_after", {
    peak_c: amountText(peakC, "C", unit),
    gel_h: amountText(heat.gel_h, "h", unit),
  });
  return (
    <figure style={{ margin: "10px 0" }} aria-label={t("screen.mend.heat_of_the_first_layer")}>
      <Heading as="figcaption">{t("screen.mend.heat_of_the_first_layer_through")}</Heading>
      <svg
        viewBox={`0 0 ${WIDE} ${MAP + LINES + FOOT + 8}`}
        style={{ width: "100%", display: "block" }}
        role="img"
        aria-label={said}
      >
        <defs>
          {BANDS.map((from, index) => (
            <pattern
              key={from}
              id={`heat-${from}`}
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform={`rotate(${index % 2 === 0 ? 45 : -45})`}
            >
              <rect
                width="6"
                height="6"
                fill={index > 1 ? "var(--rust)" : "var(--ochre)"}
                fillOpacity={0.18 + index * 0.2}
              />
              <path
                d="M0 0V6"
                stroke="var(--ink)"
                strokeOpacity={0.25 + index * 0.15}
                strokeWidth={0.5 + index * 0.5}
              />
            </pattern>
          ))}
        </defs>
        <rect x={LEFT} y={4} width={WIDE - 8 - LEFT} height={MAP - 4} fill="var(--wood)" stroke="var(--rule)" />
        {heat.celsius.map((row, level) =>
          row.map((celsius, column) => {
            const band = BANDS.filter((from) => celsius >= from).pop();
            const [from, to] = [heat.times_h[column] ?? 0, heat.times_h[column + 1] ?? end];
            if (band === undefined || to <= from) return null;
            return (
              <rect
                key={`${level}-${column}`}
                x={x(from)}
                y={4 + (MAP - 4) * (1 - (level + 1) / rows)}
                width={x(to) - x(from) + 0.3}
                height={(MAP - 4) / rows + 0.3}
                fill={`url(#heat-${band})`}
              />
            );
          }),
        )}
        {peakC < BANDS[0] && (
          <text x={(LEFT + WIDE) / 2} y={MAP / 2 + 6} textAnchor="middle" fontSize="14" fill={ink.quiet}>
            {t("screen.mend.nowhere_over_c", { value: BANDS[0] })}
          </text>
        )}
        <text x={LEFT - 6} y={14} textAnchor="end" fontSize="12" fill={ink.quiet}>
          {amountText(heat.depth_mm, "mm", unit)}
        </text>
        <text x={LEFT - 6} y={deep(0)} textAnchor="end" fontSize="12" fill={ink.quiet}>
          0
        </text>
        <g transform={`translate(0 ${MAP + 10})`}>
          {hot.ticks(4).map((tick) => (
            <g key={tick}>
              <path d={`M${LEFT} ${hot(tick)}H${WIDE - 8}`} stroke="var(--rule)" />
              <text x={LEFT - 6} y={hot(tick) + 4} textAnchor="end" fontSize="12" fill={ink.quiet}>
                {tick}°
              </text>
            </g>
          ))}
          <path d={`M${LEFT} ${hot(55)}H${WIDE - 8}`} stroke="var(--ochre)" strokeDasharray="7 4" />
          <path d={path(heat.cured, cured)} fill="none" stroke="var(--moss)" strokeWidth="1.5" strokeDasharray="2 3" />
          <path d={path(heat.top_c, hot)} fill="none" stroke="var(--slate)" strokeWidth="1.5" />
          <path d={path(heat.hottest_c, hot)} fill="none" stroke="var(--ink)" strokeWidth="2.2" />
          <path d={`M${x(Math.min(heat.gel_h, end))} 6V${LINES}`} stroke="var(--moss)" />
          <text x={x(Math.min(heat.gel_h, end)) - 4} y={16} textAnchor="end" fontSize="12" fill={ink.moss}>
            {t("screen.mend.gelled")}
          </text>
          {x
            .ticks(5)
            .filter((tick) => x(tick) < WIDE - 50)
            .map((tick) => (
              <text key={tick} x={x(tick)} y={LINES + 16} textAnchor="middle" fontSize="12" fill={ink.quiet}>
                {tick}
              </text>
            ))}
          <text x={WIDE - 8} y={LINES + 16} textAnchor="end" fontSize="12" fill={ink.quiet}>
            {t("screen.mend.hours")}
          </text>
        </g>
      </svg>
      <Quiet style={{ marginTop: 0 }}>
        {peakC >= BANDS[0] && `${t("screen.mend.hatched_from_c", { join: BANDS.join(", ") })} `}
        {t("screen.mend.thick_the_hottest_thin_the_surface")}
      </Quiet>
    </figure>
  );
}

/** A cup of it left standing: its temperature over time. */
export function CupHeat({ cup }: { cup: CastDetail["standing"] }) {
  const unit = useUnit();
  const end = cup.curve[cup.curve.length - 1]?.[0] ?? 1;
  const x = scaleLinear([0, end], [LEFT, WIDE - 8]);
  const y = scaleLinear([0, Math.max(60, Math.ceil(cup.peak_c / 20) * 20)], [70, 6]);
  const said = t("screen.mend.left_standing_in_its_cup_comes", {
    g: amountText(cup.g, "g", unit),
    peak_c: amountText(cup.peak_c, "C", unit),
    peak_at_min: amountText(cup.peak_at_min, "min", unit),
  });
  return (
    <figure style={{ margin: 0 }} aria-label={t("screen.mend.a_cup_left_standing")}>
      <svg viewBox={`0 0 ${WIDE} 76`} style={{ width: "100%", display: "block" }} role="img" aria-label={said}>
        {y.ticks(3).map((tick) => (
          <g key={tick}>
            <path d={`M${LEFT} ${y(tick)}H${WIDE - 8}`} stroke="var(--rule)" />
            <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" fontSize="12" fill={ink.quiet}>
              {tick}°
            </text>
          </g>
        ))}
        <path
          d={
            line<number[]>(
              (point) => x(point[0] ?? 0),
              (point) => y(point[1] ?? 0),
            )(cup.curve) ?? ""
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      </svg>
      <Quiet style={{ marginTop: 0 }}>{said}</Quiet>
    </figure>
  );
}

/** The layers as they lie in the mould, the first below. */
export function LayerBar({ layers }: { layers: CastDetail["layers"] }) {
  const unit = useUnit();
  const tall = 130;
  const whole = layers.reduce((sum, { thick_mm }) => sum + thick_mm, 0);
  return (
    <svg
      width="74"
      height={tall + 4}
      role="img"
      aria-label={layers
        .map(({ thick_mm }, index) =>
          t("screen.mend.layer", { value: index + 1, thick_mm: amountText(thick_mm, "mm", unit) }),
        )
        .join(", ")}
    >
      {layers.map(({ thick_mm, verdict }, index) => {
        const height = (thick_mm / whole) * tall;
        const y =
          2 + tall - layers.slice(0, index + 1).reduce((sum, layer) => sum + (layer.thick_mm / whole) * tall, 0);
        return (
          <g key={index}>
            <rect
              x="2"
              y={y}
              width="66"
              height={height}
              fill={verdict === "fine" ? "var(--moss-pale)" : "var(--waste)"}
              stroke={verdict === "fine" ? "var(--moss)" : "var(--rust)"}
              strokeWidth={verdict === "fine" ? 1 : 2}
            />
            {height > 15 && (
              <text x="35" y={y + height / 2 + 4} textAnchor="middle" fontSize="12" fill="var(--ink)">
                {amountText(thick_mm, "mm", unit)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
