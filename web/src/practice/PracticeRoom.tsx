import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import type { PracticeInShort } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { NumberField } from "../kit/MeasureField";
import { Fault, Heading, Quiet, Row, Ticket } from "../kit/parts";
import { Room } from "../kit/Room";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";

const Grid = styled.table`
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
  th {
    width: 32%;
    text-align: left;
    padding: 4px 12px 4px 0;
    font-weight: 650;
  }
  td {
    padding: 3px;
  }
  button {
    width: 100%;
    min-height: 52px;
  }
`;

type Level = "1" | "2" | "3" | "4" | "5";
const LEVELS: Level[] = ["1", "2", "3", "4", "5"];

/** Blanks that hurt nobody: twenty graded ones, others by their number, and how everybody did. */
export function PracticeRoom() {
  const go = useNavigate();
  const { busy, problem, act } = useAct();
  const { data, error } = useQuery({ queryKey: ["practices"], queryFn: api.practices });
  const [level, setLevel] = useState<Level>("1");
  const [seed, setSeed] = useState(5);
  const [fault, setFault] = useState<string>();
  const file = useRef<HTMLInputElement>(null);
  const open = (id: number) => void go(`/blanks/${id}/survey`);
  const begin = (at: number, with_: number) =>
    void act(
      () => api.beginPractice(at, with_),
      (begun) => open(begun.blank_id),
    );
  const read = async (given: File) => {
    const found = carried(await given.text());
    setFault(found ? undefined : t("screen.practice.no_such_file"));
    if (found) begin(found.level, found.seed);
  };
  const practices = data?.practices ?? [];
  return (
    <Room>
      <h2>{t("screen.practice.title")}</h2>
      <div>
        <p>{t("screen.practice.what_it_is")}</p>
        {(error || problem) && (
          <Fault role="alert">{problem?.errors?.[0]?.detail ?? problem?.detail ?? error?.message}</Fault>
        )}
        <Heading>{t("screen.practice.graded")}</Heading>
        <Grid aria-label={t("screen.practice.graded")}>
          <tbody>
            {LEVELS.map((one) => (
              <tr key={one}>
                <th scope="row">
                  {t("screen.practice.level", { level: one })}
                  <Quiet style={{ margin: 0, fontWeight: 400 }}>{t(`screen.practice.levels.${one}`)}</Quiet>
                </th>
                {(data?.graded ?? [])
                  .filter(([of]) => String(of) === one)
                  .map(([of = 1, number = 1]) => (
                    <td key={number}>
                      <Graded
                        {...{ busy, number }}
                        level={of}
                        done={practices.find((row) => row.level === of && row.seed === number)}
                        onBegin={() => begin(of, number)}
                        onOpen={open}
                      />
                    </td>
                  ))}
              </tr>
            ))}
          </tbody>
        </Grid>
        <Heading>{t("screen.practice.another")}</Heading>
        <Row>
          <Choice<Level>
            label={t("screen.practice.how_hard")}
            value={level}
            options={{ "1": "1", "2": "2", "3": "3", "4": "4", "5": "5" }}
            onChange={setLevel}
          />
          <div style={{ width: 140 }}>
            <NumberField label={t("screen.practice.number")} value={seed} onChange={(to) => setSeed(Math.round(to))} />
          </div>
          <Button isDisabled={busy} onPress={() => begin(Number(level), seed)}>
            {t("screen.practice.make")}
          </Button>
          <Button isDisabled={busy} onPress={() => file.current?.click()}>
            {t("screen.practice.open_file")}
          </Button>
          <input
            ref={file}
            type="file"
            hidden
            accept="application/json,.json"
            aria-label={t("screen.practice.open_file")}
            onChange={(event) => {
              const given = event.target.files?.[0];
              if (given) void read(given);
              event.target.value = "";
            }}
          />
        </Row>
        {fault && <Fault role="alert">{fault}</Fault>}
      </div>
      <div>
        <Heading style={{ marginTop: 0 }}>{t("screen.practice.scores")}</Heading>
        <Scores practices={practices} />
      </div>
    </Room>
  );
}

type GradedProps = {
  level: number;
  number: number;
  done: PracticeInShort | undefined;
  busy: boolean;
  onBegin: () => void;
  onOpen: (id: number) => void;
};

function Graded({ level, number, done, busy, onBegin, onOpen }: GradedProps) {
  const name = `${level}.${number}`;
  if (!done)
    return (
      <Button isDisabled={busy} aria-label={t("screen.practice.begin", { name })} onPress={onBegin}>
        {name}
      </Button>
    );
  return (
    <Button
      $kind={done.score === null ? "plain" : "go"}
      aria-label={t("screen.practice.open", { name })}
      onPress={() => onOpen(done.blank_id)}
    >
      {name} · {done.score === null ? t("screen.practice.begun") : Math.round(done.score)}
    </Button>
  );
}

/** How everybody did, the best first. */
function Scores({ practices }: { practices: PracticeInShort[] }) {
  const people = new Map<string, number[]>();
  for (const { by, score } of practices)
    if (score !== null) people.set(by ?? "", [...(people.get(by ?? "") ?? []), score]);
  const mean = (scores: number[]) => scores.reduce((sum, one) => sum + one, 0) / scores.length;
  const rows = [...people].sort(([, one], [, other]) => mean(other) - mean(one));
  if (rows.length === 0) return <Quiet>{t("screen.practice.nobody_yet")}</Quiet>;
  return (
    <Ticket>
      <thead>
        <tr>
          <th>{t("screen.practice.who")}</th>
          <th className="number">{t("screen.practice.blanks")}</th>
          <th className="number">{t("screen.practice.mean")}</th>
          <th className="number">{t("screen.practice.best")}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([by, scores]) => (
          <tr key={by}>
            <th scope="row">{by || t("screen.practice.somebody")}</th>
            <td className="number">{scores.length}</td>
            <td className="number" style={{ color: ink.moss, fontWeight: 650 }}>
              {Math.round(mean(scores))}
            </td>
            <td className="number">{Math.round(Math.max(...scores))}</td>
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}

/** Level and seed of a friend's file; nothing where it is none. */
export function carried(text: string): { level: number; seed: number } | undefined {
  try {
    const found = JSON.parse(text) as { format?: unknown; level?: unknown; seed?: unknown };
    const { format, level, seed } = found;
    return format === "mossy-anvil/practice" && typeof level === "number" && typeof seed === "number"
      ? { level, seed }
      : undefined;
  } catch {
    // What is no JSON is no such file, which is said at the button.
    return undefined;
  }
}
