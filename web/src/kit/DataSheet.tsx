import { useState } from "react";
import type { MendStep } from "../api/document";
import { Button } from "./Button";
import { Choice } from "./Choice";
import { AmountField, LengthField, NumberField } from "./MeasureField";
import { Fields, Quiet } from "./parts";
import { t } from "../i18n/texts";

type SheetOf = NonNullable<MendStep["sheet"]>;
/** What a sheet says, and in which kind of field; a plain number has its unit in the label. */
const NUMBERS = [
  ["working_min", t("screen.kit.working_time_of_100_g_at"), "number"],
  ["peak_c", t("screen.kit.peak_of_that_cup"), "C"],
  ["layer_mm", t("screen.kit.deepest_pour"), "length"],
  ["cup_limit_g", t("screen.kit.largest_cup"), "g"],
  ["dry_to_pct", t("screen.kit.wood_at_most"), "number"],
  ["demould_h", t("screen.kit.demould_after_h"), "number"],
  ["cure_d", t("screen.kit.cured_after_days"), "number"],
  ["soft_from_c", t("screen.kit.softens_from"), "C"],
  ["price_per_g", t("screen.kit.price_a_gram"), "number"],
] as const;
/** Of a finish, which is of one part. */
const TIMES = [
  ["touch_h", t("screen.kit.touch_h"), "number"],
  ["recoat_h", t("screen.kit.recoat_h"), "number"],
  ["cure_h", t("screen.kit.cure_h"), "number"],
] as const;

type Props = {
  of?: string;
  sheet: SheetOf | undefined;
  faults: Record<string, string>;
  place: string;
  onPut: (sheet: SheetOf | undefined) => void;
  open?: boolean;
};

/** Numbers of the product's own data sheet, over those of its class. What is left at nothing stays as its class has it. */
export function Sheet({ of, sheet = {}, faults, place, onPut, open: always = false }: Props) {
  const [open, setOpen] = useState(always);
  const put = (change: { [Key in keyof SheetOf]?: SheetOf[Key] | undefined }) => {
    const next = Object.fromEntries(
      Object.entries({ ...sheet, ...change }).filter(([, value]) => value !== undefined),
    ) as SheetOf;
    onPut(Object.keys(next).length > 0 ? next : undefined);
  };
  const given = Object.keys(sheet).filter((key) => key !== "name").length;
  const wrong = Object.keys(faults).some((pointer) => pointer.startsWith(place));
  if (!open && !wrong)
    return (
      <Button $kind="quiet" style={{ justifySelf: "start", paddingLeft: 0 }} onPress={() => setOpen(true)}>
        {given > 0 ? t("screen.kit.its_own_data_sheet_numbers", { given }) : t("screen.kit.put_in_its_own_data_sheet")}
      </Button>
    );
  return (
    <div role="group" aria-label={t("screen.kit.data_sheet")}>
      <Fields>
        {(of === "finishes" ? TIMES : NUMBERS).map(([key, label, kind]) => {
          const field = {
            label,
            value: sheet[key] ?? 0,
            onChange: (value: number) => put({ [key]: value === 0 ? undefined : value }),
            fault: faults[`${place}/${key}`],
          };
          if (kind === "number") return <NumberField key={key} {...field} />;
          if (kind === "length") return <LengthField key={key} {...field} />;
          return <AmountField key={key} of={kind} emptyAtZero={kind === "C"} {...field} />;
        })}
      </Fields>
      {of !== "finishes" && (
        <Choice
          label={t("screen.kit.mixed")}
          value={sheet.mix_by ?? "class"}
          options={{
            class: t("screen.kit.as_its_class"),
            mass: t("screen.kit.by_mass"),
            volume: t("screen.kit.by_volume"),
          }}
          onChange={(by) =>
            put({
              mix_by: by === "class" ? undefined : by,
              ...(by === "class" && { parts: undefined, density_g_ml: undefined }),
            })
          }
        />
      )}
      {sheet.mix_by && (
        <Fields>
          {([0, 1] as const).map((side) => (
            <NumberField
              key={`p${side}`}
              label={side === 0 ? t("screen.kit.parts_of_resin") : t("screen.kit.parts_of_hardener")}
              value={sheet.parts?.[side] ?? 0}
              onChange={(value) =>
                put({ parts: side === 0 ? [value, sheet.parts?.[1] ?? 1] : [sheet.parts?.[0] ?? 1, value] })
              }
              fault={faults[`${place}/parts/${side}`]}
            />
          ))}
          {([0, 1] as const).map((side) => (
            <NumberField
              key={`d${side}`}
              label={side === 0 ? t("screen.kit.resin_g_ml") : t("screen.kit.hardener_g_ml")}
              value={sheet.density_g_ml?.[side] ?? 0}
              onChange={(value) =>
                put({
                  density_g_ml:
                    side === 0 ? [value, sheet.density_g_ml?.[1] ?? 1] : [sheet.density_g_ml?.[0] ?? 1.1, value],
                })
              }
              fault={faults[`${place}/density_g_ml/${side}`]}
            />
          ))}
        </Fields>
      )}
      <Quiet>{t("screen.kit.left_at_0_a_number_stays")}</Quiet>
    </div>
  );
}
