import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import type { Rate, Rates as AllRates } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Fault, Heading, Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";

const Strip = styled.svg`
  display: block;
  width: 100%;
  max-width: 420px;
  height: 34px;
`;
const Records = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
    border-top: 1px solid ${ink.rule};
  }
  li > span:first-child {
    min-width: 74px;
    font-weight: 650;
  }
`;

/** Where a record lies between four times less and four times more than usual, in share of the strip. */
const MOST = Math.log(4);
const along = (times: number) => 0.5 + Math.max(-0.5, Math.min(0.5, Math.log(Math.max(times, 1e-6)) / (2 * MOST)));

/** Table whose rows name what a rate is of. */
const NAMES: Partial<Record<Rate["kind"], string>> = {
  cure_factor: "tables.resins",
  soak_factor: "tables.finishes",
  coat_time_factor: "tables.finishes",
};

function named(rate: Rate) {
  const what = t(`screen.shop.rates.kinds.${rate.kind}`);
  if (!rate.of) return capital(what);
  if (rate.kind === "drying_factor") return capital(`${what}: ${rate.of}`);
  const table = NAMES[rate.kind];
  return capital(`${what}: ${table ? t(`${table}.${rate.of}.name`) : t(`screen.ledger.steps.${rate.of}`)}`);
}

const UNITS: Partial<Record<Rate["kind"], string>> = {
  loss_share: "share",
  uptake_share: "share",
  bubbling_min: "min",
};

/** What the shop's own work has shown, rate by rate: usual, own, and the records it comes of. */
export function Rates() {
  const { data, error } = useQuery({ queryKey: ["rates"], queryFn: api.rates });
  return (
    <>
      <Heading as="h3">{t("screen.shop.rates.heading")}</Heading>
      {error && <Fault role="alert">{error.message}</Fault>}
      {data?.rates.length === 0 && <Quiet>{t("screen.shop.rates.none")}</Quiet>}
      {data?.rates.map((rate) => (
        <One key={`${rate.kind} ${rate.of}`} rate={rate} />
      ))}
      {data && data.rates.length > 0 && <Quiet>{t("screen.shop.rates.how")}</Quiet>}
    </>
  );
}

function One({ rate }: { rate: Rate }) {
  const client = useQueryClient();
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const { busy, problem, act } = useAct();
  // Plans go by it: whatever was calculated is fetched anew.
  const take = (rates: AllRates) => {
    client.setQueryData(["rates"], rates);
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "rates" });
  };
  const of = UNITS[rate.kind];
  const shown = (value: number) => (of ? amountText(value, of, unit) : `${value.toFixed(2)}\u00a0×`);
  return (
    <article aria-label={named(rate)} style={{ margin: "10px 0" }}>
      <strong>{named(rate)}</strong>{" "}
      {rate.off
        ? t(of ? "screen.shop.rates.off" : "screen.shop.rates.off_times", { usual: shown(rate.usual) })
        : t(of ? "screen.shop.rates.yours" : "screen.shop.rates.yours_times", {
            value: shown(rate.value),
            usual: shown(rate.usual),
            count: rate.count,
          })}
      <Strip role="img" viewBox="-5 0 430 34" aria-label={t("screen.shop.rates.drawn", { value: shown(rate.value) })}>
        <line x1="0" x2="420" y1="14" y2="14" stroke={ink.rule} />
        {[0.25, 0.5, 1, 2, 4].map((times) => (
          <g key={times}>
            <line x1={along(times) * 420} x2={along(times) * 420} y1="9" y2="19" stroke={ink.slate} />
            <text
              x={along(times) * 420}
              y="32"
              fontSize="11"
              fill={ink.slate}
              textAnchor={times === 0.25 ? "start" : times === 4 ? "end" : "middle"}
            >
              {times === 1 ? t("screen.shop.rates.usual") : `${times}×`}
            </text>
          </g>
        ))}
        {rate.records.map((one) => (
          <circle
            key={one.id}
            cx={along(one.value / rate.usual) * 420}
            cy="14"
            r="4"
            fill={one.left_out || one.held_back ? "none" : ink.ink}
            stroke={one.held_back ? ink.rust : ink.ink}
          />
        ))}
        <path d={`M${along(rate.times) * 420} 6 l-5 -6 h10 z`} fill={rate.off ? ink.slate : ink.moss} data-part="own" />
      </Strip>
      <Button $kind="quiet" style={{ paddingLeft: 0 }} aria-expanded={open} onPress={() => setOpen(!open)}>
        {t("screen.shop.rates.records", { count: rate.records.length })}
      </Button>
      <Button
        $kind="quiet"
        isDisabled={busy}
        onPress={() => void act(() => api.turnRateOff({ kind: rate.kind, of: rate.of, off: !rate.off }), take)}
      >
        {t(rate.off ? "screen.shop.rates.go_by_mine" : "screen.shop.rates.go_by_usual")}
      </Button>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {open && (
        <Records>
          {rate.records.map((one) => (
            <li key={one.id}>
              <span>{shown(one.value)}</span>
              <span>
                {dayText(one.recorded_at)}
                {one.blank && ` · ${one.blank.number} ${one.blank.name}`}
              </span>
              {one.held_back && <span style={{ color: ink.rust }}>{t("screen.shop.rates.held_back")}</span>}
              <Button
                $kind="quiet"
                isDisabled={busy}
                onPress={() => void act(() => api.leaveRecordOut(one.id, !one.left_out), take)}
              >
                {t(one.left_out ? "screen.shop.rates.take_in" : "screen.shop.rates.leave_out")}
              </Button>
            </li>
          ))}
        </Records>
      )}
    </article>
  );
}
