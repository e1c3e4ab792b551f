import styled from "styled-components";
import type { Ledger } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";

const Four = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 8px 32px;
  margin: 14px 0 18px;
  h3 {
    font-size: 14px;
    color: ${ink.quiet};
    margin: 0 0 6px;
    font-weight: 650;
  }
  svg {
    display: block;
    width: 100%;
    height: auto;
  }
  text {
    font-size: 12px;
    fill: ${ink.ink};
  }
  p {
    margin: 4px 0 0;
    font-size: 15px;
  }
`;

type Bar = { key: string; name: string; size: number; said: string };

/** Bars one under another, each with its name and what it comes to. */
function Bars({ label, bars }: { label: string; bars: Bar[] }) {
  const most = Math.max(...bars.map(({ size }) => size), 1e-9);
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 260 ${bars.length * 26 + 2}`}>
      {bars.map(({ key, name, size, said }, index) => (
        <g key={key} transform={`translate(0 ${index * 26})`}>
          <text x="0" y="16">
            {name}
          </text>
          <rect x="92" y="5" width={(size / most) * 84} height="14" fill={ink.moss} />
          <text x={98 + (size / most) * 84} y="16">
            {said}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** What the closed pieces say together: where the hours went, where pieces failed, what trouble paid, how good plans were. */
export function Plots({ ledger }: { ledger: Ledger }) {
  const unit = useUnit();
  const { hours, failed, trouble, forecasts } = ledger;
  const work = (["survey", "mend", "turn", "finish"] as const).map((kind) => ({
    key: kind,
    name: t(`screen.ledger.work.${kind}`),
    size: hours[kind],
    said: hoursText(hours[kind]),
  }));
  return (
    <>
      <Four>
        <section aria-label={t("screen.ledger.hours_by_work")}>
          <h3>{t("screen.ledger.hours_by_work")}</h3>
          <Bars label={t("screen.ledger.hours_by_work")} bars={work} />
        </section>
        <section aria-label={t("screen.ledger.given_up_at")}>
          <h3>{t("screen.ledger.given_up_at")}</h3>
          {failed.length === 0 && <p>{t("screen.ledger.none_given_up")}</p>}
          <Bars
            label={t("screen.ledger.given_up_at")}
            bars={failed.slice(0, 5).map(({ at, count }) => ({
              key: at,
              name: stepName(at),
              size: count,
              said: countText(count),
            }))}
          />
        </section>
        <section aria-label={t("screen.ledger.earned")}>
          <h3>{t("screen.ledger.earned")}</h3>
          {trouble.every(({ earned_an_hour }) => earned_an_hour === null) && <p>{t("screen.ledger.none_sold")}</p>}
          <Bars
            label={t("screen.ledger.earned")}
            bars={trouble
              .filter(({ earned_an_hour }) => earned_an_hour !== null)
              .map(({ trouble: kind, earned_an_hour, count }) => ({
                key: kind,
                name: t(`screen.ledger.trouble.${kind}`),
                size: Math.max(earned_an_hour ?? 0, 0),
                said: t("screen.ledger.earned_of", { money: amountText(earned_an_hour ?? 0, "money", unit), count }),
              }))}
          />
        </section>
        <section aria-label={t("screen.ledger.forecasts")}>
          <h3>{t("screen.ledger.forecasts")}</h3>
          {forecasts.count > 0 && <Forecasts bars={forecasts.bars} />}
          <p>
            {forecasts.middle === null
              ? t("screen.ledger.no_forecasts")
              : t("screen.ledger.forecasts_right", {
                  right: forecasts.right,
                  count: forecasts.count,
                  middle: forecasts.middle.toFixed(2),
                })}
          </p>
        </section>
      </Four>
      <ByKind kinds={forecasts.kinds} />
      <Chances chances={forecasts.chances} />
    </>
  );
}

const Kinds = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 26px;
  list-style: none;
  padding: 0;
  margin: 6px 0 12px;
  font-size: 15px;
`;

/** How good what was worked out was, by the kind of record. */
const ByKind = ({ kinds }: { kinds: Ledger["forecasts"]["kinds"] }) =>
  kinds.length > 0 && (
    <Kinds aria-label={t("screen.ledger.forecasts_by_kind")}>
      <li>{t("screen.ledger.forecasts_by_kind")}</li>
      {kinds.map(({ kind, count, right, middle }) => (
        <li key={kind}>
          {t("screen.ledger.forecast_of", {
            kind: t(`screen.shop.rates.kinds.${kind}`),
            right,
            count,
            middle: middle.toFixed(2),
          })}
        </li>
      ))}
    </Kinds>
  );

/** Did nine of ten hold of what was said to have nine chances in ten? */
function Chances({ chances }: { chances: Ledger["forecasts"]["chances"] }) {
  const inHundred = (share: number) => Math.round(100 * share);
  if (chances.count === 0) return <p>{t("screen.ledger.no_chances")}</p>;
  return (
    <Kinds aria-label={t("screen.ledger.chances")}>
      <li>{t("screen.ledger.chances")}</li>
      {chances.groups.map(({ from, to, count, said, held }) => (
        <li key={from}>
          {t("screen.ledger.chances_of", {
            from: inHundred(from),
            to: inHundred(to),
            count,
            said: said.toFixed(1),
            held,
          })}
        </li>
      ))}
    </Kinds>
  );
}

/** How many took how many times as long as planned; within the band the plan was right. */
function Forecasts({ bars }: { bars: Ledger["forecasts"]["bars"] }) {
  const along = (value: number) => 130 + (120 * Math.log(value)) / Math.log(3);
  const most = Math.max(...bars.map(({ count }) => count), 1);
  return (
    <svg role="img" aria-label={t("screen.ledger.forecasts")} viewBox="0 0 260 84">
      <rect x={along(0.7)} y="0" width={along(1.5) - along(0.7)} height="62" fill={ink.mossPale} />
      {bars.map(({ from, to, count }) => (
        <rect
          key={from}
          x={along(from) + 0.5}
          width={along(to) - along(from) - 1}
          y={62 - (56 * count) / most}
          height={(56 * count) / most}
          fill={ink.ink}
        />
      ))}
      <line x1="10" x2="250" y1="62.5" y2="62.5" stroke={ink.slate} />
      {[1 / 3, 0.7, 1, 1.5, 3].map((value) => (
        <text key={value} x={along(value)} y="78" textAnchor={value < 0.5 ? "start" : value > 2 ? "end" : "middle"}>
          {value < 0.5 ? "⅓" : `${value}×`}
        </text>
      ))}
    </svg>
  );
}

/** Hours of work: never as days, which are not worked through. */
export const hoursText = (hours: number) =>
  t("screen.ledger.hours_h", {
    hours: hours.toLocaleString("en-GB", {
      minimumFractionDigits: hours < 100 ? 1 : 0,
      maximumFractionDigits: hours < 100 ? 1 : 0,
    }),
  });

export const countText = (count: number) => count.toLocaleString("en-GB");

export const stepName = (kind: string) =>
  kind === "unsaid" ? t("screen.ledger.step_unsaid") : t(`screen.ledger.steps.${kind}`);
