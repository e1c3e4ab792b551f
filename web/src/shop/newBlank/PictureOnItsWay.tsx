import { useNavigate } from "react-router";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Row } from "../../kit/parts";
import type { Unsent } from "./useTakeIn";

/** Of a blank that is on the rack by now: how far its photograph has gone, or what to do where it did not go. */
export function PictureOnItsWay({ unsent, again }: { unsent: Unsent; again: () => void }) {
  const go = useNavigate();
  if (!unsent.fault)
    return (
      <p role="status">
        {t("screen.shop.on_the_rack_sending_its_photograph", { round: Math.round(unsent.sent * 100) })}
      </p>
    );
  return (
    <div role="status">
      <p>{t("screen.shop.on_the_rack_but_its_photograph", { fault: unsent.fault })}</p>
      <Row>
        <Button $kind="go" onPress={again}>
          {t("screen.shop.send_it_again")}
        </Button>
        <Button onPress={() => void go(`/blanks/${unsent.id}/survey`)}>{t("screen.shop.go_on_without_it")}</Button>
      </Row>
    </div>
  );
}
