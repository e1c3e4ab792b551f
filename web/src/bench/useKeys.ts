import { useEffect, useRef } from "react";
import { isTyping } from "../kit/typing";
import { useKey } from "../kit/useKey";

type Acts = { undo: () => void; redo: () => void; save: () => void; drop: () => void; remove: () => void };

/** Keys of the bench. With Ctrl or Command saving works in fields too; undo and redo there are the field's own. */
export function useKeys(acts: Acts) {
  useKey({ Escape: acts.drop, Delete: acts.remove, s: acts.save, z: acts.undo });
  const newest = useRef(acts);
  useEffect(() => {
    newest.current = acts;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!event.ctrlKey && !event.metaKey) return;
      const act = ({ s: "save", z: event.shiftKey ? "redo" : "undo", y: "redo" } as const)[event.key.toLowerCase()];
      if (!act || (isTyping(event) && act !== "save")) return;
      event.preventDefault();
      newest.current[act]();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}
