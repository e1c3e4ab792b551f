import { useEffect, useRef, useState } from "react";
import { api, Refused } from "../api/client";
import type { Assessment, Document, Problem } from "../api/document";

const RETRY_MS = 2000;

/**
 * The core's answer for what is on screen. One question at a time, always with the newest draft next,
 * so answers can never come out of order; while it waits, the last answer stays.
 */
export function useReckon(document: Document) {
  const [answer, setAnswer] = useState<{ of: Document; assessment: Assessment }>();
  const [problem, setProblem] = useState<Problem>();
  const newest = useRef(document);
  const asking = useRef(false);

  useEffect(() => {
    newest.current = document;
    if (asking.current) return;
    const gone = new AbortController();
    let retry: ReturnType<typeof setTimeout> | undefined;
    const ask = async () => {
      asking.current = true;
      const asked = newest.current;
      try {
        const assessment = await api.reckon(asked, gone.signal);
        setAnswer({ of: asked, assessment });
        setProblem(undefined);
      } catch (fault) {
        if (!(fault instanceof Refused)) throw fault;
        setProblem(fault.problem);
        if (fault.problem.status === 0 || fault.problem.status >= 500) retry = setTimeout(() => void ask(), RETRY_MS);
      }
      asking.current = false;
      if (newest.current !== asked) void ask();
    };
    void ask();
    return () => clearTimeout(retry);
  }, [document]);

  return { assessment: answer?.assessment, settled: answer?.of === document, problem };
}
