import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, Refused } from "../api/client";
import type { Card, NewMark, NewTrouble } from "../api/document";
import { t } from "../i18n/texts";
import { useAct } from "../kit/useAct";
import { nowOrLater } from "../api/outbox";
import { useAway, useOutbox } from "../kit/useOutbox";
import { ServerClock } from "./serverClock";
import { withWaiting } from "./withWaiting";

const ASK_AGAIN_MS = 10_000;
const TICK_MS = 500;

/** Is it the tick of a line that asks for a measure, without one? The server would send that back. */
const lacksMeasure = (card: Card | null | undefined, { kind, line, value }: NewMark) =>
  kind === "done" &&
  value === undefined &&
  card?.steps.some(({ lines }) => lines.some(({ key, measures }) => key === line && measures));

const measureFirst = () =>
  new Refused({ type: "about:blank", title: "", status: 422, detail: t("screen.card.write_the_measure_first") });

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
  // The server's time, and this device's at the same moment.
  const [{ nowMs, deviceMs }, setTimes] = useState({ nowMs: 0, deviceMs: 0 });
  const { data, refetch } = card;
  const { waiting } = useOutbox();
  const isAway = useAway();

  useEffect(() => {
    if (!data) return;
    clock.current.set(data.now);
    setTimes({ nowMs: clock.current.nowMs(), deviceMs: Date.now() });
  }, [data]);
  useEffect(() => {
    const tick = setInterval(() => {
      setTimes({ nowMs: clock.current.nowMs(), deviceMs: Date.now() });
      if (clock.current.doubtful()) void refetch();
    }, TICK_MS);
    return () => clearInterval(tick);
  }, [refetch]);

  const { busy, problem, act, forget } = useAct();
  const take = useCallback(
    (next: Card) => {
      // What was asked before it was pressed must not come after what it came to.
      void client.cancelQueries({ queryKey: ["card-of", blankId] });
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
      const later = { do: "mark" as const, key, atMs: Date.now(), card: id, blank: blankId, mark: what };
      void act(
        () => nowOrLater(() => api.markCard(id, key, what), lacksMeasure(data, what) ? measureFirst() : later),
        (next) => {
          held.current = undefined;
          if (next) take(next);
          if (then && data) then(next ?? withWaiting(data, [...waiting, later], clock.current.nowMs(), Date.now()));
        },
      );
    },
    [act, take, blankId, data, waiting],
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
  return {
    card: { ...card, data: data && withWaiting(data, waiting, nowMs, deviceMs) },
    isAway,
    nowMs,
    busy,
    problem,
    forget,
    mark,
    trouble,
    end,
  };
}
