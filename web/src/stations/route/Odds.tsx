import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Odds as Told, Route, Task } from "../../api/document";
import { useBlank, useDrawing } from "../../draft/contexts";
import { messageText, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Fault, Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { TaskProgress } from "../../kit/TaskProgress";
import { ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { useStored } from "../../kit/useStored";
import { useTask } from "../../kit/useTask";
import { useWayOdds, type KeptOdds } from "./wayOdds";

const [ACROSS, STEP] = [25, 16];

const Dots = styled.svg`
  width: 100%;
  max-width: ${ACROSS * STEP}px;
  height: auto;
  margin: 6px 0;
`;

const Share = styled.p`
  font-size: 24px;
  font-weight: 650;
  margin-top: 10px;
`;

type Chance = Told["sound"];

/** The way taken, played on many blanks that all agree with the survey: how often it comes out sound, and what takes most. */
export function Odds({ route }: { route: Route }) {
  const { id, document, draft } = useBlank();
  const client = useQueryClient();
  const { busy, task, problem, run, cancel } = useTask();
  const { kept, keep, asked } = useWayOdds();
  const [begun, setBegun] = useStored<{ task: number; of: string } | null>(`odds begun of ${id}`, null);
  const follow = (begin: () => Promise<Task>, of: string) =>
    void run(
      async () => {
        const task = await begin();
        setBegun({ task: task.id, of });
        return task;
      },
      (ended) => keep({ of, odds: ended.result as Told }),
    ).then(() => {
      setBegun(null);
      return client.invalidateQueries({ queryKey: ["odds", id] });
    });
  // Of what is not saved nobody else is to be told.
  const of = draft.dirty ? undefined : { id, version: draft.version };
  const play = () => follow(() => api.askOdds(document, true, of), asked);
  // What was under way when the page was left goes on.
  const [left] = useState(begun);
  const latest = useRef(follow);
  useEffect(() => {
    latest.current = follow;
  });
  useEffect(() => {
    if (left) latest.current(() => api.task(left.task), left.of);
  }, [left]);
  const shown = task?.so_far ?? (busy ? undefined : kept?.odds);
  const fault = problem?.errors?.[0]?.detail ?? problem?.detail;
  return (
    <section aria-label={t("screen.route.section.odds")}>
      <Quiet>{t("screen.odds.how")}</Quiet>
      <Button $kind="go" isDisabled={busy} onPress={play}>
        {kept ? t("screen.odds.again") : t("screen.odds.play")}
      </Button>
      <TaskProgress
        task={task}
        label={t("screen.odds.playing")}
        said={
          task && task.of > 0
            ? t(task.so_far && task.so_far.truths > task.done ? "screen.odds.bettering" : "screen.odds.played", {
                done: task.done,
                of: task.of,
              })
            : undefined
        }
        onCancel={cancel}
      />
      {fault && <Fault role="alert">{fault}</Fault>}
      {shown && !task && kept?.of !== asked && <Quiet>{t("screen.odds.changed_since")}</Quiet>}
      {shown && <Shown odds={shown} route={route} whole={!task} />}
      {kept && !task && route.alternatives.length > 1 && <Others route={route} taken={kept} />}
    </section>
  );
}

const inHundred = (share: number) => (100 * share).toFixed(share > 0 && share < 0.1 ? 1 : 0);

function Shown({ odds, route, whole }: { odds: Told; route: Route; whole: boolean }) {
  const unit = useUnit();
  const { truths, sound, injury, finish_days: days, cost } = odds;
  const stepOf = (id: string) => {
    const step = route.alternatives[0]?.steps.find((one) => one.id === id);
    return step ? messageText(step.name, unit) : id;
  };
  const count = Math.round(sound.share * truths);
  return (
    <>
      {odds.not_yet.map(({ step }) => (
        <Fault key={step}>{t("screen.odds.not_yet", { step: stepOf(step) })}</Fault>
      ))}
      <Share>{t("screen.odds.sound", { sound: inHundred(sound.share) })}</Share>
      <p>{t("screen.odds.of_truths", { count, truths, low: inHundred(sound.low), high: inHundred(sound.high) })}</p>
      <Picture odds={odds} sound={count} />
      {whole && odds.advised_against && <Fault role="alert">{t("screen.odds.against")}</Fault>}
      <p>
        {injury.share > 0
          ? t("screen.odds.injures", { share: inHundred(injury.share), high: inHundred(injury.high) })
          : t("screen.odds.injures_never", { truths, high: inHundred(injury.high) })}
      </p>
      {days.p10 !== null && days.p90 !== null && (
        <p>
          {t("screen.odds.finished", {
            from: amountText(days.p10, "days", unit),
            to: amountText(days.p90, "days", unit),
            least: amountText(cost.p10 ?? 0, "money", unit),
            most: amountText(cost.p90 ?? 0, "money", unit),
          })}
        </p>
      )}
      {odds.causes.length > 0 && (
        <>
          <Heading>{t("screen.odds.causes")}</Heading>
          <Ticket>
            <tbody>
              {odds.causes.map(({ event, step, share, then }) => (
                <tr key={`${event} ${step} ${then}`}>
                  <th scope="row">{t(`screen.odds.event.${event}`)}</th>
                  <td>{stepOf(step)}</td>
                  <td className="number">{t("screen.odds.in_100", { share: inHundred(share) })}</td>
                  <td style={then === "lost" ? { color: ink.rust, fontWeight: 650 } : undefined}>
                    {t(`screen.odds.then.${then}`)}
                  </td>
                </tr>
              ))}
            </tbody>
          </Ticket>
        </>
      )}
      {whole && <LookAt odds={odds} />}
      {whole && sound.share < 1 && <Better odds={odds} route={route} stepOf={stepOf} />}
    </>
  );
}

/** One dot a truth: sound, sound once mended, lost. */
function Picture({ odds, sound }: { odds: Told; sound: number }) {
  const { truths } = odds;
  const mended = Math.round(odds.mended * truths);
  const at = (index: number) => [(index % ACROSS) * STEP + STEP / 2, Math.floor(index / ACROSS) * STEP + STEP / 2];
  return (
    <>
      <Dots aria-hidden viewBox={`0 0 ${ACROSS * STEP} ${Math.ceil(truths / ACROSS) * STEP}`}>
        {Array.from({ length: truths }, (_, index) => {
          const [x = 0, y = 0] = at(index);
          if (index < sound - mended) return <circle key={index} cx={x} cy={y} r={5.5} fill={ink.moss} />;
          if (index < sound)
            return <circle key={index} cx={x} cy={y} r={4.5} fill="none" stroke={ink.moss} strokeWidth={2} />;
          return (
            <path
              key={index}
              d={`M${x - 4} ${y - 4}L${x + 4} ${y + 4}M${x - 4} ${y + 4}L${x + 4} ${y - 4}`}
              stroke={ink.rust}
              strokeWidth={2.5}
            />
          );
        })}
      </Dots>
      <Quiet>{t("screen.odds.picture", { sound: sound - mended, mended, lost: truths - sound })}</Quiet>
    </>
  );
}

/** The worst of the truths, and the one in the middle, shown in the drawings in place of the survey. */
function LookAt({ odds: { seed, of_note } }: { odds: Told }) {
  const { document } = useBlank();
  const { instead, showInstead } = useDrawing();
  const { busy, problem, act } = useAct();
  const show = (index: number) => void act(() => api.truth(document, seed, index), showInstead);
  useEffect(() => () => showInstead(undefined), [showInstead]);
  return (
    <>
      <Heading>{t("screen.odds.look_at")}</Heading>
      <Row>
        <Button isDisabled={busy} onPress={() => show(of_note.worst)}>
          {t("screen.odds.worst_truth")}
        </Button>
        <Button isDisabled={busy} onPress={() => show(of_note.median)}>
          {t("screen.odds.median_truth")}
        </Button>
        <Button isDisabled={!instead} onPress={() => showInstead(undefined)}>
          {t("screen.odds.the_survey")}
        </Button>
      </Row>
      {instead && <Quiet role="status">{t("screen.odds.drawn_is_a_truth", { count: instead.length })}</Quiet>}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}

function Better({ odds, route, stepOf }: { odds: Told; route: Route; stepOf: (id: string) => string }) {
  const unit = useUnit();
  const { document, draft } = useBlank();
  const better = odds.best_improvement;
  if (!better) return <Quiet>{t("screen.odds.nothing_betters")}</Quiet>;
  const way = route.alternatives.find(({ key }) => key === better.way);
  const told = t(`screen.odds.act.${better.act}`, {
    step: better.step ? stepOf(better.step) : "",
    of: better.of ?? "",
    mm: better.mm ? amountText(better.mm, "mm", unit) : "",
    way: way ? messageText(way.name, unit) : "",
  });
  const { form } = better;
  const take =
    better.act === "other_way" && way
      ? () => draft.change({ ...document, route: { ...document.route, choices: way.choices } }, false)
      : form
        ? () => draft.change({ ...document, form })
        : undefined;
  return (
    <>
      <Heading>{t("screen.odds.better")}</Heading>
      <p>
        <strong>{told}</strong>{" "}
        {t("screen.odds.gains", {
          gain: inHundred(better.gain),
          time: amountText(Math.round(better.hours * 60), "min", unit),
        })}
      </p>
      {take && <Button onPress={take}>{t("screen.odds.take")}</Button>}
    </>
  );
}

/** The other ways there are, played on the same truths, beside the one taken. */
function Others({ route, taken }: { route: Route; taken: KeptOdds }) {
  const { document } = useBlank();
  const unit = useUnit();
  const { busy, task, problem, run, cancel } = useTask();
  const { ways: shares, keepWays, asked } = useWayOdds();
  const known = shares.of === asked ? shares.sound : {};
  const [first, ...others] = route.alternatives;
  const left = others.filter(({ key }) => !known[key]);
  const playNext = async (ways: typeof left, sound: Record<string, Chance>): Promise<void> => {
    const [way, ...rest] = ways;
    if (!way) return;
    let next: Record<string, Chance> | undefined;
    await run(
      () => api.askOdds({ ...document, route: { ...document.route, choices: way.choices } }, false),
      (ended) => {
        next = { ...sound, [way.key]: (ended.result as Told).sound };
        keepWays({ of: asked, sound: next });
      },
    );
    if (next) await playNext(rest, next);
  };
  const row = (name: string, chance: Chance | undefined) => (
    <tr key={name}>
      <th scope="row">{name}</th>
      <td className="number">
        {chance && <strong>{t("screen.odds.in_100", { share: inHundred(chance.share) })}</strong>}
      </td>
      <td className="number">
        {chance && t("screen.odds.between", { low: inHundred(chance.low), high: inHundred(chance.high) })}
      </td>
    </tr>
  );
  return (
    <>
      <Heading>{t("screen.odds.ways")}</Heading>
      <Ticket aria-label={t("screen.odds.ways")}>
        <tbody>
          {first && row(messageText(first.name, unit), taken.of === asked ? taken.odds.sound : undefined)}
          {others.map(({ key, name }) => row(messageText(name, unit), known[key]))}
        </tbody>
      </Ticket>
      {left.length > 0 && (
        <Button isDisabled={busy} onPress={() => void playNext(left, known)}>
          {t("screen.odds.play_others", { count: left.length })}
        </Button>
      )}
      <TaskProgress
        task={task}
        label={t("screen.odds.playing")}
        said={task && task.of > 0 ? t("screen.odds.played", { done: task.done, of: task.of }) : undefined}
        onCancel={cancel}
      />
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}
