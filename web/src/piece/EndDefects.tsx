// The defects at the end, and the handles of the chosen one.
import { isPath, type BodyDefect, type PathDefect } from "../api/document";
import { ink } from "../kit/theme";
import { DefectTag, Handle } from "./Defect";
import { defectHandle } from "./defectHandle";
import { onEnd, pathPoints } from "./geometry";
import { barbed, edgeOf, groundOf, outlinePath } from "./Ground";
import { BodyGrip, PathGrips } from "./Shaping";
import { nearestPlace, tagPlace, type At } from "./tags";
import type { Look } from "./types";

type OnEnd<Kind> = {
  look: Look;
  defect: Kind;
  at: At;
  toBy: (from: [number, number], to: [number, number]) => { clockDeg: number; rMm: number };
};

/** All of them, seen through from the tail. */
export function EndDefects({ look, at, scale, toBy }: Omit<OnEnd<never>, "defect"> & { scale: number }) {
  return look.document.defects.map((defect) =>
    isPath(defect) ? (
      <PathOnEnd key={defect.id} {...{ look, defect, at, toBy }} />
    ) : (
      <BodyOnEnd key={defect.id} {...{ look, defect, at, scale, toBy }} />
    ),
  );
}

type GripsProps = { look: Look; at: At; back: (x: number, y: number) => { clockDeg: number; rMm: number } };

/** Handles of the one that is chosen. */
export function EndGrips({ look, at, back }: GripsProps) {
  const defect = look.document.defects.find(({ id }) => id === look.chosen);
  if (!defect || look.tool || look.fixed) return null;
  if (!isPath(defect)) return <BodyGrips {...{ look, defect, at, back }} />;
  if (defect.enters === "side") return null;
  return (
    <PathGrips
      {...{ look, defect }}
      toSpot={(x, y) => ({ ...back(x, y), zMm: look.zMm })}
      toPlace={(point) => at(point.clock_deg, point.r_mm ?? 0)}
    />
  );
}

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
function BodyGrips({ look, defect, at, back }: GripsProps & { defect: BodyDefect }) {
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
