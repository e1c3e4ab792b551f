import type { MendPlan } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { useOpenCard } from "../../draft/useOpenCard";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault, Quiet, Row } from "../../kit/parts";

/** From the plan to the card it is worked by. A card is of the plan as it is saved. */
export function ToCard({ plan }: { plan: MendPlan }) {
  const blank = useBlank();
  const { card, busy, problem, begin, show } = useOpenCard();
  const stuck = plan.steps.some(({ conflicts }) => conflicts > 0);
  if (card) {
    return (
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" onPress={show}>
          {t("screen.mend.to_the_card")}
        </Button>
        <Quiet style={{ alignSelf: "center" }}>{t("screen.mend.it_is_being_worked_by_changes")}</Quiet>
      </Row>
    );
  }
  if (plan.steps.length === 0) return null;
  return (
    <>
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" isDisabled={busy || blank.draft.dirty} onPress={() => begin()}>
          {t("screen.mend.work_by_the_card")}
        </Button>
        {blank.draft.dirty && (
          <Quiet style={{ alignSelf: "center" }}>{t("screen.mend.save_first_the_card_is_of")}</Quiet>
        )}
        {!blank.draft.dirty && stuck && (
          <Quiet style={{ alignSelf: "center" }}>{t("screen.mend.one_step_spoils_another_as_it")}</Quiet>
        )}
      </Row>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
    </>
  );
}
