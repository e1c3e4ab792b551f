import { useEffect, useState } from "react";

/** State of a form that outlives a reload of this tab, under a name of its own. */
export function useStored<Value>(place: string, initial: Value) {
  const [value, setValue] = useState<Value>(() => {
    const stored = sessionStorage.getItem(place);
    return stored === null ? initial : (JSON.parse(stored) as Value);
  });
  useEffect(() => sessionStorage.setItem(place, JSON.stringify(value)), [place, value]);
  return [value, setValue] as const;
}

/** Forgets everything stored under names that begin so. */
export const forgetStored = (beginning: string) =>
  Object.keys(sessionStorage)
    .filter((place) => place.startsWith(beginning))
    .forEach((place) => sessionStorage.removeItem(place));
