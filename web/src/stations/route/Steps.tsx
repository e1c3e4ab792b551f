import { useState } from "react";
import styled from "styled-components";
import { Button as AriaButton } from "react-aria-components";
import type { Document, Route, RouteStep } from "../../api/document";
import { useBlank, useRoute } from "../../draft/contexts";
import { useOpenCard } from "../../draft/useOpenCard";
import { Button } from "../../kit/Button";
import { today } from "../../piece/edit";
import { known, t } from "../../i18n/texts";
import { AdviceList, MessageText } from "../../kit/Advice";
import { amountText } from "../../kit/measure";
import { NumberField } from "../../kit/MeasureField";
import { Fault, Fields, Heading, Quiet, Row } from "../../kit/parts";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { stepTime } from "../../kit/stepTime";
import { useStored } from "../../kit/useStored";
import { Words } from "../../kit/Words";
import { STAGES } from "../../kit/stages";
import { dateIn } from "./dates";

const List = styled.ol`
  margin-top: 6px;
  > li {
    border-top: 1px solid ${ink.rule};
    &[data-over="true"] {
      box-shadow: inset 0 4px ${ink.moss};
    }
  }
`;

const Head = styled(AriaButton)`
  width: 100%;
  min-height: 44px;
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 2px 14px;
  align-items: baseline;
  padding: 8px 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  &[aria-expanded="true"] .name {
    font-weight: 700;
  }
  .quiet {
    color: ${ink.quiet};
    white-space: nowrap;
  }
  .stop {
    color: ${ink.rust};
    font-weight: 650;
  }
  ${focusRing}
`;

const Facts = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 0 0 8px;
  dt {
    color: ${ink.quiet};
  }
  dd {
    margin: 0;
  }
`;

const Line = styled.div`
  display: flex;
  align-items: stretch;
`;

/** By this a step is drawn to another place; by keys it is Earlier and Later. */
const Grip = styled.span`
  width: 26px;
  flex: none;
  display: grid;
  place-items: center;
  color: ${ink.quiet};
  cursor: grab;
`;

/** The steps that lie ahead, and how one of them is put in another place. */
function useOrder(route: Route) {
  const { document, draft } = useBlank();
  const ahead = (route.alternatives[0]?.steps ?? []).filter(({ done }) => !done).map(({ id }) => id);
  const move = (step: string, to: number) => {
    const rest = ahead.filter((id) => id !== step);
    const order = [...rest.slice(0, to), step, ...rest.slice(to)];
    draft.change({ ...document, route: { ...document.route, order } }, false);
  };
  return { ahead, move };
}

/** The way taken, step by step; the one looked at is open. */
export function Steps({ steps, route }: { steps: RouteStep[]; route: Route }) {
  const { step: open, lookAt } = useRoute();
  const { ahead, move } = useOrder(route);
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<string>();
  const drop = () => {
    if (dragged !== undefined && over !== undefined && dragged !== over) move(dragged, ahead.indexOf(over));
    setDragged(undefined);
    setOver(undefined);
  };
  return (
    <>
      <List aria-label={t("screen.route.steps")}>
        {steps.map((step) => (
          <li
            key={step.id}
            data-over={step.id === over && step.id !== dragged}
            onDragOver={(event) => {
              if (dragged === undefined || step.done) return;
              event.preventDefault();
              setOver(step.id);
            }}
            onDrop={drop}
          >
            <Line>
              {!step.done && (
                <Grip
                  draggable
                  aria-hidden
                  data-grip={step.id}
                  onDragStart={(event) => {
                    event.dataTransfer.setData("text/plain", step.id);
                    setDragged(step.id);
                  }}
                  onDragEnd={() => setDragged(undefined)}
                >
                  ⠿
                </Grip>
              )}
              <StepHead
                step={step}
                open={step.id === open}
                onOpen={() => lookAt(step.id === open ? undefined : step.id)}
              />
            </Line>
            {step.id === open && <StepBody step={step} route={route} />}
          </li>
        ))}
      </List>
      <AddOwn steps={steps} />
    </>
  );
}

function StepHead({ step, open, onOpen }: { step: RouteStep; open: boolean; onOpen: () => void }) {
  const unit = useUnit();
  const stop = step.unsafe || step.says.some(({ tone }) => tone === "stop");
  return (
    <Head aria-expanded={open} onPress={onOpen}>
      <span className={stop ? "name stop" : "name"}>
        <MessageText message={step.name} />
      </span>
      <span className="quiet">{stepTime(step, unit)}</span>
      <span className="quiet">{stateOf(step)}</span>
    </Head>
  );
}

const stateOf = (step: RouteStep): string =>
  step.left_out
    ? t("screen.route.is_left_out")
    : step.done
      ? t("screen.route.is_done")
      : dateIn(step.starts_days.likely);

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

/** A step of one's own, after the one looked at or last of all. */
function AddOwn({ steps }: { steps: RouteStep[] }) {
  const { document, draft } = useBlank();
  const { step: after, lookAt } = useRoute();
  const [name, setName] = useStored("own step", "");
  const [minutes, setMinutes] = useStored("minutes of own step", 15);
  const add = () => {
    const id = `own-${crypto.randomUUID().slice(0, 8)}`;
    const ids = steps.filter(({ done }) => !done).map((one) => one.id);
    const place = after === undefined ? ids.length - 1 : ids.indexOf(after) + 1;
    const own = document.route?.own ?? [];
    const order = [...ids.slice(0, place), id, ...ids.slice(place)];
    draft.change(
      { ...document, route: { ...document.route, own: [...own, { id, name, hands_min: minutes }], order } },
      false,
    );
    setName("");
    lookAt(id);
  };
  return (
    <section aria-label={t("screen.route.a_step_of_your_own")}>
      <Heading>{t("screen.route.a_step_of_your_own")}</Heading>
      <Fields>
        <Words label={t("screen.route.what_is_done")} value={name} onChange={setName} fault={undefined} />
        <NumberField label={t("screen.route.minutes")} value={minutes} onChange={setMinutes} />
      </Fields>
      <Button isDisabled={name.trim() === ""} onPress={add}>
        {after === undefined ? t("screen.route.add_it") : t("screen.route.add_it_after_the_open_one")}
      </Button>
    </section>
  );
}

function StepBody({ step, route }: { step: RouteStep; route: Route }) {
  const unit = useUnit();
  const { needs, stage } = step;
  const mount = needs.mount && `tables.mounts.${needs.mount}.name`;
  const facts: [string, string][] = [
    ...(stage && step.limit_rpm !== null
      ? [[t("screen.route.stay_below"), amountText(step.limit_rpm, "rpm", unit)] as [string, string]]
      : []),
    ...(stage && stage in STAGES
      ? [[t("screen.route.turned_to"), STAGES[stage as keyof typeof STAGES]] as [string, string]]
      : []),
    ...(mount && known(mount) ? [[t("screen.route.held_by"), t(mount)] as [string, string]] : []),
    ...(needs.moisture_at_most_pct === null
      ? []
      : [[t("screen.route.wood_at_most"), amountText(needs.moisture_at_most_pct, "%", unit)] as [string, string]]),
    ...(step.moisture_pct_after === null
      ? []
      : [[t("screen.route.wood_then"), amountText(step.moisture_pct_after, "%", unit)] as [string, string]]),
    ...(step.cost > 0 ? [[t("screen.route.material"), amountText(step.cost, "money", unit)] as [string, string]] : []),
  ];
  return (
    <>
      <AdviceList advice={step.says} workings={route.workings} />
      <Facts>
        {facts.map(([name, value]) => (
          <div key={name} style={{ display: "contents" }}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </Facts>
      {step.cautions.map((caution) => (
        <p key={caution.key} style={{ color: ink.ochre }}>
          <MessageText message={caution} asSentence />
        </p>
      ))}
      <Row style={{ margin: "4px 0 10px" }}>
        {!step.left_out && !step.done && <ByCard step={step} />}
        {!step.left_out && <Done step={step} route={route} />}
        {!step.done && <Order step={step} route={route} />}
      </Row>
    </>
  );
}
