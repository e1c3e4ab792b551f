import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { api, Refused } from "../api/client";
import type { Problem, Rehearsal, RehearsalAct } from "../api/document";

/** A rehearsal as it stands, and a way to do the next thing in it. Where it went on elsewhere, it is read anew. */
export function useRehearsal(id: number) {
  const client = useQueryClient();
  const key = ["rehearsal", id];
  const { data, error, refetch } = useQuery({
    queryKey: key,
    queryFn: () => api.rehearsal(id),
    refetchOnWindowFocus: false,
  });
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem>();
  const act = useCallback(
    async (next: RehearsalAct): Promise<Rehearsal | undefined> => {
      const before = client.getQueryData<Rehearsal>(["rehearsal", id]);
      if (!before) return undefined;
      setBusy(true);
      try {
        const now = await api.rehearse(id, before.acts.length, next);
        client.setQueryData(["rehearsal", id], now);
        setProblem(undefined);
        return now;
      } catch (wrong) {
        if (!(wrong instanceof Refused)) throw wrong;
        setProblem(wrong.problem);
        if (wrong.problem.status === 409) await client.invalidateQueries({ queryKey: ["rehearsal", id] });
        return undefined;
      } finally {
        setBusy(false);
      }
    },
    [client, id],
  );
  return { rehearsal: data, missing: error?.message, again: () => void refetch(), busy, problem, act };
}
