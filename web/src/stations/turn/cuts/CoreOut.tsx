import type { Cuts } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { amountText } from "../../../kit/measure";
import { Heading, Quiet } from "../../../kit/parts";
import { useUnit } from "../../../kit/Units";
/** The second blank there is in the hollow, before it becomes shavings. */
export function CoreOut({ core }: { core: NonNullable<Cuts["core_out"]> }) {
  const unit = useUnit();
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const torque = { torque: shown(core.torque_nm, "N m"), belt: shown(core.belt_torque_nm ?? 0, "N m") };
  return (
    <section aria-label={t("screen.turn.core.heading")}>
      <Heading>{t("screen.turn.core.heading")}</Heading>
      <p>
        {t("screen.turn.core.size", {
          diameter: shown(core.diameter_mm, "mm"),
          height: shown(core.height_mm, "mm"),
          mass: shown(core.mass_g, "g"),
          knife: shown(core.knife_mm, "mm"),
        })}{" "}
        {core.holds.length > 0 && t("screen.turn.core.holds", { ids: core.holds.join(", ") })}
      </p>
      <Quiet>
        {core.why_not
          ? t(`screen.turn.core.why_not.${core.why_not}`, torque)
          : t(core.belt_torque_nm === null ? "screen.turn.core.takes" : "screen.turn.core.takes_of", torque)}
      </Quiet>
    </section>
  );
}
