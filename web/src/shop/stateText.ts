import type { RackPlace } from "../api/document";
import { t } from "../i18n/texts";

const [HOUR_DAYS, MINUTE_DAYS] = [1 / 24, 1 / 1440];

/** What it is at: so late, so long to wait, or what to do. */
export function stateText({ wait, state, late_days: late }: Pick<RackPlace, "wait" | "state" | "late_days">): string {
  if (late !== null) return t("screen.shop.late", { days: late });
  if (!wait) return t(`screen.shop.states.${state}`);
  const left = wait.days_left;
  if (left < HOUR_DAYS) return t("screen.shop.minutes_left", { count: Math.max(1, Math.ceil(left / MINUTE_DAYS)) });
  if (left < 1) return t("screen.shop.hours_left", { count: Math.round(left / HOUR_DAYS) });
  return t("screen.shop.days_left", { count: Math.round(left) });
}
