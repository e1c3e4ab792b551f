import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { SearchField } from "react-aria-components";
import { useSearchParams } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import { without, type LedgerAsked } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Select } from "../kit/Select";
import { amountText } from "../kit/measure";
import { FieldInput, FieldLabel } from "../kit/MeasureField";
import { Carry, Fault, Quiet, Row } from "../kit/parts";
import { ink } from "../kit/theme";
import { useSettled } from "../kit/useSettled";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { More, Pieces } from "./Pieces";
import { countText, hoursText, Plots, stepName } from "./Plots";

const SETTLED_MS = 250;

const Page = styled.main`
  overflow-y: auto;
  padding: 18px 30px 40px;
  h2 {
    font-size: 22px;
    margin: 0 0 4px;
  }
  a {
    color: inherit;
  }
`;

const Sums = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 30px;
  margin: 14px 0 0;
  dt {
    color: ${ink.quiet};
    font-size: 14px;
  }
  dd {
    margin: 0;
    font-size: 20px;
    font-weight: 700;
  }
`;

const toText = (asked: object) =>
  Object.fromEntries(Object.entries(asked).map(([name, value]) => [name, String(value)]));

const ASKED = ["outcome", "stuff", "form_kind", "trouble", "failed_at"] as const;

/** What each value of a thing that can be asked for is called. */
const NAMES: Record<(typeof ASKED)[number], (value: string) => string> = {
  outcome: (value) => capital(t(`ledger.outcomes.${value}`)),
  stuff: capital,
  form_kind: (value) => capital(t(`tables.forms.${value}.name`)),
  trouble: (value) => capital(t(`screen.ledger.trouble.${value}`)),
  failed_at: stepName,
};

/** All pieces that are closed: asked for by what they were and became, with their sums, and what they say together. */
export function LedgerRoom() {
  const unit = useUnit();
  const [params, setParams] = useSearchParams();
  // What is asked for goes into the address once typing rests, so that it can be kept and gone back to.
  const [asked, setAsked] = useState<LedgerAsked>(() => Object.fromEntries(params));
  const settled = useSettled(asked, SETTLED_MS);
  useEffect(() => setParams(new URLSearchParams(toText(settled)), { replace: true }), [settled, setParams]);
  const { data, error, refetch } = useQuery({
    queryKey: ["ledger", settled],
    queryFn: () => api.ledger(settled),
    placeholderData: keepPreviousData,
  });
  const put = (name: keyof LedgerAsked, value: string | number) =>
    setAsked((was) => {
      const rest = without(name === "from" ? was : without(was, "from"), name as never);
      return value === "" ? rest : { ...rest, [name]: value };
    });
  if (!data)
    return <Waiting what={t("screen.ledger.opening")} problem={error?.message} onAgain={() => void refetch()} />;
  const { sums, choices } = data;
  const money = (value: number) => amountText(value, "money", unit);
  return (
    <Page>
      <h2>{t("screen.ledger.heading")}</h2>
      {error && <Fault role="alert">{error.message}</Fault>}
      <Row role="search" aria-label={t("screen.ledger.ask")}>
        {ASKED.map((name) => (
          <Select
            key={name}
            label={t(`screen.ledger.asked.${name}`)}
            value={asked[name] ?? ""}
            options={{
              "": t("screen.ledger.any"),
              ...Object.fromEntries(choices[name].map((value) => [value, NAMES[name](value)])),
            }}
            onChange={(value) => put(name, value)}
          />
        ))}
        <Select
          label={t("screen.ledger.asked.year")}
          value={asked.year === undefined ? "" : String(asked.year)}
          options={{
            "": t("screen.ledger.any"),
            ...Object.fromEntries(choices.years.map((year) => [String(year), String(year)])),
          }}
          onChange={(value) => put("year", value)}
        />
        <SearchField
          value={asked.text ?? ""}
          maxLength={200}
          onChange={(value) => put("text", value)}
          style={{ width: 200 }}
        >
          <FieldLabel>{t("screen.ledger.asked.text")}</FieldLabel>
          <FieldInput />
        </SearchField>
        <Carry href={`/api/ledger.csv?${new URLSearchParams(toText(without(asked, "from")))}`} download>
          {t("screen.ledger.as_a_table")}
        </Carry>
      </Row>
      <Sums>
        {(
          [
            ["count", countText(sums.count)],
            ["hands", hoursText(sums.hands_h)],
            ["cost", money(sums.cost)],
            ["sold", countText(sums.sold)],
            ["price", money(sums.price)],
            ["margin", money(sums.margin)],
          ] as const
        ).map(([name, value]) => (
          <div key={name}>
            <dt>{t(`screen.ledger.sums.${name}`)}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </Sums>
      {sums.count > 0 && <Plots ledger={data} />}
      {sums.count === 0 ? (
        <Quiet>
          {t(Object.keys(settled).length === 0 ? "screen.ledger.nothing_yet" : "screen.ledger.nothing_such")}
        </Quiet>
      ) : (
        <Pieces pieces={data.pieces} />
      )}
      <More from={data.from} shown={data.pieces.length} count={sums.count} onFrom={(from) => put("from", from)} />
    </Page>
  );
}
