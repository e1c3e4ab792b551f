import styled from "styled-components";
import type { CardLine, CardStep } from "../api/document";
import { capital, t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { CutDrawing } from "../piece/CutDrawing";

const Split = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px 40px;
  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 48px;
    margin: 14px 0;
  }
  dt {
    color: ${ink.quiet};
  }
  dd {
    margin: 0;
    font-size: clamp(40px, 4.6vw, 60px);
    line-height: 1.05;
    font-weight: 750;
    white-space: nowrap;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

type Region = NonNullable<CardLine["region"]>;

/** A cut as it is read from two metres: which tool, under which speed, how deep still, and where. */
export function CutLine({ region, among, lineKey }: { region: Region; among: CardStep[]; lineKey: string }) {
  const unit = useUnit();
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const regions = cutsOf(among.find(({ lines }) => lines.some(({ key }) => key === lineKey)));
  const outside = among.flatMap((step) =>
    cutsOf(step).filter(({ side }) => side === "outside" && step.do === "outside"),
  );
  const line = outside.flatMap(({ swath }) => swath.map(({ z_mm, to_mm }) => [z_mm, to_mm]));
  const last = line.at(-1);
  return (
    <Split>
      <div>
        <p className="what" data-line={lineKey}>
          {capital(t(`tables.tools.${region.tool}.name`))}
        </p>
        <p style={{ fontSize: 26 }}>
          {t(`cuts.sides.${region.side}`)}, {t(`cuts.directions.${region.direction}`)}
        </p>
        <dl>
          <div>
            <dt>{t("screen.turn.cut.speed")}</dt>
            <dd>{shown(region.rpm, "rpm")}</dd>
          </div>
          <div>
            <dt>{t(region.down_mm === null ? "screen.turn.cut.depth" : "screen.turn.cut.down")}</dt>
            <dd>{shown(region.down_mm ?? region.depth_mm, "mm")}</dd>
          </div>
        </dl>
        <p className="caution">
          {t("screen.card.cut", {
            from: shown(region.z_mm[0] ?? 0, "mm"),
            to: shown(region.z_mm[1] ?? 0, "mm"),
            force: shown(region.force_n, "N"),
            overhang: shown(region.overhang_mm, "mm"),
          })}{" "}
          {region.wall_mm !== null && t("screen.card.cut_wall", { wall: shown(region.wall_mm, "mm") })}{" "}
          {region.leave_mm !== null && t("screen.card.cut_leave", { leave: shown(region.leave_mm, "mm") })}
        </p>
      </div>
      <CutDrawing
        regions={regions}
        here={regions.findIndex(({ z_mm, side }) => side === region.side && z_mm[0] === region.z_mm[0])}
        {...(last && { form: { outside: line, inside: null, opensAtTail: (last[1] ?? 0) >= (line[0]?.[1] ?? 0) } })}
      />
    </Split>
  );
}

const cutsOf = (step: CardStep | undefined): Region[] => step?.lines.flatMap(({ region }) => region ?? []) ?? [];
