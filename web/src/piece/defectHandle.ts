import type { KeyboardEvent, PointerEvent } from "react";
import type { Defect } from "../api/document";
import { follow, placeOf } from "./drag";
import { moveDefect } from "./edit";
import { defectLabel } from "./Defect";
import type { Look } from "./types";
import { t } from "../i18n/texts";

type By = { clockDeg?: number; zMm?: number; rMm?: number };
const STILL_PX = 3;

/** What makes a drawn defect a handle: press to choose, drag to move, arrows to nudge. `toBy` turns two places on the drawing into a move. */
export function defectHandle(look: Look, defect: Defect, toBy: (from: [number, number], to: [number, number]) => By) {
  const nudge: Record<string, By> = {
    ArrowLeft: { clockDeg: -3 },
    ArrowRight: { clockDeg: 3 },
    ArrowUp: { zMm: 1 },
    ArrowDown: { zMm: -1 },
  };
  return {
    tabIndex: 0,
    role: "button",
    "aria-label": `${defectLabel(defect, look.geometry)}${look.fixed ? "" : t("screen.piece.arrow_keys_move_it")}`,
    "aria-pressed": look.chosen === defect.id,
    "data-chosen": look.chosen === defect.id,
    "data-defect": defect.id,
    // While something new is being pointed at, what is there already does not catch the pointer.
    style: look.tool ? { pointerEvents: "none" as const } : {},
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === "Enter" || event.key === " ") look.choose(defect.id);
      const by = nudge[event.key];
      if (by && !look.fixed) look.put(moveDefect(defect, by, look.geometry), false);
      if (by || event.key === " ") event.preventDefault();
    },
    onPointerDown: (event: PointerEvent) => {
      event.stopPropagation();
      look.choose(defect.id);
      if (look.fixed) return;
      const from = placeOf(event);
      const moved = (x: number, y: number) =>
        Math.hypot(x - from[0], y - from[1]) < STILL_PX
          ? undefined
          : moveDefect(defect, toBy(from, [x, y]), look.geometry);
      let held = false;
      follow(
        event,
        (x, y) => {
          const there = moved(x, y);
          if (!there) return;
          held = true;
          look.put(there, true);
        },
        (x, y) => held && look.put(moved(x, y) ?? defect, false),
      );
    },
  };
}
