import type { PointerEvent } from "react";
import { isPath, type PathDefect } from "../api/document";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { CurveGrips } from "./CurveGrips";
import { DefectTag, Handle } from "./Defect";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { bodyInPlane, pathPoints, surfaceMm, turn } from "./geometry";
import { barbed, edgeOf, groundOf, outlinePath } from "./Ground";
import { grainOnSection } from "./grain";
import type { Look } from "./types";
import { defectHandle } from "./defectHandle";
import { t } from "../i18n/texts";

const FOOTPRINT_DEG = 12;
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
      <Finished look={look} at={at} />
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
type At = (zMm: number, uMm: number) => [number, number];

/** Spindle and jaws on the left, live centre on the right. */
function Spindle({ x, cy, end }: { x: number; cy: number; end: number }) {
  return (
    <g pointerEvents="none">
      <path d={`M${x - 44} ${cy - 13}h18v-20h14v10h8v46h-8v10h-14v-20h-18z`} fill={ink.slate} />
      <path d={`M${end + 6} ${cy}l16 -14h24v28h-24z`} fill="none" stroke={ink.slate} strokeWidth="2" />
    </g>
  );
}

/** What is left: the form, cut by the wood's own surface. */
function Finished({ look, at }: { look: Look; at: At }) {
  const { form } = look.geometry;
  if (!form) return null;
  const half = (clockDeg: number, sign: 1 | -1) => {
    const outer = form.outside.map(([z = 0, r = 0]) =>
      at(z, sign * Math.min(r, surfaceMm(look.geometry, clockDeg, z))),
    );
    const inner = (form.inside ?? []).map(([z = 0, r = 0]) =>
      at(z, sign * Math.min(r, surfaceMm(look.geometry, clockDeg, z))),
    );
    const [first, last] = [form.outside[0]?.[0] ?? 0, form.outside.at(-1)?.[0] ?? 0];
    // Down the outside, back along the inside, closed over the axis at the end that does not open.
    if (inner.length === 0) return [at(first, 0), ...outer, at(last, 0)];
    return form.opens === "tail"
      ? [at(first, 0), ...outer, ...inner.reverse(), at(form.inside?.[0]?.[0] ?? first, 0)]
      : [at(last, 0), ...outer.reverse(), ...inner, at(form.inside?.at(-1)?.[0] ?? last, 0)];
  };
  return (
    <g pointerEvents="none">
      <clipPath id="finished-clip">
        <path d={outlinePath(half(look.clockDeg, 1)) + outlinePath(half(look.clockDeg + 180, -1))} />
      </clipPath>
      {(
        [
          [look.clockDeg, 1],
          [look.clockDeg + 180, -1],
        ] as const
      ).map(([clockDeg, sign]) => {
        const outline = half(clockDeg, sign);
        return (
          <g key={sign}>
            <path d={outlinePath(outline)} fill={ink.wood} stroke="none" />
            <path
              d={outlinePath(outline.slice(1, form.inside ? -1 : undefined), false)}
              fill="none"
              stroke={ink.ink}
              strokeWidth="2.2"
              strokeLinejoin="round"
            />
          </g>
        );
      })}
      <path d={closing(look, at)} stroke={ink.ink} strokeWidth="2.2" fill="none" />
    </g>
  );
}

/** The fibres in the wood that stays, or in the whole blank while there is no form. */
function Grain({ look, at }: { look: Look; at: At }) {
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

/** The end and the floor, over the axis. */
function closing(look: Look, at: At): string {
  const form = look.geometry.form;
  if (!form) return "";
  const across = ([z = 0, r = 0]: number[]) => outlinePath([at(z, r), at(z, -r)], false);
  const tail = form.opens === "tail";
  const lines = [across((tail ? form.outside[0] : form.outside.at(-1)) ?? [])];
  if (form.inside) lines.push(across((tail ? form.inside[0] : form.inside.at(-1)) ?? []));
  else lines.push(across((tail ? form.outside.at(-1) : form.outside[0]) ?? []));
  return lines.join("");
}

/** A crack where its footprint reaches this plane, on the hand's side (1) or the opposite one (-1). */
function CrackInSection({ look, defect, at, hand }: { look: Look; defect: PathDefect; at: At; hand: 1 | -1 }) {
  const hour = hand === 1 ? look.clockDeg : look.clockDeg + 180;
  const places = pathPoints(defect, look.geometry).filter(
    ({ clockDeg }) => Math.abs(turn(hour, clockDeg)) <= FOOTPRINT_DEG,
  );
  if (places.length < 2) return null;
  const inward = { side: 0, head_face: 1, tail_face: -1 }[defect.enters];
  const mouth = places.map(({ zMm, rMm }) => at(zMm, hand * rMm));
  const tip = places.map(({ zMm, rMm }) =>
    at(zMm + inward * defect.depth_mm, hand * (inward === 0 ? Math.max(0, rMm - defect.depth_mm) : rMm)),
  );
  const first: [number, number] = tip[0] ?? [0, 0];
  const last: [number, number] = tip.at(-1) ?? [0, 0];
  return (
    <g pointerEvents="none">
      <path
        d={outlinePath([...mouth, ...[...tip].reverse()])}
        fill={defect.type === "crack" ? ink.rust : "url(#ground-bark)"}
        fillOpacity={defect.type === "crack" ? 0.22 : 1}
        stroke="none"
      />
      <path d={barbed(tip, 1, 9, 4)} fill="none" stroke={ink.rust} strokeWidth="1.2" />
      <path d={outlinePath(mouth, false)} fill="none" stroke={ink.rust} strokeWidth="3" />
      <DefectTag
        x={inward === 0 ? Math.min(first[0], last[0]) - 11 : (first[0] + last[0]) / 2}
        y={(first[1] + last[1]) / 2 - hand * 2}
        id={defect.id}
      />
    </g>
  );
}

/** Thinnest wall and floor, where they are. */
function Labels({ look, at }: { look: Look; at: At }) {
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

/** The z line, which slides along the axis and cuts the end view and the skin at the same place. */
function ZLine({ look, at, x0, scale }: { look: Look; at: At; x0: number; scale: number }) {
  const unit = useUnit();
  const reach = look.geometry.max_radius_mm;
  const [x, top] = at(look.zMm, reach);
  const [, bottom] = at(look.zMm, -reach);
  const slide = (px: number) =>
    look.setZ(Math.round(Math.min(look.geometry.length_mm, Math.max(0, (px - x0) / scale))));
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={t("screen.piece.distance_from_the_head")}
      aria-valuenow={Math.round(look.zMm)}
      aria-valuemin={0}
      aria-valuemax={Math.round(look.geometry.length_mm)}
      aria-valuetext={amountText(look.zMm, "mm", unit)}
      style={{ cursor: "ew-resize" }}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        look.setZ(Math.min(look.geometry.length_mm, Math.max(0, look.zMm + by)));
      }}
      onPointerDown={(event) => {
        follow(event, slide, slide);
      }}
    >
      <path d={`M${x} ${top - 10}V${bottom + 4}`} stroke="transparent" strokeWidth="20" />
      <path d={`M${x} ${top - 10}V${bottom + 4}`} stroke={ink.moss} strokeWidth="1.6" strokeDasharray="7 4" />
      <path d={`M${x - 9} ${top - 24}h18v9l-9 8l-9 -8z`} fill={ink.moss} />
      <text x={x + 13} y={top - 15} fontSize="14" fill={ink.moss} fontWeight="700">
        {amountText(look.zMm, "mm", unit)}
      </text>
    </g>
  );
}
