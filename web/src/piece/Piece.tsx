import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from "react-aria-components";
import styled from "styled-components";
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

const Peel = styled(Slider)`
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

/** Three drawings of the one solid, locked together. */
export function Piece({ look, setPeel }: { look: Look; setPeel: (mm: number) => void }) {
  const [frame, { width, height }] = useSize<SVGSVGElement>();
  const unit = useUnit();
  const { geometry } = look;
  const reach = geometry.max_radius_mm;
  const across = width - 2 * DIAL_PX - SPINDLE_PX - TAIL_PX - GAP_PX;
  const scale = Math.min((height - HEAD_PX - 2 * DIAL_PX) / (2 * reach), across / (2 * reach + geometry.length_mm), LARGEST_SCALE);
  const used = (2 * reach + geometry.length_mm) * scale;
  const spare = Math.max(0, across - used) / 3;
  const cx = spare + DIAL_PX + reach * scale;
  const cy = HEAD_PX + (height - HEAD_PX) / 2;
  const x0 = cx + reach * scale + DIAL_PX + GAP_PX + SPINDLE_PX + spare;

  return (
    <Frame>
      <Turned ref={frame} role="group" aria-label={`End and section of ${look.document.name}, cut at ${clockText(look.clockDeg)}`}>
        <GroundPatterns />
        {scale > 0 && width > 0 && (
          <>
            <Title x={0} y={15}>End, seen from the tail</Title>
            <Title x={x0 - SPINDLE_PX} y={15}>Section, {clockText(look.clockDeg)} above</Title>
            <EndView {...{ look, scale, cx, cy }} />
            <SectionView {...{ look, scale, x0, cy }} />
          </>
        )}
      </Turned>
      <Peel value={look.peelMm} onChange={(value) => setPeel(value as number)} minValue={0} maxValue={Math.max(1, Math.floor(reach * 0.6))} step={1}>
        <Label>Skin{look.peelMm > 0 ? ", peeled" : ""}</Label>
        <SliderOutput style={{ minWidth: 64 }}>{look.peelMm > 0 ? amountText(look.peelMm, "mm", unit) : "as it is"}</SliderOutput>
        <Track><Thumb aria-label="Depth peeled off the skin" /></Track>
      </Peel>
      <SkinView look={look} />
    </Frame>
  );
}
