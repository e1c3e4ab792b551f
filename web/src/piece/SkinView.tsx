import type { PointerEvent } from "react";
import styled from "styled-components";
import { isPath, isTest, type BodyDefect, type Defect, type PathDefect, type Peel } from "../api/document";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { calloutsIn, calloutText, type Box } from "./callouts";
import { DefectTag, Handle } from "./Defect";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { bodyOnSkin, fold, pathPoints, profileMm, surfaceMm } from "./geometry";
import { barbed, edgeOf, groundOf, outlinePath } from "./Ground";
import { grainOnSkin } from "./grain";
import { BodyGrip, PathGrips } from "./Shaping";
import type { Look } from "./types";
import { defectHandle } from "./defectHandle";
import { useSize } from "./useSize";
import { t } from "../i18n/texts";

const LEFT = 44;
const RIGHT = 14;
const FOOT = 24;

const Frame = styled.svg`
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  user-select: none;
`;

/** What nobody has looked at, hatched over. */
function Unseen({ look, at }: { look: Look; at: (clockDeg: number, zMm: number) => [number, number] }) {
  const { recorded, needed, gaps } = look.assessment.coverage;
  if (!recorded && !needed) return null;
  const [, top] = at(0, look.geometry.length_mm);
  const [, foot] = at(0, 0);
  return (
    <g pointerEvents="none">
      <pattern id="unseen" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V9" stroke={ink.slate} strokeWidth="2" strokeOpacity="0.45" />
      </pattern>
      {gaps.flatMap(([from = 0, to = 0]) =>
        [-360, 0].map((lap) => {
          const [left] = at(from + lap, 0);
          const [right] = at(to + lap, 0);
          return (
            <rect
              key={`${from}${lap}`}
              data-unseen
              x={left}
              y={top}
              width={Math.max(0, right - left)}
              height={foot - top}
              fill="url(#unseen)"
            />
          );
        }),
      )}
    </g>
  );
}

/** The surface unrolled: 12 to 12 o'clock from left to right, tail above, head below, as it is after peeling so deep. */
export function SkinView({ look }: { look: Look }) {
  const [frame, { width, height }] = useSize<SVGSVGElement>();
  const { geometry, document } = look;
  const wide = width - LEFT - RIGHT;
  const tall = height - FOOT - 4;
  const at = (clockDeg: number, zMm: number): [number, number] => [
    LEFT + (clockDeg / 360) * wide,
    4 + (1 - zMm / geometry.length_mm) * tall,
  ];
  const back = (x: number, y: number) => ({
    clockDeg: ((x - LEFT) / wide) * 360,
    zMm: Math.min(geometry.length_mm, Math.max(0, (1 - (y - 4) / tall) * geometry.length_mm)),
  });
  // The skin itself or, peeled, the round cut that the core has worked out for each z.
  const peeled = (clockDeg: number, zMm: number) =>
    look.peel ? cutRadiusMm(look.peel, zMm) : surfaceMm(geometry, clockDeg, zMm);
  const toBy = (from: [number, number], to: [number, number]) => {
    const [a, b] = [back(...from), back(...to)];
    return { clockDeg: b.clockDeg - a.clockDeg, zMm: b.zMm - a.zMm };
  };
  const point = (event: PointerEvent) => {
    if (look.groove) {
      const [groove, start] = [look.groove, back(...placeOf(event))];
      follow(
        event,
        () => undefined,
        (x, y) => {
          const end = back(x, y);
          if (Math.hypot(end.clockDeg - start.clockDeg, end.zMm - start.zMm) > 1)
            groove(start, { ...end, clockDeg: Math.min(360, Math.max(0, end.clockDeg)) });
        },
      );
      return;
    }
    if (!look.tool) return;
    const tool = look.tool;
    const place = (x: number, y: number) => {
      const { clockDeg, zMm } = back(x, y);
      return { clockDeg: fold(clockDeg), zMm, rMm: Math.max(1, peeled(clockDeg, zMm) - 8) };
    };
    const from = place(...placeOf(event));
    follow(
      event,
      () => undefined,
      (x, y) => look.add(makeDefect(tool, freeId(document.defects), from, place(x, y), "skin", geometry)),
    );
  };

  return (
    <Frame
      ref={frame}
      role="group"
      aria-label={t("screen.piece.skin_unrolled_12_oclock_to_12", { count: document.defects.length })}
    >
      {wide > 0 && (
        <>
          <clipPath id="skin-clip">
            <rect x={LEFT} y={4} width={wide} height={tall} />
          </clipPath>
          <rect
            data-skin
            x={LEFT}
            y={4}
            width={wide}
            height={tall}
            fill={ink.wood}
            stroke={ink.slate}
            onPointerDown={point}
            style={{ cursor: look.tool || look.groove ? "crosshair" : "default" }}
          />
          <text x={LEFT - 8} y={16} fontSize="14" textAnchor="end" fill={ink.quiet}>
            {t("screen.piece.tail")}
          </text>
          <text x={LEFT - 8} y={tall} fontSize="14" textAnchor="end" fill={ink.quiet}>
            {t("screen.piece.head")}
          </text>
          <path
            d={grainOnSkin(document.material, geometry.length_mm)
              .map((line) =>
                outlinePath(
                  line.map(([clockDeg, zMm]) => at(clockDeg, zMm)),
                  false,
                ),
              )
              .join("")}
            clipPath="url(#skin-clip)"
            fill="none"
            stroke={ink.grain}
            pointerEvents="none"
          />
          <g clipPath="url(#skin-clip)" pointerEvents={look.groove ? "none" : undefined}>
            <Unseen look={look} at={at} />
            {look.peel && <Air peel={look.peel} at={at} />}
            {look.peel && <NotOfIt peel={look.peel} at={at} lengthMm={geometry.length_mm} />}
            {document.defects.map((defect) =>
              [-360, 0, 360].map((lap) =>
                isPath(defect) ? (
                  <PathOnSkin key={`${defect.id}${lap}`} {...{ look, defect, at, lap, toBy }} />
                ) : (
                  <BodyOnSkin key={`${defect.id}${lap}`} {...{ look, defect, at, lap, toBy, peeled }} />
                ),
              ),
            )}
            {look.grooves.flatMap(({ path, width_mm }, index) =>
              [-360, 0, 360].map((lap) => (
                <path
                  key={`${index}${lap}`}
                  data-groove={lap === 0 || undefined}
                  d={outlinePath(
                    path.map(({ clock_deg, z_mm }) => at(clock_deg + lap, z_mm)),
                    false,
                  )}
                  fill="none"
                  stroke={ink.moss}
                  strokeOpacity="0.55"
                  strokeWidth={Math.max(2, (width_mm / geometry.length_mm) * tall)}
                  pointerEvents="none"
                />
              )),
            )}
            <TestMarks look={look} at={at} />
            <Callouts {...{ look, at }} frame={{ x: LEFT, y: 4, wide, high: tall }} />
            {document.defects
              .filter(({ id }) => id === look.chosen && !look.tool && !look.fixed)
              .map((defect) =>
                isPath(defect) ? (
                  defect.enters === "side" && (
                    <PathGrips
                      key={defect.id}
                      {...{ look, defect }}
                      toSpot={back}
                      toPlace={(point) => at(fold(point.clock_deg), point.z_mm)}
                    />
                  )
                ) : (
                  <BodyGrips key={defect.id} {...{ look, defect, at, back }} />
                ),
              )}
          </g>
          <path
            d={`M${LEFT} ${at(0, look.zMm)[1]}H${LEFT + wide}`}
            stroke={ink.moss}
            strokeDasharray="7 4"
            pointerEvents="none"
          />
          {[look.clockDeg, fold(look.clockDeg + 180)].map((clockDeg, index) => (
            <path
              key={index}
              d={`M${at(clockDeg, 0)[0]} 4V${tall + 4}`}
              stroke={ink.moss}
              strokeWidth={index === 0 ? 2 : 1}
              strokeDasharray="7 4"
              pointerEvents="none"
            />
          ))}
          {Array.from({ length: 13 }, (_, hour) => (
            <g key={hour} pointerEvents="none">
              <path d={`M${at(hour * 30, 0)[0]} ${tall + 4}v5`} stroke={ink.slate} />
              <text
                x={at(hour * 30, 0)[0]}
                y={height - 3}
                fontSize="14"
                textAnchor="middle"
                fill={ink.quiet}
                fontWeight={hour % 3 === 0 ? 700 : 400}
              >
                {hour % 12 || 12}
              </text>
            </g>
          ))}
        </>
      )}
    </Frame>
  );
}

type At = (clockDeg: number, zMm: number) => [number, number];
type OnSkin<Kind> = {
  look: Look;
  defect: Kind;
  at: At;
  lap: number;
  toBy: (from: [number, number], to: [number, number]) => { clockDeg: number; zMm: number };
};

/** Radius of the cut at z, between the rows the core gave. */
const cutRadiusMm = ({ rows }: Peel, zMm: number) =>
  profileMm(
    rows.map((row) => [row.z_mm, row.radius_mm]),
    zMm,
  ) ??
  (zMm < (rows[0]?.z_mm ?? 0) ? rows[0] : rows.at(-1))?.radius_mm ??
  1;

/** Where the cut is beyond the wood. */
function Air({ peel, at }: { peel: Peel; at: At }) {
  const half = halfRow(peel);
  const d = peel.rows.flatMap(({ z_mm, stretches }) =>
    stretches
      .filter(({ kind, id }) => kind === "air" && id === null)
      .flatMap(({ from_deg, to_deg }) =>
        [-360, 0].map((lap) => {
          const [[x0, y0], [x1, y1]] = [at(from_deg + lap, z_mm + half), at(to_deg + lap, z_mm - half)];
          return `M${x0.toFixed(1)} ${y0.toFixed(1)}H${x1.toFixed(1)}V${y1.toFixed(1)}H${x0.toFixed(1)}Z`;
        }),
      ),
  );
  return <path d={d.join("")} fill="url(#ground-air)" stroke="none" pointerEvents="none" />;
}

const halfRow = ({ rows }: Peel) => ((rows.at(-1)?.z_mm ?? 0) - (rows[0]?.z_mm ?? 0)) / (rows.length - 1) / 2;

/** Above and below what that stage leaves of the length. */
function NotOfIt({ peel, at, lengthMm }: { peel: Peel; at: At; lengthMm: number }) {
  const half = halfRow(peel);
  const [low, high] = [(peel.rows[0]?.z_mm ?? 0) - half, (peel.rows.at(-1)?.z_mm ?? lengthMm) + half];
  return [
    [high, lengthMm],
    [0, low],
  ].map(([from = 0, to = 0]) => {
    const [[x0, y0], [x1, y1]] = [at(0, to), at(360, from)];
    return (
      y1 - y0 > 0.5 && (
        <rect key={from} x={x0} y={y0} width={x1 - x0} height={y1 - y0} fill={ink.waste} pointerEvents="none" />
      )
    );
  });
}

/** Inked where this depth cuts the body; dashed where it lies under (or over) the surface. */
function BodyOnSkin({
  look,
  defect,
  at,
  lap,
  toBy,
  peeled,
}: OnSkin<BodyDefect> & { peeled: (clockDeg: number, zMm: number) => number }) {
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
      <DefectTag x={x} y={y} id={defect.id} />
    </Handle>
  );
}

/** Handles to draw a chosen body wider round it and longer along it. */
function BodyGrips({
  look,
  defect,
  at,
  back,
}: {
  look: Look;
  defect: BodyDefect;
  at: At;
  back: (x: number, y: number) => { clockDeg: number; zMm: number };
}) {
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

/** A line of text beside each defect's letter, where there is room for it. */
function Callouts({ look, at, frame }: { look: Look; at: At; frame: Box }) {
  const unit = useUnit();
  const marks = look.document.defects.flatMap((defect) => {
    const [x, y] = letterPlace(look, defect, at);
    const shown = !isPath(defect) || defect.enters === "side";
    return shown ? [{ id: defect.id, x, y, text: calloutText(defect, look.assessment, unit) }] : [];
  });
  const tests = (look.document.readings ?? []).filter(isTest).map(({ at: spot }): Box => {
    const [x, y] = at(fold(spot.clock_deg), spot.z_mm);
    return { x: x - 6, y: y - 8, wide: 40, high: 16 };
  });
  return (
    <g pointerEvents="none" fontSize="14" fill={ink.ink}>
      {calloutsIn(frame, marks, tests).map(({ id, x, y, anchor, text }) => (
        <text
          key={id}
          x={x}
          y={y}
          textAnchor={anchor}
          dominantBaseline="central"
          style={{ paintOrder: "stroke", stroke: ink.wood, strokeWidth: 4 }}
        >
          {text}
        </text>
      ))}
    </g>
  );
}

/** Where a defect's letter stands on the skin. */
function letterPlace(look: Look, defect: Defect, at: At): [number, number] {
  if (!isPath(defect)) return at(fold(defect.centre.clock_deg), defect.centre.z_mm);
  const places = pathPoints(defect, look.geometry);
  const middle = places[Math.floor(places.length / 2)] ?? { clockDeg: 0, zMm: 0 };
  const base = fold(places[0]?.clockDeg ?? 0) - (places[0]?.clockDeg ?? 0);
  const [x, y] = at(middle.clockDeg + base, middle.zMm);
  return [x + 15, y];
}

/** What is written beside a mark; a dull knock and a piece that moves are drawn as what they hint at. */
const SHOWN: Record<string, string> = { crumbles: "crumbles", drinks: "drinks", glows: "glows" };

/** Where the side was tried, and what it showed; what was sound is a cross alone. */
function TestMarks({ look, at }: { look: Look; at: At }) {
  const tests = (look.document.readings ?? [])
    .filter(isTest)
    .filter(({ kind, at: spot }) => kind !== "moisture" && spot.r_mm === undefined);
  return (
    <g pointerEvents="none" fontSize="13" fill={ink.ink} stroke="none">
      {tests.map((test, index) => {
        const [x, y] = at(fold(test.at.clock_deg), test.at.z_mm);
        const said = "found" in test ? SHOWN[test.found] : `${test.value}`;
        return (
          <g key={index}>
            <path d={`M${x - 4} ${y - 4}l8 8m0 -8l-8 8`} stroke={ink.ink} strokeWidth="1.5" />
            {said && (
              <text
                x={x + 7}
                y={y}
                dominantBaseline="central"
                style={{ paintOrder: "stroke", stroke: ink.wood, strokeWidth: 3 }}
              >
                {said}
              </text>
            )}
          </g>
        );
      })}
    </g>
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
      <DefectTag x={middle[0] + 15} y={middle[1]} id={defect.id} />
    </Handle>
  );
}
