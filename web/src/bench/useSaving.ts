import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { api, Refused } from "../api/client";
import type { DraftHandle } from "../draft/useDraft";

/** Saving, and what the server refused of it. */
export function useSaving(id: number, mounted: DraftHandle) {
  const [refused, setRefused] = useState<Refused>();
  const client = useQueryClient();
  const { version, document, keep } = mounted;
  const send = useCallback(async () => {
    try {
      const now = await api.save(id, version, document);
      client.setQueryData(["blank", id], now);
      keep(now, document);
      setRefused(undefined);
      await client.invalidateQueries({ queryKey: ["shop"] });
    } catch (fault) {
      if (!(fault instanceof Refused)) throw fault;
      setRefused(fault);
    }
  }, [client, id, version, document, keep]);
  const save = useCallback(() => void send(), [send]);
  return { save, refused, setRefused };
}
