import { useState } from "react";
import type { MendStep } from "../api/document";
import { Button } from "./Button";
import { Choice } from "./Choice";
import { NumberField } from "./MeasureField";
import { Fields, Quiet } from "./parts";

type SheetOf = NonNullable<MendStep["sheet"]>;
const NUMBERS = [
  ["working_min", "Working time of 100 g at 25 °C, min"],
  ["peak_c", "Peak of that cup, °C"],
  ["layer_mm", "Deepest pour, mm"],
  ["cup_limit_g", "Largest cup, g"],
  ["dry_to_pct", "Wood at most, %"],
  ["demould_h", "Demould after, h"],
  ["cure_d", "Cured after, days"],
  ["soft_from_c", "Softens from, °C"],
  ["price_per_g", "Price a gram"],
] as const;

type Props = {
  sheet: SheetOf | undefined;
  faults: Record<string, string>;
  place: string;
  onPut: (sheet: SheetOf | undefined) => void;
  open?: boolean;
};

/** Numbers of the product's own data sheet, over those of its class. What is left at nothing stays as its class has it. */
export function Sheet({ sheet = {}, faults, place, onPut, open: always = false }: Props) {
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
        {given > 0 ? `Its own data sheet: ${given} numbers` : "Put in its own data sheet"}
      </Button>
    );
  return (
    <div role="group" aria-label="Data sheet">
      <Fields>
        {NUMBERS.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            value={sheet[key] ?? 0}
            onChange={(value) => put({ [key]: value === 0 && sheet[key] === undefined ? undefined : value })}
            fault={faults[`${place}/${key}`]}
          />
        ))}
      </Fields>
      <Choice
        label="Mixed"
        value={sheet.mix_by ?? "class"}
        options={{ class: "as its class", mass: "by mass", volume: "by volume" }}
        onChange={(by) =>
          put({
            mix_by: by === "class" ? undefined : by,
            ...(by === "class" && { parts: undefined, density_g_ml: undefined }),
          })
        }
      />
      {sheet.mix_by && (
        <Fields>
          {([0, 1] as const).map((side) => (
            <NumberField
              key={`p${side}`}
              label={side === 0 ? "Parts of resin" : "Parts of hardener"}
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
              label={side === 0 ? "Resin, g/ml" : "Hardener, g/ml"}
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
      <Quiet>Left at 0, a number stays as its class has it. The product’s safety data sheet comes first.</Quiet>
    </div>
  );
}
