import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api } from "../api/client";
import { without, type NewEnding, type Story } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText } from "../kit/measure";
import { FieldLabel, NumberField, TextLine } from "../kit/MeasureField";
import { Fault, Fields, Heading, Quiet } from "../kit/parts";
import { Select } from "../kit/Select";
import { focusRing, ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";
import { hoursText, stepName } from "./Plots";

const OUTCOMES = ["sold", "done", "given_away", "kept_back", "given_up"] as const;
const WORK = ["survey", "mend", "turn", "finish"] as const;

const Words = styled(TextArea)`
  width: 100%;
  min-height: 72px;
  padding: 8px 10px;
  border: 1px solid ${ink.slate};
  background: ${ink.paper};
  color: ${ink.ink};
  font: inherit;
  resize: vertical;
  ${focusRing}
`;

const rounded = (value: number) => Math.round(value * 100) / 100;

/** What became of a piece: it leaves the rack for the ledger, nothing is lost. */
export function Closing({ id, story }: { id: number; story: Story }) {
  const unit = useUnit();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const { ending, suggested, told } = story;
  const from = ending ?? suggested;
  const [said, setSaid] = useState<NewEnding>({
    outcome: ending?.outcome ?? "sold",
    ended_on: ending?.ended_on ?? new Date().toLocaleDateString("en-CA"),
    hours: {
      survey: rounded(from.hours.survey),
      mend: rounded(from.hours.mend),
      turn: rounded(from.hours.turn),
      finish: rounded(from.hours.finish),
    },
    rate: from.rate,
    blank_cost: rounded(from.blank_cost),
    materials_cost: rounded(from.materials_cost),
    ...(ending?.price != null && { price: ending.price }),
    ...(ending?.why && { why: ending.why }),
    ...(ending?.failed_at && { failed_at: ending.failed_at }),
    ...(ending?.lessons && { lessons: ending.lessons }),
  });
  const faults = Object.fromEntries((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail]));
  const money = (value: number) => amountText(value, "money", unit);
  const put = (change: Partial<NewEnding>) => setSaid((was) => ({ ...was, ...change }));
  const { price_help: help } = suggested;
  const hours = WORK.reduce((sum, kind) => sum + said.hours[kind], 0);
  const send = () => {
    const { price, why, failed_at, ...rest } = said;
    return api.closeBlank(id, {
      ...rest,
      ...(said.outcome === "sold" && price !== undefined && { price }),
      ...(said.outcome === "given_up" && why !== undefined && { why }),
      ...(said.outcome === "given_up" && failed_at !== undefined && { failed_at }),
    });
  };
  const kinds = [...new Set(told.steps.map(({ kind }) => kind))];
  return (
    <>
      <Heading>{t("screen.record.what_became")}</Heading>
      <Choice
        label={t("screen.record.outcome")}
        value={said.outcome}
        options={
          Object.fromEntries(OUTCOMES.map((one) => [one, capital(t(`ledger.outcomes.${one}`))])) as Record<
            NewEnding["outcome"],
            string
          >
        }
        onChange={(outcome) => put({ outcome })}
      />
      <Fields>
        <TextLine
          label={t("screen.record.on")}
          value={said.ended_on}
          most={10}
          onChange={(ended_on) => put({ ended_on })}
        />
        {said.outcome === "sold" && (
          <NumberField
            label={t("screen.record.price")}
            value={said.price ?? 0}
            onChange={(price) => put({ price })}
            fault={faults["/price"]}
          />
        )}
      </Fields>
      {faults["/ended_on"] && <Fault role="alert">{faults["/ended_on"]}</Fault>}
      {said.outcome === "sold" && (
        <Quiet>
          {help.middle === null || help.least === null || help.most === null
            ? t("screen.record.price_by_cost", { cost: money(help.cost) })
            : t(help.below ? "screen.record.price_below" : "screen.record.price_help", {
                cost: money(help.cost),
                count: help.similar,
                least: money(help.least),
                middle: money(help.middle),
                most: money(help.most),
              })}
        </Quiet>
      )}
      {said.outcome === "sold" && help.sound !== null && help.expected !== null && (
        <Quiet>
          {t("screen.record.price_expected", {
            share: Math.round(100 * help.sound),
            ask: money(help.ask),
            expected: money(help.expected),
          })}
        </Quiet>
      )}
      {said.outcome === "given_up" && (
        <>
          <TextLine
            label={t("screen.record.why")}
            value={said.why ?? ""}
            most={2000}
            onChange={(why) => put({ why })}
          />
          {faults["/why"] && <Fault role="alert">{faults["/why"]}</Fault>}
          <Select
            label={t("screen.record.failed_at")}
            value={said.failed_at ?? "unsaid"}
            options={Object.fromEntries(["unsaid", ...kinds].map((kind) => [kind, stepName(kind)]))}
            onChange={(kind) =>
              setSaid((was) => (kind === "unsaid" ? without(was, "failed_at") : { ...was, failed_at: kind }))
            }
          />
        </>
      )}
      <Heading>{t("screen.record.hours", { hours: hoursText(hours) })}</Heading>
      {story.planned_h > 0 && <Quiet>{t("screen.record.by_the_plan", { planned: hoursText(story.planned_h) })}</Quiet>}
      <Fields>
        {WORK.map((kind) => (
          <NumberField
            key={kind}
            label={t(`screen.ledger.work.${kind}`)}
            value={said.hours[kind]}
            onChange={(value) => put({ hours: { ...said.hours, [kind]: value } })}
            fault={faults[`/hours/${kind}`]}
          />
        ))}
      </Fields>
      <Fields>
        {(["rate", "blank_cost", "materials_cost"] as const).map((name) => (
          <NumberField
            key={name}
            label={t(`screen.record.${name}`)}
            value={said[name]}
            onChange={(value) => put({ [name]: value })}
            fault={faults[`/${name}`]}
          />
        ))}
      </Fields>
      <TextField value={said.lessons ?? ""} onChange={(lessons) => put({ lessons })} maxLength={4000}>
        <FieldLabel>{t("screen.record.lessons")}</FieldLabel>
        <Words />
      </TextField>
      {problem && Object.keys(faults).length === 0 && <Fault role="alert">{problem.detail}</Fault>}
      {faults["/put_away"] && <Fault role="alert">{faults["/put_away"]}</Fault>}
      <Button
        $kind="go"
        style={{ marginTop: 12 }}
        isDisabled={busy}
        onPress={() =>
          void act(send, (next) => {
            client.setQueryData(["record", id], next);
            void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "record" });
          })
        }
      >
        {t("screen.record.close_it")}
      </Button>
      <Quiet>{t("screen.record.nothing_is_lost")}</Quiet>
    </>
  );
}
