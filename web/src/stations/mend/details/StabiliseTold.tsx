import type { MendDetail } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { amountText } from "../../../kit/measure";
import { Quiet } from "../../../kit/parts";
import { useUnit } from "../../../kit/Units";
import { WorkedRows } from "../WorkedRows";
import { HardeningChoice } from "./HardeningChoice";
import type { Told } from "./told";

/** Resin, ballast, vacuum and oven of a stabilising. */
export function StabiliseTold({
  stabilise: one,
  workings,
  place,
  step,
  onPut,
}: Told & { stabilise: NonNullable<MendDetail["stabilise"]> }) {
  const unit = useUnit();
  const rows: [string, string, string][] = [
    ["dry_g", t("screen.mend.weighs_dry"), amountText(one.dry_g, "g", unit)],
    [
      "expected_g",
      t("screen.mend.takes_up"),
      t("screen.mend.to_3", {
        amount_text: amountText(one.expected_g[0] ?? 0, "g", unit),
        amount_text_2: amountText(one.expected_g[1] ?? 0, "g", unit),
      }),
    ],
    [
      "resin_ml",
      t("screen.mend.resin_to_have_ready"),
      one.resin_ml === null ? t("screen.mend.say_the_vessel") : amountText(one.resin_ml, "ml", unit),
    ],
    [
      "lift_n",
      t("screen.mend.ballast_on_it"),
      one.ballast_g > 0 ? amountText(one.ballast_g, "g", unit) : t("screen.mend.none_it_sinks"),
    ],
    ["gauge_hpa", t("screen.mend.gauge_comes_to"), amountText(one.gauge_hpa, "hPa", unit)],
    [
      "heat_min",
      t("screen.mend.oven"),
      t("screen.mend.to_heat_through_held", {
        heat_min: amountText(one.heat_min, "min", unit),
        hold_min: amountText(one.hold_min, "min", unit),
      }),
    ],
  ];
  return (
    <>
      <WorkedRows label={t("screen.mend.stabilising")} {...{ rows, workings, place }}>
        <tr>
          <th scope="row">{t("screen.mend.under_vacuum_then_under_air")}</th>
          <td>
            {t("screen.mend.about_then", {
              pump_min: amountText(one.pump_min, "min", unit),
              soak_min: amountText(one.soak_min, "min", unit),
            })}
          </td>
        </tr>
      </WorkedRows>
      {one.records > 0 && (
        <Quiet>
          {t("screen.mend.by_your_own_records_of_the", {
            records: one.records,
            expected_share: amountText(one.expected_share, "share", unit),
          })}
        </Quiet>
      )}
      <HardeningChoice
        ways={one.ways}
        chosen="stabilising"
        onChoose={(key) => onPut({ id: step.id, do: "soak", of: step.of ?? [], with: key })}
      />
    </>
  );
}
