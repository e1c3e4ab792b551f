import { useEffect, useRef, useState } from "react";
import { Refused } from "../api/client";
import type { Problem } from "../api/document";

const RETRY_MS = 2000;

/**
 * The server's answer to a question that keeps changing. One question at a time, always with the newest next,
 * so answers can never come out of order; while it waits, the last answer stays. Nothing is asked while there is no question.
 */
export function useNewest<Question, Answer>(question: Question | undefined, ask: (question: Question) => Promise<Answer>) {
  const [answer, setAnswer] = useState<{ to: Question; is: Answer }>();
  const [problem, setProblem] = useState<Problem>();
  const newest = useRef(question);
  const asking = useRef(false);

  useEffect(() => {
    newest.current = question;
    if (asking.current || question === undefined) return undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const go = async () => {
      const asked = newest.current;
      if (asked === undefined) return;
      asking.current = true;
      try {
        const is = await ask(asked);
        setAnswer({ to: asked, is });
        setProblem(undefined);
      } catch (fault) {
        if (!(fault instanceof Refused)) throw fault;
        setProblem(fault.problem);
        if (fault.problem.status === 0 || fault.problem.status >= 500) retry = setTimeout(() => void go(), RETRY_MS);
      } finally {
        asking.current = false;
      }
      if (newest.current !== asked) void go();
    };
    void go();
    return () => clearTimeout(retry);
  }, [question, ask]);

  return { answer: answer?.is, settled: answer?.to === question, problem };
}
