import { useState } from "react";
import styled from "styled-components";
import { without, type MendKind, type MendPlan, type MendStep, type StepReport } from "../../api/document";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { messageText, t } from "../../i18n/texts";
import { AdviceList, MessageText } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { Details } from "./details/Details";
import { StepFields } from "./StepFields";
import { KINDS, moved, newStep, withSteps } from "../../draft/mendSteps";

const List = styled.ol`
  > li {
    border-top: 1px solid ${ink.rule};
    padding: 8px 0 10px;
  }
  > li[data-wrong] {
    border-left: 5px solid ${ink.rust};
    padding-left: 10px;
  }
  h4 {
    font-size: 16px;
    font-weight: 650;
  }
  .times {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 22px;
    margin: 2px 0;
  }
  .times dt {
    font-size: 14px;
    color: ${ink.quiet};
  }
  .times dd {
    margin: 0;
    font-weight: 650;
  }
`;

type Props = { plan: MendPlan; faults: Record<string, string> };

/** The steps in their order, each with what it comes to; moved, changed, taken out, added. */
export function Steps({ plan, faults }: Props) {
  const blank = useBlank();
  const [open, setOpen] = useState<string>();
  const [adding, setAdding] = useState(false);
  const steps = blank.document.mend?.steps ?? plan.plan.steps;
  const put = (next: MendStep[]) => blank.draft.change(withSteps(blank.document, next));
  const add = (kind: MendKind) => {
    const step = newStep(kind, steps, {
      across: 2 * blank.assessment.geometry.max_radius_mm,
      length: blank.assessment.geometry.length_mm,
    });
    put([...steps, step]);
    setAdding(false);
    setOpen(step.id);
  };
  return (
    <>
      {steps.length > 0 && (
        <Heading>{plan.proposed ? t("screen.mend.proposed_in_this_order") : t("screen.mend.in_this_order")}</Heading>
      )}
      <List aria-label={t("screen.mend.steps_of_mending")}>
        {steps.map((step, index) => (
          <Step
            key={step.id}

            step={step}
            told={plan.steps.find(({ id }) => id === step.id)}
            plan={plan}
            index={index}
            faults={faults}
            open={open === step.id}
            onOpen={() => setOpen(open === step.id ? undefined : step.id)}
            onPut={(next) => put(steps.map((old) => (old.id === step.id ? next : old)))}
            onMove={(by) => put(moved(steps, index, by))}
            onRemove={() => put(steps.filter(({ id }) => id !== step.id))}
            last={index === steps.length - 1}
          />
        ))}
      </List>
      <Row>
        <Button aria-expanded={adding} onPress={() => setAdding(!adding)}>
          {t("screen.mend.add_a_step")}
        </Button>
        {!plan.proposed && (
          <Button $kind="quiet" onPress={() => blank.draft.change(without(blank.document, "mend"))}>
            {t("screen.mend.back_to_the_one_proposed")}
          </Button>
        )}
      </Row>
      {adding && (
        <Row role="group" aria-label={t("screen.mend.kind_of_step")} style={{ marginTop: 8, gap: 0 }}>
          {(Object.keys(KINDS) as MendKind[]).map((kind) => (
            <Button key={kind} style={{ marginRight: -1, marginBottom: -1 }} onPress={() => add(kind)}>
              {KINDS[kind]}
            </Button>
          ))}
        </Row>
      )}
    </>
  );
}

type One = Props & {
  step: MendStep;
  told: StepReport | undefined;
  index: number;
  open: boolean;
  last: boolean;
  onOpen: () => void;
  onPut: (step: MendStep) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
};

function Step({ step, told, plan, index, faults, open, last, onOpen, onPut, onMove, onRemove }: One) {
  const mine = Object.entries(faults).filter(([pointer]) => pointer.startsWith(`/document/mend/steps/${index}/`));
  return (
    <li data-wrong={mine.length > 0 || (told?.conflicts ?? 0) > 0 || undefined}>
      <h4>
        {index + 1}. {told ? <MessageText message={told.name} /> : KINDS[step.do]}
      </h4>
      {told && <Times told={told} />}
      {told && <AdviceList advice={open ? told.says : told.says.slice(0, 2)} workings={plan.workings} />}
      {mine.map(([pointer, detail]) => (
        <Fault key={pointer} role="alert">
          {detail}
        </Fault>
      ))}
      <Row>
        <Button $kind="quiet" style={{ paddingLeft: 0 }} aria-expanded={open} onPress={onOpen}>
          {open ? t("screen.mend.fold") : t("screen.mend.open")}
        </Button>
        {open && (
          <>
            <Button $kind="quiet" isDisabled={index === 0} onPress={() => onMove(-1)}>
              {t("screen.mend.earlier")}
            </Button>
            <Button $kind="quiet" isDisabled={last} onPress={() => onMove(1)}>
              {t("screen.mend.later")}
            </Button>
            <Button $kind="quiet" onPress={onRemove}>
              {t("screen.mend.take_out")}
            </Button>
          </>
        )}
      </Row>
      {open && (
        <>
          <StepFields step={step} faults={faults} place={`/document/mend/steps/${index}`} onPut={onPut} />
          {told?.detail && (
            <Details
              step={step}
              detail={told.detail}
              workings={plan.workings}
              place={`/document/mend/steps/${index}`}
              onPut={onPut}
            />
          )}
          {told && told.tools.length > 0 && (
            <Quiet>
              {t("screen.mend.to_hand", { join: told.tools.map((tool) => messageText(tool, "mm")).join(", ") })}
            </Quiet>
          )}
          {told?.cautions.map((caution) => (
            <Quiet key={caution.key}>
              <MessageText message={caution} />
            </Quiet>
          ))}
        </>
      )}
    </li>
  );
}

/** Time in hand and time until it can be turned: two numbers, never one for the other. */
function Times({ told }: { told: StepReport }) {
  const unit = useUnit();
  const h = (value: number | null) =>
    value === null
      ? t("screen.mend.never_in_this_air")
      : value === 0
        ? t("screen.mend.at_once")
        : amountText(value, "h", unit);
  return (
    <dl className="times">
      {told.working_min !== null && (
        <div>
          <dt>{t("screen.mend.working_time")}</dt>
          <dd>{amountText(told.working_min, "min", unit)}</dd>
        </div>
      )}
      <div>
        <dt>
          {told.do === "dry"
            ? t("screen.mend.dry_enough")
            : told.do === "sand"
              ? t("screen.mend.then")
              : t("screen.mend.ready_to_turn")}
        </dt>
        <dd>
          {told.ready_h === null || told.ready_h === 0
            ? h(told.ready_h)
            : t("screen.mend.after", { h: h(told.ready_h) })}
        </dd>
      </div>
      {told.cure_h !== null && told.ready_h !== null && told.cure_h > told.ready_h * 1.01 && (
        <div>
          <dt>{t("screen.mend.cured_through")}</dt>
          <dd>{t("screen.mend.after", { h: h(told.cure_h) })}</dd>
        </div>
      )}
      {told.gate_pct !== null && told.moisture_pct !== null && (
        <div>
          <dt>{t("screen.mend.takes_at_most")}</dt>
          <dd>{t("screen.mend.moisture", { gate_pct: amountText(told.gate_pct, "%", unit) })}</dd>
        </div>
      )}
    </dl>
  );
}
