import { Fragment, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Document, Mounts } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { messageText, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, lengthsText } from "../../kit/measure";
import { AdviceList, Told, Worked } from "../../kit/Says";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

const SETTLED_MS = 300;
const VERDICTS = { holds: "Holds", tailstock: "With the tailstock", slower: "Only slower", no: "No" } as const;

const Steps = styled.ol`
  > li {
    border-top: 1px solid ${ink.rule};
    padding: 10px 0;
  }
  h4 {
    font-size: 16px;
    font-weight: 650;
  }
`;

const Ways = styled.ul`
  margin-top: 4px;
  li {
    display: grid;
    grid-template-columns: 150px 1fr;
    gap: 2px 12px;
    padding: 5px 0;
  }
  .verdict {
    font-size: 14px;
    color: ${ink.quiet};
  }
  [data-verdict="holds"] .verdict {
    color: ${ink.moss};
    font-weight: 650;
  }
  [data-verdict="no"] .verdict {
    color: ${ink.rust};
    font-weight: 650;
  }
  .says {
    font-size: 15px;
    line-height: 1.35;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1fr;
    }
  }
`;

/** How the piece is held from the first cut to the last, and what it must clear. */
export function Holding({ at }: { at: AtStation }) {
  const document = useSettled<Document>(at.document, SETTLED_MS);
  const { answer, problem } = useNewest(document.form ? document : undefined, api.mounts);
  if (!document.form) return null;
  return (
    <>
      <Heading>How it is held</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">Judging the mounts …</Quiet>}
      {answer && <Plan plan={answer} />}
    </>
  );
}

function Plan({ plan }: { plan: Mounts }) {
  const unit = useUnit();
  const [chosen, choose] = useState<boolean>();
  // Where nothing holds it, why is the first thing to know.
  const open = chosen ?? plan.says.tone === "stop";
  return (
    <>
      <AdviceList lead advice={[plan.says]} workings={{}} />
      <Button aria-expanded={open} onPress={() => choose(!open)}>
        {open ? "Hide steps" : "Step by step"}
      </Button>
      {open && <StepByStep plan={plan} unit={unit} />}
    </>
  );
}

function StepByStep({ plan, unit }: { plan: Mounts; unit: ReturnType<typeof useUnit> }) {
  return (
    <>
      <Steps aria-label="Mounts, step by step" style={{ marginTop: 12 }}>
        {plan.steps.map((step, index) => (
          <Step key={step.key} step={step} index={index} plan={plan} />
        ))}
      </Steps>
      <Quiet>
        {plan.clearances
          .map(({ key, value_mm, ok, advice }) =>
            t(ok ? "clearances.room" : "clearances.short", {
              what: t(`clearances.${key}`),
              room: amountText(Math.abs(value_mm), "mm", unit),
              advice: messageText(advice, unit),
            }),
          )
          .join(" ")}
      </Quiet>
      <Quiet>
        {plan.jaws_are_own ? "Jaws of its own" : "No jaws are written down: the usual ones"} closing to{" "}
        {lengthsText(plan.jaws_mm, unit)} {unit}.
      </Quiet>
    </>
  );
}

function Step({ step, index, plan }: { step: Mounts["steps"][number]; index: number; plan: Mounts }) {
  const unit = useUnit();
  const [open, setOpen] = useState(step.proposed === null);
  const shown = open ? step.mounts : step.mounts.slice(0, 1);
  return (
    <li>
      <h4>
        {t(`mount_steps.${step.key}`)}, {t(`seats.${step.by}`)}
      </h4>
      <Worked working={plan.workings[`/steps/${index}/need_nm`]}>
        {step.rpm > 0 ? `At ${amountText(step.rpm, "rpm", unit)} the` : "The"} seat must bear{" "}
        <strong>{amountText(step.need_nm, "N m", unit)}</strong>
        {step.need_with_tailstock_nm === null
          ? "; the tailstock is in the way"
          : `, ${amountText(step.need_with_tailstock_nm, "N m", unit)} with the tailstock`}
        .
        {step.limit_rpm < step.rpm && (
          <>
            {" "}
            Held so, stay below <strong>{amountText(step.limit_rpm, "rpm", unit)}</strong>.
          </>
        )}
      </Worked>
      <Ways>
        {shown.map(({ key, verdict, hold_nm, says }) => (
          <li key={key} data-verdict={verdict}>
            <div>
              <strong>{t(`tables.mounts.${key}.name`)}</strong>
              <div className="verdict">
                {VERDICTS[verdict]}
                {hold_nm !== null && `: ${amountText(hold_nm, "N m", unit)}`}
              </div>
            </div>
            <div className="says">
              {says.map((one) => (
                <Fragment key={one.key}>
                  <Told message={one} />{" "}
                </Fragment>
              ))}
              {verdict !== "no" && (
                <>
                  {" "}
                  Wants {t(`tables.mounts.${key}.wants`)}. Leaves {t(`tables.mounts.${key}.mark`)}.
                </>
              )}
            </div>
          </li>
        ))}
      </Ways>
      {step.proposed !== null && (
        <Button $kind="quiet" style={{ padding: 0, minHeight: 36 }} aria-expanded={open} onPress={() => setOpen(!open)}>
          {open ? "Fold the other ways" : `Other ways to hold it: ${step.mounts.length - 1}`}
        </Button>
      )}
    </li>
  );
}
