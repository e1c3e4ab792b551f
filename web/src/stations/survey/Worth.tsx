import { without, type Document } from "../../api/document";
import { Button } from "../../kit/Button";
import { NumberField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Worked } from "../../kit/Advice";
import { useUnit } from "../../kit/Units";
import { Fields, Quiet } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";

type Sums = NonNullable<Document["worth"]>;
const START: Sums = { outcome: 100, hours: 4, rate: 20 };

/** What it would fetch against what it takes, where somebody wants to know. */
export function Worth() {
  const blank = useBlank();
  const unit = useUnit();
  const { document, draft, assessment } = blank;
  const { worth } = document;
  const fault = (name: string) =>
    blank.problem?.errors?.find(({ pointer }) => pointer === `/document/worth/${name}`)?.detail;
  const put = (sums: Sums | undefined) =>
    draft.change(sums ? { ...document, worth: sums } : without(document, "worth"));
  return (
    <section aria-label={t("screen.survey.is_it_worth_it")}>
      {!worth && <Button onPress={() => put(START)}>{t("screen.survey.reckon_what_it_comes_to")}</Button>}
      {worth && (
        <>
          <Fields>
            <NumberField
              label={t("screen.survey.would_fetch")}
              value={worth.outcome}
              onChange={(outcome) => put({ ...worth, outcome })}
              fault={fault("outcome")}
            />
            <NumberField
              label={t("screen.survey.hours_of_work")}
              value={worth.hours}
              onChange={(hours) => put({ ...worth, hours })}
              fault={fault("hours")}
            />
            <NumberField
              label={t("screen.survey.an_hour_costs")}
              value={worth.rate}
              onChange={(rate) => put({ ...worth, rate })}
              fault={fault("rate")}
            />
          </Fields>
          {assessment.worth && (
            <p>
              <Worked working={assessment.workings["/worth/margin"]}>
                {assessment.worth.pays ? `${t("screen.survey.leaves")} ` : `${t("screen.survey.short_by")} `}
                <strong>{amountText(Math.abs(assessment.worth.margin), "money", unit)}</strong>
              </Worked>
            </p>
          )}
          <Quiet>{t("screen.survey.counted_with_the_way_chosen_for")}</Quiet>
          <Button onPress={() => put(undefined)}>{t("screen.survey.leave_it_out")}</Button>
        </>
      )}
    </section>
  );
}
