import { useState } from "react";
import { Label, SliderOutput } from "react-aria-components";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText, clockText } from "../kit/measure";
import { Heading, Quiet, Row } from "../kit/parts";
import { NamedSlider, Thumb, Track } from "../kit/sliders";
import { useUnit } from "../kit/Units";
import type { ControlProps } from "./controlProps";
import { foundText } from "./foundText";
/** What can be done while it stands. */
export function LookAndTest({ state, document, run, busy, clockDeg, setClock, zMm, setZ, length }: ControlProps) {
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
