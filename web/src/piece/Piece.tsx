import { memo, useContext } from "react";
import { Label, Slider, SliderOutput, ToggleButton } from "react-aria-components";
import styled from "styled-components";
import type { Assessment, Peel } from "../api/document";
import { amountText, clockText } from "../kit/measure";
import { Thumb, Track } from "../kit/sliders";
import { focusRing, ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { EndView } from "./EndView";
import { InTheRound } from "./round/InTheRound";
import { PieceView } from "./PieceView";
import { GroundPatterns } from "./Ground";
import { SectionView } from "./SectionView";
import { SkinView } from "./SkinView";
import type { CutAt, CutStage, Look } from "./types";
import { useSize } from "./useSize";
import { t } from "../i18n/texts";

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

const CUTS: Record<CutStage, string> = {
  rounded: t("screen.piece.rounded"),
  outside: t("screen.piece.outside_turned"),
  hollowed: t("screen.piece.hollow"),
};
const CUT_STAGES = Object.keys(CUTS) as CutStage[];

const Peeled = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 18px;
  min-height: 44px;
  [role="group"] > button {
    min-height: 40px;
    padding: 0 10px;
    border: 0;
    border-bottom: 3px solid transparent;
    background: none;
    color: ${ink.ink};
    cursor: pointer;
    ${focusRing}
  }
  [role="group"] > button[data-hovered] {
    border-color: ${ink.slate};
  }
  [role="group"] > button[data-selected] {
    border-color: ${ink.moss};
    font-weight: 650;
  }
`;

const PeelSlider = styled(Slider)`
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 40px;
  font-weight: 650;
`;

/**
 * Where end and section go, at one true scale: side by side on one axis line or, where it is narrow, one above the other.
 */
function place(reachMm: number, lengthMm: number, width: number, height: number) {
  const fit = (px: number, mm: number) => px / mm;
  if (width < STACKED_UNDER_PX) {
    const scale = Math.min(
      fit(height - 2 * HEAD_PX - 4 * DIAL_PX, 4 * reachMm),
      fit(width - 2 * DIAL_PX, 2 * reachMm),
      fit(width - SPINDLE_PX - TAIL_PX, lengthMm),
      LARGEST_SCALE,
    );
    const row = HEAD_PX + 2 * DIAL_PX + 2 * reachMm * scale;
    return {
      scale,
      cx: width / 2,
      cy: HEAD_PX + DIAL_PX + reachMm * scale,
      x0: SPINDLE_PX + (width - SPINDLE_PX - TAIL_PX - lengthMm * scale) / 2,
      sectionY: row + HEAD_PX + DIAL_PX + reachMm * scale,
      titleY: row + 15,
    };
  }
  const across = width - 2 * DIAL_PX - SPINDLE_PX - TAIL_PX - GAP_PX;
  const scale = Math.min(
    fit(height - HEAD_PX - 2 * DIAL_PX, 2 * reachMm),
    fit(across, 2 * reachMm + lengthMm),
    LARGEST_SCALE,
  );
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

type PeelProps = {
  cutAt: CutAt | undefined;
  setCut: (cut: CutAt | undefined) => void;
  mostMm: number;
  stages: Assessment["stages"];
  peel: Peel | undefined;
  rpm: number;
};

/** How deep the skin is peeled or to which stage, and what the edge would meet there. Kept as it is while only other things change. */
const PeelRow = memo(function PeelRow({ cutAt, setCut, mostMm, stages, peel, rpm }: PeelProps) {
  const unit = useUnit();
  const peelMm = cutAt && "depthMm" in cutAt ? cutAt.depthMm : 0;
  const stage = cutAt && "stage" in cutAt ? cutAt.stage : undefined;
  return (
    <Peeled>
      <PeelSlider
        value={peelMm}
        onChange={(value) => setCut(value === 0 ? undefined : { depthMm: value as number })}
        minValue={0}
        maxValue={mostMm}
        step={1}
      >
        <Label style={{ whiteSpace: "nowrap" }}>
          {t("screen.piece.skin", { value: cutAt ? t("screen.piece.peeled") : "" })}
        </Label>
        <SliderOutput style={{ minWidth: 84, whiteSpace: "nowrap" }}>
          {peelMm > 0
            ? amountText(peelMm, "mm", unit)
            : stage
              ? t("screen.piece.to_a_stage")
              : t("screen.piece.as_it_is")}
        </SliderOutput>
        <Track>
          <Thumb aria-label={t("screen.piece.depth_peeled_off_the_skin")} />
        </Track>
      </PeelSlider>
      <div role="group" aria-label={t("screen.piece.peel_to_a_stage")}>
        {CUT_STAGES.filter((key) => stages[key]).map((key) => (
          <ToggleButton key={key} isSelected={stage === key} onChange={(on) => setCut(on ? { stage: key } : undefined)}>
            {CUTS[key]}
          </ToggleButton>
        ))}
      </div>
      {peel && <OnThisCut peel={peel} rpm={rpm} />}
    </Peeled>
  );
});

/** What the edge meets on that cut. */
function OnThisCut({ peel, rpm }: { peel: Peel; rpm: number }) {
  const unit = useUnit();
  const met = Object.entries(peel.shares)
    .filter(([kind, share]) => kind !== "sound" && share > 0.0005)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 3);
  return (
    <Met role="status">
      {peel.reaches_form && peel.stage === null && `${t("screen.piece.at_the_form")} `}
      {met.length === 0
        ? t("screen.piece.sound_wood_all_round")
        : met.map(([kind, share], index) => (
            <span key={kind}>
              {index > 0 && " · "}
              {kind} <strong>{amountText(share, "share", unit)}</strong>
            </span>
          ))}
      {peel.worst && (
        <>
          {" "}
          {t("screen.piece.knocks")} <strong>{amountText(peel.worst.knocks_per_s, "a second", unit)}</strong>{" "}
          {t("screen.piece.at_2", { rpm: amountText(rpm, "rpm", unit) })}
        </>
      )}
    </Met>
  );
}

type Props = { look: Look; setCut: (cut: CutAt | undefined) => void; rpm: number };

/** The piece in the drawings or in the round, as was chosen last. */
export function Piece(props: Props) {
  const { view } = useContext(PieceView);
  return view === "round" ? <InTheRound look={props.look} /> : <Drawings {...props} />;
}

/** Three drawings of the one solid, locked together. */
function Drawings({ look, setCut, rpm }: Props) {
  const [frame, { width, height }] = useSize<SVGSVGElement>();
  const { geometry } = look;
  const { scale, cx, cy, x0, sectionY, titleY } = place(geometry.max_radius_mm, geometry.length_mm, width, height);

  return (
    <Frame>
      <Turned
        ref={frame}
        role="group"
        aria-label={t("screen.piece.end_and_section_of_cut_at", {
          name: look.document.name,
          clock_deg: clockText(look.clockDeg),
        })}
      >
        <GroundPatterns />
        {scale > 0 && width > 0 && (
          <>
            <Title x={0} y={15}>
              {t("screen.piece.end_seen_from_the_tail")}
            </Title>
            <Title x={Math.max(0, x0 - SPINDLE_PX)} y={titleY}>
              {t("screen.piece.section_above", { clock_deg: clockText(look.clockDeg) })}
            </Title>
            <EndView {...{ look, scale, cx, cy }} />
            <SectionView {...{ look, scale, x0 }} cy={sectionY} />
          </>
        )}
      </Turned>
      <PeelRow
        cutAt={look.cutAt}
        setCut={setCut}
        mostMm={Math.max(1, Math.floor(geometry.max_radius_mm * 0.6))}
        stages={look.assessment.stages}
        peel={look.peel}
        rpm={rpm}
      />
      <SkinView look={look} />
    </Frame>
  );
}
