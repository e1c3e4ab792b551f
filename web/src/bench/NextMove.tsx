import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import type { Assessment } from "../api/document";
import { Button } from "../kit/Button";
import { MessageText } from "../kit/Advice";
import { NextStrip } from "../kit/NextStrip";
import type { Station } from "./Docket";
import { t } from "../i18n/texts";

const ASK_AGAIN_MS = 60_000;
const ACTIONS: Record<Assessment["next_move"]["action"], { word: string; station: Station }> = {
  weigh: { word: t("screen.bench.log_the_weight"), station: "mend" },
  mend: { word: t("screen.bench.open_the_mend"), station: "mend" },
  log_cut: { word: t("screen.bench.log_the_cut"), station: "log" },
  draw_form: { word: t("screen.bench.open_the_form"), station: "form" },
  survey: { word: t("screen.bench.open_the_survey"), station: "survey" },
};

/** One sentence, one button: what to do now, or what it waits for. */
export function NextMove({
  move,
  onGo,
  blankId,
}: {
  move: Assessment["next_move"];
  onGo: (station: Station) => void;
  blankId: number;
}) {
  const go = useNavigate();
  const { data: card } = useQuery({
    queryKey: ["card-of", blankId],
    queryFn: () => api.cardOf(blankId),
    refetchInterval: ASK_AGAIN_MS,
  });
  const { word, station } = ACTIONS[move.action];
  // While it is worked by a card, the card says what comes next.
  if (card) {
    const lines = card.steps.flatMap(({ lines: own }) => own);
    const next = lines.find(({ key }) => key === card.next_line);
    const waits = next?.wait && !next.wait.ended_at && Date.parse(next.wait.likely_at) > Date.parse(card.now);
    return (
      <NextStrip
        head={waits ? t("screen.bench.waits") : t("screen.bench.next")}
        action={<Button onPress={() => void go(`/blanks/${blankId}/card`)}>{t("screen.bench.to_the_card")}</Button>}
      >
        {next ? <MessageText message={next.message} /> : t("screen.bench.every_line_of_its_card_is")}
        {waits &&
          next?.wait &&
          ` ${t("screen.bench.until", { to_locale_string: new Date(next.wait.likely_at).toLocaleString("en-GB", { weekday: "short", hour: "2-digit", minute: "2-digit" }) })}`}
      </NextStrip>
    );
  }
  return (
    <NextStrip
      head={move.ready ? t("screen.bench.next") : t("screen.bench.waits")}
      action={<Button onPress={() => onGo(station)}>{word}</Button>}
    >
      <MessageText message={move} />
    </NextStrip>
  );
}
