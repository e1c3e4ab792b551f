import { useCallback, useEffect, useState } from "react";

/** A choice of the person at this screen, kept by the browser: one of a few words, the first until chosen otherwise. */
export function useKept<Choice extends string>(place: string, choices: readonly [Choice, ...Choice[]]) {
  const [chosen, choose] = useState<Choice>(
    () => choices.find((choice) => choice === localStorage.getItem(place)) ?? choices[0],
  );
  useEffect(() => {
    localStorage.setItem(place, chosen);
  }, [place, chosen]);
  /** To the next of them. */
  const next = useCallback(
    () => choose((was) => choices[(choices.indexOf(was) + 1) % choices.length] ?? choices[0]),
    [choices],
  );
  return [chosen, next, choose] as const;
}
