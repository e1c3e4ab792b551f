import type { MendStep } from "../../api/document";
import { t } from "../../i18n/texts";
import { Choice, Choices } from "../../kit/Choice";
import { AmountField, LengthField, NumberField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { CastFields } from "./cast/CastFields";
import { Grooves } from "./Grooves";
import { Product } from "./Product";
import { changed } from "../../draft/mendSteps";
import { useNames } from "../../kit/useNames";
import type { FieldsOf } from "./fieldsOf";

const MENDS = ["stabilise", "soak", "glue", "fill", "cast"];

/** What of a step can be decided. */
export function StepFields(props: FieldsOf) {
  const blank = useBlank();
  const { step, onPut } = props;
  const ids = Object.fromEntries(blank.document.defects.map(({ id }) => [id, id]));
  return (
    <div style={{ display: "grid", gap: 10 }}>
      {MENDS.includes(step.do) && Object.keys(ids).length > 0 && (
        <Choices
          label={t("screen.mend.mends")}
          value={step.of ?? []}
          options={ids}
          onChange={(of) => onPut(changed(step, { of: of.length > 0 || step.do !== "cast" ? of : undefined }))}
        />
      )}
      <With {...props} />
      {step.do !== "dry" && step.do !== "sand" && (
        <Fields>
          <NumberField
            label={t("screen.mend.own_wait_after_it_h_0")}
            value={step.after_h ?? 0}
            onChange={(after_h) => onPut(changed(step, { after_h: after_h === 0 ? undefined : after_h }))}
            fault={props.faults[`${props.place}/after_h`]}
          />
        </Fields>
      )}
      {step.do === "dry" && <DryFields {...props} />}
      {step.do === "stabilise" && <StabiliseFields {...props} />}
      {step.do === "cast" && <CastFields {...props} />}
      {step.do === "inlay" && <Grooves {...props} />}
    </div>
  );
}

/** What it is done with, where that is a choice. A filler not chosen is the one its mouth takes. */
function With(props: FieldsOf) {
  switch (props.step.do) {
    case "soak":
      return <Product {...props} table="hardeners" label={t("screen.mend.with")} without={["stabilising"]} />;
    case "glue":
      return <Product {...props} table="glues" label={t("screen.mend.with")} usual="medium_ca" />;
    case "fill":
      return (
        <Product {...props} table="fillers" label={t("screen.mend.with")} left={t("screen.mend.as_its_mouth_takes")} />
      );
    case "inlay":
      return <Product {...props} table="fillers" label={t("screen.mend.with")} usual="epoxy" />;
    default:
      return null;
  }
}

function DryFields({ step, faults, place, onPut }: FieldsOf) {
  const names = useNames("drying_places");
  return (
    <>
      {Object.keys(names).length > 0 && (
        <Choice
          label={t("screen.mend.where")}
          value={step.in ?? "room"}
          options={names}
          onChange={(where) => onPut(changed(step, { in: where as NonNullable<MendStep["in"]> }))}
        />
      )}
      <Fields>
        <NumberField
          label={t("screen.mend.to_moisture")}
          value={step.to_pct ?? 12}
          onChange={(to_pct) => onPut(changed(step, { to_pct }))}
          fault={faults[`${place}/to_pct`]}
        />
      </Fields>
    </>
  );
}

function StabiliseFields({ step, faults, place, onPut }: FieldsOf) {
  const vessel = step.vessel ?? { diameter_mm: 0, depth_mm: 0 };
  const put = (change: Partial<typeof vessel>) => {
    const next = { ...vessel, ...change };
    // Half a vessel is none yet: the other way is taken as the same until it is said.
    onPut(
      changed(step, {
        vessel: { diameter_mm: next.diameter_mm || next.depth_mm, depth_mm: next.depth_mm || next.diameter_mm },
      }),
    );
  };
  return (
    <Fields>
      <LengthField
        label={t("screen.mend.vessel_across")}
        value={vessel.diameter_mm}
        onChange={(diameter_mm) => put({ diameter_mm })}
        fault={faults[`${place}/vessel/diameter_mm`]}
      />
      <LengthField
        label={t("screen.mend.vessel_deep")}
        value={vessel.depth_mm}
        onChange={(depth_mm) => put({ depth_mm })}
        fault={faults[`${place}/vessel/depth_mm`]}
      />
      <NumberField
        label={t("screen.mend.shop_over_the_sea_m")}
        value={step.altitude_m ?? 0}
        onChange={(altitude_m) => onPut(changed(step, { altitude_m, air_hpa: undefined }))}
        fault={faults[`${place}/altitude_m`]}
      />
      <NumberField
        label={t("screen.mend.air_today_hpa")}
        value={step.air_hpa ?? 0}
        onChange={(air_hpa) => onPut(changed(step, { air_hpa: air_hpa || undefined }))}
        fault={faults[`${place}/air_hpa`]}
      />
      <AmountField
        of="C"
        label={t("screen.mend.oven_temperature")}
        value={step.oven_c ?? 90}
        onChange={(oven_c) => onPut(changed(step, { oven_c }))}
        fault={faults[`${place}/oven_c`]}
      />
      <NumberField
        label={t("screen.mend.held_for_min")}
        value={step.hold_min ?? 60}
        onChange={(hold_min) => onPut(changed(step, { hold_min }))}
        fault={faults[`${place}/hold_min`]}
      />
    </Fields>
  );
}
