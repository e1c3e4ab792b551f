import type { PointerEvent as ReactPointerEvent } from "react";

/** The drawing a pressed mark belongs to. */
const drawingOf = (event: ReactPointerEvent): SVGSVGElement => {
  const mark = event.currentTarget as SVGElement;
  return mark.ownerSVGElement ?? (mark as SVGSVGElement);
};

/** Follows one pointer from press to release over a drawing; places are in the drawing's own pixels. */
export function follow(
  event: ReactPointerEvent,
  onMove: (x: number, y: number) => void,
  onEnd: (x: number, y: number) => void,
) {
  const svg = drawingOf(event);
  event.preventDefault();
  svg.setPointerCapture(event.pointerId);
  // Measured once: the drawing stays where it is while something on it is held, and measuring at every move makes the browser lay it out anew.
  const box = svg.getBoundingClientRect();
  const place = (at: { clientX: number; clientY: number }): [number, number] => [
    at.clientX - box.left,
    at.clientY - box.top,
  ];
  const stop = new AbortController();
  const listen = (type: "pointermove" | "pointerup" | "pointercancel", act: (moved: PointerEvent) => void) =>
    svg.addEventListener(type, (moved) => moved.pointerId === event.pointerId && act(moved), { signal: stop.signal });
  listen("pointermove", (moved) => onMove(...place(moved)));
  const end = (moved: PointerEvent) => {
    stop.abort();
    onEnd(...place(moved));
  };
  listen("pointerup", end);
  listen("pointercancel", end);
}

/** Where on its drawing the pointer is. */
export const placeOf = (event: ReactPointerEvent): [number, number] => {
  const box = drawingOf(event).getBoundingClientRect();
  return [event.clientX - box.left, event.clientY - box.top];
};
