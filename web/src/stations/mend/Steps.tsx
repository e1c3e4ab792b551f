import { useState } from "react";
import styled from "styled-components";
import { without, type MendKind, type MendPlan, type MendStep } from "../../api/document";
import { Button } from "../../kit/Button";
import { t } from "../../i18n/texts";
import { ink } from "../../kit/theme";
import { Heading, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { Step } from "./Step";
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
