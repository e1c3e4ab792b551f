import { Fragment, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Document, Mounts } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { capital, messageText, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, lengthsText } from "../../kit/measure";
import { AdviceList, MessageText, Worked } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet } from "../../kit/parts";
import { MountDrawing } from "../../piece/MountDrawing";
import { useBlank } from "../../draft/contexts";

const SETTLED_MS = 300;
const VERDICTS = {
  holds: t("screen.turn.holds"),
  tailstock: t("screen.turn.with_the_tailstock"),
  slower: t("screen.turn.only_slower"),
  no: t("screen.turn.no_"),
} as const;

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

const MountList = styled.ul`
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
export function Holding() {
  const blank = useBlank();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const { answer, problem } = useNewest(document.form ? document : undefined, api.mounts);
  if (!document.form) return null;
  return (
    <>
      <Heading>{t("screen.turn.how_it_is_held")}</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">{t("screen.turn.judging_the_mounts")}</Quiet>}
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
        {open ? t("screen.turn.hide_steps") : t("screen.turn.step_by_step")}
      </Button>
      {open && <StepByStep plan={plan} unit={unit} />}
    </>
  );
}

function StepByStep({ plan, unit }: { plan: Mounts; unit: ReturnType<typeof useUnit> }) {
  return (
    <>
      <Steps aria-label={t("screen.turn.mounts_step_by_step")} style={{ marginTop: 12 }}>
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
        {t("screen.turn.closing_to", {
          value: plan.jaws_are_own ? t("screen.turn.jaws_of_its_own") : t("screen.turn.no_jaws_are_written_down_the"),
          jaws_mm: lengthsText(plan.jaws_mm, unit),
          unit,
        })}
      </Quiet>
    </>
  );
}

function Step({ step, index, plan }: { step: Mounts["steps"][number]; index: number; plan: Mounts }) {
  const unit = useUnit();
  const [open, setOpen] = useState(step.proposed === null);
  const shown = open ? step.mounts : step.mounts.slice(0, 1);
  const { document, assessment } = useBlank();
  const { form } = assessment.geometry;
  const held = step.mounts.find(({ key, drawn }) => key === step.proposed && drawn.length > 0);
  return (
    <li>
      <h4>
        {t(`mount_steps.${step.key}`)}, {t(`seats.${step.by}`)}
      </h4>
      <Worked working={plan.workings[`/steps/${index}/need_nm`]}>
        {t("screen.turn.seat_must_bear", {
          value:
            step.rpm > 0 ? t("screen.turn.at_the", { rpm: amountText(step.rpm, "rpm", unit) }) : t("screen.turn.the"),
        })}{" "}
        <strong>{amountText(step.need_nm, "N m", unit)}</strong>
        {step.need_with_tailstock_nm === null
          ? t("screen.turn.the_tailstock_is_in_the_way")
          : t("screen.turn.with_the_tailstock_2", {
              need_with_tailstock_nm: amountText(step.need_with_tailstock_nm, "N m", unit),
            })}
        .
        {step.limit_rpm < step.rpm && (
          <>
            {" "}
            {t("screen.turn.held_so_stay_below")} <strong>{amountText(step.limit_rpm, "rpm", unit)}</strong>.
          </>
        )}
      </Worked>
      {held && form && (
        <MountDrawing
          mount={held}
          tailstock={step.tailstock}
          lengthMm={assessment.geometry.length_mm}
          radiusMm={step.stage === "blank" ? assessment.geometry.max_radius_mm : undefined}
          form={{ ...form, opensAtTail: document.form?.opens !== "head" }}
          name={t(`tables.mounts.${held.key}.name`)}
        />
      )}
      <MountList>
        {shown.map(({ key, verdict, hold_nm, says }) => (
          <li key={key} data-verdict={verdict}>
            <div>
              <strong>{capital(t(`tables.mounts.${key}.name`))}</strong>
              <div className="verdict">
                {VERDICTS[verdict]}
                {hold_nm !== null && `: ${amountText(hold_nm, "N m", unit)}`}
              </div>
            </div>
            <div className="says">
              {says.map((one) => (
                <Fragment key={one.key}>
                  <MessageText message={one} />{" "}
                </Fragment>
              ))}
              {verdict !== "no" && (
                <>
                  {" "}
                  {t("screen.turn.wants_leaves", {
                    t: t(`tables.mounts.${key}.wants`),
                    t_2: t(`tables.mounts.${key}.mark`),
                  })}
                </>
              )}
            </div>
          </li>
        ))}
      </MountList>
      {step.proposed !== null && (
        <Button $kind="quiet" style={{ padding: 0, minHeight: 36 }} aria-expanded={open} onPress={() => setOpen(!open)}>
          {open
            ? t("screen.turn.fold_the_other_ways")
            : t("screen.turn.other_ways_to_hold_it", { value: step.mounts.length - 1 })}
        </Button>
      )}
    </li>
  );
}
