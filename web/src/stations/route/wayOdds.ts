import type { Odds, Route } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { useStored } from "../../kit/useStored";

type Chance = Odds["sound"];
/** Odds of the way taken, as this device keeps them; `of`: the document they were played of, as JSON. */
export type KeptOdds = { of: string; odds: Odds };

/** What was played of this piece: of the way taken, and of the others beside it. */
export function useWayOdds() {
  const { id, document } = useBlank();
  const [kept, keep] = useStored<KeptOdds | null>(`odds of ${id}`, null);
  const [ways, keepWays] = useStored<{ of: string; sound: Record<string, Chance> }>(`odds of ways of ${id}`, {
    of: "",
    sound: {},
  });
  return { kept, keep, ways, keepWays, asked: JSON.stringify(document) };
}

/** The chance of each way of the draft as it stands, by the way's key; those never played are left out. */
export function useChances(route: Route): Record<string, Chance> {
  const { kept, ways, asked } = useWayOdds();
  const [taken] = route.alternatives;
  return {
    ...(ways.of === asked && ways.sound),
    ...(taken && kept?.of === asked && { [taken.key]: kept.odds.sound }),
  };
}
