import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../../api/client";
import { nowOrLater } from "../../api/outbox";
import type { Entry, Kept, NewEntry, StageName } from "../../api/document";
import { TakeReading } from "../../instruments/TakeReading";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { NumberField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Place } from "../../kit/SoughtPlace";
import { focusRing, ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { Carry, Fault, Heading, Quiet, Row } from "../../kit/parts";
import { STAGES } from "../../kit/stages";
import { useBlank } from "../../draft/contexts";
import { Heard } from "./Heard";
import { t } from "../../i18n/texts";

const KINDS: Record<NewEntry["kind"], string> = {
  cut: t("screen.log.cut"),
  mend: t("screen.log.mend"),
  note: t("screen.log.note"),
};

const Line = styled.li`
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 2px 12px;
  padding: 9px 0;
  border-top: 1px solid ${ink.rule};
  time {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

const Note = styled(TextArea)`
  width: 100%;
  min-height: 64px;
  padding: 8px 10px;
  border: 1px solid ${ink.slate};
  background: ${ink.paper};
  resize: vertical;
  ${focusRing}
`;

/** What was done, newest last; entries are added and never changed. */
export function Log() {
  const blank = useBlank();
  return (
    <>
      <Place of="log_cut">
        <Write />
      </Place>
      <Heading>{t("screen.log.so_far")}</Heading>
      <ul aria-label={t("screen.log.journal")}>
        {[...blank.draft.journal].reverse().map((entry) => (
          <Written key={entry.id} entry={entry} />
        ))}
      </ul>
      {blank.draft.journal.length === 0 && <Quiet>{t("screen.log.nothing_logged_yet")}</Quiet>}
      <Heading>{t("screen.log.to_keep_or_hand_on")}</Heading>
      <Row>
        <Carry href={`/api/blanks/${blank.id}/export`} download>
          {t("screen.log.this_blank_as_a_file")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=parcel`} download>
          {t("screen.log.with_photographs_and_log")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=csv`} download>
          {t("screen.log.survey_as_a_table")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=sheet`} download>
          {t("screen.log.survey_sheet_to_print")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=svg`} download>
          {t("screen.log.skin_at_1_1")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=section`} download>
          {t("screen.log.section_at_1_1")}
        </Carry>
      </Row>
      <Quiet>{t("screen.log.the_skin_is_a_drawing_to")}</Quiet>
      {blank.draft.dirty && <Quiet>{t("screen.log.as_it_was_last_saved_your")}</Quiet>}
      <Done />
    </>
  );
}

/** Sold, burnt or given up: off the rack, and kept whole. */
function Done() {
  const blank = useBlank();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const { data: kept } = useQuery<Kept>({
    queryKey: ["blank", blank.id],
    queryFn: () => api.blank(blank.id),
    staleTime: Infinity,
  });
  const away = kept?.put_away ?? false;
  const place = () =>
    void act(
      () => api.place(blank.id, !away),
      (next) => {
        client.setQueryData<Kept>(["blank", blank.id], (was) => was && { ...was, put_away: next.put_away });
        void client.invalidateQueries({ queryKey: ["shop"] });
      },
    );
  return (
    <>
      <Heading>{away ? t("screen.log.it_is_put_away") : t("screen.log.done_with_it")}</Heading>
      <Row>
        <Carry href={`/blanks/${blank.id}/record`}>{t("screen.log.its_story")}</Carry>
        <Button isDisabled={busy} onPress={place}>
          {away ? t("screen.log.back_on_the_rack") : t("screen.log.put_it_away")}
        </Button>
      </Row>
      <Quiet>{away ? t("screen.log.off_the_rack_the_shops_list") : t("screen.log.off_the_rack_kept_whole_with")}</Quiet>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}

function Written({ entry }: { entry: Entry }) {
  const unit = useUnit();
  const when = new Date(entry.logged_at);
  return (
    <Line>
      <time dateTime={entry.logged_at}>
        {when.toLocaleDateString("en-GB", { day: "numeric", month: "short" })}
        <br />
        {when.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
      </time>
      <div>
        <strong>{KINDS[entry.kind as NewEntry["kind"]]}</strong>
        {entry.stage && ` · ${STAGES[entry.stage as StageName].toLowerCase()}`}
        {entry.speed_rpm !== null && ` · ${amountText(entry.speed_rpm, "rpm", unit)}`}
        {entry.by !== null && ` · ${entry.by}`}
        {entry.note && <p>{entry.note}</p>}
        {entry.kind === "cut" && (
          <div>
            <Heard at={entry.logged_at} />
          </div>
        )}
      </div>
    </Line>
  );
}

function Write() {
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
