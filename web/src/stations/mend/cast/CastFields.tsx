import { useState } from "react";
import type { MendStep } from "../../../api/document";
import { changed, otherMould } from "../../../draft/mendSteps";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Choice } from "../../../kit/Choice";
import { LengthField } from "../../../kit/MeasureField";
import { Fields } from "../../../kit/parts";
import type { FieldsOf } from "../fieldsOf";
import { Product } from "../Product";
import { AirAndOven } from "./AirAndOven";
import { InIt } from "./InIt";

type Mould = NonNullable<MendStep["mould"]>;
const MOULDS = {
  box: t("screen.mend.box"),
  tube: t("screen.mend.tube"),
  sheet: t("screen.mend.built_of_sheet"),
  cup: t("screen.mend.cup"),
} as const;
const SIZES = {
  box: [
    ["width_mm", t("screen.mend.width")],
    ["length_mm", t("screen.mend.length")],
  ],
  tube: [["diameter_mm", t("screen.mend.inside_across")]],
  sheet: [
    ["width_mm", t("screen.mend.width")],
    ["length_mm", t("screen.mend.length")],
    ["sheet_mm", t("screen.mend.sheet")],
  ],
  cup: [
    ["diameter_mm", t("screen.mend.across_below")],
    ["top_mm", t("screen.mend.across_at_the_top")],
  ],
} as const;

/** What of a casting can be decided: resin, mould, what lies in it, the air, colours. */
export function CastFields(props: FieldsOf) {
  const { step, faults, place, onPut } = props;
  const [more, setMore] = useState(false);
  const mould: Mould = step.mould ?? { type: "box", width_mm: 100, length_mm: 100, depth_mm: 50 };
  const put = (change: Partial<Mould>) => onPut(changed(step, { mould: { ...mould, ...change } }));
  return (
    <>
      <Product {...props} table="resins" label={t("screen.mend.resin")} usual="casting_epoxy" withSheet />
      <Choice
        label={t("screen.mend.mould_2")}
        value={mould.type}
        options={MOULDS}
        onChange={(type) => onPut(changed(step, { mould: otherMould(mould, type) }))}
      />
      <Fields>
        {SIZES[mould.type].map(([size, name]) => (
          <LengthField
            key={size}
            label={name}
            value={mould[size] ?? mould.diameter_mm ?? 0}
            onChange={(value) => put({ [size]: value })}
            fault={faults[`${place}/mould/${size}`]}
          />
        ))}
        <LengthField
          label={t("screen.mend.depth_of_the_pour")}
          value={mould.depth_mm}
          onChange={(depth_mm) => put({ depth_mm })}
          fault={faults[`${place}/mould/depth_mm`]}
        />
      </Fields>
      <InIt {...props} />
      <Button
        $kind="quiet"
        style={{ justifySelf: "start", paddingLeft: 0 }}
        aria-expanded={more}
        onPress={() => setMore(!more)}
      >
        {more ? t("screen.mend.fold_the_rest") : t("screen.mend.air_colours_loss_temperatures")}
      </Button>
      {more && <AirAndOven {...props} />}
    </>
  );
}
