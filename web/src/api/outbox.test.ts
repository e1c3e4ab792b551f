// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { api, Refused } from "./client";
import type { Card } from "./document";
import { nowOrLater, outbox, send, type Waiting } from "./outbox";

const refused = (status: number) => new Refused({ type: "about:blank", title: "", status, detail: String(status) });
const tick = (key: string, atMs = Date.now()): Waiting => ({
  do: "mark",
  key,
  atMs,
  card: 1,
  blank: 2,
  mark: { line: key, kind: "done" },
});
const sent = vi.spyOn(api, "markCard");
const keys = () => outbox.now().waiting.map(({ key }) => key);

describe("what waits on this device", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    sent.mockReset();
  });
  afterEach(async () => {
    sent.mockResolvedValue({} as Card);
    await vi.advanceTimersByTimeAsync(10_000);
    outbox.now().returned.forEach(({ key }) => outbox.drop(key));
    vi.useRealTimers();
  });

  it("goes out in order, once each, with how long ago it was, as soon as a server is there", async () => {
    sent.mockRejectedValue(refused(0));
    await nowOrLater(() => api.markCard(1, "a", { line: "a", kind: "done" }), tick("a"));
    await nowOrLater(() => api.markCard(1, "b", { line: "b", kind: "done" }), tick("b"));
    expect(keys()).toEqual(["a", "b"]);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(keys()).toEqual(["a", "b"]);
    sent.mockReset();
    sent.mockResolvedValue({} as Card);
    await vi.advanceTimersByTimeAsync(5_000);
    expect(sent.mock.calls.map(([, key]) => key)).toEqual(["a", "b"]);
    expect(sent.mock.calls.every(([, , { ago_s }]) => (ago_s ?? 0) >= 60 && (ago_s ?? 0) <= 65)).toBe(true);
    expect(keys()).toEqual([]);
    expect(localStorage.getItem("outbox")).toBeNull();
  });

  it("is not passed by what is done later", async () => {
    sent.mockRejectedValue(refused(503));
    outbox.put(tick("a"));
    const ask = vi.fn(() => Promise.resolve("answer"));
    expect(await nowOrLater(ask, tick("b"))).toBeUndefined();
    expect(ask).not.toHaveBeenCalled();
    expect(keys()).toEqual(["a", "b"]);
  });

  it("comes back with the reason where the server would not have it, and keeps up nothing else", async () => {
    sent.mockRejectedValueOnce(refused(422)).mockResolvedValue({} as Card);
    outbox.put(tick("a"));
    outbox.put(tick("b"));
    await send();
    await vi.advanceTimersByTimeAsync(0);
    expect(keys()).toEqual([]);
    expect(outbox.now().returned.map(({ key, problem }) => [key, problem.status])).toEqual([["a", 422]]);
  });

  it("waits where nobody is in, and says at once what is wrong with what is asked now", async () => {
    sent.mockRejectedValue(refused(401));
    outbox.put(tick("a"));
    await send();
    expect(keys()).toEqual(["a"]);
    sent.mockResolvedValue({} as Card);
    await vi.advanceTimersByTimeAsync(5_000);
    await expect(nowOrLater(() => Promise.reject(refused(422)), tick("c"))).rejects.toBeInstanceOf(Refused);
    expect(keys()).toEqual([]);
  });

  it("is there again after a reload", () => {
    sent.mockRejectedValue(refused(0));
    outbox.put(tick("a"));
    expect(JSON.parse(localStorage.getItem("outbox") ?? "{}")).toMatchObject({ waiting: [{ key: "a" }] });
  });
});
