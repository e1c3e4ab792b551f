import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import type { Assessment } from "../api/document";
import { Button } from "../kit/Button";
import { MessageText } from "../kit/Advice";
import { ink } from "../kit/theme";
import type { Station } from "./Docket";
import { t } from "../i18n/texts";

const Strip = styled.footer`
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 6px 22px;
  min-height: 56px;
  background: ${ink.strip};
  color: ${ink.onStrip};
  font-size: 17px;
  > .next {
    color: #c8dbb4;
    font-weight: 700;
  }
  > p {
    flex: 1;
  }
  button {
    background: #c8dbb4;
    border-color: #c8dbb4;
    color: #1c2118;
  }
`;

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
      <Strip aria-label={t("screen.bench.next_move")}>
        <span className="next">{waits ? t("screen.bench.waits") : t("screen.bench.next")}</span>
        <p>
          {next ? <MessageText message={next.message} /> : t("screen.bench.every_line_of_its_card_is")}
          {waits &&
            next?.wait &&
            ` ${t("screen.bench.until", { to_locale_string: new Date(next.wait.likely_at).toLocaleString("en-GB", { weekday: "short", hour: "2-digit", minute: "2-digit" }) })}`}
        </p>
        <Button onPress={() => void go(`/blanks/${blankId}/card`)}>{t("screen.bench.to_the_card")}</Button>
      </Strip>
    );
  }
  return (
    <Strip aria-label={t("screen.bench.next_move")}>
      <span className="next">{move.ready ? t("screen.bench.next") : t("screen.bench.waits")}</span>
      <p>
        <MessageText message={move} />
      </p>
      <Button onPress={() => onGo(station)}>{word}</Button>
    </Strip>
  );
}
