import { lazy, Suspense, useState } from "react";
import { Label, SliderOutput } from "react-aria-components";
import styled from "styled-components";
import { t } from "../../i18n/texts";
import { Choice } from "../../kit/Choice";
import { amountText, clockText, lengthText } from "../../kit/measure";
import { Quiet } from "../../kit/parts";
import { NamedSlider, Thumb, Track } from "../../kit/sliders";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { defectLabel } from "../Defect";
import type { Look } from "../types";
import { BANDS } from "./paint";
import type { Painted } from "./RoundView";

// Large, and not everybody's: it comes when it is asked for.
const RoundView = lazy(() => import("./RoundView"));

const Frame = styled.div`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto auto;
  height: 100%;
  min-height: 0;
  gap: 4px;
  h3 {
    font-weight: 650;
    min-height: 44px;
    display: flex;
    align-items: center;
  }
`;

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 22px;
  min-height: 44px;
`;

const Legend = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 14px;
  svg {
    vertical-align: -3px;
    margin-right: 6px;
  }
`;

/** The piece in the round in place of the drawings, with what it is painted by, the blank round it and where it is cut open. */
export function InTheRound({ look }: { look: Look }) {
  const [by, setBy] = useState<Painted>("stuff");
  const [ghost, setGhost] = useState<"shown" | "hidden">("shown");
  const { geometry, clockDeg } = look;
  const hollow = geometry.form?.walls != null;
  const painted = hollow ? by : "stuff";
  return (
    <Frame>
      <h3>{t("screen.piece.cut_open_from", { clock: clockText(clockDeg) })}</h3>
      <Suspense fallback={<Quiet role="status">{t("screen.piece.loading_3d")}</Quiet>}>
        <RoundView look={look} by={painted} ghost={ghost === "shown"} words={useWords(look)} />
      </Suspense>
      {painted === "wall" ? <Bands look={look} /> : <Quiet>{t("screen.piece.how_to_turn_it")}</Quiet>}
      <Bar>
        {hollow && (
          <Choice<Painted>
            label={t("screen.piece.painted_by")}
            value={by}
            options={{ stuff: t("screen.piece.wood"), wall: t("screen.piece.wall_thickness") }}
            onChange={setBy}
          />
        )}
        {geometry.form && (
          <Choice<"shown" | "hidden">
            label={t("screen.piece.outline_of_the_blank")}
            value={ghost}
            options={{ shown: t("screen.piece.shown"), hidden: t("screen.piece.hidden") }}
            onChange={setGhost}
          />
        )}
        <NamedSlider
          value={clockDeg}
          minValue={0}
          maxValue={359}
          step={1}
          onChange={(deg) => look.setClock(deg as number)}
        >
          <Label>{t("screen.piece.cut_open_at")}</Label>
          <SliderOutput>{clockText(clockDeg)}</SliderOutput>
          <Track style={{ gridColumn: "1 / -1" }}>
            <Thumb aria-label={t("screen.piece.cut_open_at")} />
          </Track>
        </NamedSlider>
      </Bar>
    </Frame>
  );
}

/** Which colour and hatching stand for which thickness. */
function Bands({ look }: { look: Look }) {
  const unit = useUnit();
  const { least_wall_mm: least } = look.assessment.form ?? {};
  const label = (index: number) => {
    const [from, to] = [BANDS[index - 1]?.upTo, BANDS[index]?.upTo ?? Infinity];
    if (from === undefined) return t("screen.piece.band_under", { mm: amountText(to, "mm", unit) });
    if (to === Infinity) return t("screen.piece.band_over", { mm: amountText(from, "mm", unit) });
    return t("screen.piece.band", { from: lengthText(from, unit), to: amountText(to, "mm", unit) });
  };
  return (
    <Legend aria-label={t("screen.piece.wall_thickness")}>
      {BANDS.map(({ colour, hatch }, index) => (
        <li key={index}>
          <svg width="26" height="16" aria-hidden>
            <rect width="26" height="16" fill={`rgb(${colour.join(" ")})`} stroke={ink.ink} />
            {hatch > 0 && (
              <path
                d={Array.from({ length: Math.ceil(42 / hatch) }, (_, line) => `M${line * hatch} 0l-16 16`).join("")}
                stroke={ink.ink}
              />
            )}
          </svg>
          {label(index)}
        </li>
      ))}
      {least != null && (
        <li>
          {t("screen.piece.thinnest")} <strong>{amountText(least, "mm", unit)}</strong>
        </li>
      )}
    </Legend>
  );
}

/** What the picture shows, in words. */
function useWords({ document, geometry, assessment, clockDeg }: Look): string {
  const unit = useUnit();
  const made = assessment.form;
  const parts = [
    t("screen.piece.in_the_round", { name: document.name, clock: clockText(clockDeg) }),
    made?.least_wall_mm != null && t("screen.piece.wall_in_words", { mm: amountText(made.least_wall_mm, "mm", unit) }),
    made?.floor_mm != null && t("screen.piece.floor_in_words", { mm: amountText(made.floor_mm, "mm", unit) }),
    ...document.defects.map((defect) => `${defectLabel(defect, geometry)}.`),
  ];
  return parts.filter(Boolean).join(" ");
}
