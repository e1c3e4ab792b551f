import type { MendDetail } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { amountText, clockText } from "../../../kit/measure";
import { Ticket } from "../../../kit/parts";
import { ink } from "../../../kit/theme";
import { useUnit } from "../../../kit/Units";

/** Wood that the grooves of an inlay leave standing, and what it bears. */
export function Islands({ islands }: { islands: NonNullable<MendDetail["inlay"]>["islands"] }) {
  const unit = useUnit();
  return (
    <Ticket aria-label={t("screen.mend.islands")}>
      <thead>
        <tr>
          <th>{t("screen.mend.island_at")}</th>
          <th>{t("screen.mend.size")}</th>
          <th>{t("screen.mend.bears")}</th>
        </tr>
      </thead>
      <tbody>
        {islands.slice(0, 12).map(({ clock_deg, z_mm, area_mm2, bears_n, at_risk }, index) => (
          <tr key={index}>
            <th scope="row">
              {clockText(clock_deg)}, z {amountText(z_mm, "mm", unit)}
            </th>
            <td>{amountText(area_mm2, "mm2", unit)}</td>
            <td>
              {at_risk ? (
                <strong style={{ color: ink.rust }}>
                  {t("screen.mend.at_risk", { bears_n: amountText(bears_n, "N", unit) })}
                </strong>
              ) : (
                amountText(bears_n, "N", unit)
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}
