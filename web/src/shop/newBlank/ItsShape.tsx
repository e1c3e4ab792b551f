import { t } from "../../i18n/texts";
import { Choice } from "../../kit/Choice";
import { AmountField, ClockField, LengthField, NumberField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import { FromPhoto, type Taken } from "../../photo/FromPhoto";
import { PHOTO, type Draft } from "./draft";
import { GRAINS, LUMPS, SIZES } from "./options";
import { Outlined } from "./Outlined";
import { Scanned } from "./Scanned";

type Props = {
  draft: Draft;
  change: (part: Partial<Draft>) => void;
  onTaken: (taken: Taken | undefined) => void;
  /** Is its density to be given, since neither its name nor its weight tells it? */ asksDensity: boolean;
  /** What is wrong, by where it is in the question and in the document. */
  fault: (path: string) => string | undefined;
  saveFault: (path: string) => string | undefined;
};

/** Its shape and measures, how its fibres run, how wet and how heavy it is. */
export function ItsShape({ draft, change, onTaken, asksDensity, fault, saveFault }: Props) {
  const { type, grain, sizes } = draft;
  return (
    <>
      <Choice
        label={t("screen.shop.its_shape")}
        value={type}
        options={LUMPS}
        onChange={(next) => change({ type: next })}
      />
      {type === "photo" ? (
        <FromPhoto place={PHOTO} onTaken={onTaken} />
      ) : type === "scan" ? (
        <Scanned scan={draft.scan ?? undefined} onScan={(read) => change({ scan: read ?? null })} />
      ) : type === "outline" ? (
        <Outlined stations={draft.stations} onChange={(stations) => change({ stations })} fault={fault} />
      ) : (
        <Fields>
          {SIZES[type].map(([size, word]) => (
            <LengthField
              key={size}
              label={word}
              value={sizes[size] ?? 0}
              onChange={(value) => change({ sizes: { ...sizes, [size]: value } })}
              fault={fault(`/lump/${size}`)}
            />
          ))}
        </Fields>
      )}
      <Choice
        label={t("screen.shop.fibres_run")}
        value={grain}
        options={GRAINS}
        onChange={(next) => change({ grain: next })}
      />
      <Fields>
        {grain === "face" && (
          <ClockField
            label={t("screen.shop.fibres_towards")}
            value={draft.grainDeg}
            onChange={(grainDeg) => change({ grainDeg })}
          />
        )}
        <NumberField
          label={t("screen.shop.moisture")}
          value={draft.moisturePct}
          onChange={(moisturePct) => change({ moisturePct })}
          fault={fault("/moisture_pct")}
        />
        <AmountField
          of="weight"
          label={t("screen.shop.weight_if_weighed")}
          value={draft.massG}
          onChange={(massG) => change({ massG })}
          fault={fault("/mass_g")}
        />
        {asksDensity && (
          <NumberField
            label={t("screen.shop.density_kg_m3")}
            value={draft.densityOwn}
            onChange={(densityOwn) => change({ densityOwn })}
            fault={saveFault("/document/material/density")}
          />
        )}
      </Fields>
    </>
  );
}
