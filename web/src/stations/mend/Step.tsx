import type { MendPlan, MendStep, StepReport } from "../../api/document";
import { KINDS } from "../../draft/mendSteps";
import { messageText, t } from "../../i18n/texts";
import { AdviceList, MessageText } from "../../kit/Advice";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Fault, Quiet, Row } from "../../kit/parts";
import { useUnit } from "../../kit/Units";
import { Details } from "./details/Details";
import { StepFields } from "./StepFields";
type Props = {
  plan: MendPlan;
  faults: Record<string, string>;
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

/** One step: what it comes to, what is said of it, and, opened, its fields. */
export function Step({ step, told, plan, index, faults, open, last, onOpen, onPut, onMove, onRemove }: Props) {
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
