import { useState } from "react";
import type { CardLine, CardStep } from "../api/document";
import { t } from "../i18n/texts";
import { AdviceList, MessageText } from "../kit/Advice";
import { Button } from "../kit/Button";
import { AmountField, NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { TakeReading } from "../instruments/TakeReading";
import { CutLine } from "./CutLine";
import { spanText } from "./serverClock";

/** Milliseconds until a line's wait is likely over. */
export const left = (line: CardLine, nowMs: number) => (line.wait ? Date.parse(line.wait.likely_at) - nowMs : 0);

const LEVELS = [
  t("screen.card.none_"),
  t("screen.card.a_few"),
  t("screen.card.many"),
  t("screen.card.it_foams"),
] as const;

/** How it bubbles, as often as anybody looks. */
export function Bubbles({ line, onSeen }: { line: CardLine; onSeen: (level: number) => void }) {
  return (
    <div role="group" aria-label={t("screen.card.how_it_bubbles")} style={{ display: "grid", gap: 8 }}>
      {line.says && <AdviceList advice={[line.says]} workings={{}} />}
      <div style={{ display: "flex", flexWrap: "wrap", gap: 10 }}>
        {LEVELS.map((name, level) => (
          <Button key={name} style={{ minHeight: 64, fontSize: 20 }} onPress={() => onSeen(level)}>
            {name}
          </Button>
        ))}
      </div>
      {line.seen.length > 0 && (
        <p className="caution">
          {line.seen
            .slice(-6)
            .map(({ at, value }) => `${timeText(at)} ${(LEVELS[value] ?? "").toLowerCase()}`)
            .join(" · ")}
        </p>
      )}
    </div>
  );
}

const ASKS: Record<string, string> = {
  dry_g: t("screen.card.weight_dry"),
  wet_g: t("screen.card.weight_wet"),
  cured_g: t("screen.card.weight_cured"),
  mass_g: t("screen.card.weight_found"),
  used_g: t("screen.card.used"),
  bubbling_min: t("screen.card.bubbled_for_min"),
  gel_min: t("screen.card.gelled_after_min"),
  took_min: t("screen.card.took_min"),
};
/** Of a finish, whose family is in the line's own text. */
const ASKS_OF_FINISH = { g: t("screen.card.used"), h: t("screen.card.next_coat_h"), min: t("screen.card.took_min") };
const unitOf = (measures: string) => (measures.endsWith("_g") ? "g" : measures.endsWith("_h") ? "h" : "min");

type Asked = { measures: string; value: number; onChange: (value: number) => void };

/** What a line asks to be measured: a weight in the units shown, or a number of minutes. */
function AskedField({ measures, ...field }: Asked) {
  const label = ASKS[measures] ?? ASKS_OF_FINISH[unitOf(measures)];
  return measures.endsWith("_g") ? (
    <AmountField of="g" label={label} {...field} />
  ) : (
    <NumberField label={label} {...field} />
  );
}

type LineProps = { line: CardLine; among: CardStep[]; nowMs: number; onValue: (value: number) => void };

/** A line of the card: what is done, its target or its clock, and what is measured. */
export function Line({ line, among, nowMs, onValue }: LineProps) {
  const unit = useUnit();
  const [value, setValue] = useState(line.value ?? line.suggested ?? undefined);
  // A reading that is taken puts the field's own typing away.
  const [taken, setTaken] = useState(0);
  const take = (next: number) => {
    setValue(next);
    onValue(next);
  };
  const { target, wait, minutes } = line;
  return (
    <>
      {line.region ? (
        <CutLine region={line.region} among={among} lineKey={line.key} />
      ) : (
        <p className="what" data-line={line.key}>
          <MessageText message={line.message} />
        </p>
      )}
      {target && !line.region && (
        <p className="target">
          {amountText(target.value, target.unit, unit)}
          {target.within !== null && (
            <small>{t("screen.card.give_or_take", { within: amountText(target.within, target.unit, unit) })}</small>
          )}
        </p>
      )}
      {minutes && !wait && (
        <p className="target">
          {amountText(minutes[1] ?? 0, "min", unit)}
          {(minutes[0] ?? 0) < (minutes[1] ?? 0) * 0.95 && (
            <small>{t("screen.card.at_the_earliest", { amount_text: amountText(minutes[0] ?? 0, "min", unit) })}</small>
          )}
        </p>
      )}
      {wait && !wait.ended_at && (
        <p className="target" role="timer" style={left(line, nowMs) <= 0 ? { color: ink.rust } : undefined}>
          {spanText(left(line, nowMs))}
          <small>
            {left(line, nowMs) <= 0
              ? t("screen.card.time_is_up")
              : t("screen.card.until", { likely_at: timeText(wait.likely_at) })}
            {Date.parse(wait.earliest_at) > nowMs &&
              wait.earliest_at !== wait.likely_at &&
              t("screen.card.at_the_earliest_2", { earliest_at: timeText(wait.earliest_at) })}
          </small>
        </p>
      )}
      {line.unlocks && <p>{t("screen.card.then", { unlocks: t(`unlocks.${line.unlocks}`) })}</p>}
      {line.measures && !line.done_at && (
        <div style={{ width: 260, display: "grid", gap: 8 }}>
          <AskedField measures={line.measures} value={value ?? 0} onChange={take} key={taken} />
          {line.measures.endsWith("_g") && (
            <TakeReading
              of="scale"
              large
              onTake={(grams) => {
                take(grams);
                setTaken(taken + 1);
              }}
            />
          )}
        </div>
      )}
      {line.done_at && (
        <p style={{ color: ink.moss, fontWeight: 650 }}>
          ✓ {timeText(line.done_at)}
          {line.by !== null && ` · ${line.by}`}
          {line.value !== null && line.measures && `: ${amountText(line.value, unitOf(line.measures), unit)}`}
        </p>
      )}
    </>
  );
}

/** The time of day, with the day where it is not today. */
function timeText(iso: string): string {
  const at = new Date(iso);
  const time = at.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  return at.toDateString() === new Date().toDateString()
    ? time
    : `${at.toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "short" })} ${time}`;
}
