import { useEffect, useRef, useState } from "react";
import { isTyping } from "../kit/typing";

const WAIT_MS = 700;

/** Digits typed outside a field, gathered until a pause; then `go` gets the number. Returns what is typed so far. */
export function useNumberKeys(go: (number: number) => void) {
  const [typed, setTyped] = useState("");
  const newest = useRef({ go, typed });
  useEffect(() => {
    newest.current = { go, typed };
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
      if (/^\d$/.test(event.key)) setTyped((was) => (was + event.key).slice(-6));
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  useEffect(() => {
    if (typed === "") return undefined;
    const end = setTimeout(() => {
      newest.current.go(Number(newest.current.typed));
      setTyped("");
    }, WAIT_MS);
    return () => clearTimeout(end);
  }, [typed]);
  return typed;
}
