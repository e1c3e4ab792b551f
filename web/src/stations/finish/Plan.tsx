import { useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Document, FinishPlan } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { useBlank } from "../../draft/contexts";
import { capital, t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { LengthField, NumberField } from "../../kit/MeasureField";
import { Fault, Fields, Heading, Quiet } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";

const SETTLED_MS = 300;
type Family = NonNullable<NonNullable<Document["route"]>["finish"]>[string];

const Part = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 10px 0;
  display: grid;
  gap: 4px;
  h4 {
    font-size: 18px;
    font-weight: 700;
    display: flex;
    justify-content: space-between;
  }
  .bar {
    height: 8px;
    background: ${ink.moss};
  }
  .papers {
    font-weight: 700;
    font-size: 18px;
  }
`;

/** Papers and coats, each part of the skin for itself, in the order in which none spoils another. */
export function Plan() {
  const blank = useBlank();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const { answer, problem } = useNewest(document.form ? document : undefined, api.finishPlan);
  const { route } = blank.document;
  const choose = (part: string, family: Family) =>
    blank.draft.change({ ...blank.document, route: { ...route, finish: { ...route?.finish, [part]: family } } });
  const say = (part: string, own: Own) =>
    blank.draft.change({ ...blank.document, route: { ...route, by_part: { ...route?.by_part, [part]: own } } });
  if (!document.form) return null;
  const parts = answer?.order.flatMap((key) => answer.parts.find((part) => part.key === key) ?? []) ?? [];
  const longest = Math.max(...parts.map(({ minutes }) => minutes[1] ?? 0), 1);
  return (
    <section aria-label={t("screen.finish.plan.heading")}>
      <Heading>{t("screen.finish.plan.heading")}</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">{t("screen.finish.plan.planning")}</Quiet>}
      {answer?.conflicts.map((message, index) => (
        <Fault key={`${message.key}${index}`} as="p">
          <MessageText message={message} asSentence />
        </Fault>
      ))}
      {answer?.notes.map((message) => (
        <p key={message.key}>
          <MessageText message={message} asSentence />
        </p>
      ))}
      <ol>
        {parts.map((part) => (
          <OnePart
            key={part.key}
            part={part}
            longest={longest}
            own={route?.by_part?.[part.key] ?? {}}
            faults={Object.fromEntries(
              (problem?.errors ?? []).map(({ pointer, detail }) => [
                pointer.replace(`/document/route/by_part/${part.key}/`, ""),
                detail,
              ]),
            )}
            onFamily={(family) => choose(part.key, family)}
            onOwn={(own) => say(part.key, own)}
          />
        ))}
      </ol>
    </section>
  );
}

type Own = NonNullable<NonNullable<Document["route"]>["by_part"]>[string];
type PartProps = {
  part: FinishPlan["parts"][number];
  longest: number;
  own: Own;
  /** By the field they are of. */
  faults: Record<string, string>;
  onFamily: (family: Family) => void;
  onOwn: (own: Own) => void;
};

function OnePart({ part, longest, own, faults, onFamily, onOwn }: PartProps) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const name = `${t(`screen.finish.plan.side.${part.side}`)}, ${t(`screen.finish.plan.stuff.${part.stuff}`)}`;
  const [least = 0, most = 0] = part.minutes;
  const how = part.how === "wet" && part.rpm === null ? "wet_by_hand" : part.how;
  const cure = part.coats.at(-1)?.cure_h ?? 0;
  return (
    <Part aria-label={name}>
      <h4>
        {name}
        <span>
          {part.papers.length > 0 &&
            t("screen.finish.plan.minutes", { from: Math.max(1, Math.round(least)), to: Math.max(1, Math.ceil(most)) })}
        </span>
      </h4>
      <div className="bar" style={{ width: `${(100 * most) / longest}%` }} aria-hidden />
      <Quiet as="div">
        {t("screen.finish.plan.area", { area: shown(part.area_cm2, "cm2"), mark: shown(part.mark_mm, "mm") })} ·{" "}
        {t(`screen.finish.plan.how.${how}`, { rpm: shown(part.rpm ?? 0, "rpm") })}
        {part.papers.length > 0 && (
          <>
            {" · "}
            {t("screen.finish.plan.lost", { lost: shown(part.wall_lost_mm, "mm") })} ·{" "}
            {t("screen.finish.plan.discs", { count: Math.ceil(part.discs) })}
          </>
        )}
      </Quiet>
      {part.papers.length > 0 && <div className="papers">{part.papers.map((grit) => `P${grit}`).join(" · ")}</div>}
      <div>
        {part.coats.length === 0
          ? t("screen.finish.plan.no_coat")
          : t("screen.finish.plan.coats", {
              coats: part.coats
                .map(({ ml, recoat_h }) =>
                  t("screen.finish.plan.coat", { ml: shown(ml, "ml"), hours: shown(recoat_h, "h") }),
                )
                .join(" · "),
              cure: shown(cure, "h"),
            })}
      </div>
      {part.families.length > 1 && (
        <div>
          <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
            {t("screen.finish.plan.family", { finish: t(`tables.finishes.${part.family}.name`) })}
          </Button>
          {open && (
            <Fields>
              <LengthField
                label={t("screen.finish.plan.worst_mark")}
                value={part.mark_mm}
                onChange={(mark_mm) => onOwn({ ...own, mark_mm })}
                fault={faults["mark_mm"]}
              />
              {part.coats.length > 0 && (
                <NumberField
                  label={t("screen.finish.plan.how_many_coats")}
                  value={part.coats.length}
                  onChange={(coats) => onOwn({ ...own, coats })}
                  fault={faults["coats"]}
                />
              )}
            </Fields>
          )}
          {open && Object.keys(own).length > 0 && (
            <Button $kind="quiet" onPress={() => onOwn({})}>
              {t("screen.finish.plan.as_planned")}
            </Button>
          )}
          {open && (
            <Choice
              label={t("screen.finish.plan.another", { part: name })}
              value={part.family as Family}
              options={
                Object.fromEntries(
                  part.families.map((family) => [family, capital(t(`tables.finishes.${family}.name`))]),
                ) as Record<Family, string>
              }
              onChange={onFamily}
            />
          )}
        </div>
      )}
    </Part>
  );
}
