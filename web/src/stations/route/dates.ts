import type { RouteWay } from "../../api/document";
import { t } from "../../i18n/texts";

const DAY_MS = 86_400_000;
const dayText = (days: number, year: boolean) =>
  new Date(Date.now() + days * DAY_MS).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "short",
    ...(year && { year: "numeric" }),
  });
const inAnotherYear = (days: number) => new Date(Date.now() + days * DAY_MS).getFullYear() !== new Date().getFullYear();

/** The day so many days from now; with its year where that is another. */
export const dateIn = (days: number | null): string =>
  days === null ? t("screen.route.never") : dayText(days, inAnotherYear(days));

/** The likely day it is done. */
export const doneOn = ({ finish_days }: RouteWay): string => dateIn(finish_days.likely);

/** Earliest to latest, nothing where they are the same day. */
export function between({ finish_days: { earliest, latest } }: RouteWay): string {
  if (earliest === null) return "";
  if (latest === null) return t("screen.route.from", { day: dateIn(earliest) });
  const [from, to] = [dateIn(earliest), dateIn(latest)];
  return from === to ? "" : `${from} – ${to}`;
}
