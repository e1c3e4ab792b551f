import styled from "styled-components";
import type { Odds, Route } from "../../../api/document";
import { messageText, t } from "../../../i18n/texts";
import { amountText } from "../../../kit/measure";
import { Fault, Heading, Quiet, Ticket } from "../../../kit/parts";
import { ink } from "../../../kit/theme";
import { useUnit } from "../../../kit/Units";
import { Better } from "./Better";
import { inHundred } from "./inHundred";
import { LookAt } from "./LookAt";

const [ACROSS, STEP] = [25, 16];

const Dots = styled.svg`
  width: 100%;
  max-width: ${ACROSS * STEP}px;
  height: auto;
  margin: 6px 0;
`;

const Share = styled.p`
  font-size: 24px;
  font-weight: 650;
  margin-top: 10px;
`;

/** How often it comes out sound, how sure that is, and what takes most. whole: all truths are played. */
export function Shown({ odds, route, whole }: { odds: Odds; route: Route; whole: boolean }) {
  const unit = useUnit();
  const { truths, sound, injury, finish_days: days, cost } = odds;
  const stepOf = (id: string) => {
    const step = route.alternatives[0]?.steps.find((one) => one.id === id);
    return step ? messageText(step.name, unit) : id;
  };
  const count = Math.round(sound.share * truths);
  return (
    <>
      {odds.not_yet.map(({ step }) => (
        <Fault key={step}>{t("screen.odds.not_yet", { step: stepOf(step) })}</Fault>
      ))}
      <Share>{t("screen.odds.sound", { sound: inHundred(sound.share) })}</Share>
      <p>{t("screen.odds.of_truths", { count, truths, low: inHundred(sound.low), high: inHundred(sound.high) })}</p>
      <Picture odds={odds} sound={count} />
      {whole && odds.advised_against && <Fault role="alert">{t("screen.odds.against")}</Fault>}
      <p>
        {injury.share > 0
          ? t("screen.odds.injures", { share: inHundred(injury.share), high: inHundred(injury.high) })
          : t("screen.odds.injures_never", { truths, high: inHundred(injury.high) })}
      </p>
      {days.p10 !== null && days.p90 !== null && (
        <p>
          {t("screen.odds.finished", {
            from: amountText(days.p10, "days", unit),
            to: amountText(days.p90, "days", unit),
            least: amountText(cost.p10 ?? 0, "money", unit),
            most: amountText(cost.p90 ?? 0, "money", unit),
          })}
        </p>
      )}
      {odds.causes.length > 0 && (
        <>
          <Heading>{t("screen.odds.causes")}</Heading>
          <Ticket>
            <tbody>
              {odds.causes.map(({ event, step, share, then }) => (
                <tr key={`${event} ${step} ${then}`}>
                  <th scope="row">{t(`screen.odds.event.${event}`)}</th>
                  <td>{stepOf(step)}</td>
                  <td className="number">{t("screen.odds.in_100", { share: inHundred(share) })}</td>
                  <td style={then === "lost" ? { color: ink.rust, fontWeight: 650 } : undefined}>
                    {t(`screen.odds.then.${then}`)}
                  </td>
                </tr>
              ))}
            </tbody>
          </Ticket>
        </>
      )}
      {whole && <LookAt odds={odds} />}
      {whole && sound.share < 1 && <Better odds={odds} route={route} stepOf={stepOf} />}
    </>
  );
}

/** One dot a truth: sound, sound once mended, lost. */
function Picture({ odds, sound }: { odds: Odds; sound: number }) {
  const { truths } = odds;
  const mended = Math.round(odds.mended * truths);
  const at = (index: number) => [(index % ACROSS) * STEP + STEP / 2, Math.floor(index / ACROSS) * STEP + STEP / 2];
  return (
    <>
      <Dots aria-hidden viewBox={`0 0 ${ACROSS * STEP} ${Math.ceil(truths / ACROSS) * STEP}`}>
        {Array.from({ length: truths }, (_, index) => {
          const [x = 0, y = 0] = at(index);
          if (index < sound - mended) return <circle key={index} cx={x} cy={y} r={5.5} fill={ink.moss} />;
          if (index < sound)
            return <circle key={index} cx={x} cy={y} r={4.5} fill="none" stroke={ink.moss} strokeWidth={2} />;
          return (
            <path
              key={index}
              d={`M${x - 4} ${y - 4}L${x + 4} ${y + 4}M${x - 4} ${y + 4}L${x + 4} ${y - 4}`}
              stroke={ink.rust}
              strokeWidth={2.5}
            />
          );
        })}
      </Dots>
      <Quiet>{t("screen.odds.picture", { sound: sound - mended, mended, lost: truths - sound })}</Quiet>
    </>
  );
}
