import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api } from "../api/client";

/** This tab, as long as it is open. */
const tab = crypto.randomUUID();
/** What it has said so far: a word that it has left is not undone by an earlier one that comes later. */
let said = 0;
const say = (blankId: number | null) => api.sayHere(tab, ++said, blankId);
const STILL_HERE_MS = 20_000;

/** Who else is at that blank just now: names, null of whoever has none. Says at the same time that this tab is. */
export function useHere(blankId: number): (string | null)[] {
  const { data = [] } = useQuery({
    queryKey: ["here", blankId],
    queryFn: () => say(blankId),
    refetchInterval: STILL_HERE_MS,
    staleTime: 0,
  });
  useEffect(() => {
    // Where the server is away it finds out by itself.
    const leave = () => void say(null).catch(() => undefined);
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [blankId]);
  return data;
}
