import type { Card, CardLine, CardStep } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { may, type useSession } from "../kit/useSession";
import { useUnit } from "../kit/Units";

type Props = {
  card: Card;
  session: ReturnType<typeof useSession>["data"];
  here: { line: CardLine; step: CardStep };
  /** The limit that is passed. */
  over: number | undefined;
  shakeGrows: boolean;
  onRelease: () => void;
  /** Writes down what it was; nothing while that is being done. */
  onMet: (() => void) | undefined;
};

/** What stops the work: somebody stopped it, it turns too fast, it shakes more. */
export function Dangers({ card, session, here, over, shakeGrows, onRelease, onMet }: Props) {
  const unit = useUnit();
  return (
    <>
      {card.stopped && session?.log_in && (
        <div role="alert" className="danger">
          <strong>{t("screen.card.stopped")}</strong>
          {may(session, "maker") && (
            <Button style={{ minHeight: 64, fontSize: 20 }} onPress={onRelease}>
              {t("screen.card.release_it")}
            </Button>
          )}
        </div>
      )}
      {over !== undefined && here.step.stretch !== "turn" && (
        <div role="alert" className="danger">
          <strong>{t("screen.card.over_the_limit", { limit: amountText(over, "rpm", unit) })}</strong>
        </div>
      )}
      {shakeGrows && (
        <div role="alert" className="danger">
          <strong>{t("screen.card.shake_grows")}</strong>
          {here.step.troubles.length > 0 && onMet && (
            <Button style={{ minHeight: 64, fontSize: 20 }} onPress={onMet}>
              {t("screen.card.write_down_what_it_was")}
            </Button>
          )}
        </div>
      )}
    </>
  );
}
