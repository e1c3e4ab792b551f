import { useEffect, useRef } from "react";
import { isTyping } from "./typing";

/** Single keys for the whole screen, by what `KeyboardEvent.key` calls them; outside text fields, and without Ctrl, Alt or Command. */
export function useKey(acts: Record<string, () => void>) {
  const newest = useRef(acts);
  useEffect(() => {
    newest.current = acts;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
      const act = newest.current[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}
