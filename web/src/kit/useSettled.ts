import { useEffect, useState } from "react";

/** The value once it has not changed for so many ms: for what is not worth asking while something is being dragged. */
export function useSettled<Value>(value: Value, ms: number): Value {
  const [settled, settle] = useState(value);
  useEffect(() => {
    const wait = setTimeout(() => settle(value), ms);
    return () => clearTimeout(wait);
  }, [value, ms]);
  return settled;
}
