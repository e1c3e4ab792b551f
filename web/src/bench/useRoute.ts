import { useMemo, type Dispatch } from "react";
import { api } from "../api/client";
import type { Document, RouteQuestion } from "../api/document";
import { useNewest } from "../api/useNewest";
import { useSettled } from "../kit/useSettled";
import type { BenchAction } from "./benchState";

/** The route is asked for once the draft has been left alone so long. */
const SETTLED_MS = 400;

/** The route of the whole work, asked for anew with every change; a blank without a form has none. */
export function useRoute(
  document: Document,
  ways: RouteQuestion["ways"],
  step: string | undefined,
  act: Dispatch<BenchAction>,
) {
  const asked = useSettled(document, SETTLED_MS);
  const question = useMemo(() => (asked.form ? { document: asked, ways } : undefined), [asked, ways]);
  const { answer, settled, problem } = useNewest(question, api.route);
  const route = document.form ? answer : undefined;
  const coming = document.form !== undefined && !route && !problem;
  return useMemo(
    () => ({
      route,
      settled,
      problem,
      coming,
      step,
      lookAt: (id: string | undefined) => act({ do: "look at step", id }),
    }),
    [route, settled, problem, coming, step, act],
  );
}
