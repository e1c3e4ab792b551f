import styled from "styled-components";
import type { Card, CardLine, CardStep } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import type { useCard } from "./useCard";

const Acts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  > button {
    min-height: 64px;
    font-size: 20px;
  }
`;

type Props = {
  card: Card;
  handle: Pick<ReturnType<typeof useCard>, "mark">;
  here: { line: CardLine; step: CardStep };
  /** How many lines are still to be ticked. */
  left: number;
  onMet: () => void;
  onEnd: () => void;
};

/** What else can be done at a line: say that something went wrong, take it back, end the card. */
export function LineActs({ card, handle, here: { line, step }, left, onMet, onEnd }: Props) {
  return (
    <Acts>
      {step.troubles.length > 0 && <Button onPress={onMet}>{t("screen.card.something_went_wrong")}</Button>}
      {(line.done_at ?? line.wait) && (
        <Button onPress={() => handle.mark(card.id, { line: line.key, kind: "taken_back" })}>
          {t("screen.card.take_it_back")}
        </Button>
      )}
      <Button $kind={left === 0 ? "go" : "quiet"} onPress={onEnd}>
        {t(left === 0 ? "screen.card.end_the_card" : "screen.card.break_off_here")}
      </Button>
    </Acts>
  );
}
