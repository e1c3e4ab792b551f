import { t } from "../i18n/texts";
import type { Defect, Practice } from "../api/document";
import { Button } from "../kit/Button";
import { amountText, clockText } from "../kit/measure";
import { Carry, Heading, Quiet, Row } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";

type Told = NonNullable<Practice["told"]>;
type Props = {
  told: Told;
  practice: Practice;
  instead: Defect[] | undefined;
  showInstead: (defects: Defect[] | undefined) => void;
};

/** What it came to, in order: what was missed and which test would have found it, what was feared for nothing, and the best way there was. */
export function Marks({ told, practice, instead, showInstead }: Props) {
  const unit = useUnit();
  const { score, marks, survey, right, yours, best } = told;
  const inHundred = (share: number) => Math.round(100 * share);
  const lost = yours?.events.find(({ then }) => then === "lost");
  const lessons = lessonsOf(told, practice);
  return (
    <>
      <Row style={{ alignItems: "center" }}>
        <strong style={{ fontSize: 22 }}>{t("screen.practice.score", { score: Math.round(score) })}</strong>
        <span>
          {t("screen.practice.marks", {
            survey: Math.round(marks.survey),
            verdict: Math.round(marks.verdict),
            way: Math.round(marks.way),
          })}
        </span>
        <Button onPress={() => showInstead(instead ? undefined : told.truth)}>
          {instead ? t("screen.practice.show_mine") : t("screen.practice.show_truth")}
        </Button>
        <Carry href={`/api/blanks/${practice.blank_id}/practice/file`} download>
          {t("screen.practice.for_a_friend")}
        </Carry>
      </Row>
      {survey.missed.length > 0 && (
        <>
          <Heading>{t("screen.practice.missed")}</Heading>
          <ul>
            {survey.missed.map(({ id, type, test, clock_deg, z_mm }) => (
              <li key={id}>
                {t(`screen.practice.by.${test}`, {
                  what: t(`screen.practice.kinds.${type}`),
                  id,
                  clock: clockText(clock_deg),
                  z: amountText(z_mm, "mm", unit),
                })}
              </li>
            ))}
          </ul>
        </>
      )}
      {survey.feared.length > 0 && <p>{t("screen.practice.feared", { ids: survey.feared.join(", ") })}</p>}
      <Heading>{t("screen.practice.the_way")}</Heading>
      <p>
        {t(practice.verdict === right ? "screen.practice.verdict_right" : "screen.practice.verdict_wrong", {
          verdict: t(`screen.practice.verdicts.${right}`),
        })}
      </p>
      {yours && (
        <p style={{ color: yours.sound ? ink.moss : ink.rust }}>
          {lost
            ? t("screen.practice.yours_lost", { event: t(`screen.odds.event.${lost.key}`) })
            : t(yours.sound ? "screen.practice.yours_sound" : "screen.practice.yours_hurts", {
                time: amountText(yours.hands_h, "h", unit),
              })}{" "}
          {t("screen.practice.yours_odds", { share: inHundred(yours.odds.share) })}
        </p>
      )}
      {!yours && <p>{t("screen.practice.no_way_given")}</p>}
      {best && (
        <p>
          {t(best.sound ? "screen.practice.best_way" : "screen.practice.no_way_sound", {
            way: t(`route.answers.${best.way}.name`),
            time: amountText(best.hands_h, "h", unit),
            share: inHundred(best.odds.share),
          })}
        </p>
      )}
      {lessons.length > 0 && (
        <>
          <Heading>{t("screen.practice.lessons")}</Heading>
          {lessons.map((key) => (
            <details key={key}>
              <summary>{t(`screen.practice.lesson.${key}.title`)}</summary>
              <Quiet>{t(`screen.practice.lesson.${key}.text`)}</Quiet>
            </details>
          ))}
        </>
      )}
    </>
  );
}

/** Which lessons stand behind the mistakes that were made, each once. */
export function lessonsOf(told: Told, { verdict }: Pick<Practice, "verdict">): string[] {
  const { survey, right, yours } = told;
  const all = [
    ...survey.missed.flatMap(({ test }) => (test === "none" ? [] : [test])),
    ...(survey.feared.length > 0 ? ["feared"] : []),
    ...(verdict !== right ? [right === "leave" ? "leave" : verdict === "leave" ? "not_leave" : "mend_first"] : []),
    ...(yours && !yours.sound ? ["way"] : []),
  ];
  return [...new Set(all)];
}
