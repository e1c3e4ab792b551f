import { useEffect, useRef, useState } from "react";
import type { Problem } from "./document";
import { Asker } from "./asker";

/** The server's answer to a question that keeps changing. While it waits, the last answer stays; nothing is asked while there is no question. */
export function useNewest<Question, Answer>(
  question: Question | undefined,
  ask: (question: Question) => Promise<Answer>,
) {
  const [answer, setAnswer] = useState<{ to: Question; is: Answer }>();
  const [problem, setProblem] = useState<Problem>();
  const [broken, setBroken] = useState<unknown>();
  const asker = useRef<Asker<Question, Answer>>(undefined);

  useEffect(() => {
    const own = new Asker(ask, {
      answer: (to: Question, is: Answer) => {
        setAnswer({ to, is });
        setProblem(undefined);
      },
      problem: setProblem,
      broken: setBroken,
    });
    asker.current = own;
    return () => own.stop();
  }, [ask]);
  useEffect(() => asker.current?.put(question), [question, ask]);

  // What is no refusal of the server's is a fault of this program: the screen says so as a whole.
  if (broken !== undefined) throw broken;
  return { answer: answer?.is, settled: answer?.to === question, problem };
}
