import { useState } from "react";
import { useNavigate } from "react-router";
import type { Card, CardLine, CardStep } from "../api/document";
import { Button } from "../kit/Button";
import { AdviceList, MessageText } from "../kit/Advice";
import { ink } from "../kit/theme";
import { useSession } from "../kit/useSession";
import { useUnit } from "../kit/Units";
import { Foot, Page, Progress } from "./CardFrame";
import { Dangers } from "./Dangers";
import { Bubbles, left as leftMs, Line } from "./Line";
import { LiveStrip } from "./LiveStrip";
import { SpeedNow } from "./SpeedNow";
import { useReading } from "../instruments/live";
import { LineActs } from "./LineActs";
import { Alarm } from "./alarm";
import { useAlarm } from "./useAlarm";
import { Running } from "./Running";
import { Troubles } from "./Troubles";
import type { useCard } from "./useCard";
import { useLinePlace } from "./useLinePlace";
import { messageText, t } from "../i18n/texts";

/** A card that is being worked: the line in hand, what runs, and what is dangerous. */
export function OpenCard({
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
  const [alarm] = useState(() => new Alarm());
  const { lines, index, here, look, step, onward, measure } = useLinePlace(card, handle, () => alarm.arm());
  const [met, meet] = useState(false);
  const { nowMs, mark, busy } = handle;
  const { data: session } = useSession();
  const due = lines.some(({ line }) => line.wait && !line.wait.ended_at && Date.parse(line.wait.likely_at) <= nowMs);
  const working = lines.some(
    ({ line }) => line.working && line.wait && !line.wait.ended_at && leftMs(line, nowMs) <= 0,
  );
  useAlarm(alarm, due);

  const rpmNow = useReading("tachometer")?.value ?? 0;
  const shakeGrows = useReading("shake")?.alarm === "shake_grows";
  if (!here) return null;
  // Under the papers the lathe turns as well.
  const limit = limitOf(here);
  const over = limit && rpmNow > limit ? limit : undefined;
  const left = lines.filter(({ line }) => !line.done_at && !line.optional).length;
  return (
    <Page
      aria-label={t("screen.card.card")}
      aria-busy={busy}
      data-danger={over !== undefined || shakeGrows || undefined}
    >
      <header>
        <h2>
          <MessageText message={here.step.name} />
        </h2>
        <span>
          {t("screen.card.line_of", {
            value: index + 1,
            count: lines.length,
            value_2: left === 0 ? t("screen.card.all_ticked") : "",
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
        <Dangers
          {...{ card, session, here, over, shakeGrows }}
          onRelease={() => mark(card.id, { line: here.line.key, kind: "released" })}
          onMet={met ? undefined : () => meet(true)}
        />
        <Line line={here.line} among={card.steps} nowMs={nowMs} onValue={measure} key={here.line.key} />
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
            <LineActs
              {...{ card, handle, here, left }}
              onMet={() => meet(true)}
              onEnd={() => handle.end(card.id, () => void go(`/blanks/${blankId}/log`))}
            />
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
