import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api } from "../api/client";
import type { Card, NewMark, NewTrouble } from "../api/document";
import { useAct } from "../kit/useAct";
import { ServerClock } from "./serverClock";

const ASK_AGAIN_MS = 10_000;
const TICK_MS = 500;

/** The open card of a blank, kept in step with the server and with the other hands at it. */
export function useCard(blankId: number) {
  const client = useQueryClient();
  const card = useQuery({
    queryKey: ["card-of", blankId],
    queryFn: () => api.cardOf(blankId),
    refetchInterval: ASK_AGAIN_MS,
    refetchOnWindowFocus: "always",
    refetchOnReconnect: "always",
  });
  const clock = useRef(new ServerClock());
  const [nowMs, setNow] = useState(0);
  const { data, refetch } = card;

  useEffect(() => {
    if (!data) return;
    clock.current.set(data.now);
    setNow(clock.current.nowMs());
  }, [data]);
  useEffect(() => {
    const tick = setInterval(() => {
      setNow(clock.current.nowMs());
      if (clock.current.doubtful()) void refetch();
    }, TICK_MS);
    return () => clearInterval(tick);
  }, [refetch]);

  const { busy, problem, act, forget } = useAct();
  const take = useCallback(
    (next: Card) => {
      client.setQueryData(["card-of", blankId], next.ended_at ? null : next);
      void client.invalidateQueries({ queryKey: ["shop"] });
      void client.invalidateQueries({ queryKey: ["stores"] });
      void client.invalidateQueries({ queryKey: ["waits"] });
    },
    [client, blankId],
  );
  // A press that got no answer is sent again as the same press: it counts once.
  const held = useRef<{ of: string; key: string }>(undefined);
  const mark = useCallback(
    (id: number, what: NewMark, then?: (card: Card) => void) => {
      const of = JSON.stringify([id, what]);
      if (held.current?.of !== of) held.current = { of, key: crypto.randomUUID() };
      const { key } = held.current;
      void act(
        () => api.markCard(id, key, what),
        (next) => {
          held.current = undefined;
          take(next);
          then?.(next);
        },
      );
    },
    [act, take],
  );
  const trouble = useCallback(
    (id: number, what: NewTrouble, then: () => void) =>
      void act(
        () => api.meetTrouble(id, what),
        (next) => {
          take(next);
          then();
        },
      ),
    [act, take],
  );
  const end = useCallback(
    (id: number, then: () => void) =>
      void act(
        () => api.endCard(id),
        (next) => {
          take(next);
          // The piece is another now: mended, one version on. It is fetched anew when it is on the bench again.
          client.removeQueries({ queryKey: ["blank", blankId] });
          then();
        },
      ),
    [act, take, client, blankId],
  );
  return { card, nowMs, busy, problem, forget, mark, trouble, end };
}
