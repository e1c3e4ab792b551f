import type { Document, Route, RouteStep } from "../../api/document";
import { useBlank, useRoute } from "../../draft/contexts";
import { useOpenCard } from "../../draft/useOpenCard";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault, Quiet, Row } from "../../kit/parts";
import { today } from "../../piece/edit";
import { useOrder } from "./useOrder";

/** What can be done with a step: worked by its card, marked as done, put in another place or left out. */
export function StepActs({ step, route }: { step: RouteStep; route: Route }) {
  return (
    <Row style={{ margin: "4px 0 10px" }}>
      {!step.left_out && !step.done && <ByCard step={step} />}
      {!step.left_out && <Done step={step} route={route} />}
      {!step.done && <Order step={step} route={route} />}
    </Row>
  );
}

/** The card that runs from this step on, to the end of its stretch. */
function ByCard({ step }: { step: RouteStep }) {
  const { draft } = useBlank();
  const { card, busy, problem, begin, show } = useOpenCard();
  if (card)
    return (
      <Button $kind="go" onPress={show}>
        {t("screen.mend.to_the_card")}
      </Button>
    );
  return (
    <>
      <Button $kind="go" isDisabled={busy || draft.dirty} onPress={() => begin(step.id)}>
        {t("screen.mend.work_by_the_card")}
      </Button>
      {draft.dirty && <Quiet>{t("screen.mend.save_first_the_card_is_of")}</Quiet>}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}

/** Marks it done, and with it all before it; or takes that back. How thick it was roughed out, and how wet, goes along. */
function Done({ step, route }: { step: RouteStep; route: Route }) {
  const { document, draft, assessment } = useBlank();
  const { lookAt } = useRoute();
  const marks = document.route?.done ?? [];
  const put = (done: typeof marks) => draft.change({ ...document, route: { ...document.route, done } }, false);
  const ids = route.alternatives[0]?.steps.map(({ id }) => id) ?? [];
  if (step.done)
    return (
      <Button $kind="quiet" onPress={() => put(marks.filter((mark) => ids.indexOf(mark.step) < ids.indexOf(step.id)))}>
        {t("screen.route.not_done_after_all")}
      </Button>
    );
  // What is mended is written down with what it was done for: a crack that opens later is not among it.
  const passed = route.alternatives[0]?.steps.filter(
    ({ id, of, done, left_out }) => !done && !left_out && of.length > 0 && ids.indexOf(id) < ids.indexOf(step.id),
  );
  const before = (passed ?? []).map(({ id, of }) => ({ step: id, on: today(), of }));
  const mark = { step: step.id, on: today(), ...(step.of.length > 0 && { of: step.of }) };
  const wet = assessment.drying && { moisture_pct: assessment.drying.moisture_pct };
  const roughed = step.kind === "rough_out" && { wall_mm: step.thickness_mm_after, ...wet };
  const done = () => {
    put([...marks, ...before, { ...mark, ...roughed }]);
    lookAt(undefined);
  };
  return <Button onPress={done}>{t("screen.route.done_now")}</Button>;
}

/** Moves it, leaves it out or puts it back; what stops at another place is said there. */
function Order({ step, route }: { step: RouteStep; route: Route }) {
  const { document, draft } = useBlank();
  const own = document.route ?? {};
  const change = (part: Partial<NonNullable<Document["route"]>>) =>
    draft.change({ ...document, route: { ...own, ...part } }, false);
  const { ahead, move } = useOrder(route);
  const at = ahead.indexOf(step.id);
  const leftOut = own.left_out ?? [];
  const mine = (own.own ?? []).some(({ id }) => id === step.id);
  const remove = () =>
    mine
      ? change({ own: (own.own ?? []).filter(({ id }) => id !== step.id) })
      : change({ left_out: [...leftOut, step.id] });
  return (
    <>
      <Button $kind="quiet" isDisabled={at <= 0} onPress={() => move(step.id, at - 1)}>
        {t("screen.route.earlier")}
      </Button>
      <Button $kind="quiet" isDisabled={at === ahead.length - 1} onPress={() => move(step.id, at + 1)}>
        {t("screen.route.later")}
      </Button>
      {step.left_out ? (
        <Button $kind="quiet" onPress={() => change({ left_out: leftOut.filter((id) => id !== step.id) })}>
          {t("screen.route.put_back")}
        </Button>
      ) : (
        <Button $kind="quiet" onPress={remove}>
          {t("screen.route.leave_out")}
        </Button>
      )}
    </>
  );
}
