import { createContext, useContext, useEffect, useRef, type ReactNode } from "react";
import type { Assessment } from "../api/document";

type Action = Assessment["next_move"]["action"];

/** What the next move has just asked for, until the place where it is done has come before the eye. */
export const SoughtPlace = createContext<{ sought: Action | undefined; found: () => void }>({
  sought: undefined,
  found: () => undefined,
});

/** The place at a station where that is done. */
export function Place({ of, children }: { of: Action; children: ReactNode }) {
  const { sought, found } = useContext(SoughtPlace);
  const own = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (sought !== of || !own.current) return;
    own.current.scrollIntoView({ block: "start" });
    (own.current.querySelector<HTMLElement>("input, textarea, button") ?? own.current).focus({ preventScroll: true });
    found();
  }, [sought, of, found]);
  return (
    <div ref={own} tabIndex={-1} style={{ scrollMarginTop: 12 }}>
      {children}
    </div>
  );
}
