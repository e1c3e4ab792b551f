// What the plan does next at the screen lathe, from where it stands.
import type { RehearsalAct, RehearsalState } from "../api/document";

/** The plan's own next act; nothing where it has ended. */
export function plannedNext(state: RehearsalState): RehearsalAct | undefined {
  const step = state.steps[state.at];
  if (!step || state.ended) return undefined;
  const open = state.regions.findIndex(({ taken }) => taken < 1);
  if (open >= 0 && state.speed.rpm === 0) return { act: "speed", rpm: asSet(state.speed.limit_rpm) };
  if (open >= 0) return { act: "cut", region: open, share: 1 };
  return { act: "go_on" };
}

/** A limit as somebody would set it: the next ten below. */
const asSet = (rpm: number) => (rpm < 100 ? rpm : Math.floor(rpm / 10) * 10);

/** Speed after a step up or down: a twentieth of the limit, never past the lathe's own. */
export function stepped({ rpm, limit_rpm, least_rpm, most_rpm }: RehearsalState["speed"], by: 1 | -1): number {
  const step = Math.max(10, Math.round(((limit_rpm || most_rpm / 4) * 0.05) / 10) * 10);
  const next = Math.round(rpm + by * step);
  if (next < Math.max(1, least_rpm)) return by < 0 && rpm <= least_rpm ? 0 : Math.max(1, least_rpm);
  return Math.min(most_rpm, next);
}
