import styled from "styled-components";
import type { Route, RouteStep } from "../../api/document";
import { known, t } from "../../i18n/texts";
import { AdviceList, MessageText } from "../../kit/Advice";
import { amountText } from "../../kit/measure";
import { STAGES } from "../../kit/stages";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { StepActs } from "./StepActs";

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

/** All of the step that is open: its advice, its facts, its cautions and what can be done with it. */
export function StepBody({ step, route }: { step: RouteStep; route: Route }) {
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
      <StepActs step={step} route={route} />
    </>
  );
}
