import type { MendDetail, MendStep } from "../../../api/document";
import { changed } from "../../../draft/mendSteps";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { amountText } from "../../../kit/measure";
import { Ticket } from "../../../kit/parts";
import { useUnit } from "../../../kit/Units";
import type { Told } from "./told";

/** How long it takes in other places. */
export function DryTold({ dry, step, onPut }: Told & { dry: NonNullable<MendDetail["dry"]> }) {
  const unit = useUnit();
  return (
    <Ticket aria-label={t("screen.mend.places_to_dry")}>
      <thead>
        <tr>
          <th>{t("screen.mend.elsewhere")}</th>
          <th>{t("screen.mend.air_keeps_it_at")}</th>
          <th>{t("screen.mend.to_2", { to_pct: dry.to_pct })}</th>
          <td />
        </tr>
      </thead>
      <tbody>
        {dry.places.map(({ key, emc_pct, days }) => (
          <tr key={key}>
            <th scope="row">{t(`tables.drying_places.${key}.name`)}</th>
            <td>{amountText(emc_pct, "%", unit)}</td>
            <td>{days === null ? t("screen.mend.never") : amountText(days, "days", unit)}</td>
            <td>
              {key === dry.place ? (
                t("screen.mend.here")
              ) : (
                <Button
                  $kind="quiet"
                  style={{ minHeight: 30, padding: 0 }}
                  onPress={() => onPut(changed(step, { in: key as NonNullable<MendStep["in"]> }))}
                >
                  {t("screen.mend.put_it_there")}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}
