// Cards made up for tests.
import type { Card } from "../api/document";

type Line = Card["steps"][number]["lines"][number];
const message = { key: "steps.stir", amounts: {} };
/** A line to be done, but for what is given. */
export const line = (key: string, over: Partial<Line> = {}): Line => ({
  key,
  kind: "do",
  message,
  minutes: null,
  working: false,
  measures: null,
  unlocks: null,
  optional: false,
  target: null,
  done_at: null,
  by: null,
  value: null,
  wait: null,
  watch: null,
  seen: [],
  says: null,
  suggested: null,
  ...over,
});
/** A card of one step with those lines, the first of them next. */
export const card = (...lines: Line[]): Card => ({
  id: 7,
  blank_id: 1,
  started_at: "2030-05-01T11:00:00Z",
  ended_at: null,
  now: "2030-05-01T12:00:00Z",
  next_line: lines[0]?.key ?? null,
  stopped: false,
  steps: [{ id: "s", do: "fill", name: message, cautions: [], tools: [], troubles: [], says: [], lines }],
});
