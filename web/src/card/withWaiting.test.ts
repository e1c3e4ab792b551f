import { describe, expect, it } from "vitest";
import type { Card, NewMark } from "../api/document";
import type { Waiting } from "../api/outbox";
import { card, line } from "./madeCard";
import { withWaiting } from "./withWaiting";

const mark = (what: NewMark, atMs = 1000, id = 7): Waiting => ({
  do: "mark",
  key: `${what.line}-${what.kind}`,
  atMs,
  card: id,
  blank: 1,
  mark: what,
});
const NOW = Date.parse("2030-05-01T12:00:00Z");
const lines = (shown: Card) => shown.steps.flatMap((step) => step.lines);

describe("a card with what waits", () => {
  it("is ticked, by the server's time whatever this device's clock shows, and goes on", () => {
    // Ten seconds ago by a clock that is a day fast.
    const device = NOW + 86_400_000;
    const shown = withWaiting(
      card(line("a"), line("b")),
      [mark({ line: "a", kind: "done", value: 3 }, device - 10_000)],
      NOW,
      device,
    );
    expect(lines(shown)[0]).toMatchObject({ done_at: "2030-05-01T11:59:50.000Z", value: 3 });
    expect(shown.next_line).toBe("b");
  });

  it("runs a timer from when it was started, ends it with its tick, and takes both back", () => {
    const timed = card(line("a", { minutes: [10, 30] }));
    const started = withWaiting(timed, [mark({ line: "a", kind: "started" }, 0)], NOW, 0);
    expect(lines(started)[0]?.wait).toEqual({
      started_at: "2030-05-01T12:00:00.000Z",
      earliest_at: "2030-05-01T12:10:00.000Z",
      likely_at: "2030-05-01T12:30:00.000Z",
      ended_at: null,
    });
    const marks = [mark({ line: "a", kind: "started" }, 0), mark({ line: "a", kind: "done" }, 5000)];
    const done = lines(withWaiting(timed, marks, NOW, 5000))[0];
    expect(done?.wait?.ended_at).toBe(done?.done_at);
    const back = lines(withWaiting(timed, [...marks, mark({ line: "a", kind: "taken_back" }, 6000)], NOW, 6000))[0];
    expect([back?.wait, back?.done_at]).toEqual([null, null]);
  });

  it("is the very same where nothing waits for it, and passes over what need not be done", () => {
    const own = card(line("a"), line("b", { optional: true }), line("c"));
    expect(withWaiting(own, [mark({ line: "a", kind: "done" }, 0, 8)], NOW, 0)).toBe(own);
    expect(withWaiting(own, [mark({ line: "a", kind: "done" })], NOW, 1000).next_line).toBe("c");
  });
});
