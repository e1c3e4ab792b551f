/** Is the person writing in a field just now? Single keys act only outside of them. */
export const isTyping = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement &&
  event.target.closest("input:not([type=radio]):not([type=range]), textarea") !== null;
