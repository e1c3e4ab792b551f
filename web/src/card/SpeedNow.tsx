import { useRef, useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import { t } from "../i18n/texts";
import { useReading } from "../instruments/live";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { Fault } from "../kit/parts";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";

const STEP = 0.05;
const large = { minHeight: 64, minWidth: 76, fontSize: 28 };

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  strong {
    font-size: 34px;
    min-width: 5.2em;
    text-align: center;
  }
  strong[data-over] {
    background: ${ink.rust};
    color: ${ink.paper};
  }
`;

type Props = { blankId: number; limitRpm: number; step: string };

/** The speed the lathe is really at, by big steps, and a stop written down with it; over the limit it says so. */
export function SpeedNow({ blankId, limitRpm, step }: Props) {
  const unit = useUnit();
  const [rpm, setRpm] = useState(Math.floor((limitRpm * 0.8) / 10) * 10);
  const [stops, setStops] = useState(0);
  const { busy, problem, act } = useAct();
  const by = Math.max(10, Math.round((limitRpm * STEP) / 10) * 10);
  // A tachometer knows better than the presses; where it is lost, these count again.
  const tachometer = useReading("tachometer");
  const measured = tachometer?.value ?? undefined;
  const now = measured ?? rpm;
  const over = now > limitRpm;
  // A press that got no answer is sent again as the same press: it counts once.
  const key = useRef(crypto.randomUUID());
  const stop = () =>
    void act(
      () =>
        api.log(blankId, {
          key: key.current,
          kind: "cut",
          ...(now > 0 && { speed_rpm: Math.round(now) }),
          note: t("screen.card.stopped_at", { step }),
        }),
      () => {
        key.current = crypto.randomUUID();
        setStops(stops + 1);
      },
    );
  return (
    <div role="group" aria-label={t("screen.card.speed_now")}>
      <p className="caution">
        {tachometer === undefined
          ? t("screen.card.speed_now")
          : measured === undefined
            ? t("screen.card.tachometer_lost")
            : t("screen.card.speed_measured")}
      </p>
      <Line>
        {measured === undefined && (
          <Button style={large} aria-label={t("screen.card.slower")} onPress={() => setRpm(Math.max(0, rpm - by))}>
            −
          </Button>
        )}
        <strong data-over={over || undefined} {...(measured === undefined && { "aria-live": "polite" })}>
          {measured === undefined ? amountText(rpm, "rpm", unit) : amountText(measured, "rpm measured", unit)}
        </strong>
        {measured === undefined && (
          <Button style={large} aria-label={t("screen.card.faster")} onPress={() => setRpm(rpm + by)}>
            +
          </Button>
        )}
        <Button style={{ minHeight: 64, fontSize: 20 }} isDisabled={busy} onPress={stop}>
          {stops === 0 ? t("screen.card.stop_and_note") : t("screen.card.stops_noted", { count: stops })}
        </Button>
      </Line>
      {over && (
        <Fault role="alert">{t("screen.card.over_the_limit", { limit: amountText(limitRpm, "rpm", unit) })}</Fault>
      )}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </div>
  );
}
