import { dequal } from "dequal";
import { useSyncExternalStore } from "react";
import { api } from "../api/client";
import type { LiveReading } from "../api/document";

const NONE: LiveReading[] = [];
/** Are there any? Asked so often while somebody looks. */
const LOOK_MS = 10_000;
/** Nothing has come from the server for so long: what was shown is of then, not of now. */
const LOST_MS = 3_000;

let readings = NONE;
let source: EventSource | undefined;
let heardMs = 0;
let timers: ReturnType<typeof setInterval>[] = [];
const watchers = new Set<() => void>();

const same = (one: LiveReading, key: string, spot: string) => one.key === key && one.spot === spot;

/** What has not changed stays the very object it was, so that only what shows it is drawn again. */
function show(next: LiveReading[]) {
  readings = next.map((one) => {
    const before = readings.find((old) => same(old, one.key, one.spot));
    return before && dequal({ ...before, at: "" }, { ...one, at: "" }) ? before : one;
  });
  watchers.forEach((tell) => tell());
}

export const lost = (reading: LiveReading): LiveReading => ({ ...reading, state: "lost", value: null, alarm: null });

async function look() {
  if (source || typeof EventSource === "undefined") return;
  const found = await api.instruments().catch(() => undefined);
  if (!found?.instruments.length || source || watchers.size === 0) return;
  heardMs = Date.now();
  source = new EventSource("/api/instruments/live");
  source.onmessage = ({ data }: MessageEvent<string>) => {
    heardMs = Date.now();
    show(JSON.parse(data) as LiveReading[]);
  };
}

/** A stream that says nothing does not leave its last word standing. */
function doubt() {
  if (source && Date.now() - heardMs > LOST_MS && readings.some(({ state }) => state !== "lost"))
    show(readings.map(lost));
}

function watch(tell: () => void) {
  watchers.add(tell);
  if (watchers.size === 1) {
    void look();
    timers = [setInterval(() => void look(), LOOK_MS), setInterval(doubt, 500)];
  }
  return () => {
    watchers.delete(tell);
    if (watchers.size > 0) return;
    timers.forEach(clearInterval);
    source?.close();
    source = undefined;
    readings = NONE;
  };
}

/** What instruments say now; none where there are none. One stream for all that look. */
export const useLive = (): LiveReading[] => useSyncExternalStore(watch, () => readings);

/** One of them; nothing where it is not there. */
export const useReading = (key: string, spot = ""): LiveReading | undefined =>
  useSyncExternalStore(watch, () => readings.find((reading) => same(reading, key, spot)));
