import { changed } from "../../../draft/mendSteps";
import { t } from "../../../i18n/texts";
import { Choice } from "../../../kit/Choice";
import { AmountField, LengthField, NumberField } from "../../../kit/MeasureField";
import { Fields } from "../../../kit/parts";
import type { FieldsOf } from "../fieldsOf";
import { Colours } from "./Colours";

const AIR = {
  patience: t("screen.mend.patience"),
  vacuum: t("screen.mend.vacuum_on_the_cup"),
  pressure: t("screen.mend.pressure_pot"),
} as const;
const POT = { diameter_mm: 250, depth_mm: 300, rated_bar: 4, bar: 3 };

/** What is seldom other than usual: bubbles, losses, temperatures, the mould's face, the oven and colours. */
export function AirAndOven({ step, faults, place, onPut }: FieldsOf) {
  const pot = step.pot ?? POT;
  const putPot = (change: Partial<typeof POT>) => onPut(changed(step, { pot: { ...pot, ...change } }));
  const number = (
    key: "loss_pct" | "resin_c" | "mould_c" | "night_c" | "pieces" | "cup_g",
    label: string,
    usual: number,
  ) => (
    <NumberField
      label={label}
      value={step[key] ?? usual}
      onChange={(value) => onPut(changed(step, { [key]: value }))}
      fault={faults[`${place}/${key}`]}
    />
  );
  return (
    <>
      <Choice
        label={t("screen.mend.bubbles")}
        value={step.air ?? "patience"}
        options={AIR}
        onChange={(air) => onPut(changed(step, { air, pot: air === "pressure" ? pot : undefined }))}
      />
      {step.air === "pressure" && (
        <Fields>
          <NumberField
            label={t("screen.mend.pot_rated_bar")}
            value={pot.rated_bar}
            onChange={(rated_bar) => putPot({ rated_bar })}
            fault={faults[`${place}/pot/rated_bar`]}
          />
          <NumberField
            label={t("screen.mend.used_at_bar")}
            value={pot.bar}
            onChange={(bar) => putPot({ bar })}
            fault={faults[`${place}/pot/bar`]}
          />
          <LengthField
            label={t("screen.mend.pot_across")}
            value={pot.diameter_mm}
            onChange={(diameter_mm) => putPot({ diameter_mm })}
          />
          <LengthField
            label={t("screen.mend.pot_deep")}
            value={pot.depth_mm}
            onChange={(depth_mm) => putPot({ depth_mm })}
          />
        </Fields>
      )}
      <Fields>
        {number("loss_pct", t("screen.mend.lost"), 8)}
        {number("cup_g", t("screen.mend.left_in_a_cup_g"), 15)}
        {number("resin_c", t("screen.mend.resin_at_c"), 20)}
        {number("mould_c", t("screen.mend.mould_at_c"), 20)}
        {number("night_c", t("screen.mend.coldest_at_night_c"), 18)}
        {number("pieces", t("screen.mend.sawn_into"), 1)}
      </Fields>
      <Choice
        label={t("screen.mend.against_sticking")}
        value={step.lined ? "film" : "release"}
        options={{ release: t("screen.mend.release_on_every_face"), film: t("screen.mend.lined_with_film") }}
        onChange={(how) => onPut(changed(step, { lined: how === "film" ? true : undefined }))}
      />
      <Oven {...{ step, faults, place, onPut }} />
      <Colours {...{ step, faults, place, onPut }} />
    </>
  );
}

const OVEN = { no: t("screen.mend.the_shops_own_warmth"), yes: t("screen.mend.an_oven_afterwards") } as const;
const USUAL_OVEN = { oven_c: 60, hold_h: 4 };

function Oven({ step, faults, place, onPut }: FieldsOf) {
  const oven = step.post_cure;
  const put = (change: Partial<typeof USUAL_OVEN>) =>
    onPut(changed(step, { post_cure: { ...USUAL_OVEN, ...oven, ...change } }));
  return (
    <>
      <Choice
        label={t("screen.mend.cured_through_by")}
        value={oven ? "yes" : "no"}
        options={OVEN}
        onChange={(by) => (by === "yes" ? put({}) : onPut(changed(step, { post_cure: undefined })))}
      />
      {oven && (
        <Fields>
          <AmountField
            of="C"
            label={t("screen.mend.oven_temperature")}
            value={oven.oven_c}
            onChange={(oven_c) => put({ oven_c })}
            fault={faults[`${place}/post_cure/oven_c`]}
          />
          <NumberField
            label={t("screen.mend.its_heart_held_there_h")}
            value={oven.hold_h}
            onChange={(hold_h) => put({ hold_h })}
            fault={faults[`${place}/post_cure/hold_h`]}
          />
        </Fields>
      )}
    </>
  );
}
