import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import type { Defect, Document, Practice, PracticeTest } from "../api/document";
import { t, words } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText, clockText } from "../kit/measure";
import { Fault, Quiet, Row } from "../kit/parts";
import { TaskProgress } from "../kit/TaskProgress";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { useAct } from "../kit/useAct";
import { useTask } from "../kit/useTask";
import { Marks } from "./Marks";
import { PracticePictures } from "./PracticePictures";

const Frame = styled.section`
  border-left: 6px solid ${ink.ochre};
  border-bottom: 2px solid ${ink.ink};
  padding: 8px 22px 12px 16px;
  max-height: 46vh;
  overflow-y: auto;
  position: relative;
`;

type Verdict = NonNullable<Practice["verdict"]>;
const VERDICTS = words("screen.practice.verdicts", ["turn", "care", "leave"]) as Record<Verdict | "", string>;

type Props = {
  practice: Practice;
  document: Document;
  dirty: boolean;
  chosen: string | undefined;
  hand: { clockDeg: number; zMm: number };
  /** Defects shown in the drawings in place of the survey's. */
  instead: Defect[] | undefined;
  showInstead: (defects: Defect[] | undefined) => void;
};

/** A blank that is practised on: tests its truth answers, minutes left for them, the verdict, and what it came to. */
export function PracticeStrip(props: Props) {
  const { practice } = props;
  const name = `${practice.level}.${practice.seed}`;
  return (
    <Frame aria-label={t("screen.practice.strip", { name })}>
      {practice.told ? <Marks told={practice.told} {...props} /> : <Open {...props} />}
    </Frame>
  );
}

function Open({ practice, document, dirty, chosen, hand }: Props) {
  const unit = useUnit();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const { busy: marking, task, problem: refused, run, cancel } = useTask();
  const [said, say] = useState<string>();
  const [verdict, setVerdict] = useState<Verdict | "">("");
  const { blank_id: id, minutes, budget_min: budget } = practice;
  const path = document.defects.find((defect) => defect.id === chosen && "path" in defect);
  const there = { clock_deg: Math.round(hand.clockDeg) % 360, z_mm: Math.round(hand.zMm * 10) / 10 };
  const test = (asked: PracticeTest) =>
    void act(
      () => api.testPractice(id, asked),
      ({ told, practice: now, kept }) => {
        client.setQueryData(["practice", id], now);
        client.setQueryData(["blank", id], kept);
        say(testText(asked, told));
      },
    );
  const testText = (asked: PracticeTest, told: Awaited<ReturnType<typeof api.testPractice>>["told"]) => {
    const at = {
      clock: clockText(hand.clockDeg),
      z: amountText(hand.zMm, "mm", unit),
      of: "of" in asked ? asked.of : "",
    };
    const depth = amountText(told.depth_mm ?? 0, "mm", unit);
    if (asked.kind === "tap") return t(`screen.rehearsal.found.${told.dull ? "dull" : "rings"}`, at);
    if (asked.kind === "awl")
      return t(`screen.rehearsal.found.${told.depth_mm ? "awl" : "awl_sound"}`, { ...at, depth });
    if (asked.kind === "feel") return t("screen.rehearsal.found.feel", { ...at, depth });
    return t(`screen.rehearsal.found.${told.moves ? "moves" : "holds"}`, at);
  };
  const answer = () => {
    if (verdict === "") return;
    void run(
      () => api.answerPractice(id, verdict),
      () => {
        void client.invalidateQueries({ queryKey: ["practice", id] });
        void client.invalidateQueries({ queryKey: ["practices"] });
      },
    );
  };
  const time = (kind: keyof Practice["test_min"]) => amountText(practice.test_min[kind], "min", unit);
  const over = budget - minutes;
  return (
    <>
      <PracticePictures blankId={id} />
      <Row style={{ alignItems: "center" }}>
        <strong>
          {t("screen.practice.minutes_left", {
            left: over,
            of: budget,
          })}
        </strong>
        <Button isDisabled={busy} onPress={() => test({ kind: "tap", ...there })}>
          {t("screen.practice.tap", { time: time("tap") })}
        </Button>
        <Button isDisabled={busy} onPress={() => test({ kind: "awl", ...there })}>
          {t("screen.practice.awl", { time: time("awl") })}
        </Button>
        <Button isDisabled={busy || !path} onPress={() => path && test({ kind: "feel", of: path.id })}>
          {path
            ? t("screen.practice.feel", { of: path.id, time: time("feel") })
            : t("screen.practice.feel_chosen", { time: time("feel") })}
        </Button>
      </Row>
      <Quiet style={{ margin: "2px 0" }} aria-live="polite">
        {said ?? t("screen.practice.at_the_hand")}
      </Quiet>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Row style={{ alignItems: "end" }}>
        <Choice<Verdict | "">
          label={t("screen.practice.verdict")}
          value={verdict}
          options={VERDICTS}
          onChange={setVerdict}
        />
        <Button $kind="go" isDisabled={marking || dirty || verdict === ""} onPress={answer}>
          {t("screen.practice.answer")}
        </Button>
      </Row>
      {dirty && <Quiet style={{ margin: 0 }}>{t("screen.practice.save_first")}</Quiet>}
      <TaskProgress task={task} label={t("screen.practice.marking")} onCancel={cancel} />
      {refused && <Fault role="alert">{refused.errors?.[0]?.detail ?? refused.detail}</Fault>}
    </>
  );
}
