import { useState } from "react";
import type { MendStep } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { AmountField, LengthField, NumberField, TextLine } from "../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../kit/parts";
import { Placed } from "./Placed";
import { Product } from "./Product";
import { changed, otherMould } from "../../draft/mendSteps";
import { useNames, type FieldsOf } from "./StepFields";
import { t } from "../../i18n/texts";

type Mould = NonNullable<MendStep["mould"]>;
type Colour = NonNullable<MendStep["colours"]>[number];
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
      {more && <Rest {...props} />}
    </>
  );
}

const BY = {
  survey: t("screen.mend.by_the_survey"),
  weight: t("screen.mend.by_its_weight"),
  displacement: t("screen.mend.by_what_it_pushes_aside"),
} as const;

function InIt({ step, faults, place, onPut }: FieldsOf) {
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

const AIR = {
  patience: t("screen.mend.patience"),
  vacuum: t("screen.mend.vacuum_on_the_cup"),
  pressure: t("screen.mend.pressure_pot"),
} as const;
const POT = { diameter_mm: 250, depth_mm: 300, rated_bar: 4, bar: 3 };

function Rest({ step, faults, place, onPut }: FieldsOf) {
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
      <Colours step={step} faults={faults} place={place} onPut={onPut} />
    </>
  );
}

const OVEN = { no: t("screen.mend.the_shops_own_warmth"), yes: t("screen.mend.an_oven_afterwards") } as const;
const USUAL_OVEN = { oven_c: 60, hold_h: 4 };

function Oven({ step, faults, place, onPut }: Omit<FieldsOf, "at">) {
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

function Colours({ step, faults, place, onPut }: Omit<FieldsOf, "at">) {
  const pigments = useNames("pigments");
  const colours = step.colours ?? [];
  const put = (next: Colour[]) => onPut(changed(step, { colours: next.length > 0 ? next : undefined }));
  return (
    <>
      {colours.map((colour, index) => {
        const own = (change: Partial<Colour>) =>
          put(colours.map((old, other) => (other === index ? { ...old, ...change } : old)));
        return (
          <Fields key={index} role="group" aria-label={t("screen.mend.colour", { value: index + 1 })}>
            <TextLine
              label={t("screen.mend.colour_2")}
              value={colour.name}
              most={60}
              onChange={(name) => name && own({ name })}
            />
            <NumberField
              label={t("screen.mend.share")}
              value={colour.share * 100}
              onChange={(share) => own({ share: share / 100 })}
              fault={faults[`${place}/colours/${index}/share`]}
            />
            <NumberField
              label={t("screen.mend.pigment")}
              value={colour.pigment_pct ?? 0}
              onChange={(pigment_pct) => own({ pigment_pct })}
              fault={faults[`${place}/colours/${index}/pigment_pct`]}
            />
            <Button
              $kind="quiet"
              style={{ alignSelf: "end" }}
              onPress={() => put(colours.filter((_, other) => other !== index))}
            >
              {t("screen.mend.take_out")}
            </Button>
            {(colour.pigment_pct ?? 0) > 0 && Object.keys(pigments).length > 0 && (
              <div style={{ gridColumn: "1 / -1" }}>
                <Choice
                  label={t("screen.mend.coloured_with")}
                  value={colour.with ?? "paste"}
                  options={pigments}
                  onChange={(key) => own({ with: key })}
                />
              </div>
            )}
          </Fields>
        );
      })}
      <Row>
        <Button
          isDisabled={colours.length >= 12}
          onPress={() => put([...colours, { name: "clear", share: colours.length === 0 ? 1 : 0 }])}
        >
          {t("screen.mend.add_a_colour")}
        </Button>
      </Row>
      {colours.length > 1 && (
        <Quiet>
          {t("screen.mend.shares_come_to", {
            round: Math.round(colours.reduce((sum, { share }) => sum + share, 0) * 100),
          })}
        </Quiet>
      )}
    </>
  );
}
