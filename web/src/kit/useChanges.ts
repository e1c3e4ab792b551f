import { useQueryClient, type QueryKey } from "@tanstack/react-query";
import { useEffect } from "react";
import { listenToChanges } from "../api/changes";
import type { Change } from "../api/document";

/** What is asked anew when something of that kind has changed. */
const ABOUT: Record<Exclude<Change["what"], "all">, (blank: number | null) => QueryKey[]> = {
  blank: (blank) => [["shop"], ["board"], ["waits"], ["blank", blank], ["photographs", blank]],
  card: (blank) => [["card-of", blank], ["shop"], ["board"], ["waits"], ["stores"]],
  here: (blank) => [["here", blank]],
  ledger: (blank) => [["ledger"], ["record", blank], ["shop"]],
  shop: () => [["shop"], ["lathes"], ["board"]],
  people: () => [["people"], ["board"], ["session"]],
  stores: () => [["stores"]],
  rates: () => [["rates"]],
  devices: () => [["devices"], ["session"]],
};

/** Keeps what is shown in step with what anybody changes, here or elsewhere. */
export function useChanges() {
  const client = useQueryClient();
  useEffect(() => {
    // What is there when the page opens has only just been asked.
    let opening = true;
    return listenToChanges(({ what, blank }) => {
      if (what === "all") {
        if (!opening) void client.invalidateQueries();
        opening = false;
      } else ABOUT[what](blank).forEach((queryKey) => void client.invalidateQueries({ queryKey }));
    });
  }, [client]);
}
