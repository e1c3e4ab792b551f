import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import type { Story } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Fault, Heading, Quiet, Row } from "../kit/parts";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";
import { Closing } from "./Closing";
import { hoursText, stepName } from "./Plots";

const Sum = styled.dl`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 20px;
  margin: 8px 0;
  dd {
    margin: 0;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .whole {
    font-weight: 700;
    border-top: 1px solid ${ink.rule};
  }
`;

/** What became of it and what it came to; said otherwise, or back on the rack. */
export function Ended({ id, story }: { id: number; story: Story }) {
  const unit = useUnit();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const [again, setAgain] = useState(false);
  const { ending, materials } = story;
  if (!ending) return null;
  const money = (value: number) => amountText(value, "money", unit);
  const take = (next: Story) => {
    client.setQueryData(["record", id], next);
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "record" });
  };
  return (
    <>
      <Heading>{t("screen.record.became")}</Heading>
      <p style={{ fontSize: 20, fontWeight: 700, margin: 0 }}>
        {t(`story_sheet.outcome.${ending.outcome}`, { day: dayText(ending.ended_on) })}
      </p>
      {ending.why && (
        <p>
          {ending.failed_at && `${stepName(ending.failed_at)}: `}
          {ending.why}
        </p>
      )}
      <Sum>
        <dt>{t("story_sheet.blank")}</dt>
        <dd>{money(ending.blank_cost)}</dd>
        <dt>{t("story_sheet.materials")}</dt>
        <dd>{money(ending.materials_cost)}</dd>
        <dt>{t("story_sheet.hours", { hours: hoursText(ending.hands_h), rate: money(ending.rate) })}</dt>
        <dd>{money(ending.hands_h * ending.rate)}</dd>
        <dt className="whole">{t("story_sheet.whole")}</dt>
        <dd className="whole">{money(ending.cost)}</dd>
        {ending.price !== null && (
          <>
            <dt>{t("story_sheet.price")}</dt>
            <dd>{money(ending.price)}</dd>
            <dt className="whole">{t("story_sheet.margin")}</dt>
            <dd className="whole" style={(ending.margin ?? 0) < 0 ? { color: ink.rust } : undefined}>
              {money(ending.margin ?? 0)}
            </dd>
          </>
        )}
      </Sum>
      {ending.planned_h !== null && (
        <Quiet>
          {t("screen.record.planned", {
            planned: hoursText(ending.planned_h),
            took: hoursText(ending.hands_h),
          })}
        </Quiet>
      )}
      {materials.map((row) => (
        <Quiet key={row.name}>
          {row.name}: {amountText(row.grams, "g", unit)}, {money(row.cost)}
        </Quiet>
      ))}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {again ? (
        <Closing id={id} story={story} />
      ) : (
        <Row>
          <Button $kind="quiet" style={{ paddingLeft: 0 }} onPress={() => setAgain(true)}>
            {t("screen.record.say_otherwise")}
          </Button>
          <Button $kind="quiet" isDisabled={busy} onPress={() => void act(() => api.reopen(id), take)}>
            {t("screen.log.back_on_the_rack")}
          </Button>
        </Row>
      )}
    </>
  );
}
