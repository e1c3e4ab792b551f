import { memo } from "react";
import { Label, Slider, SliderOutput, ToggleButton } from "react-aria-components";
import styled from "styled-components";
import type { Assessment, Peel } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { Thumb, Track } from "../kit/sliders";
import { focusRing, ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import type { CutAt, CutStage } from "./types";
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
export const PeelRow = memo(function PeelRow({ cutAt, setCut, mostMm, stages, peel, rpm }: PeelProps) {
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
