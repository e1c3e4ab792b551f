import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { MendPlan } from "../../api/document";
import { Button } from "../../kit/Button";
import { useAct } from "../../kit/useAct";
import { Fault, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";

/** From the plan to the card it is worked by. A card is of the plan as it is saved. */
export function ToCard({ plan }: { plan: MendPlan }) {
  const blank = useBlank();
  const go = useNavigate();
  const client = useQueryClient();
  const open = useQuery({ queryKey: ["card-of", blank.id], queryFn: () => api.cardOf(blank.id) });
  const { busy, problem, act } = useAct();
  const stuck = plan.steps.some(({ conflicts }) => conflicts > 0);
  if (open.data) {
    return (
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" onPress={() => void go(`/blanks/${blank.id}/card`)}>
          {t("screen.mend.to_the_card")}
        </Button>
        <Quiet style={{ alignSelf: "center" }}>{t("screen.mend.it_is_being_worked_by_changes")}</Quiet>
      </Row>
    );
  }
  if (plan.steps.length === 0) return null;
  const start = () =>
    void act(
      () => api.openCard(blank.id),
      (card) => {
        client.setQueryData(["card-of", blank.id], card);
        void client.invalidateQueries({ queryKey: ["stores"] });
        void go(`/blanks/${blank.id}/card`);
      },
    );
  return (
    <>
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" isDisabled={busy || blank.draft.dirty} onPress={start}>
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
