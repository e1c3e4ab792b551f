// The defects on the unrolled skin, and the handles of the chosen one.
import { isPath, type BodyDefect, type Defect, type PathDefect } from "../api/document";
import { ink } from "../kit/theme";
import { DefectTag, Handle } from "./Defect";
import { defectHandle } from "./defectHandle";
import { bodyOnSkin, fold, pathPoints } from "./geometry";
import { barbed, edgeOf, groundOf, outlinePath } from "./Ground";
import { BodyGrip, PathGrips } from "./Shaping";
import { tagX, type At, type Back } from "./skinPlaces";
import type { Look } from "./types";

type OnSkin<Kind> = {
  look: Look;
  defect: Kind;
  at: At;
  lap: number;
  toBy: (from: [number, number], to: [number, number]) => { clockDeg: number; zMm: number };
};
type Peeled = (clockDeg: number, zMm: number) => number;

/** All of them, each thrice, so that what crosses 12 o'clock is whole. */
export function SkinDefects({ look, at, back, peeled }: { look: Look; at: At; back: Back; peeled: Peeled }) {
  const toBy = (from: [number, number], to: [number, number]) => {
    const [a, b] = [back(...from), back(...to)];
    return { clockDeg: b.clockDeg - a.clockDeg, zMm: b.zMm - a.zMm };
  };
  return look.document.defects.map((defect) =>
    [-360, 0, 360].map((lap) =>
      isPath(defect) ? (
        <PathOnSkin key={`${defect.id}${lap}`} {...{ look, defect, at, lap, toBy }} />
      ) : (
        <BodyOnSkin key={`${defect.id}${lap}`} {...{ look, defect, at, lap, toBy, peeled }} />
      ),
    ),
  );
}

/** Handles of the one that is chosen. */
export function ChosenGrips({ look, at, back }: { look: Look; at: At; back: Back }) {
  const defect: Defect | undefined = look.document.defects.find(({ id }) => id === look.chosen);
  if (!defect || look.tool || look.fixed) return null;
  if (!isPath(defect)) return <BodyGrips {...{ look, defect, at, back }} />;
  if (defect.enters !== "side") return null;
  return <PathGrips {...{ look, defect }} toSpot={back} toPlace={(point) => at(fold(point.clock_deg), point.z_mm)} />;
}

/** Inked where this depth cuts the body; dashed where it lies under (or over) the surface. */
function BodyOnSkin({ look, defect, at, lap, toBy, peeled }: OnSkin<BodyDefect> & { peeled: Peeled }) {
  const centre = { ...defect, centre: { ...defect.centre, clock_deg: fold(defect.centre.clock_deg) + lap } };
  const met = bodyOnSkin(centre, (clockDeg) => peeled(clockDeg, defect.centre.z_mm));
  const outline = (met.length > 0 ? met : bodyOnSkin(centre, () => Math.max(1, defect.centre.r_mm))).map(
    ([clockDeg, z]) => at(clockDeg, z),
  );
  const [x, y] = at(centre.centre.clock_deg, centre.centre.z_mm);
  if (x < -60 || x > 4000) return null;
  return (
    <Handle {...defectHandle(look, defect, toBy)} {...(lap !== 0 && { tabIndex: -1, "aria-hidden": true })}>
      <path className="halo" d={outlinePath(outline)} />
      <path
        d={outlinePath(outline)}
        fill={met.length > 0 ? groundOf(defect) : "transparent"}
        stroke={met.length > 0 ? ink.ink : ink.quiet}
        strokeWidth="1.4"
        strokeDasharray={met.length > 0 ? edgeOf(defect) : "2 4"}
      />
      <DefectTag x={tagX(at, x)} y={y} id={defect.id} />
    </Handle>
  );
}

/** Handles to draw a chosen body wider round it and longer along it. */
function BodyGrips({ look, defect, at, back }: { look: Look; defect: BodyDefect; at: At; back: Back }) {
  const { clock_deg, r_mm, z_mm } = defect.centre;
  const [, round = 1, along = 1] = defect.size_mm;
  const perDeg = (Math.max(r_mm, 1) * Math.PI) / 180;
  const [right, top] = [at(fold(clock_deg) + round / 2 / perDeg, z_mm), at(fold(clock_deg), z_mm + along / 2)];
  return (
    <>
      <BodyGrip
        {...{ look, defect }}
        axis={1}
        x={right[0]}
        y={right[1]}
        extentAt={(x, y) => Math.abs(back(x, y).clockDeg - fold(clock_deg)) * 2 * perDeg}
      />
      <BodyGrip
        {...{ look, defect }}
        axis={2}
        x={top[0]}
        y={top[1]}
        extentAt={(x, y) => Math.abs(back(x, y).zMm - z_mm) * 2}
      />
    </>
  );
}

/** On the side, its own line as deep as it goes; on a face, where it comes to the edge of the map. */
function PathOnSkin({ look, defect, at, lap, toBy }: OnSkin<PathDefect>) {
  const side = defect.enters === "side";
  const gone =
    side &&
    look.peel !== undefined &&
    !look.peel.rows.some(({ stretches }) => stretches.some(({ id }) => id === defect.id));
  const places = pathPoints(defect, look.geometry);
  const base = fold(places[0]?.clockDeg ?? 0) - (places[0]?.clockDeg ?? 0) + lap;
  const line = side
    ? places.map(({ clockDeg, zMm }) => at(clockDeg + base, zMm))
    : [...new Set(places.map(({ clockDeg }) => Math.round(fold(clockDeg))))]
        .sort((a, b) => a - b)
        .map((clockDeg) => at(clockDeg + lap, look.geometry.length_mm * (defect.enters === "head_face" ? 0.02 : 0.98)));
  const middle = line[Math.floor(line.length / 2)] ?? [0, 0];
  const mended = "mend" in defect && defect.mend !== undefined && defect.mend !== "none";
  if (!side) {
    return (
      <g pointerEvents="none">
        {line.map(([x, y]) => (
          <path
            key={x}
            d={`M${x} ${y}v${defect.enters === "head_face" ? -5 : 5}`}
            stroke={ink.rust}
            strokeWidth="1.6"
          />
        ))}
      </g>
    );
  }
  return (
    <Handle {...defectHandle(look, defect, toBy)} {...(lap !== 0 && { tabIndex: -1, "aria-hidden": true })}>
      <path className="halo" d={outlinePath(line, false)} />
      {defect.type === "bark_inclusion" && (
        <path d={outlinePath(line, false)} fill="none" stroke="url(#ground-bark)" strokeWidth="12" />
      )}
      <path
        d={gone ? outlinePath(line, false) : barbed(line, 1)}
        fill="none"
        stroke={gone ? ink.quiet : ink.rust}
        strokeWidth={gone || mended ? 1.4 : 2.6}
        strokeDasharray={gone ? "2 4" : "none"}
        strokeLinecap="round"
      />
      <path d={outlinePath(line, false)} stroke="transparent" strokeWidth="24" fill="none" />
      <DefectTag x={tagX(at, middle[0] + 15)} y={middle[1]} id={defect.id} />
    </Handle>
  );
}
