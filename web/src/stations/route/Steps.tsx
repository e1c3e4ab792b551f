import styled from "styled-components";
import { Button as AriaButton } from "react-aria-components";
import type { Route, RouteStep } from "../../api/document";
import { useBlank, useRoute } from "../../draft/contexts";
import { Button } from "../../kit/Button";
import { today } from "../../piece/edit";
import { known, t } from "../../i18n/texts";
import { AdviceList, MessageText } from "../../kit/Advice";
import { amountText } from "../../kit/measure";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { STAGES } from "../../kit/stages";
import { dateIn } from "./dates";

const List = styled.ol`
  margin-top: 6px;
  > li {
    border-top: 1px solid ${ink.rule};
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

/** The way taken, step by step; the one looked at is open. */
export function Steps({ steps, route }: { steps: RouteStep[]; route: Route }) {
  const { step: open, lookAt } = useRoute();
  return (
    <List aria-label={t("screen.route.steps")}>
      {steps.map((step) => (
        <li key={step.id}>
          <StepHead step={step} open={step.id === open} onOpen={() => lookAt(step.id === open ? undefined : step.id)} />
          {step.id === open && <StepBody step={step} route={route} />}
        </li>
      ))}
    </List>
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
      <span className="quiet">
        {amountText(Math.round(step.hands_min), "min", unit)}
        {step.wait_days && `, ${waitText(step, unit)}`}
      </span>
      <span className="quiet">{step.done ? t("screen.route.is_done") : dateIn(step.starts_days.likely)}</span>
    </Head>
  );
}

type Unit = ReturnType<typeof useUnit>;
const waitText = ({ wait_days: wait }: RouteStep, unit: Unit): string =>
  !wait || wait.likely === null ? t("screen.route.never") : amountText(wait.likely, "days", unit);

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
  const mark = { step: step.id, on: today() };
  const wet = assessment.drying && { moisture_pct: assessment.drying.moisture_pct };
  const roughed = step.kind === "rough_out" && { wall_mm: step.thickness_mm_after, ...wet };
  const done = () => {
    put([...marks, { ...mark, ...roughed }]);
    lookAt(undefined);
  };
  return <Button onPress={done}>{t("screen.route.done_now")}</Button>;
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
      <div style={{ margin: "4px 0 10px" }}>
        <Done step={step} route={route} />
      </div>
    </>
  );
}
