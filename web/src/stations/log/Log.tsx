import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../../api/client";
import type { Entry, Kept, NewEntry, StageName } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { NumberField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Place } from "../../kit/Sought";
import { focusRing, ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { Carry, Fault, Heading, Quiet, Row } from "../../kit/parts";
import { STAGES } from "../../kit/stages";
import type { AtStation } from "../../draft/atStation";

const KINDS: Record<NewEntry["kind"], string> = { cut: "Cut", mend: "Mend", note: "Note" };

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
export function Log(at: AtStation) {
  return (
    <>
      <Place of="log_cut">
        <Write at={at} />
      </Place>
      <Heading>So far</Heading>
      <ul aria-label="Journal">
        {[...at.draft.journal].reverse().map((entry) => (
          <Written key={entry.id} entry={entry} />
        ))}
      </ul>
      {at.draft.journal.length === 0 && <Quiet>Nothing logged yet.</Quiet>}
      <Heading>To keep or hand on</Heading>
      <Row>
        <Carry href={`/api/blanks/${at.id}/export`} download>
          This blank as a file
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=parcel`} download>
          with photographs and log
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=csv`} download>
          Survey as a table
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=sheet`} download>
          Survey sheet to print
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=svg`} download>
          Skin at 1 : 1
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=section`} download>
          Section at 1 : 1
        </Carry>
      </Row>
      <Quiet>
        The skin is a drawing to print, cut out and wrap round the blank; the sheet has it too, over as many pages as it
        takes. Measure the bar before you trust a print.
      </Quiet>
      {at.draft.dirty && <Quiet>As it was last saved: your draft is not in it.</Quiet>}
      <Done at={at} />
    </>
  );
}

/** Sold, burnt or given up: off the rack, and kept whole. */
function Done({ at }: { at: AtStation }) {
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const { data: kept } = useQuery<Kept>({
    queryKey: ["blank", at.id],
    queryFn: () => api.blank(at.id),
    staleTime: Infinity,
  });
  const away = kept?.put_away ?? false;
  const place = () =>
    void act(
      () => api.place(at.id, !away),
      (next) => {
        client.setQueryData<Kept>(["blank", at.id], (was) => was && { ...was, put_away: next.put_away });
        void client.invalidateQueries({ queryKey: ["shop"] });
      },
    );
  return (
    <>
      <Heading>{away ? "It is put away" : "Done with it"}</Heading>
      <Row>
        <Button isDisabled={busy} onPress={place}>
          {away ? "Back on the rack" : "Put it away"}
        </Button>
      </Row>
      <Quiet>
        {away
          ? "Off the rack; the shop’s list of what is put away has it."
          : "Off the rack, kept whole with its log and photographs; it can come back at any time."}
      </Quiet>
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
        {entry.note && <p>{entry.note}</p>}
      </div>
    </Line>
  );
}

function Write({ at }: { at: AtStation }) {
  const names = (Object.keys(STAGES) as StageName[]).filter((name) => at.assessment.stages[name]);
  const [kind, setKind] = useState<NewEntry["kind"]>("cut");
  const [stage, setStage] = useState<StageName>("blank");
  const [speed, setSpeed] = useState<number>();
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<Refused>();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const client = useQueryClient();
  const limit = at.assessment.stages[stage]?.limit_rpm ?? 0;
  const first = at.assessment.stages[stage]?.ladder_rpm[0] ?? limit;
  const shown = speed ?? Math.floor(first / 10) * 10;
  const unit = useUnit();

  const send = async () => {
    try {
      const entry = await api.log(at.id, { key, kind, note, ...(kind === "cut" && { stage, speed_rpm: shown }) });
      client.setQueryData<Kept>(["blank", at.id], (kept) => kept && { ...kept, journal: [...kept.journal, entry] });
      at.draft.addEntry(entry);
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
        <Choice label="What was done" value={kind} options={KINDS} onChange={setKind} />
        {kind === "cut" && (
          <>
            <Choice
              label="Stage"
              value={stage}
              options={Object.fromEntries(names.map((name) => [name, STAGES[name]])) as Record<StageName, string>}
              onChange={setStage}
            />
            <div style={{ width: 150 }}>
              <NumberField label="Speed, rpm" value={shown} onChange={setSpeed} fault={fault("speed_rpm")} />
            </div>
            {shown > limit && (
              <Fault role="alert">Above the limit of {amountText(limit, "rpm", unit)} for this stage.</Fault>
            )}
          </>
        )}
        <TextField value={note} onChange={setNote} maxLength={2000}>
          <Label style={{ fontSize: 14, color: ink.quiet }}>Note</Label>
          <Note placeholder="What you saw, heard, felt" />
        </TextField>
      </div>
      <Row style={{ marginTop: 12 }}>
        <Button $kind="go" onPress={() => void send()}>
          Log it
        </Button>
      </Row>
      {problem && <Fault role="alert">Not logged: {problem.message}</Fault>}
    </>
  );
}
