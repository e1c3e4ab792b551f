import { createContext, useContext, type ReactNode } from "react";
import type { Odds, Route } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { useStored } from "../../kit/useStored";

type Chance = Odds["sound"];
/** Odds of the way taken, as this tab keeps them; `of`: the document they were played of, as JSON. */
export type KeptOdds = { of: string; odds: Odds };

type WayOdds = {
  kept: KeptOdds | null;
  keep: (kept: KeptOdds) => void;
  ways: { of: string; sound: Record<string, Chance> };
  keepWays: (ways: WayOdds["ways"]) => void;
  /** The draft as it stands, as JSON. */
  asked: string;
};
const Known = createContext<WayOdds | undefined>(undefined);

/** What was played of the piece on the bench, for all the sections of the route. */
export function WithWayOdds({ children }: { children: ReactNode }) {
  const { id, document } = useBlank();
  const [kept, keep] = useStored<KeptOdds | null>(`odds of ${id}`, null);
  const [ways, keepWays] = useStored<WayOdds["ways"]>(`odds of ways of ${id}`, { of: "", sound: {} });
  return <Known value={{ kept, keep, ways, keepWays, asked: JSON.stringify(document) }}>{children}</Known>;
}

export function useWayOdds(): WayOdds {
  const known = useContext(Known);
  if (!known) throw new Error("It stands within WithWayOdds only.");
  return known;
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
