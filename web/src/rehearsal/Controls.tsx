import { useState } from "react";
import { Label, SliderOutput } from "react-aria-components";
import styled from "styled-components";
import type { Document, RehearsalAct, RehearsalState } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText, clockText } from "../kit/measure";
import { LengthField, NumberField } from "../kit/MeasureField";
import { Heading, Quiet, Row } from "../kit/parts";
import { NamedSlider, Thumb, Track } from "../kit/sliders";
import { useUnit } from "../kit/Units";
import { stepped } from "./advised";

const Big = styled.strong`
  font-size: 26px;
  min-width: 5em;
  text-align: center;
`;

type Chip = NonNullable<RehearsalAct["chip"]>;

type Props = {
  state: RehearsalState;
  document: Document;
  busy: boolean;
  run: (act: RehearsalAct) => void;
  clockDeg: number;
  setClock: (deg: number) => void;
  zMm: number;
  setZ: (mm: number) => void;
  length: number;
};

/** Everything that can be done at the screen lathe just now. */
export function Controls(props: Props) {
  const { state } = props;
  const turns = state.steps[state.at]?.turned || (state.steps[state.at]?.limit_rpm ?? 0) > 0;
  return (
    <>
      {turns && <Speed {...props} />}
      {state.regions.length > 0 && <Cuts {...props} />}
      <Standing {...props} />
    </>
  );
}

function Speed({ state, run, busy }: Props) {
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

function Cuts({ state, run, busy }: Props) {
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

/** What can be done while it stands. */
function Standing({ state, document, run, busy, clockDeg, setClock, zMm, setZ, length }: Props) {
  const unit = useUnit();
  const [of, setOf] = useState<string>();
  const running = state.speed.rpm > 0;
  const seen = state.found.flatMap(({ seen: bodies }) => bodies ?? []).map(({ id }) => id);
  const ids = [...new Set([...document.defects.map(({ id }) => id), ...seen])].filter(
    (id) => !state.mended.includes(id),
  );
  const chosen = of !== undefined && ids.includes(of) ? of : ids[0];
  const there = { clock_deg: clockDeg, z_mm: zMm };
  return (
    <section aria-label={t("screen.rehearsal.stop_and_look")}>
      <Heading>{t("screen.rehearsal.stop_and_look")}</Heading>
      {running && <Quiet>{t("screen.rehearsal.off_first")}</Quiet>}
      <Row>
        <NamedSlider value={clockDeg} minValue={0} maxValue={355} step={5} onChange={(deg) => setClock(deg as number)}>
          <Label>{t("screen.rehearsal.turned_to")}</Label>
          <SliderOutput>{clockText(clockDeg)}</SliderOutput>
          <Track style={{ gridColumn: "1 / -1" }}>
            <Thumb aria-label={t("screen.rehearsal.turned_to")} />
          </Track>
        </NamedSlider>
        <NamedSlider value={zMm} minValue={0} maxValue={length} step={1} onChange={(mm) => setZ(mm as number)}>
          <Label>{t("screen.rehearsal.from_the_head")}</Label>
          <SliderOutput>{amountText(zMm, "mm", unit)}</SliderOutput>
          <Track style={{ gridColumn: "1 / -1" }}>
            <Thumb aria-label={t("screen.rehearsal.from_the_head")} />
          </Track>
        </NamedSlider>
      </Row>
      <Row style={{ margin: "6px 0" }}>
        <Button isDisabled={busy || running} onPress={() => run({ act: "look" })}>
          {t("screen.rehearsal.look")}
        </Button>
        <Button isDisabled={busy || running} onPress={() => run({ act: "tap", ...there })}>
          {t("screen.rehearsal.tap_here")}
        </Button>
        <Button isDisabled={busy || running} onPress={() => run({ act: "awl", ...there })}>
          {t("screen.rehearsal.awl_here")}
        </Button>
      </Row>
      {chosen !== undefined && (
        <Row>
          <Choice
            label={t("screen.rehearsal.at_defect")}
            value={chosen}
            options={Object.fromEntries(ids.map((id) => [id, id]))}
            onChange={setOf}
          />
          {(["feel", "pry", "mend"] as const).map((act) => (
            <Button key={act} isDisabled={busy || running} onPress={() => run({ act, of: chosen })}>
              {t(`screen.rehearsal.${act}`)}
            </Button>
          ))}
        </Row>
      )}
      <ul>
        {state.found.slice(-4).map((found) => (
          <li key={found.act} style={{ marginTop: 4 }}>
            {foundText(found, unit)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a look or a test told, in a sentence. */
export function foundText(found: RehearsalState["found"][number], unit: ReturnType<typeof useUnit>): string {
  const { kind, of = "", clock_deg: clock, z_mm: z, depth_mm: depth = 0 } = found;
  const at = {
    of,
    clock: clock === undefined ? "" : clockText(clock),
    z: z === undefined ? "" : amountText(z, "mm", unit),
    depth: amountText(depth, "mm", unit),
  };
  switch (kind) {
    case "tap":
      return t(found.dull ? "screen.rehearsal.found.dull" : "screen.rehearsal.found.rings", at);
    case "awl":
      return t(depth > 0 ? "screen.rehearsal.found.awl" : "screen.rehearsal.found.awl_sound", at);
    case "feel":
      return t("screen.rehearsal.found.feel", at);
    case "pry":
      return t(found.moves ? "screen.rehearsal.found.moves" : "screen.rehearsal.found.holds", at);
    case "look": {
      const grown = Object.entries(found.grown ?? {}).map(([id, mm]) =>
        t("screen.rehearsal.found.longer", { id, mm: amountText(mm, "mm", unit) }),
      );
      const seen = (found.seen ?? []).map(({ type }) => t(`screen.rehearsal.found.seen_${type}`));
      return [...grown, ...seen].join(" ") || t("screen.rehearsal.found.nothing_new");
    }
  }
}
