import { useCallback, useEffect, useRef } from "react";

/**
 * Changes that are made one after the other, each to what the one before has left, so that nothing typed while one is
 * under way is lost. `value`: what is shown; it must stay the same object while it is the same. A change gives back what
 * it leaves.
 */
export function useInTurn<Value>(value: Value) {
  const newest = useRef(value);
  useEffect(() => {
    newest.current = value;
  }, [value]);
  const queue = useRef(Promise.resolve());
  return useCallback((change: (now: Value) => Promise<Value>) => {
    const next = async () => {
      newest.current = await change(newest.current);
    };
    // The next one goes on also after one that failed.
    queue.current = queue.current.then(next, next);
  }, []);
}
