import { useState } from "react";
import { Button as AriaButton } from "react-aria-components";
import styled from "styled-components";
import type { Route, RouteStep } from "../../api/document";
import { useRoute } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { stepTime } from "../../kit/stepTime";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { AddOwn } from "./AddOwn";
import { dateIn } from "./dates";
import { StepBody } from "./StepBody";
import { useOrder } from "./useOrder";

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
