import type { KeyboardEvent, PointerEvent } from "react";
import styled from "styled-components";
import type { Form } from "../api/document";
import { moveTo } from "./points";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { follow } from "./drag";
import type { Look } from "./types";
import { t } from "../i18n/texts";

const Grip = styled.g`
  cursor: move;
  outline: none;
  .hit {
    fill: transparent;
  }
  .mark {
    fill: ${ink.paper};
    stroke: ${ink.moss};
    stroke-width: 2;
  }
  &:focus-visible .mark {
    stroke: ${ink.ochre};
    stroke-width: 4;
  }
`;

type Props = {
  look: Look;
  form: Form;
  reshape: (form: Form, holding: boolean) => void;
  at: (zMm: number, uMm: number) => [number, number];
  place: (x: number, y: number) => { zMm: number; rMm: number };
};

/** The points of the form's curves in the upper half of the section, to drag or to move with the arrow keys. */
export function CurveGrips({ look, form, reshape, at, place }: Props) {
  const unit = useUnit();
  const length = look.geometry.length_mm;
  return (["outside", "inside"] as const).flatMap((name) => {
    const points = form[name] ?? [];
    return points.map(([z = 0, r = 0], index) => {
      const put = (zMm: number, rMm: number, holding: boolean) =>
        reshape({ ...form, [name]: moveTo(points, index, zMm, rMm, length) }, holding);
      const [x, y] = at(z, r);
      const press = (event: PointerEvent) => {
        event.stopPropagation();
        const drop = (holding: boolean) => (px: number, py: number) => {
          const { zMm, rMm } = place(px, py);
          put(zMm, rMm, holding);
        };
        follow(event, drop(true), drop(false));
      };
      const nudge = (event: KeyboardEvent) => {
        const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
        if (!by) return;
        event.preventDefault();
        event.stopPropagation();
        const fine = event.shiftKey ? 0.2 : 1;
        put(z + (by[0] ?? 0) * fine, r + (by[1] ?? 0) * fine, false);
      };
      return (
        <Grip
          key={`${name}${index}`}
          data-curve={name}
          tabIndex={0}
          role="button"
          onPointerDown={press}
          onKeyDown={nudge}
          aria-label={t("screen.piece.point_off_the_head_radius_arrow", {
            value: name === "outside" ? t("screen.piece.outside") : t("screen.piece.inside"),
            value_2: index + 1,
            z: amountText(z, "mm", unit),
            r: amountText(r, "mm", unit),
          })}
        >
          <circle className="hit" cx={x} cy={y} r="12" />
          <rect className="mark" x={x - 5} y={y - 5} width="10" height="10" />
        </Grip>
      );
    });
  });
}
