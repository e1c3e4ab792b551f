import type { MendDetail } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { amountText } from "../../../kit/measure";
import { useUnit } from "../../../kit/Units";
import { WorkedRows } from "../WorkedRows";
import type { Told } from "./told";

/** Glue, gap and pressure of a joint. */
export function GlueTold({ glue, workings, place }: Told & { glue: NonNullable<MendDetail["glue"]> }) {
  const unit = useUnit();
  const rows: [string, string, string][] = [
    [
      "g",
      t("screen.mend.glue_both_faces"),
      t("screen.mend.on_", { g: amountText(glue.g, "g", unit), joint_cm2: amountText(glue.joint_cm2, "cm2", unit) }),
    ],
    ["gap_mm", t("screen.mend.no_gap_over"), amountText(glue.gap_mm, "mm", unit)],
    [
      "clamp_n",
      t("screen.mend.pressed_with_about"),
      t("screen.mend.for", {
        clamp_n: amountText(glue.clamp_n, "N", unit),
        clamp_min: amountText(glue.clamp_min, "min", unit),
      }),
    ],
    ...(glue.wall_mm === null
      ? []
      : [
          ["wall_mm", t("screen.mend.wall_to_leave_over_the_joint"), amountText(glue.wall_mm, "mm", unit)] as [
            string,
            string,
            string,
          ],
        ]),
  ];
  return <WorkedRows label={t("screen.mend.the_joint")} {...{ rows, workings, place }} />;
}
