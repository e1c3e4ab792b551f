import type { RackPlace } from "../api/document";
import { t } from "../i18n/texts";
import { stateText } from "./stateText";

/** Up to so many pieces a rack is read at a glance, in the order of their numbers. */
export const AT_A_GLANCE = 14;

export type RackGroup = { key: string; name: string; places: RackPlace[] };

/** Late ones first, then each state that wants a hand (the fullest first), then those that wait (the soonest first). */
export function rackGroups(places: RackPlace[]): RackGroup[] {
  const groups = new Map<string, RackGroup>();
  for (const place of places) {
    const key = place.late_days !== null ? "late" : place.wait ? "waiting" : place.state;
    const name =
      key === "late" ? t("screen.shop.late_ones") : key === "waiting" ? t("screen.shop.waiting") : stateText(place);
    const group = groups.get(key) ?? { key, name, places: [] };
    group.places.push(place);
    groups.set(key, group);
  }
  groups.get("waiting")?.places.sort((a, b) => (a.wait?.days_left ?? 0) - (b.wait?.days_left ?? 0));
  const rank = ({ key }: RackGroup) => (key === "late" ? 0 : key === "waiting" ? 2 : 1);
  return [...groups.values()].sort((a, b) => rank(a) - rank(b) || b.places.length - a.places.length);
}

/** Those whose number begins with what is sought, or whose name or state has every word of it. */
export function found(places: RackPlace[], sought: string): RackPlace[] {
  const words = sought.trim().toLocaleLowerCase().split(/\s+/);
  return places.filter((place) => {
    const text = `${place.name} ${stateText(place)}`.toLocaleLowerCase();
    return words.every((word) => String(place.number ?? "").startsWith(word) || text.includes(word));
  });
}
