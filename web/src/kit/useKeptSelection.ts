import { useLayoutEffect, useRef } from "react";

/**
 * Keeps the whole of a text field selected where its text changes under a hand that has come to it and not typed yet, so
 * that what is typed next takes the place of it and is not added to its end. shown: the text, undefined while it is being
 * typed. For the field's input.
 */
export function useKeptSelection(shown: string | undefined) {
  const ref = useRef<HTMLInputElement>(null);
  const whole = useRef(false);
  const onSelect = () => {
    const { value = "", selectionStart, selectionEnd } = ref.current ?? {};
    whole.current = value !== "" && selectionStart === 0 && selectionEnd === value.length;
  };
  useLayoutEffect(() => {
    const input = ref.current;
    if (shown !== undefined && whole.current && input !== null && document.activeElement === input) input.select();
  }, [shown]);
  return { ref, onSelect };
}
