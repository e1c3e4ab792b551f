import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../../api/client";
import type { Kept, NewEntry, StageName } from "../../api/document";
import { nowOrLater } from "../../api/outbox";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { TakeReading } from "../../instruments/TakeReading";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { NumberField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Fault, Row } from "../../kit/parts";
import { STAGES } from "../../kit/stages";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { KINDS } from "./entryKinds";
const Note = styled(TextArea)`
  width: 100%;
  min-height: 64px;
  padding: 8px 10px;
  border: 1px solid ${ink.slate};
  background: ${ink.paper};
  resize: vertical;
  ${focusRing}
`;

/** One entry: a cut at a stage and a speed, a mend, or a note. */
export function WriteEntry() {
  const blank = useBlank();
  const names = (Object.keys(STAGES) as StageName[]).filter((name) => blank.assessment.stages[name]);
  const [kind, setKind] = useState<NewEntry["kind"]>("cut");
  const [stage, setStage] = useState<StageName>("blank");
  const [speed, setSpeed] = useState<number>();
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<Refused>();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const client = useQueryClient();
  const limit = blank.assessment.stages[stage]?.limit_rpm ?? 0;
  const first = blank.assessment.stages[stage]?.speed_steps_rpm[0] ?? limit;
  const shown = speed ?? Math.floor(first / 10) * 10;
  const unit = useUnit();

  const send = async () => {
    try {
      const written = { kind, note, ...(kind === "cut" && { stage, speed_rpm: shown }) };
      const entry = await nowOrLater(() => api.log(blank.id, { key, ...written }), {
        do: "log",
        key,
        atMs: Date.now(),
        blank: blank.id,
        entry: written,
      });
      if (entry) {
        client.setQueryData<Kept>(
          ["blank", blank.id],
          (kept) => kept && { ...kept, journal: [...kept.journal, entry] },
        );
        blank.draft.addEntry(entry);
      }
      setKey(crypto.randomUUID());
      setNote("");
      setProblem(undefined);
    } catch (refused) {
      if (!(refused instanceof Refused)) throw refused;
      setProblem(refused);
    }
  };
  const fault = (name: string) => problem?.problem.errors?.find(({ pointer }) => pointer === `/${name}`)?.detail;

  return (
    <>
      <div style={{ display: "grid", gap: 12 }}>
        <Choice label={t("screen.log.what_was_done")} value={kind} options={KINDS} onChange={setKind} />
        {kind === "cut" && (
          <>
            <Choice
              label={t("screen.log.stage")}
              value={stage}
              options={Object.fromEntries(names.map((name) => [name, STAGES[name]])) as Record<StageName, string>}
              onChange={setStage}
            />
            <div style={{ width: 150 }}>
              <NumberField
                label={t("screen.log.speed_rpm")}
                value={shown}
                onChange={setSpeed}
                fault={fault("speed_rpm")}
              />
            </div>
            <TakeReading of="tachometer" onTake={(rpm) => setSpeed(Math.round(rpm))} />
            {shown > limit && (
              <Fault role="alert">
                {t("screen.log.above_the_limit_of_for_this", { limit: amountText(limit, "rpm", unit) })}
              </Fault>
            )}
          </>
        )}
        <TextField value={note} onChange={setNote} maxLength={2000}>
          <Label style={{ fontSize: 14, color: ink.quiet }}>{t("screen.log.note")}</Label>
          <Note placeholder={t("screen.log.what_you_saw_heard_felt")} />
        </TextField>
      </div>
      <Row style={{ marginTop: 12 }}>
        <Button $kind="go" onPress={() => void send()}>
          {t("screen.log.log_it")}
        </Button>
      </Row>
      {problem && <Fault role="alert">{t("screen.log.not_logged", { message: problem.message })}</Fault>}
    </>
  );
}
