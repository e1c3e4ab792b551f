import { useState } from "react";
import styled from "styled-components";
import type { RehearsalAct } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText } from "../kit/measure";
import { LengthField, NumberField } from "../kit/MeasureField";
import { Heading, Quiet, Row } from "../kit/parts";
import { useUnit } from "../kit/Units";
import { stepped } from "./advised";
import type { ControlProps } from "./controlProps";
import { LookAndTest } from "./LookAndTest";

const Big = styled.strong`
  font-size: 26px;
  min-width: 5em;
  text-align: center;
`;

type Chip = NonNullable<RehearsalAct["chip"]>;

/** Everything that can be done at the screen lathe just now. */
export function Controls(props: ControlProps) {
  const { state } = props;
  const turns = state.steps[state.at]?.turned || (state.steps[state.at]?.limit_rpm ?? 0) > 0;
  return (
    <>
      {turns && <Speed {...props} />}
      {state.regions.length > 0 && <Cuts {...props} />}
      <LookAndTest {...props} />
    </>
  );
}

function Speed({ state, run, busy }: ControlProps) {
  const unit = useUnit();
  const { speed } = state;
  const large = { minHeight: 52, minWidth: 60, fontSize: 24 };
  return (
    <section aria-label={t("screen.rehearsal.speed")}>
      <Heading>{t("screen.rehearsal.speed")}</Heading>
      <Row style={{ alignItems: "center" }}>
        <Button
          style={large}
          isDisabled={busy}
          aria-label={t("screen.card.slower")}
          onPress={() => run({ act: "speed", rpm: stepped(speed, -1) })}
        >
          −
        </Button>
        <Big>{amountText(speed.rpm, "rpm", unit)}</Big>
        <Button
          style={large}
          isDisabled={busy}
          aria-label={t("screen.card.faster")}
          onPress={() => run({ act: "speed", rpm: stepped(speed, 1) })}
        >
          +
        </Button>
        <Button isDisabled={busy || speed.rpm === 0} onPress={() => run({ act: "speed", rpm: 0 })}>
          {t("screen.rehearsal.off")}
        </Button>
      </Row>
      <NumberField
        label={t("screen.rehearsal.set_speed")}
        value={Math.round(speed.rpm)}
        onChange={(rpm) => run({ act: "speed", rpm })}
      />
    </section>
  );
}

function Cuts({ state, run, busy }: ControlProps) {
  const unit = useUnit();
  const [chip, setChip] = useState<Chip>("planned");
  const open = state.regions.flatMap((region, index) => (region.taken < 1 ? [{ region, index }] : []));
  const { wall, speed } = state;
  return (
    <section aria-label={t("screen.rehearsal.cuts")}>
      <Heading>{t("screen.rehearsal.cuts_left", { left: open.length, of: state.regions.length })}</Heading>
      {wall && state.regions.some(({ side }) => side === "inside") && (
        <LengthField
          label={t("screen.rehearsal.wall_to_leave", { mm: amountText(wall.planned_mm, "mm", unit) })}
          value={wall.mm}
          onChange={(wall_mm) => run({ act: "wall", wall_mm })}
        />
      )}
      <Choice<Chip>
        label={t("screen.rehearsal.how_thick")}
        value={chip}
        options={{
          light: t("screen.rehearsal.chip.light"),
          planned: t("screen.rehearsal.chip.planned"),
          heavy: t("screen.rehearsal.chip.heavy"),
        }}
        onChange={setChip}
      />
      <ul>
        {open.slice(0, 4).map(({ region, index }) => (
          <li key={index} style={{ marginTop: 8 }}>
            {t(`screen.rehearsal.side.${region.side}`)}, {amountText(Math.min(...region.z_mm), "mm", unit)}–
            {amountText(Math.max(...region.z_mm), "mm", unit)}
            {region.look_at.length > 0 && ` · ${t("screen.rehearsal.look_at", { ids: region.look_at.join(", ") })}`}
            <Row style={{ marginTop: 4 }}>
              {[...new Set([region.tool, region.second, region.finish_tool])].flatMap((tool) =>
                tool
                  ? [
                      <Button
                        key={tool}
                        isDisabled={busy || speed.rpm === 0}
                        onPress={() => run({ act: "cut", region: index, share: 1, tool, chip })}
                      >
                        {t("screen.rehearsal.cut_with", { tool: t(`tables.tools.${tool}.name`) })}
                      </Button>,
                    ]
                  : [],
              )}
            </Row>
            {region.refused.length > 0 && (
              <details>
                <summary>{t("screen.rehearsal.not_safe_here", { count: region.refused.length })}</summary>
                {region.refused.map(({ tool, why }) => (
                  <Quiet key={tool} style={{ margin: 0 }}>
                    {capital(t(`tables.tools.${tool}.name`))}: {t(`cuts.why.${why}`)}
                  </Quiet>
                ))}
              </details>
            )}
          </li>
        ))}
      </ul>
      {open.length > 4 && <Quiet>{t("screen.rehearsal.more_cuts", { count: open.length - 4 })}</Quiet>}
      {open.length > 0 && speed.rpm === 0 && <Quiet>{t("screen.rehearsal.speed_first")}</Quiet>}
    </section>
  );
}
