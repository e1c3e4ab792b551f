import type { PointerEvent } from "react";
import styled from "styled-components";
import type { BodyDefect, Defect, PathDefect } from "../api/document";
import { ink } from "../kit/theme";
import { follow } from "./drag";
import { addPoint, movePoint, resize } from "./edit";
import type { Look } from "./types";

const Grip = styled.g`
  cursor: move;
  .hit {
    fill: transparent;
  }
  .mark {
    fill: ${ink.paper};
    stroke: ${ink.moss};
    stroke-width: 2;
  }
  &.between .mark {
    stroke-width: 1.4;
    stroke-dasharray: 2 2;
  }
`;

type Held = { x: number; y: number; onDrag: (x: number, y: number) => Defect; look: Look; between?: boolean };

/** One square to take hold of; what it does may be typed too, so it stays out of the tab order. */
function Handhold({ x, y, onDrag, look, between = false }: Held) {
  const press = (event: PointerEvent) => {
    event.stopPropagation();
    follow(
      event,
      (px, py) => look.put(onDrag(px, py), true),
      (px, py) => look.put(onDrag(px, py), false),
    );
  };
  const half = between ? 4 : 6;
  return (
    <Grip
      className={between ? "between" : undefined}
      data-grip={between ? "between" : "point"}
      aria-hidden
      onPointerDown={press}
    >
      <circle className="hit" cx={x} cy={y} r="13" />
      <rect className="mark" x={x - half} y={y - half} width={2 * half} height={2 * half} />
    </Grip>
  );
}

type Spot = { clockDeg: number; zMm: number; rMm?: number };
type Drawn = { look: Look; toSpot: (x: number, y: number) => Spot };

/** The points of a chosen path, and between each two a place to draw out one more. */
export function PathGrips({
  look,
  defect,
  toSpot,
  toPlace,
}: Drawn & { defect: PathDefect; toPlace: (point: PathDefect["path"][number], index: number) => [number, number] }) {
  const places = defect.path.map(toPlace);
  return (
    <>
      {places.slice(1).map(([x, y], index) => {
        const [x0, y0] = places[index] ?? [x, y];
        return (
          <Handhold
            key={`between${index}`}
            between
            look={look}
            x={(x + x0) / 2}
            y={(y + y0) / 2}
            onDrag={(px, py) => addPoint(defect, index, toSpot(px, py), look.geometry)}
          />
        );
      })}
      {places.map(([x, y], index) => (
        <Handhold
          key={index}
          look={look}
          x={x}
          y={y}
          onDrag={(px, py) => movePoint(defect, index, toSpot(px, py), look.geometry)}
        />
      ))}
    </>
  );
}

/** A side of a chosen body, to draw it larger or smaller along one of its axes. */
export function BodyGrip({
  look,
  defect,
  axis,
  x,
  y,
  extentAt,
}: {
  look: Look;
  defect: BodyDefect;
  axis: 0 | 1 | 2;
  x: number;
  y: number;
  extentAt: (x: number, y: number) => number;
}) {
  return <Handhold look={look} x={x} y={y} onDrag={(px, py) => resize(defect, axis, extentAt(px, py))} />;
}
