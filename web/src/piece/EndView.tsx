import type { PointerEvent } from "react";
import { isPath, type BodyDefect, type PathDefect } from "../api/document";
import { clockText } from "../kit/measure";
import { ink } from "../kit/theme";
import { DefectTag, Handle } from "./Defect";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { clockOf, onEnd, pathPoints, profileMm, surfaceMm, turn } from "./geometry";
import { grainOnEnd } from "./grain";
import { Heavy } from "./Heavy";
import { barbed, edgeOf, groundOf, outlinePath } from "./Ground";
import { BodyGrip, PathGrips } from "./Shaping";
import { nearestPlace, tagPlace, type At } from "./tags";
import type { Look } from "./types";
import { defectHandle } from "./defectHandle";
import { t } from "../i18n/texts";

type Props = { look: Look; scale: number; cx: number; cy: number };

/** The piece seen from the tail end: outline, form at the z line, defects seen through, and the clock hand. */
export function EndView({ look, scale, cx, cy }: Props) {
  const { geometry, document } = look;
  const at = (clockDeg: number, rMm: number): [number, number] => {
    const { x, y } = onEnd(clockDeg, rMm);
    return [cx + x * scale, cy - y * scale];
  };
  const back = (x: number, y: number) => ({
    clockDeg: clockOf(x - cx, cy - y),
    rMm: Math.hypot(x - cx, cy - y) / scale,
  });
  // A circle at the z line, as far as there is wood.
  const round = (rMm: number) =>
    Array.from({ length: 120 }, (_, step) => at(step * 3, Math.min(rMm, surfaceMm(geometry, step * 3, look.zMm))));
  const outline = round(Infinity);
  const outer = geometry.form ? profileMm(geometry.form.outside, look.zMm) : undefined;
  const inner = geometry.form?.inside ? profileMm(geometry.form.inside, look.zMm) : undefined;
  const toBy = (from: [number, number], to: [number, number]) => {
    const [a, b] = [back(...from), back(...to)];
    return { clockDeg: turn(a.clockDeg, b.clockDeg), rMm: b.rMm - a.rMm };
  };
  const point = (event: PointerEvent) => {
    if (!look.tool) return;
    const tool = look.tool;
    const place = (x: number, y: number) => ({ ...back(x, y), zMm: look.zMm });
    const from = place(...placeOf(event));
    follow(
      event,
      () => undefined,
      (x, y) => look.add(makeDefect(tool, freeId(document.defects), from, place(x, y), "end", geometry)),
    );
  };

  return (
    <g>
      <path
        data-end
        d={outlinePath(outline)}
        fill={ink.waste}
        stroke={ink.slate}
        strokeDasharray="5 4"
        onPointerDown={point}
        style={{ cursor: look.tool ? "crosshair" : "default" }}
      />
      <Under look={look} cx={cx} cy={cy} scale={scale} />
      {outer !== undefined && (
        <path
          d={outlinePath(round(outer))}
          fill={look.under ? "none" : ink.wood}
          stroke={ink.ink}
          strokeWidth="2"
          pointerEvents="none"
        />
      )}
      {!look.under && <Grain look={look} at={at} scale={scale} />}
      {inner !== undefined && inner > 0 && (
        <path
          d={outlinePath(round(inner))}
          fill={look.under ? "none" : ink.waste}
          stroke={ink.ink}
          strokeWidth="1.5"
          pointerEvents="none"
        />
      )}
      <clipPath id="end-clip">
        <path d={outlinePath(outline)} />
      </clipPath>
      {document.defects.map((defect) =>
        isPath(defect) ? (
          <PathOnEnd key={defect.id} {...{ look, defect, at, toBy }} />
        ) : (
          <BodyOnEnd key={defect.id} {...{ look, defect, at, scale, toBy }} />
        ),
      )}
      {document.defects
        .filter(({ id }) => id === look.chosen && !look.tool && !look.fixed)
        .map((defect) =>
          isPath(defect) ? (
            defect.enters !== "side" && (
              <PathGrips
                key={defect.id}
                {...{ look, defect }}
                toSpot={(x, y) => ({ ...back(x, y), zMm: look.zMm })}
                toPlace={(point) => at(point.clock_deg, point.r_mm ?? 0)}
              />
            )
          ) : (
            <BodyGrips key={defect.id} {...{ look, defect, at, back }} />
          ),
        )}
      <Heavy look={look} at={at} />
      <Dial look={look} at={at} cx={cx} cy={cy} />
    </g>
  );
}

/** The photograph at the drawing's own scale, its axis on the drawing's; one of the head end is seen from the other side. */
function Under({ look, cx, cy, scale }: Props) {
  const { under } = look;
  if (!under?.scale) return null;
  const wide = under.scale.mm_per_share * scale;
  const [x = 0.5, y = 0.5] = under.scale.centre;
  return (
    <g clipPath="url(#end-clip)" pointerEvents="none">
      <image
        href={under.src}
        x={cx - x * wide}
        y={cy - y * wide}
        width={wide}
        {...(under.view === "head_face" && { transform: `translate(${2 * cx} 0) scale(-1 1)` })}
      />
    </g>
  );
}

/** The fibres: lines across face grain, rings on end grain, buds of a burl; nothing where there are none. */
function Grain({ look, at, scale }: { look: Look; at: At; scale: number }) {
  const reach = look.geometry.surface.radii_mm[0]?.reduce((least, radius) => Math.min(least, radius), Infinity) ?? 0;
  const [cx, cy] = at(0, 0);
  const drawn = grainOnEnd(look.document.material, reach).map((line) =>
    outlinePath(
      line.map(([x, y]) => [cx + x * scale, cy - y * scale]),
      false,
    ),
  );
  return <path d={drawn.join("")} stroke={ink.grain} fill="none" pointerEvents="none" />;
}

type OnEnd<Kind> = {
  look: Look;
  defect: Kind;
  at: At;
  toBy: (from: [number, number], to: [number, number]) => { clockDeg: number; rMm: number };
};

function BodyOnEnd({ look, defect, at, scale, toBy }: OnEnd<BodyDefect> & { scale: number }) {
  const [x, y] = at(defect.centre.clock_deg, defect.centre.r_mm);
  const [radial = 1, tangential = 1] = defect.size_mm;
  const shape = {
    cx: x,
    cy: y,
    rx: (tangential / 2) * scale,
    ry: (radial / 2) * scale,
    transform: `rotate(${defect.centre.clock_deg} ${x} ${y})`,
  };
  return (
    <Handle {...defectHandle(look, defect, toBy)}>
      <ellipse className="halo" {...shape} />
      <g clipPath="url(#end-clip)">
        <ellipse
          {...shape}
          fill={groundOf(defect)}
          stroke={ink.ink}
          strokeWidth="1.4"
          strokeDasharray={edgeOf(defect)}
        />
      </g>
      <DefectTag x={x} y={y} id={defect.id} />
    </Handle>
  );
}

/** Handles to draw a chosen body deeper, outward, and wider, clockwise. */
function BodyGrips({
  look,
  defect,
  at,
  back,
}: {
  look: Look;
  defect: BodyDefect;
  at: At;
  back: (x: number, y: number) => { clockDeg: number; rMm: number };
}) {
  const { clock_deg, r_mm } = defect.centre;
  const [deep = 1, wide = 1] = defect.size_mm;
  const [out, across] = [
    at(clock_deg, r_mm + deep / 2),
    at(clock_deg + (Math.atan2(wide / 2, Math.max(r_mm, 1)) * 180) / Math.PI, Math.hypot(r_mm, wide / 2)),
  ];
  const apart = (x: number, y: number) => {
    const [a, b] = [onEnd(back(x, y).clockDeg, back(x, y).rMm), onEnd(clock_deg, r_mm)];
    return 2 * Math.hypot(a.x - b.x, a.y - b.y);
  };
  return (
    <>
      <BodyGrip {...{ look, defect }} axis={0} x={out[0]} y={out[1]} extentAt={apart} />
      <BodyGrip {...{ look, defect }} axis={1} x={across[0]} y={across[1]} extentAt={apart} />
    </>
  );
}

function PathOnEnd({ look, defect, at, toBy }: OnEnd<PathDefect>) {
  const places = pathPoints(defect, look.geometry);
  const mouth = places.map(({ clockDeg, rMm }) => at(clockDeg, rMm));
  const side = defect.enters === "side";
  const tip = places
    .map(({ clockDeg, rMm }) => at(clockDeg, side ? Math.max(0, rMm - defect.depth_mm) : rMm))
    .reverse();
  const nearest = nearestPlace(look, defect);
  const line = side
    ? [at(nearest.clockDeg, nearest.rMm), at(nearest.clockDeg, Math.max(0, nearest.rMm - defect.depth_mm))]
    : mouth;
  const tag = tagPlace(look, defect, at);
  return (
    <Handle {...defectHandle(look, defect, toBy)}>
      <path className="halo" d={outlinePath(line, false)} />
      {side && <path d={outlinePath([...mouth, ...tip])} fill={ink.rust} fillOpacity="0.16" stroke="none" />}
      {defect.type === "bark_inclusion" && (
        <path d={outlinePath([...mouth, ...tip])} fill="url(#ground-bark)" stroke="none" />
      )}
      <path
        d={barbed(line, 1)}
        fill="none"
        stroke={ink.rust}
        strokeWidth={"mend" in defect && defect.mend && defect.mend !== "none" ? 1.4 : 2.6}
        strokeLinecap="round"
      />
      <path d={outlinePath(line, false)} stroke="transparent" strokeWidth="22" fill="none" />
      <DefectTag x={tag[0]} y={tag[1]} id={defect.id} />
    </Handle>
  );
}

/** The clock: hour ticks, the weakest plane, and the hand that turns the section. */
function Dial({ look, at, cx, cy }: { look: Look; at: At; cx: number; cy: number }) {
  const reach = look.geometry.max_radius_mm;
  const rim = (px: number) => reach + px;
  const perPx = reach / (cy - (at(0, reach)[1] as number) || 1);
  const hand = at(look.clockDeg, rim(17 * perPx));
  const foot = at(look.clockDeg + 180, rim(4 * perPx));
  const names = Object.keys(look.assessment.stages) as (keyof typeof look.assessment.stages)[];
  const last = look.assessment.stages[names.at(-1) ?? "blank"];
  return (
    <g>
      {Array.from({ length: 12 }, (_, hour) => {
        const [x0, y0] = at(hour * 30, rim(4 * perPx));
        const [x1, y1] = at(hour * 30, rim((hour % 3 === 0 ? 12 : 8) * perPx));
        const [tx, ty] = at(hour * 30, rim(22 * perPx));
        return (
          <g key={hour} pointerEvents="none">
            <path d={`M${x0} ${y0}L${x1} ${y1}`} stroke={ink.slate} />
            {
              <text x={tx} y={ty} fontSize="14" textAnchor="middle" dominantBaseline="central" fill={ink.quiet}>
                {hour || 12}
              </text>
            }
          </g>
        );
      })}
      {last?.burst_rpm && (
        <path
          d={outlinePath(
            [at(last.weak_plane_clock_deg, rim(-2 * perPx)), at(last.weak_plane_clock_deg + 180, rim(-2 * perPx))],
            false,
          )}
          stroke={ink.ochre}
          strokeWidth="2"
          strokeDasharray="10 4 2 4"
          pointerEvents="none"
        />
      )}
      <path
        d={outlinePath([hand, foot], false)}
        stroke={ink.moss}
        strokeWidth="2"
        strokeDasharray="7 4"
        pointerEvents="none"
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label={t("screen.piece.hour_of_the_section")}
        aria-valuenow={Math.round(look.clockDeg)}
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuetext={clockText(look.clockDeg)}
        style={{ cursor: "grab" }}
        onKeyDown={(event) => {
          const by = { ArrowRight: 5, ArrowUp: 5, ArrowLeft: -5, ArrowDown: -5 }[event.key];
          if (by === undefined) return;
          event.preventDefault();
          look.setClock((look.clockDeg + by + 360) % 360);
        }}
        onPointerDown={(event) => {
          const turnTo = (x: number, y: number) => look.setClock(Math.round(clockOf(x - cx, cy - y)) % 360);
          follow(event, turnTo, turnTo);
        }}
      >
        <circle cx={hand[0]} cy={hand[1]} r="22" fill="transparent" />
        <circle cx={hand[0]} cy={hand[1]} r="14" fill={ink.moss} />
        <text
          x={hand[0]}
          y={hand[1] + 0.5}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize="14"
          fontWeight="700"
          fill={ink.onMoss}
          pointerEvents="none"
        >
          {Math.round(look.clockDeg / 30) % 12 || 12}
        </text>
      </g>
    </g>
  );
}
