import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import type { Assessment, Card, Document, Route, RouteStep } from "../api/document";
import { messageText, t } from "../i18n/texts";
import { MessageText } from "../kit/Advice";
import { Button } from "../kit/Button";
import { amountText, type LengthUnit } from "../kit/measure";
import { NextStrip } from "../kit/NextStrip";
import { stepTime } from "../kit/stepTime";
import { useUnit } from "../kit/Units";
import type { Station } from "./Docket";

const ASK_AGAIN_MS = 60_000;
type Move = Assessment["next_move"];
/** Where a press of the button leads: to a station, and there to the place where it is done. */
type Action = { word: string; station: Station; seeks?: Move["action"] };
const ACTIONS: Record<Move["action"], Action> = {
  weigh: { word: t("screen.bench.log_the_weight"), station: "mend", seeks: "weigh" },
  mend: { word: t("screen.bench.open_the_mend"), station: "mend", seeks: "mend" },
  log_cut: { word: t("screen.bench.log_the_cut"), station: "log", seeks: "log_cut" },
  draw_form: { word: t("screen.bench.open_the_form"), station: "form", seeks: "draw_form" },
  survey: { word: t("screen.bench.open_the_survey"), station: "survey", seeks: "survey" },
};
const STRETCHES: Record<RouteStep["stretch"], Action> = {
  survey: ACTIONS.survey,
  mend: ACTIONS.mend,
  turn: ACTIONS.log_cut,
  finish: { word: t("screen.bench.open_the_finish"), station: "finish" },
  close: { word: t("screen.bench.open_the_log"), station: "log" },
};
/** What comes before any plan: the route has nothing to add to it. */
const BEFORE_A_PLAN = ["move.free", "move.take_out", "move.look_over", "move.draw_form"];
const DAY_MS = 86_400_000;

type Props = {
  move: Move;
  document: Document;
  route: Route | undefined;
  /** Is its route still being worked out? */
  coming: boolean;
  onGo: (station: Station, seeks: Move["action"] | undefined) => void;
  blankId: number;
};

/** One sentence, one button: what to do now, or what it waits for. A card that is open says it, then the route, and what comes before any route. */
export function NextMove({ move, document, route, coming, onGo, blankId }: Props) {
  const unit = useUnit();
  const go = useNavigate();
  const { data: card, isLoading } = useQuery({
    queryKey: ["card-of", blankId],
    queryFn: () => api.cardOf(blankId),
    refetchInterval: ASK_AGAIN_MS,
  });
  if (card) {
    const { waits, text } = ofCard(card);
    return (
      <NextStrip
        head={waits ? t("screen.bench.waits") : t("screen.bench.next")}
        action={<Button onPress={() => void go(`/blanks/${blankId}/card`)}>{t("screen.bench.to_the_card")}</Button>}
      >
        {text}
      </NextStrip>
    );
  }
  const unplanned = BEFORE_A_PLAN.includes(move.key);
  // What the blank alone says is not what is next for one half way through its route.
  if (isLoading || (coming && !unplanned))
    return (
      <NextStrip head={t("screen.bench.next")} action={null}>
        {t("screen.bench.what_is_next_is_worked_out")}
      </NextStrip>
    );
  const told = unplanned ? undefined : ofRoute(document, route, unit);
  const { waits, text, action } = told ?? {
    waits: !move.ready,
    text: <MessageText message={move} />,
    action: ACTIONS[move.action],
  };
  return (
    <NextStrip
      head={waits ? t("screen.bench.waits") : t("screen.bench.next")}
      action={<Button onPress={() => onGo(action.station, action.seeks)}>{action.word}</Button>}
    >
      {text}
    </NextStrip>
  );
}

/** The next line of a card, and whether that waits. */
function ofCard(card: Card): { waits: boolean; text: ReactNode } {
  const next = card.steps.flatMap(({ lines }) => lines).find(({ key }) => key === card.next_line);
  const until = next?.wait && !next.wait.ended_at ? Date.parse(next.wait.likely_at) : 0;
  const waits = until > Date.parse(card.now);
  const time = new Date(until).toLocaleString("en-GB", { weekday: "short", hour: "2-digit", minute: "2-digit" });
  return {
    waits,
    text: (
      <>
        {next ? <MessageText message={next.message} /> : t("screen.bench.every_line_of_its_card_is")}
        {waits && ` ${t("screen.bench.until", { to_locale_string: time })}`}
      </>
    ),
  };
}

/** The first step of the route that is still to be done; nothing while it is laid out, and where that step stops. */
function ofRoute(document: Document, route: Route | undefined, unit: LengthUnit) {
  const steps = route?.alternatives[0]?.steps;
  if (!steps) return undefined;
  const step = steps.find(({ done, left_out }) => !done && !left_out);
  if (!step) return { waits: false, text: t("screen.bench.all_done"), action: STRETCHES.close };
  if (step.unsafe || step.says.some(({ tone }) => tone === "stop")) return undefined;
  const shelved = step.kind === "dry" && step.regimes.every(({ place }) => place !== "oven");
  const waits = shelved && (document.readings ?? []).length > 0;
  const action = step.kind === "dry" ? ACTIONS.weigh : STRETCHES[step.stretch];
  return { waits, text: stepText(step, waits, unit), action };
}

function stepText(step: RouteStep, waits: boolean, unit: LengthUnit): string {
  const name = messageText(step.name, unit);
  const days = step.wait_days?.likely;
  if (waits && days !== null && days !== undefined) {
    const day = new Date(Date.now() + days * DAY_MS).toLocaleDateString("en-GB", { day: "numeric", month: "long" });
    return t("screen.bench.likely_on", { name, day });
  }
  const long = `${name} (${stepTime(step, unit)})`;
  return step.limit_rpm === null
    ? long
    : t("screen.bench.below", { name: long, limit: amountText(step.limit_rpm, "rpm", unit) });
}
