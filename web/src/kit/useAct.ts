import { useCallback, useState } from "react";
import { Refused } from "../api/client";
import type { Problem } from "../api/document";

/** Something asked of the server by the press of a button: whether it is under way, and what it refused. The last press counts. */
export function useAct() {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem>();
  const act = useCallback(async <Answer>(ask: () => Promise<Answer>, take: (answer: Answer) => void) => {
    setBusy(true);
    try {
      take(await ask());
      setProblem(undefined);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setProblem(wrong.problem);
    } finally {
      setBusy(false);
    }
  }, []);
  return { busy, problem, act, forget: useCallback(() => setProblem(undefined), []) };
}
