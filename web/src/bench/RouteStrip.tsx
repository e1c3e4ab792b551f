import { useEffect, useRef } from "react";
import styled from "styled-components";
import { Button } from "react-aria-components";
import type { RouteStep } from "../api/document";
import type { Way } from "../draft/contexts";
import { messageText, t } from "../i18n/texts";
import { Unseen } from "../kit/parts";
import { focusRing, ink } from "../kit/theme";
import { stepTime } from "../kit/stepTime";
import { STATION_OF } from "../kit/stretches";
import { useUnit } from "../kit/Units";
import type { Station } from "./Docket";

const Strip = styled.nav`
  border-bottom: 1px solid ${ink.rule};
  min-height: 68px;
  overflow-x: auto;
  scrollbar-width: thin;
  ol {
    display: flex;
    gap: 4px;
    padding: 8px 22px 6px;
    min-width: max-content;
    list-style: none;
  }
  li {
    flex: 1 0 auto;
    max-width: 190px;
    display: grid;
  }
`;

/** A bar above says what it is: done (solid green), a wait (hatched), one that cannot be done as it stands (barred). */
const Step = styled(Button)<{ $done: boolean; $wait: boolean; $stop: boolean; $here: boolean }>`
  display: grid;
  align-content: start;
  min-height: 52px;
  padding: 5px 8px 2px 0;
  border: 0;
  border-top: 6px solid ${({ $done, $here }) => ($done ? ink.moss : $here ? ink.ink : ink.rule)};
  ${({ $wait, $done }) =>
    $wait && !$done && `border-image: repeating-linear-gradient(115deg, var(--ochre) 0 5px, transparent 5px 10px) 6;`}
  ${({ $stop }) => $stop && `border-image: repeating-linear-gradient(90deg, var(--rust) 0 9px, transparent 9px 13px) 6;`}
  background: none;
  text-align: left;
  font-size: 14px;
  line-height: 1.2;
  cursor: pointer;
  ${({ $here }) => $here && "font-weight: 700;"}
  .time {
    color: ${ink.quiet};
    font-weight: 400;
    white-space: nowrap;
  }
  ${focusRing}
  &[data-hovered] .name {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
`;

type Props = {
  way: Way;
  onStep: (step: string, there: Station) => void;
};

/**
 * The way of this piece as one line of steps, the next one large; choosing one opens its station. Its place is kept
 * until it is there, so that nothing moves under the hand.
 */
export function RouteStrip({ way, onStep }: Props) {
  const steps = way.route?.alternatives[0]?.steps.filter((step) => !step.left_out);
  if (!steps) return way.coming && <Strip as="div" aria-hidden />;
  return (
    <Line steps={steps} here={way.step ?? steps.find(({ done }) => !done)?.id} settled={way.settled} onStep={onStep} />
  );
}

/** So much of the step before stays in sight. */
const BEFORE_PX = 60;

type LineProps = {
  steps: RouteStep[];
  here: string | undefined;
  settled: boolean;
  onStep: (step: string, there: Station) => void;
};

function Line({ steps, here, settled, onStep }: LineProps) {
  const unit = useUnit();
  const frame = useRef<HTMLElement>(null);
  const current = useRef<HTMLLIElement>(null);
  // What is done may have pushed the next step out of sight.
  useEffect(() => {
    const [item, strip] = [current.current, frame.current];
    if (item && strip) strip.scrollLeft = item.offsetLeft - strip.offsetLeft - BEFORE_PX;
  }, [here]);
  return (
    <Strip ref={frame} aria-label={t("screen.route.route")} style={{ opacity: settled ? 1 : 0.6 }}>
      <ol>
        {steps.map((step) => {
          const stop = step.unsafe || step.says.some(({ tone }) => tone === "stop");
          return (
            <li
              key={step.id}
              ref={step.id === here ? current : undefined}
              aria-current={step.id === here ? "step" : undefined}
            >
              <Step
                $done={step.done}
                $wait={step.wait_days !== null}
                $stop={stop}
                $here={step.id === here}
                onPress={() => onStep(step.id, STATION_OF[step.stretch])}
              >
                <span className="name">
                  {messageText(step.name, unit)} {stop && <Unseen>{t("tones.stop")}</Unseen>}
                </span>
                <span className="time">{step.done ? t("screen.route.is_done") : stepTime(step, unit)}</span>
              </Step>
            </li>
          );
        })}
      </ol>
    </Strip>
  );
}
