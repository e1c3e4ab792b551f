import { dequal } from "dequal";

type Plain = Record<string, unknown>;
type Named = { id: string };

const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const isNamed = (value: unknown): value is Named[] =>
  Array.isArray(value) && value.every((one) => isPlain(one) && typeof one.id === "string");

/**
 * What was changed between `base` and `changed`, done to `now` instead: a field that shows an older draft for a moment
 * changes what was typed in it and nothing else. Objects by their keys, lists of things with an id by these;
 * any other list, and whatever was changed in both, is as in `changed`. An undefined value is a key that is not there.
 */
export function rebase(base: unknown, changed: unknown, now: unknown): unknown {
  if (dequal(base, changed)) return now;
  if (dequal(base, now)) return changed;
  if (isNamed(base) && isNamed(changed) && isNamed(now)) return rebaseNamed(base, changed, now);
  if (!isPlain(base) || !isPlain(changed) || !isPlain(now)) return changed;
  const keys = new Set([...Object.keys(now), ...Object.keys(changed)]);
  return Object.fromEntries(
    [...keys].map((key) => [key, rebase(base[key], changed[key], now[key])]).filter(([, value]) => value !== undefined),
  );
}

/** The list in the order of `changed`, then what `now` has besides. */
function rebaseNamed(base: Named[], changed: Named[], now: Named[]): Named[] {
  const ids = new Set([...changed, ...now].map(({ id }) => id));
  const by = (list: Named[], id: string) => list.find((one) => one.id === id);
  return [...ids]
    .map((id) => rebase(by(base, id), by(changed, id), by(now, id)) as Named | undefined)
    .filter((one) => one !== undefined);
}
