import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { away } from "../api/client";
import { outbox, type Outbox } from "../api/outbox";

/** What waits on this device for the server. */
export const useOutbox = (): Outbox => useSyncExternalStore(outbox.watch, outbox.now);

/** Is what is shown what was kept, since no server answers? */
export const useAway = (): boolean => useSyncExternalStore(away.watch, away.now);

/** What was sent is shown as the server has it. */
export function useSent() {
  const client = useQueryClient();
  useEffect(
    () =>
      outbox.onSent((one, answer) => {
        if (one.do === "mark") {
          void client.cancelQueries({ queryKey: ["card-of", one.blank] });
          client.setQueryData(["card-of", one.blank], answer);
        }
        void client.invalidateQueries({ queryKey: ["blank", one.blank] });
        void client.invalidateQueries({ queryKey: ["shop"] });
      }),
    [client],
  );
}
