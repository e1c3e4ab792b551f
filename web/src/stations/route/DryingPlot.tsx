import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import styled from "styled-components";
import type { Assessment, RouteStep } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { amountText } from "../../kit/measure";
import { Quiet, Ticket } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { dateIn } from "./dates";

const [WIDE, TALL, LEFT, BOTTOM, TOP] = [460, 240, 46, 30, 16];

const Plot = styled.svg`
  width: 100%;
  height: auto;
  margin-top: 8px;
  text {
    font-size: 14px;
    fill: ${ink.quiet};
  }
`;

type Point = [number, number];

/** Moisture over days, place by place, with its band, the gates, and the fastest it may go. */
export function DryingPlot({ steps }: { steps: RouteStep[] }) {
  return (
    <>
      {steps
        .filter(({ regimes, done }) => regimes.length > 0 && !done)
        .map((step) => (
          <OneDrying key={step.id} step={step} />
        ))}
    </>
  );
}

function OneDrying({ step }: { step: RouteStep }) {
  const { assessment } = useBlank();
  const unit = useUnit();
  const { regimes, wait_days: wait } = step;
  if (!wait || wait.likely === null) return <Quiet>{t("screen.route.it_never_gets_there_in_this_air")}</Quiet>;
  const likely = along(regimes, 1);
  const bands = [along(regimes, 0), along(regimes, 2)];
  const last = Math.max(wait.latest ?? wait.likely, wait.likely, 1);
  const [from, to] = [regimes[0]?.from_pct ?? 0, regimes.at(-1)?.to_pct ?? 0];
  const x = scaleLinear([0, last], [LEFT, WIDE - 12]);
  const y = scaleLinear([Math.max(0, to - 2), from + 1], [TALL - BOTTOM, TOP]);
  const path = line<Point>(
    ([day]) => x(day),
    ([, pct]) => y(pct),
  );
  const gates = gatesBetween(assessment, to - 2, from);
  const safe = step.safe_points_a_day;
  const words = t("screen.route.plot_in_words", {
    from: amountText(from, "%", unit),
    to: amountText(to, "%", unit),
    days: amountText(wait.likely, "days", unit),
  });
  return (
    <>
      <Plot viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={words}>
        <path
          d={`${path([...(bands[0] ?? []), ...[...(bands[1] ?? [])].reverse()]) ?? ""}Z`}
          fill={ink.ochre}
          fillOpacity="0.22"
        />
        {gates.map(({ at, name }) => (
          <g key={at}>
            <line x1={LEFT} x2={WIDE - 12} y1={y(at)} y2={y(at)} stroke={ink.rule} strokeDasharray="3 4" />
            <text x={WIDE - 14} y={y(at) - 4} textAnchor="end">
              {name}
            </text>
          </g>
        ))}
        {safe && (
          <path
            d={path(safeLine(from, to, safe, last)) ?? ""}
            fill="none"
            stroke={ink.rust}
            strokeWidth="2"
            strokeDasharray="2 4"
          />
        )}
        <path d={path(likely) ?? ""} fill="none" stroke={ink.ink} strokeWidth="2.5" />
        {y.ticks(4).map((pct) => (
          <text key={pct} x={LEFT - 6} y={y(pct) + 5} textAnchor="end">
            {amountText(pct, "%", unit)}
          </text>
        ))}
        <path d={`M${LEFT} ${TOP}V${TALL - BOTTOM}H${WIDE - 12}`} fill="none" stroke={ink.ink} />
        <text x={LEFT} y={TALL - 8}>
          {dateIn(step.starts_days.likely)}
        </text>
        <text x={WIDE - 12} y={TALL - 8} textAnchor="end">
          {dateIn((step.starts_days.likely ?? 0) + last)}
        </text>
      </Plot>
      <Ticket aria-label={t("screen.route.places_in_order")}>
        <thead>
          <tr>
            <th>{t("screen.route.where")}</th>
            <th className="number">{t("screen.route.until")}</th>
            <th className="number">{t("screen.route.lasts")}</th>
          </tr>
        </thead>
        <tbody>
          {regimes.map(({ place, to_pct, days, rate_bound }) => (
            <tr key={place}>
              <th scope="row">
                {t(`tables.drying_places.${place}.name`)}
                {rate_bound && <Quiet>{t("screen.route.open_and_close_it_by_weight")}</Quiet>}
              </th>
              <td className="number">{amountText(to_pct, "%", unit)}</td>
              <td className="number">{amountText(days[1] ?? null, "days", unit)}</td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      {step.weigh_days.length > 0 && (
        <Quiet>
          {t("screen.route.weigh_on", {
            days: step.weigh_days.map((day) => dateIn((step.starts_days.likely ?? 0) + day)).join(t("lists.comma")),
          })}
        </Quiet>
      )}
      {safe && <Quiet>{t("screen.route.dotted_faster_than_this_it_checks")}</Quiet>}
    </>
  );
}

/** What wants wood no wetter than that, by moisture: those that want the same stand together. */
function gatesBetween({ drying }: Assessment, low: number, high: number) {
  const names = new Map<number, string[]>();
  for (const { key, at_most_pct: at } of drying?.targets ?? [])
    if (at > low && at < high) names.set(at, [...(names.get(at) ?? []), t(`tables.gates.${key}.name`)]);
  return [...names].map(([at, list]) => ({ at, name: list.join(", ") }));
}

/** The regimes one after another as points; `which`: 0 earliest, 1 likely, 2 latest. */
function along(regimes: RouteStep["regimes"], which: 0 | 1 | 2): Point[] {
  let day = 0;
  return regimes.flatMap(({ curve, days }) => {
    const stretch = days[1] && days[which] ? (days[which] ?? 0) / days[1] : 1;
    const points = curve.map(([at = 0, pct = 0]): Point => [day + at * stretch, pct]);
    day += days[which] ?? days[1] ?? 0;
    return points;
  });
}

/** Down at the fastest rate that is safe, as far as it is drawn. Water over fibre saturation may go as it likes. */
function safeLine(from: number, to: number, rate: number, last: number): Point[] {
  const start = Math.min(from, 30);
  const days = Math.min((start - to) / rate, last);
  return [
    [0, start],
    [days, start - days * rate],
  ];
}
