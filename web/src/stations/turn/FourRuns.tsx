import { useState } from "react";
import { api } from "../../api/client";
import type { Balance, StageName } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { AmountField, LengthField, NumberField } from "../../kit/MeasureField";
import { amountText, clockText } from "../../kit/measure";
import { Fault, Fields, Heading, Quiet, Row } from "../../kit/parts";
import { STAGES } from "../../kit/stages";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { TakeReading } from "../../instruments/TakeReading";
import { feels, feelShake } from "./sensors";

const RUNS = [
  t("screen.turn.four.bare"),
  t("screen.turn.four.at_12"),
  t("screen.turn.four.at_4"),
  t("screen.turn.four.at_8"),
] as const;

/** Four runs at one speed tell the heavy side by shake alone; beside what the survey expected. */
export function FourRuns() {
  const { assessment } = useBlank();
  const unit = useUnit();
  const { stages } = assessment;
  const there = (Object.keys(STAGES) as StageName[]).filter((name) => stages[name]);
  const [stage, setStage] = useState<StageName>(there[0] ?? "blank");
  const [shakes, setShakes] = useState([0, 0, 0, 0]);
  const [trialG, setTrialG] = useState(20);
  const own = stages[stage];
  const [radius, setRadius] = useState<number>();
  const radiusMm = radius ?? Math.round((own?.swing_mm ?? 100) / 2 - 10);
  const [found, setFound] = useState<Balance>();
  const { busy, problem, act } = useAct();
  const [feeling, setFeeling] = useState<number>();
  const [deaf, setDeaf] = useState(false);
  const put = (run: number, value: number) => setShakes((old) => old.map((one, at) => (at === run ? value : one)));
  // The runs are made one after another: a reading goes to the first that has none.
  const takeNext = (mmS: number) => put(Math.max(shakes.indexOf(0), 0), mmS);
  const feel = async (run: number) => {
    setFeeling(run);
    const felt = await feelShake();
    setFeeling(undefined);
    setDeaf(felt === undefined);
    if (felt !== undefined) put(run, Math.round(felt));
  };
  const ask = () =>
    void act(
      () =>
        api.balance({
          amplitudes: shakes,
          trial_g_mm: trialG * radiusMm,
          radius_mm: radiusMm,
          ...(own && { expected: { heavy_clock_deg: own.heavy_clock_deg ?? 0, imbalance_g_mm: own.imbalance_g_mm } }),
        }),
      setFound,
    );
  const fault = problem?.errors?.[0]?.detail ?? problem?.detail;
  return (
    <section aria-label={t("screen.turn.four.heading")}>
      <Heading>{t("screen.turn.four.heading")}</Heading>
      <Quiet>{t("screen.turn.four.how", { limit: own ? amountText(own.limit_rpm, "rpm", unit) : "" })}</Quiet>
      <Choice
        label={t("screen.turn.four.stage")}
        value={stage}
        options={Object.fromEntries(there.map((name) => [name, STAGES[name]])) as Record<StageName, string>}
        onChange={setStage}
      />
      <Fields>
        <AmountField of="g" label={t("screen.turn.four.trial")} value={trialG} onChange={setTrialG} />
        <LengthField label={t("screen.turn.four.radius")} value={radiusMm} onChange={setRadius} />
      </Fields>
      <Fields>
        {RUNS.map((name, run) => (
          <NumberField key={name} label={name} value={shakes[run] ?? 0} onChange={(value) => put(run, value)} />
        ))}
      </Fields>
      <Row>
        <TakeReading of="shake" onTake={takeNext} />
      </Row>
      {feels() && (
        <Row>
          {RUNS.map((name, run) => (
            <Button key={name} isDisabled={feeling !== undefined} onPress={() => void feel(run)}>
              {feeling === run ? t("screen.turn.four.feeling") : t("screen.turn.four.feel", { run: name })}
            </Button>
          ))}
        </Row>
      )}
      {deaf && <Fault role="alert">{t("screen.turn.four.feels_nothing")}</Fault>}
      <Row style={{ margin: "10px 0" }}>
        <Button $kind="go" isDisabled={busy || shakes.some((one) => one <= 0)} onPress={ask}>
          {t("screen.turn.four.work_out")}
        </Button>
      </Row>
      {fault && <Fault role="alert">{fault}</Fault>}
      {found && !fault && <Found found={found} radiusMm={radiusMm} />}
    </section>
  );
}

function Found({ found, radiusMm }: { found: Balance; radiusMm: number }) {
  const unit = useUnit();
  const size = (value: number) => amountText(value, "g mm", unit);
  return (
    <div role="status">
      <p>
        <strong>
          {t("screen.turn.four.heavy", {
            side: clockText(found.heavy_clock_deg),
            imbalance: size(found.imbalance_g_mm),
          })}
        </strong>{" "}
        {found.weight_g !== null &&
          t("screen.turn.four.weight", {
            weight: amountText(found.weight_g, "g", unit),
            side: clockText(found.weight_clock_deg),
            radius: amountText(radiusMm, "mm", unit),
          })}
      </p>
      {found.lighter_trial && <p>{t("screen.turn.four.lighter")}</p>}
      <p>
        {found.unexpected
          ? t("screen.turn.four.unexpected", {
              side: clockText(found.unexpected.heavy_clock_deg),
              opposite: clockText((found.unexpected.heavy_clock_deg + 180) % 360),
              imbalance: size(found.unexpected.imbalance_g_mm),
            })
          : t("screen.turn.four.expected")}
      </p>
    </div>
  );
}
