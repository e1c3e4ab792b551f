/** The station where a stretch of the route is thought through. */
export const STATION_OF = {
  survey: "survey",
  form: "form",
  mend: "mend",
  turn: "turn",
  finish: "finish",
  close: "log",
} as const;
