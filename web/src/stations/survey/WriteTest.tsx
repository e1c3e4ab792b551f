import { useState } from "react";
import { Refused } from "../../api/client";
import { readNowOrLater } from "../../api/outbox";
import { useBlank, useDrawing } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { TakeReading } from "../../instruments/TakeReading";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { ClockField, LengthField, NumberField } from "../../kit/MeasureField";
import { Fault, Fields, Quiet, Row } from "../../kit/parts";
import { reverseSpot } from "../../piece/reverse";
import { KINDS, SHOWS, type Kind } from "./testKinds";
const PLACES = {
  side: t("screen.survey.on_the_side"),
  tail: t("screen.survey.on_the_tail_face"),
  head: t("screen.survey.on_the_head_face"),
} as const;
/** The row of the tests table that tells how each is done. */
const WAY: Record<Kind, string> = {
  awl: "awl",
  tap: "tap",
  thumbnail: "thumbnail",
  drop: "drop",
  pry: "pry",
  lamp: "lamp",
  moisture: "pin",
};

/** One test, to be written down once: its place begins where the drawings stand. */
export function WriteTest({ onDone }: { onDone: () => void }) {
  const blank = useBlank();
  const drawing = useDrawing();
  const [kind, setKind] = useState<Kind>("awl");
  const [place, setPlace] = useState<keyof typeof PLACES>("side");
  const [spot, setSpot] = useState<{ clockDeg?: number; zMm?: number; rMm?: number }>({});
  const [value, setValue] = useState<Partial<Record<Kind, number>>>({});
  const [found, setFound] = useState<Partial<Record<Kind, string>>>({});
  const [depth, setDepth] = useState(5);
  const [refused, setRefused] = useState<Refused>();
  const way = WAY[kind] && t(`tables.tests.${WAY[kind]}.way`);
  const { geometry } = blank.assessment;
  const clockDeg = spot.clockDeg ?? Math.round(drawing.hand.clockDeg);
  const zMm = spot.zMm ?? Math.round(drawing.hand.zMm);
  const rMm = spot.rMm ?? Math.round(geometry.max_radius_mm / 2);
  const shows = SHOWS[kind];
  const shown = found[kind] ?? Object.keys(shows ?? {})[1] ?? "";
  const read = value[kind] ?? (kind === "awl" ? 2 : 18);
  const fault = (name: string) => refused?.problem.errors?.find(({ pointer }) => pointer.endsWith(`/${name}`))?.detail;

  const send = async () => {
    const spotted = {
      clock_deg: clockDeg,
      z_mm: place === "side" ? zMm : place === "head" ? 0 : geometry.length_mm,
      ...(place !== "side" && { r_mm: rMm }),
    };
    try {
      const mounted = blank.sits === "reversed" ? reverseSpot(spotted, geometry.length_mm) : spotted;
      const kept = await readNowOrLater(blank.id, {
        kind,
        at: mounted,
        ...(shows ? { found: shown as "dull" } : { value: read }),
        ...(kind === "moisture" && { depth_mm: depth }),
      });
      if (kept) blank.draft.read(kept);
      setRefused(undefined);
      setSpot({});
    } catch (fell) {
      if (!(fell instanceof Refused)) throw fell;
      setRefused(fell);
    }
  };

  return (
    <div style={{ display: "grid", gap: 12, marginBottom: 12 }}>
      <Choice label={t("screen.survey.which_test")} value={kind} options={KINDS} onChange={setKind} />
      {typeof way === "string" && <Quiet style={{ margin: 0 }}>{way}</Quiet>}
      <Choice label={t("screen.survey.where")} value={place} options={PLACES} onChange={setPlace} />
      <Fields style={{ margin: 0 }}>
        <ClockField
          label={t("screen.survey.hour")}
          value={clockDeg}
          onChange={(clock) => setSpot({ ...spot, clockDeg: clock })}
          fault={fault("clock_deg")}
        />
        {place === "side" ? (
          <LengthField
            label={t("screen.survey.off_the_head_3")}
            value={zMm}
            onChange={(z) => setSpot({ ...spot, zMm: z })}
            fault={fault("z_mm")}
          />
        ) : (
          <LengthField
            label={t("screen.survey.off_the_axis_3")}
            value={rMm}
            onChange={(r) => setSpot({ ...spot, rMm: r })}
            fault={fault("r_mm")}
          />
        )}
        {kind === "awl" && (
          <LengthField
            label={t("screen.survey.went_in")}
            value={read}
            onChange={(mm) => setValue({ ...value, awl: mm })}
            fault={fault("value")}
          />
        )}
        {kind === "moisture" && (
          <>
            <NumberField
              label={t("screen.survey.moisture")}
              value={read}
              onChange={(pct) => setValue({ ...value, moisture: pct })}
              fault={fault("value")}
            />
            <TakeReading
              of="pins"
              onTake={(pct, depthMm) => {
                setValue({ ...value, moisture: pct });
                if (depthMm !== undefined) setDepth(depthMm);
              }}
            />
            <LengthField
              label={t("screen.survey.pins_in")}
              value={depth}
              onChange={setDepth}
              fault={fault("depth_mm")}
            />
          </>
        )}
      </Fields>
      {shows && (
        <Choice
          label={t("screen.survey.it")}
          value={shown}
          options={shows}
          onChange={(what) => setFound({ ...found, [kind]: what })}
        />
      )}
      <Row>
        <Button $kind="go" onPress={() => void send()}>
          {t("screen.survey.write_it_down")}
        </Button>
        <Button $kind="quiet" onPress={onDone}>
          {t("screen.survey.done_testing")}
        </Button>
      </Row>
      {refused && (
        <Fault role="alert">
          {t("screen.survey.not_written_down", { value: refused.problem.errors?.[0]?.detail ?? refused.message })}
        </Fault>
      )}
    </div>
  );
}
