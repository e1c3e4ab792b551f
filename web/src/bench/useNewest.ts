import { useEffect, useRef, useState } from "react";
import { Refused } from "../api/client";
import type { Problem } from "../api/document";

const RETRY_MS = 2000;
/** As many as the server has processes in its plainest setting: one reckons while the other's answer is drawn. */
const AT_ONCE = 2;

/**
 * The server's answer to a question that keeps changing. A few questions at a time, always with the newest next. An answer that comes
 * after a newer one is dropped, so that what is shown never goes back; while it waits, the last answer stays. Nothing is asked while there is no question.
 */
export function useNewest<Question, Answer>(question: Question | undefined, ask: (question: Question) => Promise<Answer>) {
  const [answer, setAnswer] = useState<{ to: Question; is: Answer }>();
  const [problem, setProblem] = useState<Problem>();
  const newest = useRef(question);
  const asked = useRef<Question>(undefined);
  const count = useRef({ sent: 0, shown: 0, open: 0 });

  useEffect(() => {
    newest.current = question;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const go = async (again = false) => {
      const now = newest.current;
      if (now === undefined || count.current.open >= AT_ONCE || (now === asked.current && !again)) return;
      asked.current = now;
      const turn = ++count.current.sent;
      count.current.open++;
      const show = (put: () => void) => {
        if (turn < count.current.shown) return;
        count.current.shown = turn;
        put();
      };
      try {
        const is = await ask(now);
        show(() => {
          setAnswer({ to: now, is });
          setProblem(undefined);
        });
      } catch (fault) {
        if (!(fault instanceof Refused)) throw fault;
        show(() => setProblem(fault.problem));
        if (fault.problem.status === 0 || fault.problem.status >= 500) retry = setTimeout(() => void go(true), RETRY_MS);
      } finally {
        count.current.open--;
      }
      void go();
    };
    void go(true);
    return () => clearTimeout(retry);
  }, [question, ask]);

  return { answer: answer?.is, settled: answer?.to === question, problem };
}
