import type { RouteStep } from "../api/document";
import { t } from "../i18n/texts";
import { amountText, type LengthUnit } from "./measure";

/** What is ready within minutes is no wait. */
const SOON_DAYS = 1 / 48;

/** The hands a step of a route takes, then what it waits. */
export function stepTime({ hands_min, wait_days: wait }: RouteStep, unit: LengthUnit): string {
  const hands = amountText(Math.round(hands_min), "min", unit);
  if (!wait) return hands;
  if (wait.likely === null) return `${hands}, ${t("screen.route.never")}`;
  return wait.likely < SOON_DAYS ? hands : `${hands}, ${amountText(wait.likely, "days", unit)}`;
}
