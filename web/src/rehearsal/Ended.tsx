import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Document, Kept, Rehearsal } from "../api/document";
import { useDraft } from "../draft/useDraft";
import { messageText, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { Fault, Heading, Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { lessons, overLimit, type Lesson } from "./lessons";

type Props = { rehearsal: Rehearsal; blankId: number };

/** How it ended: what gave way, at what speed and with what energy, which sign was there before, and what can be carried over. */
export function Ended({ rehearsal, blankId }: Props) {
  const unit = useUnit();
  const { state } = rehearsal;
  const { ended, steps } = state;
  const blank = useQuery({
    queryKey: ["blank", blankId],
    queryFn: () => api.blank(blankId),
    refetchOnWindowFocus: false,
  });
  if (!ended) return null;
  const { event, rpm, bears_rpm: bears, signs } = ended;
  const step = steps.find(({ id }) => id === event?.step);
  const first = signs[0];
  return (
    <section aria-label={t("screen.rehearsal.how_it_ended")}>
      {ended.sound || !event ? (
        <p style={{ fontSize: 20, fontWeight: 650, color: ink.moss }}>{t("screen.rehearsal.came_out_sound")}</p>
      ) : (
        <>
          <Fault style={{ fontSize: 20 }}>{t(`screen.rehearsal.happened.${event.key}`)}</Fault>
          <p>
            {t(rpm ? "screen.rehearsal.gave_way_at" : "screen.rehearsal.gave_way", {
              step: step ? messageText(step.name, unit) : event.step,
              rpm: amountText(rpm ?? 0, "rpm", unit),
            })}{" "}
            {event.energy_j > 0 && t("screen.rehearsal.flew", { energy: amountText(event.energy_j, "J", unit) })}{" "}
            {bears !== null && t("screen.rehearsal.bore", { rpm: amountText(bears, "rpm", unit) })}
          </p>
          {overLimit(rehearsal) && (
            <p>
              <strong>
                {t("screen.rehearsal.over_the_limit", { rpm: amountText(step?.limit_rpm ?? 0, "rpm", unit) })}
              </strong>
            </p>
          )}
          <p>
            {first
              ? t("screen.rehearsal.sign_before", {
                  sign: t(`screen.rehearsal.sign.${first.key}`),
                  rpm: amountText(first.rpm ?? 0, "rpm", unit),
                })
              : t("screen.rehearsal.no_sign_before")}
          </p>
        </>
      )}
      <Quiet>
        {t("screen.rehearsal.so_far", {
          time: amountText(Math.round(state.minutes), "min", unit),
          days: amountText(state.days, "days", unit),
          cost: amountText(state.cost, "money", unit),
        })}{" "}
        {t("screen.rehearsal.truth_in_the_drawing")}
      </Quiet>
      {blank.data && <CarryOver kept={blank.data} rehearsal={rehearsal} />}
    </section>
  );
}

/** What was learned, each with the press that puts it into the real plan as a change not saved yet. */
function CarryOver({ kept, rehearsal }: { kept: Kept; rehearsal: Rehearsal }) {
  const unit = useUnit();
  const draft = useDraft(kept);
  const { steps } = rehearsal.state;
  const all = lessons(rehearsal);
  const text = (lesson: Lesson) => {
    const step = steps.find(({ id }) => id === lesson.step);
    return t(`screen.rehearsal.carry.${lesson.kind}`, {
      step: step ? messageText(step.name, unit) : "",
      rpm: amountText(lesson.value, "rpm", unit),
      mm: amountText(lesson.value, "mm", unit),
    });
  };
  if (all.length === 0)
    return (
      <Quiet>{t(overLimit(rehearsal) ? "screen.rehearsal.plan_was_right" : "screen.rehearsal.nothing_to_carry")}</Quiet>
    );
  return (
    <>
      <Heading>{t("screen.rehearsal.carry_over")}</Heading>
      <ul>
        {all.map((lesson) => {
          const changed = lesson.into(draft.document);
          const done = JSON.stringify(changed) === JSON.stringify(draft.document);
          return (
            <li key={`${lesson.kind} ${lesson.step}`} style={{ marginBottom: 8 }}>
              <p>{text(lesson)}</p>
              <Button isDisabled={done} onPress={() => draft.change(changed as Document)}>
                {done ? t("screen.rehearsal.carried") : t("screen.rehearsal.carry_this")}
              </Button>
            </li>
          );
        })}
      </ul>
      <Quiet>{t("screen.rehearsal.carried_is_not_saved")}</Quiet>
    </>
  );
}
