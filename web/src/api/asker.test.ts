import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Refused } from "./client";
import { Asker, AT_ONCE, RETRY_MS } from "./asker";

/** A server whose answers come when the test says so. */
function slowServer() {
  const open: { question: string; answer: () => void; refuse: (status: number) => void }[] = [];
  const ask = (question: string) =>
    new Promise<string>((resolve, reject) =>
      open.push({
        question,
        answer: () => resolve(question.toUpperCase()),
        refuse: (status) => reject(new Refused({ type: "about:blank", title: "", status, detail: String(status) })),
      }),
    );
  return { open, ask };
}

const settle = () => vi.advanceTimersByTimeAsync(0);

describe("an asker", () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  const start = () => {
    const { open, ask } = slowServer();
    const shown: string[] = [];
    const asker = new Asker(ask, {
      answer: (to, is) => shown.push(`${to}=${is}`),
      problem: ({ detail }) => shown.push(detail),
      broken: () => shown.push("broken"),
    });
    return { open, shown, asker };
  };

  it("has no more than a few questions open, and asks the newest next, whatever lay between", async () => {
    const { open, asker } = start();
    for (const question of ["a", "b", "c", "d"]) asker.put(question);
    expect(open.map(({ question }) => question)).toEqual(["a", "b"].slice(0, AT_ONCE));
    open[0]?.answer();
    await settle();
    expect(open.map(({ question }) => question)).toEqual(["a", "b", "d"]);
  });

  it("never shows an older answer after a newer one", async () => {
    const { open, shown, asker } = start();
    asker.put("a");
    asker.put("b");
    open[1]?.answer();
    await settle();
    open[0]?.answer();
    await settle();
    expect(shown).toEqual(["b=B"]);
  });

  it("asks again while the server is away, and stops asking what nobody wants any more", async () => {
    const { open, shown, asker } = start();
    asker.put("a");
    open[0]?.refuse(503);
    await vi.advanceTimersByTimeAsync(RETRY_MS + 1);
    expect(open.map(({ question }) => question)).toEqual(["a", "a"]);
    open[1]?.answer();
    await settle();
    expect(shown).toEqual(["503", "a=A"]);
    asker.put("b");
    open[2]?.refuse(0);
    await settle();
    asker.stop();
    await vi.advanceTimersByTimeAsync(RETRY_MS * 3);
    expect(open.length).toBe(3);
  });

  it("does not ask again what was refused for what is in it", async () => {
    const { open, shown, asker } = start();
    asker.put("a");
    open[0]?.refuse(422);
    await vi.advanceTimersByTimeAsync(RETRY_MS * 3);
    expect([open.length, shown]).toEqual([1, ["422"]]);
  });
});
