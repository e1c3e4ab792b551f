import { useState } from "react";
import styled from "styled-components";
import { Refused } from "../../api/client";
import { readNowOrLater } from "../../api/outbox";
import { isTest, type Test } from "../../api/document";
import { t } from "../../i18n/texts";
import { TakeReading } from "../../instruments/TakeReading";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { ClockField, LengthField, NumberField } from "../../kit/MeasureField";
import { amountText, clockText, type LengthUnit } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { reverseSpot } from "../../piece/reverse";
import { Fault, Fields, Quiet, Row } from "../../kit/parts";
import { useBlank, useDrawing } from "../../draft/contexts";

type Kind = "awl" | "tap" | "thumbnail" | "drop" | "pry" | "lamp" | "moisture";

const KINDS: Record<Kind, string> = {
  awl: t("screen.survey.awl"),
  tap: t("screen.survey.tap"),
  thumbnail: t("screen.survey.thumbnail"),
  drop: t("screen.survey.water_drop"),
  pry: t("screen.survey.pry"),
  lamp: t("screen.survey.lamp"),
  moisture: t("screen.survey.pins"),
};
const SHOWS: Partial<Record<Kind, Record<string, string>>> = {
  tap: { clear: t("screen.survey.rings_clear"), dull: t("screen.survey.sounds_dull") },
  thumbnail: { dents: t("screen.survey.dents"), crumbles: t("screen.survey.crumbles") },
  drop: { beads: t("screen.survey.beads"), drinks: t("screen.survey.is_drunk") },
  pry: { holds: t("screen.survey.holds"), moves: t("screen.survey.moves") },
  lamp: { dark: t("screen.survey.dark"), glows: t("screen.survey.glows") },
};
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

const LATEST = 4;

const Line = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 6px 0 6px 14px;
  time {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

/** Tests in the hand, each at a place: written down once, never changed, and part of the map at once. */
export function Tests() {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const made = (blank.document.readings ?? []).filter(isTest);
  return (
    <section aria-label={t("screen.survey.tests")}>
      {open ? (
        <Write onDone={() => setOpen(false)} />
      ) : (
        <Button onPress={() => setOpen(true)}>{t("screen.survey.write_down_a_test")}</Button>
      )}
      <ul>
        {[...made]
          .reverse()
          .slice(0, all ? made.length : LATEST)
          .map((reading, index) => (
            <Made key={made.length - index} reading={reading} />
          ))}
      </ul>
      {made.length > LATEST && !all && (
        <Button $kind="quiet" onPress={() => setAll(true)}>
          {t("screen.survey.all_tests", { count: made.length })}
        </Button>
      )}
    </section>
  );
}

/** What a test read or showed, in words. */
function shownBy(test: Test, unit: LengthUnit): string | undefined {
  if (test.kind === "awl") return t("screen.survey.deep_3", { amount_text: amountText(test.value, "mm", unit) });
  if (test.kind === "moisture")
    return `${amountText(test.value, "%", unit)}${t("screen.survey.deep_4", { depth: amountText(test.depth_mm, "mm", unit) })}`;
  return SHOWS[test.kind]?.[test.found]?.toLowerCase();
}

function Made({ reading }: { reading: Test }) {
  const unit = useUnit();
  const { kind, at: spot } = reading;
  const when = new Date(reading.taken_at).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
  return (
    <Line>
      <strong>{KINDS[kind]}</strong>{" "}
      {t("screen.survey.at", {
        clock_text: clockText(spot.clock_deg),
        value:
          spot.r_mm === undefined
            ? t("screen.survey.from_the_head", { amount_text: amountText(spot.z_mm, "mm", unit) })
            : t("screen.survey.off_the_axis_4", { r_mm: amountText(spot.r_mm, "mm", unit) }),
      })}{" "}
      {shownBy(reading, unit)} <time dateTime={reading.taken_at}>{when}</time>
    </Line>
  );
}

function Write({ onDone }: { onDone: () => void }) {
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
