import { useEffect, useRef, useState } from "react";
import type { Card } from "../api/document";
import { useKey } from "../kit/useKey";
import type { useCard } from "./useCard";

/**
 * The line of a card that is looked at, and the way on from it: by the buttons, Space, Page Up and Down or the arrows.
 * onPress: whenever it is to go on.
 */
export function useLinePlace(
  card: Card,
  { mark, busy }: Pick<ReturnType<typeof useCard>, "mark" | "busy">,
  onPress: () => void,
) {
  const lines = card.steps.flatMap((step) => step.lines.map((line) => ({ line, step })));
  const [looked, look] = useState<string>();
  const found = lines.findIndex(({ line }) => line.key === (looked ?? card.next_line));
  const index = found >= 0 ? found : lines.length - 1;
  const here = lines[index];
  const value = useRef<number>(undefined);
  useEffect(() => {
    value.current = undefined;
  }, [here?.line.key]);

  const step = (by: number) => look(lines[Math.min(Math.max(index + by, 0), lines.length - 1)]?.line.key);
  const onward = () => {
    onPress();
    if (!here || busy) return;
    const { line } = here;
    if (line.done_at) return step(1);
    if (line.minutes && !line.wait) return mark(card.id, { line: line.key, kind: "started" });
    const measured = value.current ?? line.suggested ?? undefined;
    mark(card.id, { line: line.key, kind: "done", ...(measured !== undefined && { value: measured }) }, (next) =>
      look(next.next_line ?? undefined),
    );
  };
  useKey({
    " ": onward,
    PageDown: onward,
    PageUp: () => step(-1),
    ArrowLeft: () => step(-1),
    ArrowRight: () => step(1),
  });
  return {
    lines,
    index,
    here,
    look,
    step,
    onward,
    /** What was measured at it, to be told when it is ticked. */
    measure: (measured: number | undefined) => {
      value.current = measured;
    },
  };
}
