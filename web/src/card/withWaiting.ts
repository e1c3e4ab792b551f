import type { Card } from "../api/document";
import type { Waiting } from "../api/outbox";

type Line = Card["steps"][number]["lines"][number];
type Ticked = Extract<Waiting, { do: "mark" }>;

const iso = (ms: number) => new Date(ms).toISOString();

/** The line as a mark leaves it, for as long as no server has said more. */
function marked(line: Line, { mark }: Ticked, atMs: number): Line {
  switch (mark.kind) {
    case "started": {
      const minutes = line.minutes ?? [0];
      const after = (least: number) => iso(atMs + least * 60_000);
      const wait = {
        started_at: iso(atMs),
        earliest_at: after(minutes[0] ?? 0),
        likely_at: after(Math.max(...minutes)),
      };
      return { ...line, wait: { ...wait, ended_at: null } };
    }
    case "done":
      return {
        ...line,
        done_at: iso(atMs),
        value: mark.value ?? null,
        wait: line.wait && { ...line.wait, ended_at: iso(atMs) },
      };
    case "taken_back":
      return { ...line, done_at: null, value: null, wait: null };
    case "seen":
      return { ...line, seen: [...line.seen, { at: iso(atMs), value: mark.value ?? 0 }] };
    case "released":
      return line;
  }
}

/**
 * The card with what was pressed on this device and waits for the server. What the server would say of a measure comes
 * with its answer. nowMs: the server's own time; deviceMs: this device's, at the same moment.
 */
export function withWaiting(card: Card, waiting: Waiting[], nowMs: number, deviceMs: number): Card {
  const own = waiting.filter((one): one is Ticked => one.do === "mark" && one.card === card.id);
  if (own.length === 0) return card;
  const marks = (line: Line) => own.filter(({ mark }) => mark.line === line.key);
  const steps = card.steps.map((step) => ({
    ...step,
    lines: step.lines.map((line) =>
      marks(line).reduce((now, one) => marked(now, one, nowMs - (deviceMs - one.atMs)), line),
    ),
  }));
  const next = steps.flatMap(({ lines }) => lines).find((line) => !line.optional && line.done_at === null);
  return { ...card, steps, next_line: next?.key ?? null };
}
