import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import styled from "styled-components";
import type { Defect, Geometry, RehearsalState } from "../api/document";
import { isPath } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { focusRing, ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { surfaceMm } from "../piece/geometry";

const Frame = styled.svg`
  width: 100%;
  height: 100%;
  min-height: 0;
  touch-action: none;
  [role="slider"] {
    cursor: ns-resize;
    ${focusRing}
    &:focus-visible {
      outline: 3px solid ${ink.ochre};
    }
  }
`;

const STEP = 0.05;
const path = (points: number[][]) =>
  points.map(([x = 0, y = 0], i) => `${i ? "L" : "M"}${x.toFixed(1)} ${y.toFixed(1)}`).join("");

type Props = {
  state: RehearsalState;
  geometry: Geometry;
  clockDeg: number;
  zMm: number;
  setZ: (mm: number) => void;
  /** Share of the region up to which it is cut, when let go; nothing where it cannot be cut now. */
  onCut: ((share: number) => void) | undefined;
};

/** The section as it is cut now: the wood, what the plan takes next, and a handle to take as much of it as one likes. */
export function CutSection({ state, geometry, clockDeg, zMm, setZ, onCut }: Props) {
  const unit = useUnit();
  const svg = useRef<SVGSVGElement>(null);
  const [held, hold] = useState<number>();
  const region = state.regions[state.region ?? 0];
  const { outside, inside } = state.outline;
  const margin = 0.08 * geometry.length_mm;
  const r = geometry.max_radius_mm * 1.12;
  const taken = held ?? region?.taken ?? 0;
  const front = region?.swath.map(({ z_mm, from_mm, to_mm }) => [z_mm, from_mm + (to_mm - from_mm) * taken]) ?? [];
  const middle = front[Math.floor(front.length / 2)];
  const span = region?.swath[Math.floor(front.length / 2)];
  const skin = geometry.surface.z_mm.map((z) => [z, -surfaceMm(geometry, clockDeg, z)]);
  const far = geometry.surface.z_mm.map((z) => [z, surfaceMm(geometry, clockDeg + 180, z)]);
  const wood = [...outside.map(([z = 0, mm = 0]) => [z, -Math.min(mm, surfaceMm(geometry, clockDeg, z))])];
  const under = outside.map(([z = 0, mm = 0]) => [z, Math.min(mm, surfaceMm(geometry, clockDeg + 180, z))]);
  const bored = inside ? [...inside.map(([z = 0, mm = 0]) => [z, -mm]), ...[...inside].reverse()] : [];

  const toShare = (event: PointerEvent) => {
    const box = svg.current?.getScreenCTM()?.inverse();
    if (!box || !span || span.from_mm === span.to_mm) return taken;
    const y = new DOMPoint(event.clientX, event.clientY).matrixTransform(box).y;
    const share = (Math.abs(y) - span.from_mm) / (span.to_mm - span.from_mm);
    return Math.min(1, Math.max(region?.taken ?? 0, share));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowUp: STEP, ArrowRight: STEP, ArrowDown: -STEP, ArrowLeft: -STEP }[event.key];
    const done = event.key === "Enter" && held !== undefined;
    if (by === undefined && !done) return;
    event.preventDefault();
    event.stopPropagation();
    if (done) {
      onCut?.(taken);
      hold(undefined);
    } else hold(Math.min(1, Math.max(region?.taken ?? 0, taken + (by ?? 0))));
  };
  const place = (event: PointerEvent) => {
    const box = svg.current?.getScreenCTM()?.inverse();
    if (box) setZ(Math.min(geometry.length_mm, Math.max(0, new DOMPoint(event.clientX, 0).matrixTransform(box).x)));
  };
  const big = Math.max(geometry.length_mm, 2 * r) / 60;
  return (
    <Frame
      ref={svg}
      viewBox={`${-margin} ${-r} ${geometry.length_mm + 2 * margin} ${2 * r}`}
      role="group"
      aria-label={t("screen.rehearsal.section_in_words", {
        outside: amountText(outside[Math.floor(outside.length / 2)]?.[1] ?? 0, "mm", unit),
        taken: Math.round(100 * (region?.taken ?? 0)),
      })}
      onPointerDown={(event) => event.target === event.currentTarget && place(event)}
    >
      <path
        d={`${path([...skin, ...[...far].reverse()])}Z`}
        fill="none"
        stroke={ink.slate}
        strokeDasharray={`${big}`}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      <path
        d={`${path([...wood, ...[...under].reverse()])}Z`}
        fill={ink.wood}
        stroke={ink.ink}
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      {bored.length > 0 && (
        <path
          d={`${path(bored)}Z`}
          fill={ink.ground}
          stroke={ink.ink}
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      {region && taken < 1 && (
        <path
          d={`${path([...front.map(([z = 0, mm = 0]) => [z, -mm]), ...[...region.swath].reverse().map(({ z_mm, to_mm }) => [z_mm, -to_mm])])}Z`}
          fill={ink.moss}
          fillOpacity={0.32}
          stroke={ink.moss}
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      <line
        x1={-margin}
        x2={geometry.length_mm + margin}
        y1={0}
        y2={0}
        stroke={ink.slate}
        strokeDasharray={`${3 * big} ${big} ${big} ${big}`}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      <line
        x1={zMm}
        x2={zMm}
        y1={-r}
        y2={r}
        stroke={ink.moss}
        strokeDasharray={`${big}`}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      {(state.ended?.truth ?? state.found.flatMap(({ seen }) => seen ?? [])).map((defect) => (
        <Truth key={defect.id} defect={defect} big={big} />
      ))}
      {middle && region && onCut && region.taken < 1 && (
        <circle
          cx={middle[0]}
          cy={-(middle[1] ?? 0)}
          r={1.5 * big}
          fill={ink.moss}
          stroke={ink.paper}
          tabIndex={0}
          role="slider"
          aria-label={t("screen.rehearsal.how_much_of_it")}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(100 * taken)}
          onKeyDown={keys}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            hold(toShare(event));
          }}
          onPointerMove={(event) => held !== undefined && event.buttons > 0 && hold(toShare(event))}
          onPointerUp={() => {
            if (held !== undefined && held > region.taken) onCut(held);
            hold(undefined);
          }}
        />
      )}
    </Frame>
  );
}

/** Where something lies along the axis, whichever hour it is at. */
function Truth({ defect, big }: { defect: Defect; big: number }) {
  if (isPath(defect)) {
    const [first, last] = [defect.path[0], defect.path.at(-1)];
    return (
      <g pointerEvents="none">
        <line
          x1={first?.z_mm}
          x2={last?.z_mm}
          y1={-big}
          y2={-big}
          stroke={ink.rust}
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
        <text x={first?.z_mm} y={-2 * big} fontSize={2.4 * big} fill={ink.rust}>
          {defect.id}
        </text>
      </g>
    );
  }
  const [radial = 1, , axial = 1] = defect.size_mm;
  return (
    <ellipse
      cx={defect.centre.z_mm}
      cy={-defect.centre.r_mm}
      rx={axial / 2}
      ry={radial / 2}
      fill="none"
      stroke={ink.rust}
      strokeWidth={2}
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  );
}
