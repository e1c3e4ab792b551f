import type { Person } from "../api/document";
import { t, words } from "../i18n/texts";

/** Hours of a week: spans of minutes from midnight, by weekday, 1 for Monday. */
export type Hours = Person["hours"];
export const DAYS = ["1", "2", "3", "4", "5", "6", "7"] as const;
export const DAY_NAMES = words("screen.shop.weekdays", DAYS);

/** "08:00" of minutes from midnight, and back. */
export const clock = (minutes: number) =>
  minutes >= 1440
    ? "23:59"
    : [Math.floor(minutes / 60), minutes % 60].map((part) => String(part).padStart(2, "0")).join(":");
export function minutesOf(text: string): number | undefined {
  const [, hours, minutes] = /^(\d\d):(\d\d)/.exec(text) ?? [];
  if (hours === undefined || minutes === undefined) return undefined;
  const all = Number(hours) * 60 + Number(minutes);
  return all === 1439 ? 1440 : all;
}

/** "Mon–Fri 08:00 to 16:00", days of the same hours together. */
export function hoursText(hours: Hours): string {
  const said = new Map<string, number[]>();
  for (const { weekday, from_min, to_min } of hours) {
    const span = t("screen.shop.from_to", { from: clock(from_min), to: clock(to_min) });
    said.set(span, [...(said.get(span) ?? []), weekday]);
  }
  if (said.size === 0) return t("screen.shop.no_hours");
  return [...said].map(([span, days]) => `${daysText(days)} ${span}`).join(t("lists.comma"));
}

function daysText(days: number[]): string {
  const names = days.map((day) => DAY_NAMES[String(day) as (typeof DAYS)[number]]);
  const inARow = days.every((day, index) => index === 0 || day === (days[index - 1] ?? 0) + 1);
  return inARow && days.length > 2 ? `${names[0]}–${names.at(-1)}` : names.join(t("lists.comma"));
}
