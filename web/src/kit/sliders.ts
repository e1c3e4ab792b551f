import { Slider, SliderThumb, SliderTrack } from "react-aria-components";
import styled from "styled-components";
import { focusRing, ink } from "./theme";

/** A slider with its name and what it is at over its line. */
export const NamedSlider = styled(Slider)`
  display: grid;
  grid-template-columns: auto auto;
  gap: 0 12px;
  font-size: 14px;
  color: ${ink.quiet};
`;

/** The line a thumb slides along. */
export const Track = styled(SliderTrack)`
  width: 180px;
  height: 30px;
  &::before {
    content: "";
    display: block;
    position: absolute;
    inset: 13px 0 auto;
    border-top: 3px solid ${ink.slate};
  }
`;

export const Thumb = styled(SliderThumb)`
  width: 22px;
  height: 22px;
  top: 50%;
  background: ${ink.moss};
  cursor: grab;
  ${focusRing}
`;
