import { useEffect, useRef } from "react";
import type { Rehearsal } from "../api/document";
import { LatheSound } from "./sound";

/** The sound of it while it is wanted; it starts with the first press, as browsers ask. */
export function useSound(wanted: boolean, senses: Rehearsal["state"]["senses"]) {
  const sound = useRef<LatheSound>(undefined);
  useEffect(() => {
    if (!wanted) return undefined;
    const own = new LatheSound();
    sound.current = own;
    return () => {
      sound.current = undefined;
      own.close();
    };
  }, [wanted]);
  useEffect(() => sound.current?.play(senses), [senses, wanted]);
  return sound;
}
