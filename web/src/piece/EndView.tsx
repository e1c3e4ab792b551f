import type { PointerEvent } from "react";
import { ink } from "../kit/theme";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { EndDefects, EndGrips } from "./EndDefects";
import { EndDial } from "./EndDial";
import { clockOf, onEnd, profileMm, surfaceMm, turn } from "./geometry";
import { grainOnEnd } from "./grain";
import { outlinePath } from "./Ground";
import { Heavy } from "./Heavy";
import type { At } from "./tags";
import type { Look } from "./types";

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
      <EndDefects {...{ look, at, scale, toBy }} />
      <EndGrips {...{ look, at, back }} />
      <Heavy look={look} at={at} />
      <EndDial look={look} at={at} cx={cx} cy={cy} />
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
