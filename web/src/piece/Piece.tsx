import { useContext } from "react";
import styled from "styled-components";
import { t } from "../i18n/texts";
import { clockText } from "../kit/measure";
import { ink } from "../kit/theme";
import { EndView } from "./EndView";
import { GroundPatterns } from "./Ground";
import { layOut, SPINDLE_PX } from "./layOut";
import { PeelRow } from "./PeelRow";
import { PieceView } from "./PieceView";
import { InTheRound } from "./round/InTheRound";
import { SectionView } from "./SectionView";
import { SkinView } from "./SkinView";
import type { CutAt, Look } from "./types";
import { useSize } from "./useSize";

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
  const { scale, cx, cy, x0, sectionY, titleY } = layOut(geometry.max_radius_mm, geometry.length_mm, width, height);

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
