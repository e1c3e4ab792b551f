import { useCallback, useMemo } from "react";
import type { Document } from "../api/document";
import { reverse } from "../piece/reverse";
import type { DraftHandle } from "./useDraft";

export const SITS = ["mounted", "reversed"] as const;
/** How the piece sits on the lathe now: as first mounted, which is how it is kept, or turned end for end. */
export type Sits = (typeof SITS)[number];

/** The draft as the piece sits now: what is seen and typed is of that, what is kept stays as it was first mounted. */
export function useTurned(draft: DraftHandle, reversed: boolean): DraftHandle {
  const { document: mounted, change: changeMounted } = draft;
  const document = useMemo(() => (reversed ? reverse(mounted) : mounted), [mounted, reversed]);
  const change = useCallback(
    (changed: Document, holding = false, base = document) =>
      reversed ? changeMounted(reverse(changed), holding, reverse(base)) : changeMounted(changed, holding, base),
    [changeMounted, reversed, document],
  );
  return useMemo(() => ({ ...draft, document, change }), [draft, document, change]);
}
