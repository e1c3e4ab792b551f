import { useState } from "react";
import type { MendStep } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField, TextLine } from "../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../kit/parts";
import { Placed } from "./Placed";
import { Product } from "./Product";
import { changed, otherMould } from "../../draft/mendSteps";
import { useNames, type FieldsOf } from "./StepFields";

type Mould = NonNullable<MendStep["mould"]>;
type Colour = NonNullable<MendStep["colours"]>[number];
const MOULDS = { box: "Box", tube: "Tube", sheet: "Built of sheet", cup: "Cup" } as const;
const SIZES = {
  box: [
    ["width_mm", "Width"],
    ["length_mm", "Length"],
  ],
  tube: [["diameter_mm", "Inside across"]],
  sheet: [
    ["width_mm", "Width"],
    ["length_mm", "Length"],
    ["sheet_mm", "Sheet"],
  ],
  cup: [
    ["diameter_mm", "Across below"],
    ["top_mm", "Across at the top"],
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
      <Product {...props} table="resins" label="Resin" usual="casting_epoxy" withSheet />
      <Choice
        label="Mould"
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
          label="Depth of the pour"
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
        {more ? "Fold the rest" : "Air, colours, loss, temperatures"}
      </Button>
      {more && <Rest {...props} />}
    </>
  );
}

const BY = { survey: "By the survey", weight: "By its weight", displacement: "By what it pushes aside" } as const;

function InIt({ step, faults, place, onPut }: FieldsOf) {
  const { wood } = step;
  const put = (change: Partial<NonNullable<MendStep["wood"]>>) =>
    onPut(changed(step, { wood: { by: "displacement", value: 100, ...wood, ...change } }));
  return (
    <>
      <Choice
        label="How much lies in it"
        value={wood?.by ?? "survey"}
        options={BY}
        onChange={(by) => (by === "survey" ? onPut(changed(step, { wood: undefined })) : put({ by }))}
      />
      {!wood && <Placed {...{ step, faults, place, onPut }} />}
      {wood && (
        <Fields>
          <NumberField
            label={wood.by === "weight" ? "Weight, g" : "Pushed aside, ml"}
            value={wood.value}
            onChange={(value) => put({ value })}
            fault={faults[`${place}/wood/value`]}
          />
          {wood.by === "displacement" && (
            <NumberField
              label="Weighs, g"
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

const AIR = { patience: "Patience", vacuum: "Vacuum on the cup", pressure: "Pressure pot" } as const;
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
        label="Bubbles"
        value={step.air ?? "patience"}
        options={AIR}
        onChange={(air) => onPut(changed(step, { air, pot: air === "pressure" ? pot : undefined }))}
      />
      {step.air === "pressure" && (
        <Fields>
          <NumberField
            label="Pot rated, bar"
            value={pot.rated_bar}
            onChange={(rated_bar) => putPot({ rated_bar })}
            fault={faults[`${place}/pot/rated_bar`]}
          />
          <NumberField
            label="Used at, bar"
            value={pot.bar}
            onChange={(bar) => putPot({ bar })}
            fault={faults[`${place}/pot/bar`]}
          />
          <LengthField label="Pot across" value={pot.diameter_mm} onChange={(diameter_mm) => putPot({ diameter_mm })} />
          <LengthField label="Pot deep" value={pot.depth_mm} onChange={(depth_mm) => putPot({ depth_mm })} />
        </Fields>
      )}
      <Fields>
        {number("loss_pct", "Lost, %", 8)}
        {number("cup_g", "Left in a cup, g", 15)}
        {number("resin_c", "Resin at, °C", 20)}
        {number("mould_c", "Mould at, °C", 20)}
        {number("night_c", "Coldest at night, °C", 18)}
        {number("pieces", "Sawn into", 1)}
      </Fields>
      <Choice
        label="Against sticking"
        value={step.lined ? "film" : "release"}
        options={{ release: "Release on every face", film: "Lined with film" }}
        onChange={(how) => onPut(changed(step, { lined: how === "film" ? true : undefined }))}
      />
      <Oven {...{ step, faults, place, onPut }} />
      <Colours step={step} faults={faults} place={place} onPut={onPut} />
    </>
  );
}

const OVEN = { no: "The shop’s own warmth", yes: "An oven afterwards" } as const;
const USUAL_OVEN = { oven_c: 60, hold_h: 4 };

function Oven({ step, faults, place, onPut }: Omit<FieldsOf, "at">) {
  const oven = step.post_cure;
  const put = (change: Partial<typeof USUAL_OVEN>) =>
    onPut(changed(step, { post_cure: { ...USUAL_OVEN, ...oven, ...change } }));
  return (
    <>
      <Choice
        label="Cured through by"
        value={oven ? "yes" : "no"}
        options={OVEN}
        onChange={(by) => (by === "yes" ? put({}) : onPut(changed(step, { post_cure: undefined })))}
      />
      {oven && (
        <Fields>
          <NumberField
            label="Oven, °C"
            value={oven.oven_c}
            onChange={(oven_c) => put({ oven_c })}
            fault={faults[`${place}/post_cure/oven_c`]}
          />
          <NumberField
            label="Its heart held there, h"
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
          <Fields key={index} role="group" aria-label={`Colour ${index + 1}`}>
            <TextLine label="Colour" value={colour.name} most={60} onChange={(name) => name && own({ name })} />
            <NumberField
              label="Share, %"
              value={colour.share * 100}
              onChange={(share) => own({ share: share / 100 })}
              fault={faults[`${place}/colours/${index}/share`]}
            />
            <NumberField
              label="Pigment, %"
              value={colour.pigment_pct ?? 0}
              onChange={(pigment_pct) => own({ pigment_pct })}
              fault={faults[`${place}/colours/${index}/pigment_pct`]}
            />
            <Button
              $kind="quiet"
              style={{ alignSelf: "end" }}
              onPress={() => put(colours.filter((_, other) => other !== index))}
            >
              Take out
            </Button>
            {(colour.pigment_pct ?? 0) > 0 && Object.keys(pigments).length > 0 && (
              <div style={{ gridColumn: "1 / -1" }}>
                <Choice
                  label="Coloured with"
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
          Add a colour
        </Button>
      </Row>
      {colours.length > 1 && (
        <Quiet>Shares come to {Math.round(colours.reduce((sum, { share }) => sum + share, 0) * 100)} %.</Quiet>
      )}
    </>
  );
}
