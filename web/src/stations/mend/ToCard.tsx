import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import type { MendPlan } from "../../api/document";
import { Button } from "../../kit/Button";
import { useAct } from "../../kit/useAct";
import { Fault, Quiet, Row } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

/** From the plan to the card it is worked by. A card is of the plan as it is saved. */
export function ToCard({ at, plan }: { at: AtStation; plan: MendPlan }) {
  const go = useNavigate();
  const client = useQueryClient();
  const open = useQuery({ queryKey: ["card-of", at.id], queryFn: () => api.cardOf(at.id) });
  const { busy, problem, act } = useAct();
  const stuck = plan.steps.some(({ conflicts }) => conflicts > 0);
  if (open.data) {
    return (
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" onPress={() => void go(`/blanks/${at.id}/card`)}>
          To the card
        </Button>
        <Quiet style={{ alignSelf: "center" }}>It is being worked by; changes here go into the next card.</Quiet>
      </Row>
    );
  }
  if (plan.steps.length === 0) return null;
  const start = () =>
    void act(
      () => api.openCard(at.id),
      (card) => {
        client.setQueryData(["card-of", at.id], card);
        void client.invalidateQueries({ queryKey: ["stores"] });
        void go(`/blanks/${at.id}/card`);
      },
    );
  return (
    <>
      <Row style={{ margin: "12px 0" }}>
        <Button $kind="go" isDisabled={busy || at.draft.dirty} onPress={start}>
          Work by the card
        </Button>
        {at.draft.dirty && (
          <Quiet style={{ alignSelf: "center" }}>Save first: the card is of the plan as it is saved.</Quiet>
        )}
        {!at.draft.dirty && stuck && (
          <Quiet style={{ alignSelf: "center" }}>One step spoils another as it stands.</Quiet>
        )}
      </Row>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
    </>
  );
}
