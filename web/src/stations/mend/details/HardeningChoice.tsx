import type { HardeningWays } from "../../../api/document";
import { capital, t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { amountText } from "../../../kit/measure";
import { Heading, Quiet } from "../../../kit/parts";
import { ink } from "../../../kit/theme";
import { useUnit } from "../../../kit/Units";

/** The ways to harden what is soft, on one footing. */
export function HardeningChoice({
  ways,
  chosen,
  onChoose,
}: {
  ways: HardeningWays;
  chosen: string;
  onChoose: (key: string) => void;
}) {
  const unit = useUnit();
  const share = (value: number) => `${Math.round(value * 100)}`;
  return (
    <>
      <Heading>{t("screen.mend.the_ways_to_harden_it")}</Heading>
      <ul aria-label={t("screen.mend.ways_to_harden_it")}>
        {ways.map(({ key, g, cost, hands_min, wait_h, strength, deep_mm, through }) => (
          <li key={key} style={{ borderTop: `1px solid ${ink.rule}`, padding: "7px 0" }}>
            <div style={{ display: "flex", justifyContent: "space-between", gap: 10 }}>
              <strong>{capital(t(`tables.hardeners.${key}.name`))}</strong>
              {key === chosen ? (
                <span>{t("screen.mend.chosen")}</span>
              ) : (
                <Button $kind="quiet" style={{ minHeight: 30, padding: 0 }} onPress={() => onChoose(key)}>
                  {t("screen.mend.take_it")}
                </Button>
              )}
            </div>
            <div>
              {t("screen.mend.min_work_wait_back_to_to", {
                g: amountText(g, "g", unit),
                cost: amountText(cost, "money", unit),
                hands_min,
                wait_h: amountText(wait_h, "h", unit),
                share: share(strength[0] ?? 0),
                share_2: share(strength[1] ?? 0),
              })}
            </div>
            <Quiet style={{ margin: 0 }}>
              {through
                ? t("screen.mend.right_through")
                : t("screen.mend.deep_only", { deep_mm: amountText(deep_mm, "mm", unit) })}{" "}
              {capital(t(`tables.hardeners.${key}.colour`))}; {t(`tables.hardeners.${key}.food`)}.
            </Quiet>
          </li>
        ))}
      </ul>
    </>
  );
}
