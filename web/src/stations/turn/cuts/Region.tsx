import { useState } from "react";
import styled from "styled-components";
import type { CutRegion } from "../../../api/document";
import { useBlank } from "../../../draft/contexts";
import { capital, t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { amountText } from "../../../kit/measure";
import { Row } from "../../../kit/parts";
import { ink } from "../../../kit/theme";
import { useUnit } from "../../../kit/Units";
const Figures = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px 14px;
  margin: 10px 0;
  dt {
    font-size: 14px;
    color: ${ink.quiet};
  }
  dd {
    font-size: 20px;
    font-weight: 700;
    margin: 0;
  }
  dd small {
    display: block;
    font-size: 14px;
    font-weight: 400;
    color: ${ink.quiet};
  }
`;

const Tool = styled.h3`
  margin-top: 14px;
  font-size: 24px;
  font-weight: 750;
  line-height: 1.2;
  span {
    display: block;
    font-size: 16px;
    font-weight: 400;
  }
`;

/** One cut: its tool, which way, how fast and how hard, and for how long. */
export function Region({ region }: { region: CutRegion }) {
  const unit = useUnit();
  const blank = useBlank();
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const [how, showHow] = useState(false);
  const [others, showOthers] = useState(false);
  const [least = 0, most = 0] = region.minutes;
  const notes = [
    region.look_at.length > 0 && t("screen.turn.cut.look_at", { ids: region.look_at.join(", ") }),
    region.leave_mm !== null &&
      region.wall_step_mm !== null &&
      t("screen.turn.cut.leave", { leave: shown(region.leave_mm, "mm"), step: shown(region.wall_step_mm, "mm") }),
    region.finish_tool &&
      region.change_mm !== null &&
      t("screen.turn.cut.finish", {
        tool: t(`tables.tools.${region.finish_tool}.name`),
        left: shown(region.change_mm, "mm"),
      }),
    region.leave_mm === null &&
      region.wall_step_mm !== null &&
      t("screen.turn.cut.wall_step", { step: shown(region.wall_step_mm, "mm") }),
    region.air_share > 0.02 && t("screen.turn.cut.air", { air: shown(region.air_share, "share") }),
    region.belt !== null && region.belt_torque_nm !== null
      ? t("screen.turn.cut.belt", {
          belt: region.belt,
          torque: shown(region.belt_torque_nm, "N m"),
          needed: shown(region.torque_nm, "N m"),
        })
      : t("screen.turn.cut.no_belt", { needed: shown(region.torque_nm, "N m") }),
    region.belt !== null && blank.document.lathe?.power_w === undefined && t("screen.turn.cut.unsaid_power"),
  ].filter((note) => note !== false);
  return (
    <section aria-label={t("screen.turn.cut.heading")}>
      <Tool>
        {capital(t(`tables.tools.${region.tool}.name`))}
        <span>
          {t(`cuts.sides.${region.side}`)}, {t(`cuts.kinds.${region.kind}`)}: {t(`cuts.directions.${region.direction}`)}
        </span>
      </Tool>
      <Figures>
        <div>
          <dt>{t("screen.turn.cut.speed")}</dt>
          <dd>{shown(region.rpm, "rpm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.force")}</dt>
          <dd>
            {shown(region.force_n, "N")}
            {region.allowed_n !== null && (
              <small>{t("screen.turn.cut.of_allowed", { allowed: shown(region.allowed_n, "N") })}</small>
            )}
          </dd>
        </div>
        <div>
          <dt>{t(region.down_mm === null ? "screen.turn.cut.depth" : "screen.turn.cut.down")}</dt>
          <dd>{shown(region.down_mm ?? region.depth_mm, "mm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.overhang")}</dt>
          <dd>{shown(region.overhang_mm, "mm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.time")}</dt>
          <dd>{minutesText(least, most)}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.sharpen")}</dt>
          <dd>{shown(region.sharpen_every_min, "min")}</dd>
        </div>
      </Figures>
      <p>{notes.join(" ")}</p>
      <p>
        {region.second &&
          t(region.second === region.finish_tool ? "screen.turn.cut.second_alone" : "screen.turn.cut.second", {
            tool: t(`tables.tools.${region.second}.name`),
          })}
      </p>
      <Row>
        <Button $kind="quiet" aria-expanded={how} onPress={() => showHow(!how)}>
          {t("screen.turn.cut.how")}
        </Button>
        <Button $kind="quiet" aria-expanded={others} onPress={() => showOthers(!others)}>
          {t("screen.turn.cut.not_these")}
        </Button>
      </Row>
      {how && <p>{t(`cuts.how.${region.side}.${region.how}`)}</p>}
      {others && (
        <ul>
          {region.out.map(({ tool, why }) => (
            <li key={tool}>
              <strong>{capital(t(`tables.tools.${tool}.name`))}</strong>: {t(`cuts.why.${why}`)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** "9 to 20 min", whole minutes, and one number where they are the same. */
function minutesText(least: number, most: number): string {
  const [from, to] = [Math.max(1, Math.round(least)), Math.max(1, Math.ceil(most))];
  return from === to ? `${to} min` : t("screen.turn.cut.minutes", { from, to });
}
