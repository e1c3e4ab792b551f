import styled from "styled-components";
import type { Defect } from "../api/document";
import { clockText } from "../kit/measure";
import { ink } from "../kit/theme";
import { middleOf } from "./geometry";
import type { Geometry } from "../api/document";

export const NAMES: Record<Defect["type"], string> = {
  crack: "Crack",
  void: "Void",
  soft_zone: "Soft zone",
  galleries: "Galleries",
  bark_inclusion: "Bark inclusion",
  loose_piece: "Loose piece",
  hard_inclusion: "Hard inclusion",
  resin_body: "Resin body",
  bubble_pocket: "Bubble pocket",
  delamination: "Delamination",
};

/** "Crack B at 2 o'clock". */
export const defectLabel = (defect: Defect, geometry: Geometry) =>
  `${NAMES[defect.type]} ${defect.id} at ${clockText(middleOf(defect, geometry).clockDeg)}`;

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
