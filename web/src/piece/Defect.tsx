import styled from "styled-components";
import type { Defect } from "../api/document";
import { clockText } from "../kit/measure";
import { ink } from "../kit/theme";
import { middleOf } from "./geometry";
import type { Geometry } from "../api/document";
import { t } from "../i18n/texts";

export const NAMES: Record<Defect["type"], string> = {
  crack: t("screen.piece.crack"),
  void: t("screen.piece.void"),
  soft_zone: t("screen.piece.soft_zone"),
  galleries: t("screen.piece.galleries"),
  bark_inclusion: t("screen.piece.bark_inclusion"),
  loose_piece: t("screen.piece.loose_piece"),
  hard_inclusion: t("screen.piece.hard_inclusion"),
  resin_body: t("screen.piece.resin_body"),
  bubble_pocket: t("screen.piece.bubble_pocket"),
  delamination: t("screen.piece.delamination"),
};

/** "Crack B at 2 o'clock". */
export const defectLabel = (defect: Defect, geometry: Geometry) =>
  t("screen.piece.at", {
    value: NAMES[defect.type],
    id: defect.id,
    clock_deg: clockText(middleOf(defect, geometry).clockDeg),
  });

/** One defect on a drawing: can be pointed at, dragged, and moved with the arrow keys. */
export const Handle = styled.g`
  cursor: grab;
  outline: none;
  &:focus-visible .halo {
    stroke: ${ink.ochre};
    stroke-opacity: 1;
  }
  .halo {
    stroke: transparent;
    stroke-width: 9;
    fill: none;
  }
  &[data-chosen="true"] .halo {
    stroke: ${ink.moss};
    stroke-opacity: 0.35;
  }
`;

const Tag = styled.text`
  font-size: 15px;
  font-weight: 700;
  fill: ${ink.rust};
  paint-order: stroke;
  stroke: ${ink.ground};
  stroke-width: 4px;
  pointer-events: none;
`;

export const DefectTag = ({ x, y, id }: { x: number; y: number; id: string }) => (
  <Tag x={x} y={y} textAnchor="middle" dominantBaseline="central">
    {id}
  </Tag>
);
