import type { MendStep } from "../../../api/document";
import { changed } from "../../../draft/mendSteps";
import { t } from "../../../i18n/texts";
import { Choice } from "../../../kit/Choice";
import { AmountField } from "../../../kit/MeasureField";
import { Fields } from "../../../kit/parts";
import type { FieldsOf } from "../fieldsOf";
import { Placed } from "../Placed";

const BY = {
  survey: t("screen.mend.by_the_survey"),
  weight: t("screen.mend.by_its_weight"),
  displacement: t("screen.mend.by_what_it_pushes_aside"),
} as const;

/** How much of the mould the piece takes up: by the survey, on the scale or in water. */
export function InIt({ step, faults, place, onPut }: FieldsOf) {
  const { wood } = step;
  const put = (change: Partial<NonNullable<MendStep["wood"]>>) =>
    onPut(changed(step, { wood: { by: "displacement", value: 100, ...wood, ...change } }));
  return (
    <>
      <Choice
        label={t("screen.mend.how_much_lies_in_it")}
        value={wood?.by ?? "survey"}
        options={BY}
        onChange={(by) => (by === "survey" ? onPut(changed(step, { wood: undefined })) : put({ by }))}
      />
      {!wood && <Placed {...{ step, faults, place, onPut }} />}
      {wood && (
        <Fields>
          <AmountField
            of={wood.by === "weight" ? "weight" : "ml"}
            label={wood.by === "weight" ? t("screen.mend.weight_today") : t("screen.mend.displaced")}
            value={wood.value}
            onChange={(value) => put({ value })}
            fault={faults[`${place}/wood/value`]}
          />
          {wood.by === "displacement" && (
            <AmountField
              of="weight"
              label={t("screen.mend.weighs_alone")}
              value={wood.mass_g ?? 0}
              onChange={(mass_g) => put({ mass_g })}
              fault={faults[`${place}/wood/mass_g`]}
            />
          )}
        </Fields>
      )}
    </>
  );
}
