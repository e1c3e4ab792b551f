import { useState } from "react";
import { api, Refused } from "../../api/client";
import { readNowOrLater } from "../../api/outbox";
import { useBlank, useDrawing } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { LengthField } from "../../kit/MeasureField";
import { amountText, clockText } from "../../kit/measure";
import { Fault, Fields, Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { useAct } from "../../kit/useAct";
import { reverseSpot } from "../../piece/reverse";
import { useUnit } from "../../kit/Units";
import { useReading } from "../../instruments/live";
import { recordTap } from "./sensors";

const HOURS = [12, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11];
const LEAST = 3;

type Heard = { frequency_hz: number; decay_ms: number };

/** Taps round the clock at one height: a place that fades too fast is dull, and goes into the survey as a tap test. */
export function Taps() {
  const blank = useBlank();
  const unit = useUnit();
  const { hand } = useDrawing();
  const [zMm, setZ] = useState<number>();
  const height = zMm ?? Math.round(hand.zMm);
  const [heard, setHeard] = useState<Record<number, Heard>>({});
  const [dull, setDull] = useState<number[]>([]);
  const [listening, setListening] = useState<number>();
  const [deaf, setDeaf] = useState<string>();
  // A microphone that is connected is heard in place of the tablet's own.
  const microphone = useReading("microphone");
  const { busy, problem, act } = useAct();
  const done = HOURS.filter((hour) => heard[hour]);

  const take = async (hour: number, sound: Blob) => {
    try {
      const tone = await api.tap(sound);
      const next = { ...heard, [hour]: tone };
      setHeard(next);
      setDeaf(undefined);
      const places = HOURS.filter((one) => next[one]);
      if (places.length < LEAST) return;
      const { dull: found } = await api.taps(places.map((one) => next[one]?.decay_ms ?? 0));
      setDull(found.map((place) => places[place] ?? 0));
    } catch (fell) {
      if (!(fell instanceof Refused)) throw fell;
      setDeaf(fell.problem.errors?.[0]?.detail ?? fell.problem.detail);
    }
  };
  const listen = async (hour: number) => {
    setListening(hour);
    try {
      await take(hour, microphone ? await api.sound() : await recordTap());
    } catch (fell) {
      if (!(fell instanceof DOMException) && !(fell instanceof TypeError)) throw fell;
      setDeaf(t("screen.turn.taps.no_microphone"));
    } finally {
      setListening(undefined);
    }
  };
  const write = () =>
    void act(
      async () => {
        let kept;
        for (const hour of done) {
          const spot = { clock_deg: (hour % 12) * 30, z_mm: height };
          const at = blank.sits === "reversed" ? reverseSpot(spot, blank.assessment.geometry.length_mm) : spot;
          kept = await readNowOrLater(blank.id, { kind: "tap", at, found: dull.includes(hour) ? "dull" : "clear" });
        }
        return kept;
      },
      (kept) => {
        if (kept) blank.draft.read(kept);
        setHeard({});
        setDull([]);
      },
    );
  return (
    <section aria-label={t("screen.turn.taps.heading")}>
      <Heading>{t("screen.turn.taps.heading")}</Heading>
      <Quiet>{t("screen.turn.taps.how")}</Quiet>
      <Fields>
        <LengthField label={t("screen.turn.taps.height")} value={height} onChange={setZ} />
      </Fields>
      <Row>
        {HOURS.map((hour) => (
          <Button
            key={hour}
            style={{ minWidth: 56 }}
            aria-label={t("screen.turn.taps.listen_at", { hour })}
            isDisabled={listening !== undefined}
            onPress={() => void listen(hour)}
          >
            {listening === hour ? "…" : heard[hour] ? `${hour} ✓` : String(hour)}
          </Button>
        ))}
      </Row>
      {deaf && <Fault role="alert">{deaf}</Fault>}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {done.length > 0 && (
        <Ticket aria-label={t("screen.turn.taps.heard")}>
          <tbody>
            {done.map((hour) => (
              <tr key={hour}>
                <th scope="row">{clockText((hour % 12) * 30)}</th>
                <td className="number">
                  {t("screen.turn.taps.hz", { hz: Math.round(heard[hour]?.frequency_hz ?? 0) })}
                </td>
                <td className="number">{t("screen.turn.taps.ms", { ms: (heard[hour]?.decay_ms ?? 0).toFixed(1) })}</td>
                <td>{dull.includes(hour) ? <strong>{t("screen.turn.taps.dull")}</strong> : ""}</td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      )}
      {done.length >= LEAST && (
        <Row style={{ margin: "10px 0" }}>
          <Button $kind="go" isDisabled={busy} onPress={write}>
            {t("screen.turn.taps.write", { count: done.length, height: amountText(height, "mm", unit) })}
          </Button>
        </Row>
      )}
    </section>
  );
}
