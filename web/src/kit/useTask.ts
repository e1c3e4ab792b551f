import { useCallback, useRef, useState } from "react";
import { api, Refused } from "../api/client";
import type { Problem, Task } from "../api/document";

const FIRST_ASK_MS = 150;
const ASK_AGAIN_MS = 500;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const open = ({ state }: Task) => state === "waiting" || state === "running";

/** Follows a change that the server works on by itself to its end; `onStep` is told how far it is. Throws Refused where it was refused. */
export async function followed(begun: Task, onStep: (task: Task) => void): Promise<Task> {
  let task = begun;
  let rest = FIRST_ASK_MS;
  onStep(task);
  while (open(task)) {
    await pause(rest);
    rest = ASK_AGAIN_MS;
    try {
      task = await api.task(task.id);
    } catch (wrong) {
      // The server may be away for a moment: the change goes on when it is back.
      if (!(wrong instanceof Refused) || (wrong.problem.status !== 0 && wrong.problem.status < 500)) throw wrong;
    }
    onStep(task);
  }
  if (task.problem) throw new Refused(task.problem as Problem);
  return task;
}

/** A change that the server works on by itself: how far it is, what it refused, and a way to cancel it. */
export function useTask() {
  const [task, setTask] = useState<Task>();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem>();
  const current = useRef<number | undefined>(undefined);
  const run = useCallback(async (begin: () => Promise<Task>, onEnd: (ended: Task) => void) => {
    setBusy(true);
    setProblem(undefined);
    try {
      const begun = await begin();
      current.current = begun.id;
      const last = await followed(begun, setTask);
      if (last.state === "ended") onEnd(last);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setProblem(wrong.problem);
    } finally {
      setBusy(false);
      setTask(undefined);
      current.current = undefined;
    }
  }, []);
  const cancel = useCallback(() => {
    if (current.current !== undefined) void api.cancelTask(current.current);
  }, []);
  return { busy, task, problem, run, cancel };
}
