import { memo } from "react";
import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from "react-aria-components";
import styled from "styled-components";
import type { Peel } from "../api/document";
import { amountText, clockText } from "../kit/measure";
import { focusRing, ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { EndView } from "./EndView";
import { GroundPatterns } from "./Ground";
import { SectionView } from "./SectionView";
import { SkinView } from "./SkinView";
import type { Look } from "./types";
import { useSize } from "./useSize";

const DIAL_PX = 38;
const HEAD_PX = 18;
const SPINDLE_PX = 52;
const TAIL_PX = 56;
const GAP_PX = 8;
const LARGEST_SCALE = 5;
const STACKED_UNDER_PX = 520;

const Frame = styled.div`
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto clamp(110px, 18vh, 170px);
  min-height: 0;
  height: 100%;
  gap: 2px;
`;

const Turned = styled.svg`
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  user-select: none;
`;

const Title = styled.text`
  font-weight: 650;
  fill: ${ink.ink};
`;

const PeelSlider = styled(Slider)`
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 40px;
  font-weight: 650;
`;

const Track = styled(SliderTrack)`
  width: 210px;
  height: 30px;
  &::before {
    content: "";
    display: block;
    position: absolute;
    inset: 13px 0 auto;
    border-top: 3px solid ${ink.slate};
  }
`;

const Thumb = styled(SliderThumb)`
  width: 22px;
  height: 22px;
  top: 50%;
  background: ${ink.moss};
  cursor: grab;
  ${focusRing}
`;

/**
 * Where end and section go, at one true scale: side by side on one axis line or, where it is narrow, one above the other.
 */
function place(reachMm: number, lengthMm: number, width: number, height: number) {
  const fit = (px: number, mm: number) => px / mm;
  if (width < STACKED_UNDER_PX) {
    const scale = Math.min(fit(height - 2 * HEAD_PX - 4 * DIAL_PX, 4 * reachMm), fit(width - 2 * DIAL_PX, 2 * reachMm), fit(width - SPINDLE_PX - TAIL_PX, lengthMm), LARGEST_SCALE);
    const row = HEAD_PX + 2 * DIAL_PX + 2 * reachMm * scale;
    return { scale, cx: width / 2, cy: HEAD_PX + DIAL_PX + reachMm * scale, x0: SPINDLE_PX + (width - SPINDLE_PX - TAIL_PX - lengthMm * scale) / 2, sectionY: row + HEAD_PX + DIAL_PX + reachMm * scale, titleY: row + 15 };
  }
  const across = width - 2 * DIAL_PX - SPINDLE_PX - TAIL_PX - GAP_PX;
  const scale = Math.min(fit(height - HEAD_PX - 2 * DIAL_PX, 2 * reachMm), fit(across, 2 * reachMm + lengthMm), LARGEST_SCALE);
  const spare = Math.max(0, across - (2 * reachMm + lengthMm) * scale) / 3;
  const cx = spare + DIAL_PX + reachMm * scale;
  const cy = HEAD_PX + (height - HEAD_PX) / 2;
  return { scale, cx, cy, x0: cx + reachMm * scale + DIAL_PX + GAP_PX + SPINDLE_PX + spare, sectionY: cy, titleY: 15 };
}

const Met = styled.span`
  font-weight: 400;
  font-size: 15px;
  line-height: 1.2;
  min-width: 0;
`;

type PeelProps = { peelMm: number; setPeel: (mm: number) => void; mostMm: number; peel: Peel | undefined; rpm: number };

/** How deep the skin is peeled, and what the edge would meet there. Kept as it is while only other things change. */
const PeelRow = memo(function PeelRow({ peelMm, setPeel, mostMm, peel, rpm }: PeelProps) {
  const unit = useUnit();
  return (
    <PeelSlider value={peelMm} onChange={(value) => setPeel(value as number)} minValue={0} maxValue={mostMm} step={1}>
      <Label>Skin{peelMm > 0 ? ", peeled" : ""}</Label>
      <SliderOutput style={{ minWidth: 64 }}>{peelMm > 0 ? amountText(peelMm, "mm", unit) : "as it is"}</SliderOutput>
      <Track><Thumb aria-label="Depth peeled off the skin" /></Track>
      {peel && <OnThisCut peel={peel} rpm={rpm} />}
    </PeelSlider>
  );
});

/** What the edge meets at the depth peeled to. */
function OnThisCut({ peel, rpm }: { peel: Peel; rpm: number }) {
  const unit = useUnit();
  const met = Object.entries(peel.shares).filter(([kind, share]) => kind !== "sound" && share > 0.0005).sort(([, a], [, b]) => b - a).slice(0, 3);
  return (
    <Met role="status">
      {peel.reaches_form && "At the form. "}
      {met.length === 0 ? "Sound wood all round." : met.map(([kind, share], index) => <span key={kind}>{index > 0 && " · "}{kind} <strong>{amountText(share, "share", unit)}</strong></span>)}
      {peel.worst && <> · knocks <strong>{amountText(peel.worst.knocks_per_s, "a second", unit)}</strong> at {amountText(rpm, "rpm", unit)}</>}
    </Met>
  );
}

/** Three drawings of the one solid, locked together. */
export function Piece({ look, setPeel }: { look: Look; setPeel: (mm: number) => void }) {
  const [frame, { width, height }] = useSize<SVGSVGElement>();
  const { geometry } = look;
  const { scale, cx, cy, x0, sectionY, titleY } = place(geometry.max_radius_mm, geometry.length_mm, width, height);

  return (
    <Frame>
      <Turned ref={frame} role="group" aria-label={`End and section of ${look.document.name}, cut at ${clockText(look.clockDeg)}`}>
        <GroundPatterns />
        {scale > 0 && width > 0 && (
          <>
            <Title x={0} y={15}>End, seen from the tail</Title>
            <Title x={Math.max(0, x0 - SPINDLE_PX)} y={titleY}>Section, {clockText(look.clockDeg)} above</Title>
            <EndView {...{ look, scale, cx, cy }} />
            <SectionView {...{ look, scale, x0 }} cy={sectionY} />
          </>
        )}
      </Turned>
      <PeelRow peelMm={look.peelMm} setPeel={setPeel} mostMm={Math.max(1, Math.floor(geometry.max_radius_mm * 0.6))} peel={look.peel} rpm={look.assessment.stages.blank.limit_rpm} />
      <SkinView look={look} />
    </Frame>
  );
}
