import type { PointerEvent } from "react";
import styled from "styled-components";
import { ink } from "../kit/theme";
import { follow, placeOf } from "./drag";
import { freeId, makeDefect } from "./edit";
import { fold, surfaceMm } from "./geometry";
import { ChosenGrips, SkinDefects } from "./SkinDefects";
import { Air, Grain, Grooves, NotOfIt, SliceLines, Unseen, Words } from "./SkinLayers";
import { Callouts, TestMarks } from "./SkinNotes";
import { cutRadiusMm, LEFT, skinPlaces, TOP } from "./skinPlaces";
import type { Look } from "./types";
import { useSize } from "./useSize";
import { t } from "../i18n/texts";

const Frame = styled.svg`
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  user-select: none;
`;

const still = () => undefined;

/** The surface unrolled: 12 to 12 o'clock from left to right, tail above, head below, as it is after peeling so deep. */
export function SkinView({ look }: { look: Look }) {
  const [frame, { width, height }] = useSize<SVGSVGElement>();
  const { geometry, document, peel } = look;
  const { wide, tall, at, back } = skinPlaces(width, height, geometry.length_mm);
  // The skin itself or, peeled, the round cut that the core has worked out for each z.
  const peeled = (clockDeg: number, zMm: number) =>
    peel ? cutRadiusMm(peel, zMm) : surfaceMm(geometry, clockDeg, zMm);
  const drawGroove = (event: PointerEvent, groove: NonNullable<Look["groove"]>) => {
    const start = back(...placeOf(event));
    follow(event, still, (x, y) => {
      const end = back(x, y);
      if (Math.hypot(end.clockDeg - start.clockDeg, end.zMm - start.zMm) > 1)
        groove(start, { ...end, clockDeg: Math.min(360, Math.max(0, end.clockDeg)) });
    });
  };
  const drawDefect = (event: PointerEvent, tool: NonNullable<Look["tool"]>) => {
    const place = (x: number, y: number) => {
      const { clockDeg, zMm } = back(x, y);
      return { clockDeg: fold(clockDeg), zMm, rMm: Math.max(1, peeled(clockDeg, zMm) - 8) };
    };
    const from = place(...placeOf(event));
    follow(event, still, (x, y) =>
      look.add(makeDefect(tool, freeId(document.defects), from, place(x, y), "skin", geometry)),
    );
  };
  const point = (event: PointerEvent) => {
    if (look.groove) drawGroove(event, look.groove);
    else if (look.tool) drawDefect(event, look.tool);
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
            <rect x={LEFT} y={TOP} width={wide} height={tall} />
          </clipPath>
          <rect
            data-skin
            x={LEFT}
            y={TOP}
            width={wide}
            height={tall}
            fill={ink.wood}
            stroke={ink.slate}
            onPointerDown={point}
            style={{ cursor: look.tool || look.groove ? "crosshair" : "default" }}
          />
          <Grain {...{ look, at }} />
          <g clipPath="url(#skin-clip)" pointerEvents={look.groove ? "none" : undefined}>
            <Unseen {...{ look, at }} />
            {peel && <Air {...{ peel, at }} />}
            {peel && <NotOfIt {...{ peel, at }} lengthMm={geometry.length_mm} />}
            <SkinDefects {...{ look, at, back, peeled }} />
            <Grooves {...{ look, at, tall }} />
            <TestMarks {...{ look, at }} />
            <Callouts {...{ look, at }} frame={{ x: LEFT, y: TOP, wide, high: tall }} />
            <ChosenGrips {...{ look, at, back }} />
          </g>
          <SliceLines {...{ look, at, wide, tall }} />
          <Words {...{ at, tall }} />
        </>
      )}
    </Frame>
  );
}
