import type { PointerEvent } from "react";
import { isPath } from "../api/document";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { CrackInSection } from "./CrackInSection";
import { CurveGrips } from "./CurveGrips";
import { DefectTag, Handle } from "./Defect";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { bodyInPlane, surfaceMm } from "./geometry";
import { FinishedSection } from "./FinishedSection";
import { edgeOf, groundOf, outlinePath } from "./Ground";
import { grainOnSection } from "./grain";
import type { InSection, Look } from "./types";
import { defectHandle } from "./defectHandle";
import { ZLine } from "./ZLine";
import { t } from "../i18n/texts";

type Props = { look: Look; scale: number; x0: number; cy: number };

/** The cut along the axis at the hand's hour: that hour above, the opposite one below, headstock left. */
export function SectionView({ look, scale, x0, cy }: Props) {
  const { geometry } = look;
  const at = (zMm: number, uMm: number): [number, number] => [x0 + zMm * scale, cy - uMm * scale];
  const steps = 40;
  const side = (clockDeg: number, sign: 1 | -1) =>
    Array.from({ length: steps + 1 }, (_, step): [number, number] => {
      const z = (step / steps) * geometry.length_mm;
      return at(z, sign * surfaceMm(geometry, clockDeg, z));
    });
  const blank = [...side(look.clockDeg, 1), ...side(look.clockDeg + 180, -1).reverse()];
  const toBy = (from: [number, number], to: [number, number]) => ({
    zMm: (to[0] - from[0]) / scale,
    rMm: ((from[1] - to[1]) / scale) * (from[1] < cy ? 1 : -1),
  });

  const point = (event: PointerEvent) => {
    if (!look.tool) return;
    const tool = look.tool;
    // The half it is begun in says the hour.
    const above = placeOf(event)[1] < cy;
    const place = (x: number, y: number) => ({
      clockDeg: above ? look.clockDeg : (look.clockDeg + 180) % 360,
      zMm: Math.min(geometry.length_mm, Math.max(0, (x - x0) / scale)),
      rMm: Math.max(0, ((cy - y) / scale) * (above ? 1 : -1)),
    });
    const from = place(...placeOf(event));
    follow(
      event,
      () => undefined,
      (x, y) => look.add(makeDefect(tool, freeId(look.document.defects), from, place(x, y), "section", geometry)),
    );
  };

  return (
    <g>
      <Spindle x={x0} cy={cy} end={x0 + geometry.length_mm * scale} />
      <path
        data-section
        d={outlinePath(blank)}
        fill={ink.waste}
        stroke={ink.slate}
        strokeDasharray="5 4"
        onPointerDown={point}
        style={{ cursor: look.tool ? "crosshair" : "default" }}
      />
      <clipPath id="section-clip">
        <path d={outlinePath(blank)} />
      </clipPath>
      <FinishedSection look={look} at={at} />
      <Grain look={look} at={at} />
      {look.document.defects.map((defect) =>
        isPath(defect)
          ? [1, -1].map((hand) => (
              <CrackInSection key={`${defect.id}${hand}`} {...{ look, defect, at, hand: hand as 1 | -1 }} />
            ))
          : [bodyInPlane(defect, look.clockDeg)]
              .filter((outline) => outline.length > 0)
              .map((outline) => {
                const drawn = outline.map(([u, z]) => at(z, u));
                const [x, y] = [average(drawn, 0), average(drawn, 1)];
                return (
                  <Handle key={defect.id} {...defectHandle(look, defect, toBy)}>
                    <path className="halo" d={outlinePath(drawn)} />
                    <path
                      d={outlinePath(drawn)}
                      clipPath="url(#section-clip)"
                      fill={groundOf(defect)}
                      stroke={ink.ink}
                      strokeWidth="1.4"
                      strokeDasharray={edgeOf(defect)}
                    />
                    <DefectTag x={x} y={y} id={defect.id} />
                  </Handle>
                );
              }),
      )}
      <path
        d={`M${x0 - 46} ${cy}H${x0 + geometry.length_mm * scale + 46}`}
        stroke={ink.slate}
        strokeDasharray="14 4 3 4"
        pointerEvents="none"
      />
      <Labels look={look} at={at} />
      <ZLine {...{ look, at, x0, scale }} />
      {look.shaping && (
        <CurveGrips
          look={look}
          {...look.shaping}
          at={at}
          place={(x, y) => ({ zMm: (x - x0) / scale, rMm: (cy - y) / scale })}
        />
      )}
    </g>
  );
}

const average = (points: [number, number][], axis: 0 | 1) =>
  points.reduce((sum, point) => sum + point[axis], 0) / points.length;

/** Spindle and jaws on the left, live centre on the right. */
function Spindle({ x, cy, end }: { x: number; cy: number; end: number }) {
  return (
    <g pointerEvents="none">
      <path d={`M${x - 44} ${cy - 13}h18v-20h14v10h8v46h-8v10h-14v-20h-18z`} fill={ink.slate} />
      <path d={`M${end + 6} ${cy}l16 -14h24v28h-24z`} fill="none" stroke={ink.slate} strokeWidth="2" />
    </g>
  );
}

/** The fibres in the wood that stays, or in the whole blank while there is no form. */
function Grain({ look, at }: { look: Look; at: InSection }) {
  const { geometry, document, clockDeg } = look;
  const lines = grainOnSection(document.material, geometry.length_mm, geometry.max_radius_mm, clockDeg);
  const drawn = lines.map((line) =>
    outlinePath(
      line.map(([z, u]) => at(z, u)),
      false,
    ),
  );
  return (
    <path
      d={drawn.join("")}
      stroke={ink.grain}
      fill="none"
      pointerEvents="none"
      clipPath={geometry.form ? "url(#finished-clip)" : "url(#section-clip)"}
    />
  );
}

/** Thinnest wall and floor, where they are. */
function Labels({ look, at }: { look: Look; at: InSection }) {
  const unit = useUnit();
  const made = look.assessment.form;
  if (!made?.least_wall_at || made.least_wall_mm === null) return null;
  const [x, y] = at(made.least_wall_at.z_mm, -made.least_wall_at.r_mm);
  const [, bottom] = at(0, -look.geometry.max_radius_mm);
  const label = { fontSize: 14, fill: ink.ink } as const;
  return (
    <g pointerEvents="none">
      <path d={`M${x} ${y}V${bottom + 12}`} stroke={ink.ink} fill="none" />
      <circle cx={x} cy={y} r="3.5" fill={ink.ink} />
      <text x={x} y={bottom + 27} textAnchor="middle" {...label}>
        {t("screen.piece.thinnest")} <tspan fontWeight="700">{amountText(made.least_wall_mm, "mm", unit)}</tspan>
      </text>
    </g>
  );
}
