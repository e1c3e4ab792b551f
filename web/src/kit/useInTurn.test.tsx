// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { useInTurn } from "./useInTurn";

afterEach(cleanup);

/** A slow server: answers when it is let. */
function slow<Value>() {
  const waiting: (() => void)[] = [];
  const answer = (value: Value) => new Promise<Value>((done) => waiting.push(() => done(value)));
  const let1 = () => act(async () => waiting.shift()?.());
  return { answer, let1 };
}

describe("changes in turn", () => {
  it("keep what both have changed, however slow the first is", async () => {
    const { answer, let1 } = slow<{ name: string; currency: string }>();
    const shown = { name: "Old", currency: "EUR" };
    const { result } = renderHook(({ value }) => useInTurn(value), { initialProps: { value: shown } });
    const sent: object[] = [];
    const put = (about: object) =>
      result.current((now) => {
        sent.push({ ...now, ...about });
        return answer({ ...now, ...about });
      });
    put({ currency: "SEK" });
    put({ name: "New" });
    await act(async () => undefined);
    expect(sent).toEqual([{ name: "Old", currency: "SEK" }]);
    await let1();
    expect(sent.at(-1)).toEqual({ name: "New", currency: "SEK" });
  });

  it("go on from what is shown once that is another", async () => {
    const { answer, let1 } = slow<number>();
    const { result, rerender } = renderHook(({ value }) => useInTurn(value), { initialProps: { value: 1 } });
    rerender({ value: 10 });
    const seen: number[] = [];
    result.current((now) => {
      seen.push(now);
      return answer(now + 1);
    });
    await act(async () => undefined);
    await let1();
    expect(seen).toEqual([10]);
  });
});
