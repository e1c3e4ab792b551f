import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api } from "../../../api/client";
import type { Odds as Told, Route, Task } from "../../../api/document";
import { useBlank } from "../../../draft/contexts";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Fault, Quiet } from "../../../kit/parts";
import { TaskProgress } from "../../../kit/TaskProgress";
import { useStored } from "../../../kit/useStored";
import { useTask } from "../../../kit/useTask";
import { useWayOdds } from "../wayOdds";
import { Others } from "./Others";
import { Shown } from "./Shown";

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
