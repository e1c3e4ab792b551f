import { useState } from "react";
import type { Card, CardLine } from "../api/document";
import { Button } from "../kit/Button";
import { t } from "../i18n/texts";
import { LengthField } from "../kit/MeasureField";
import type { useCard } from "./useCard";

const ASKS: Record<string, string> = {
  short_mm: t("screen.card.short_by"),
  offset_mm: t("screen.card.off_its_place_by"),
};
const HOURS = [12, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11];
const large = { minHeight: 64, fontSize: 20 };

/** What went wrong: one press, and what to do comes onto the card. */
export function Troubles({
  card,
  step,
  line,
  handle,
  onClose,
  onSaid,
}: {
  card: Card;
  step: Card["steps"][number];
  line: CardLine;
  handle: ReturnType<typeof useCard>;
  onClose: () => void;
  /** What went wrong is written down, and what to do is on the card. */ onSaid: () => void;
}) {
  const [asked, ask] = useState<Card["steps"][number]["troubles"][number]>();
  const [amount, setAmount] = useState(0);
  const say = (key: string, mm?: number) =>
    handle.trouble(card.id, { line: line.key, trouble: key, ...(mm !== undefined && { amount: mm }) }, onSaid);
  return (
    <div role="group" aria-label={t("screen.card.what_went_wrong")} style={{ display: "grid", gap: 12 }}>
      <div style={{ display: "flex", flexWrap: "wrap", gap: 12 }}>
        {step.troubles.map((trouble) => (
          <Button
            key={trouble.key}
            style={large}
            isDisabled={handle.busy}
            onPress={() => (trouble.asks ? ask(trouble) : say(trouble.key))}
          >
            {t(`tables.troubles.${trouble.key}.name`)}
          </Button>
        ))}
        <Button $kind="quiet" style={large} onPress={onClose}>
          {t("screen.card.nothing")}
        </Button>
      </div>
      {asked?.asks === "clock_deg" && (
        <div role="group" aria-label={t("screen.card.where_did_it_open")} style={{ display: "grid", gap: 8 }}>
          <p>{t("screen.card.where_did_it_open")}</p>
          <div style={{ display: "flex", flexWrap: "wrap", gap: 10 }}>
            {HOURS.map((hour) => (
              <Button
                key={hour}
                style={{ ...large, minWidth: 72 }}
                aria-label={t("screen.card.seen_at", { hour })}
                isDisabled={handle.busy}
                onPress={() => say(asked.key, hour * 30)}
              >
                {hour}
              </Button>
            ))}
          </div>
        </div>
      )}
      {asked?.asks && asked.asks !== "clock_deg" && (
        <div style={{ display: "flex", gap: 12, alignItems: "end" }}>
          <div style={{ width: 240 }}>
            <LengthField label={ASKS[asked.asks] ?? asked.asks} value={amount} onChange={setAmount} />
          </div>
          <Button
            $kind="go"
            style={large}
            isDisabled={amount <= 0 || handle.busy}
            onPress={() => say(asked.key, amount)}
          >
            {t("screen.card.what_now", { t: t(`tables.troubles.${asked.key}.name`) })}
          </Button>
        </div>
      )}
    </div>
  );
}
