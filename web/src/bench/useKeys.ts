import { useEffect, useRef } from "react";

type Acts = { undo: () => void; redo: () => void; save: () => void; drop: () => void; remove: () => void };

/** Keys of the bench; single keys act only outside text fields. */
export function useKeys(acts: Acts) {
  const newest = useRef(acts);
  useEffect(() => {
    newest.current = acts;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea") !== null;
      const act = command ? { s: "save", z: event.shiftKey ? "redo" : "undo", y: "redo" }[event.key.toLowerCase()] : typing ? undefined : { Escape: "drop", Delete: "remove", s: "save", z: "undo" }[event.key];
      if (!act || (command && typing && act !== "save")) return;
      event.preventDefault();
      newest.current[act as keyof Acts]();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}
