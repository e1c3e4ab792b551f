import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import styled from "styled-components";
import type { Card, CardLine, CardStep } from "../api/document";
import { Button } from "../kit/Button";
import { AmountField, NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { AdviceList, MessageText } from "../kit/Advice";
import { ink } from "../kit/theme";
import { may, useSession } from "../kit/useSession";
import { useKey } from "../kit/useKey";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { CutLine } from "./CutLine";
import { LiveStrip } from "./LiveStrip";
import { SpeedNow } from "./SpeedNow";
import { TakeReading } from "../instruments/TakeReading";
import { useReading } from "../instruments/live";
import { Alarm } from "./alarm";
import { Running } from "./Running";
import { spanText } from "./serverClock";
import { Troubles } from "./Troubles";
import { useCard } from "./useCard";
import { messageText, t } from "../i18n/texts";

const Page = styled.main`
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  min-height: 0;
  font-size: 20px;
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 20px;
    padding: 10px 26px;
    border-bottom: 1px solid ${ink.rule};
  }
  header h2 {
    font-size: 22px;
    flex: 1;
  }
  > section {
    overflow-y: auto;
    padding: 18px 26px;
    display: grid;
    align-content: start;
    gap: 14px;
  }
  .what {
    font-size: clamp(28px, 3.4vw, 42px);
    line-height: 1.2;
    font-weight: 700;
    max-width: 30ch;
  }
  .target {
    font-size: clamp(56px, 9vw, 116px);
    line-height: 1;
    font-weight: 750;
  }
  .target small {
    font-size: 24px;
    font-weight: 400;
    color: ${ink.quiet};
    margin-left: 18px;
    white-space: nowrap;
  }
  .caution {
    color: ${ink.quiet};
  }
  &[data-danger] > header {
    background: ${ink.rust};
    color: ${ink.paper};
    button {
      color: inherit;
    }
  }
  .danger {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px 20px;
    padding: 12px 16px;
    background: ${ink.rust};
    color: ${ink.paper};
    font-size: 26px;
    button {
      color: ${ink.ink};
      background: ${ink.paper};
    }
  }
  @media (max-width: 900px) {
    > section {
      overflow: visible;
    }
  }
`;

const Foot = styled.footer`
  display: grid;
  grid-template-columns: 1fr 2fr 1fr;
  background: ${ink.strip};
  color: ${ink.onStrip};
  position: sticky;
  bottom: 0;
  button {
    min-height: 76px;
    font-size: 24px;
    border: 0;
    border-left: 1px solid ${ink.slate};
    color: inherit;
  }
  button[data-go] {
    background: #c8dbb4;
    color: #1c2118;
  }
`;

const Progress = styled.ol`
  display: flex;
  gap: 3px;
  li {
    flex: 1;
    height: 10px;
    border: 1px solid ${ink.slate};
    min-width: 4px;
  }
  li[data-done] {
    background: ${ink.moss};
    border-color: ${ink.moss};
  }
  li[data-here] {
    outline: 3px solid ${ink.ochre};
    outline-offset: 1px;
  }
`;

/** The work, line by line, in letters to be read from two metres. Space or Page Down ticks and goes on, Page Up goes back. */
export function CardPage() {
  const id = Number(useParams()["id"]);
  const go = useNavigate();
  const handle = useCard(id);
  const { card } = handle;
  if (card.data === undefined)
    return (
      <Waiting
        what={t("screen.card.fetching_the_card")}
        problem={card.error?.message}
        onAgain={() => void card.refetch()}
      />
    );
  if (card.data === null)
    return (
      <Page>
        <header>
          <h2>{t("screen.card.no_card_is_open_for_this")}</h2>
          <Button onPress={() => void go(`/blanks/${id}/mend`)}>{t("screen.card.to_its_plan")}</Button>
        </header>
      </Page>
    );
  return <Open card={card.data} handle={handle} blankId={id} failed={card.isError || handle.isAway} />;
}

function Open({
  card,
  handle,
  blankId,
  failed,
}: {
  card: Card;
  handle: ReturnType<typeof useCard>;
  blankId: number;
  failed: boolean;
}) {
  const go = useNavigate();
  const unit = useUnit();
  const lines = card.steps.flatMap((step) => step.lines.map((line) => ({ line, step })));
  const [looked, look] = useState<string>();
  const found = lines.findIndex(({ line }) => line.key === (looked ?? card.next_line));
  const index = found >= 0 ? found : lines.length - 1;
  const here = lines[index];
  const [met, meet] = useState(false);
  const alarm = useRef(new Alarm());
  const { nowMs, mark, busy } = handle;
  const { data: session } = useSession();
  const value = useRef<number>(undefined);
  useEffect(() => {
    value.current = undefined;
  }, [here?.line.key]);

  const due = lines.some(({ line }) => line.wait && !line.wait.ended_at && Date.parse(line.wait.likely_at) <= nowMs);
  const working = lines.some(({ line }) => line.working && line.wait && !line.wait.ended_at && left(line, nowMs) <= 0);
  useEffect(() => {
    const own = alarm.current;
    if (due) own.start();
    else own.stop();
    window.document.title = due ? t("screen.card.time_is_up_mossy_anvil") : t("screen.card.card_mossy_anvil");
    return () => own.stop();
  }, [due]);

  const step = (by: number) => look(lines[Math.min(Math.max(index + by, 0), lines.length - 1)]?.line.key);
  const onward = () => {
    alarm.current.arm();
    if (!here || busy) return;
    const { line } = here;
    if (line.done_at) return step(1);
    if (line.minutes && !line.wait) return mark(card.id, { line: line.key, kind: "started" });
    const measured = value.current ?? line.suggested ?? undefined;
    mark(card.id, { line: line.key, kind: "done", ...(measured !== undefined && { value: measured }) }, (next) =>
      look(next.next_line ?? undefined),
    );
  };
  useKey({
    " ": onward,
    PageDown: onward,
    PageUp: () => step(-1),
    ArrowLeft: () => step(-1),
    ArrowRight: () => step(1),
  });
  const rpmNow = useReading("tachometer")?.value ?? 0;
  const shakeGrows = useReading("shake")?.alarm === "shake_grows";
  if (!here) return null;
  // Under the papers the lathe turns as well.
  const limit = limitOf(here);
  const tooFast = !!limit && rpmNow > limit;
  const left_ = lines.filter(({ line }) => !line.done_at && !line.optional).length;
  return (
    <Page aria-label={t("screen.card.card")} aria-busy={busy} data-danger={tooFast || shakeGrows || undefined}>
      <header>
        <h2>
          <MessageText message={here.step.name} />
        </h2>
        <span>
          {t("screen.card.line_of", {
            value: index + 1,
            count: lines.length,
            value_2: left_ === 0 ? t("screen.card.all_ticked") : "",
          })}
        </span>
        <Button $kind="quiet" onPress={() => void go(`/blanks/${blankId}/${here.step.stretch ? "route" : "mend"}`)}>
          {t("screen.card.to_the_plan")}
        </Button>
      </header>
      <div>
        <LiveStrip atLathe={!!limit} />
        <Running lines={lines.map(({ line }) => line)} nowMs={nowMs} here={here.line.key} onLook={look} />
        <div style={{ padding: "8px 26px 0" }}>
          <Progress aria-hidden>
            {lines.map(({ line }) => (
              <li
                key={line.key}
                data-done={line.done_at ? true : undefined}
                data-here={line.key === here.line.key || undefined}
              />
            ))}
          </Progress>
        </div>
      </div>
      <section>
        {failed && (
          <p role="alert" style={{ color: ink.rust }}>
            {t("screen.card.the_server_does_not_answer_timers")}
          </p>
        )}
        {handle.problem && (
          <p role="alert" style={{ color: ink.rust, fontWeight: 650 }}>
            {handle.problem.errors?.[0]?.detail ?? handle.problem.detail}
          </p>
        )}
        {card.stopped && session?.log_in && (
          <div role="alert" className="danger">
            <strong>{t("screen.card.stopped")}</strong>
            {may(session, "maker") && (
              <Button
                style={{ minHeight: 64, fontSize: 20 }}
                onPress={() => mark(card.id, { line: here.line.key, kind: "released" })}
              >
                {t("screen.card.release_it")}
              </Button>
            )}
          </div>
        )}
        {tooFast && here.step.stretch !== "turn" && (
          <div role="alert" className="danger">
            <strong>{t("screen.card.over_the_limit", { limit: amountText(limit, "rpm", unit) })}</strong>
          </div>
        )}
        {shakeGrows && (
          <div role="alert" className="danger">
            <strong>{t("screen.card.shake_grows")}</strong>
            {here.step.troubles.length > 0 && !met && (
              <Button style={{ minHeight: 64, fontSize: 20 }} onPress={() => meet(true)}>
                {t("screen.card.write_down_what_it_was")}
              </Button>
            )}
          </div>
        )}
        <Line
          line={here.line}
          among={card.steps}
          nowMs={nowMs}
          onValue={(next) => {
            value.current = next;
          }}
          key={here.line.key}
        />
        {limit && here.step.stretch === "turn" && (
          <SpeedNow blankId={blankId} limitRpm={limit} step={messageText(here.step.name, unit)} key={here.step.id} />
        )}
        {here.line.watch && here.line.wait && !here.line.done_at && (
          <Bubbles
            line={here.line}
            onSeen={(level) => mark(card.id, { line: here.line.key, kind: "seen", value: level })}
          />
        )}
        {working && (
          <p role="alert" style={{ color: ink.rust, fontWeight: 700 }}>
            {t("screen.card.the_working_time_is_over_pour")}
          </p>
        )}
        {here.step.says.length > 0 && <AdviceList advice={here.step.says} workings={{}} />}
        {met ? (
          <Troubles
            card={card}
            step={here.step}
            line={here.line}
            handle={handle}
            onClose={() => meet(false)}
            onSaid={() => {
              meet(false);
              look(undefined);
            }}
          />
        ) : (
          <>
            {here.step.cautions.map((caution) => (
              <p key={caution.key} className="caution">
                <MessageText message={caution} />
              </p>
            ))}
            <div style={{ display: "flex", flexWrap: "wrap", gap: 12 }}>
              {here.step.troubles.length > 0 && (
                <Button style={{ minHeight: 64, fontSize: 20 }} onPress={() => meet(true)}>
                  {t("screen.card.something_went_wrong")}
                </Button>
              )}
              {(here.line.done_at ?? here.line.wait) && (
                <Button
                  style={{ minHeight: 64, fontSize: 20 }}
                  onPress={() => mark(card.id, { line: here.line.key, kind: "taken_back" })}
                >
                  {t("screen.card.take_it_back")}
                </Button>
              )}
              {left_ === 0 && (
                <Button
                  $kind="go"
                  style={{ minHeight: 64, fontSize: 20 }}
                  onPress={() => handle.end(card.id, () => void go(`/blanks/${blankId}/log`))}
                >
                  {t("screen.card.end_the_card")}
                </Button>
              )}
              {left_ > 0 && (
                <Button
                  $kind="quiet"
                  style={{ minHeight: 64, fontSize: 20 }}
                  onPress={() => handle.end(card.id, () => void go(`/blanks/${blankId}/log`))}
                >
                  {t("screen.card.break_off_here")}
                </Button>
              )}
            </div>
          </>
        )}
      </section>
      <Foot>
        <Button $kind="quiet" isDisabled={index === 0} onPress={() => step(-1)}>
          {t("screen.card.back")}
        </Button>
        <Button $kind="quiet" data-go isDisabled={busy} onPress={onward}>
          {here.line.done_at
            ? t("screen.card.go_on")
            : here.line.minutes && !here.line.wait
              ? t("screen.card.start_the_clock")
              : t("screen.card.done")}
        </Button>
        <Button $kind="quiet" isDisabled={index === lines.length - 1} onPress={() => step(1)}>
          {t("screen.card.look_on")}
        </Button>
      </Foot>
    </Page>
  );
}

/** What a line must be under: its cut's or its own speed, else the step's. */
const limitOf = ({ line, step }: { line: CardLine; step: CardStep }): number | null | undefined =>
  line.region?.rpm ?? (line.target?.unit === "rpm" ? line.target.value : step.limit_rpm);

const left = (line: CardLine, nowMs: number) => (line.wait ? Date.parse(line.wait.likely_at) - nowMs : 0);

const LEVELS = [
  t("screen.card.none_"),
  t("screen.card.a_few"),
  t("screen.card.many"),
  t("screen.card.it_foams"),
] as const;

/** How it bubbles, as often as anybody looks. */
function Bubbles({ line, onSeen }: { line: CardLine; onSeen: (level: number) => void }) {
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

function Line({ line, among, nowMs, onValue }: LineProps) {
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
