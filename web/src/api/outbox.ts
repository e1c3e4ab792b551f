import { api, Refused } from "./client";
import type { Entry, NewEntry, NewMark, NewReading, Problem } from "./document";

/** What was done on this device while no server answered, in the order it was done. */
export type Waiting = { key: string; atMs: number } & (
  | { do: "mark"; card: number; blank: number; mark: NewMark }
  | { do: "log"; blank: number; entry: Omit<NewEntry, "key"> }
  | { do: "read"; blank: number; reading: NewReading }
);
/** One that the server took but would not have. */
export type Returned = Waiting & { problem: Problem };
export type Outbox = { waiting: Waiting[]; returned: Returned[] };

const PLACE = "outbox";
const AGAIN_MS = 4000;
/** As long as the server takes word of what was done a while ago. */
const MOST_AGO_S = 604_800;
const EMPTY: Outbox = { waiting: [], returned: [] };

let shown = read();
const watchers = new Set<() => void>();
type Sent = (one: Waiting, answer: unknown) => void;
const heard = new Set<Sent>();

function read(): Outbox {
  const stored = globalThis.localStorage?.getItem(PLACE);
  return stored ? (JSON.parse(stored) as Outbox) : EMPTY;
}

function write(next: Outbox) {
  shown = next;
  if (next.waiting.length + next.returned.length === 0) localStorage.removeItem(PLACE);
  else localStorage.setItem(PLACE, JSON.stringify(next));
  watchers.forEach((tell) => tell());
}

/** Does that mean that nobody was there to take it, so that it may wait? */
export const nobodyThere = ({ status }: Problem) => status === 0 || status === 502 || status === 503 || status === 504;

/**
 * Asked now or, where nobody is there, put by to be sent later: then undefined. What waits already goes first.
 * Raises `later` where that is why it cannot be put by.
 */
export async function nowOrLater<Answer>(
  ask: () => Promise<Answer>,
  later: Waiting | Refused,
): Promise<Answer | undefined> {
  const waits = () => {
    if (later instanceof Refused) throw later;
    outbox.put(later);
    return undefined;
  };
  if (read().waiting.length > 0) return waits();
  try {
    return await ask();
  } catch (fault) {
    if (fault instanceof Refused && nobodyThere(fault.problem)) return waits();
    throw fault;
  }
}

/** A reading of a blank, now or later. */
export function readNowOrLater(blank: number, reading: NewReading) {
  const key = crypto.randomUUID();
  return nowOrLater(() => api.read(blank, reading, { key }), { do: "read", key, atMs: Date.now(), blank, reading });
}

export const outbox = {
  /** As it stands. */
  now: () => shown,
  watch(tell: () => void) {
    watchers.add(tell);
    return () => void watchers.delete(tell);
  },
  put(one: Waiting) {
    write({ ...read(), waiting: [...read().waiting, one] });
    void send();
  },
  /** Tells what the server answered to one that had waited. */
  onSent(tell: Sent) {
    heard.add(tell);
    return () => void heard.delete(tell);
  },
  /** What came back was seen. */
  drop(key: string) {
    write({ ...read(), returned: read().returned.filter((one) => one.key !== key) });
  },
};

/** How long ago it was by this device's own clock, whatever that shows. */
const agoS = ({ atMs }: Waiting) => Math.min(Math.max((Date.now() - atMs) / 1000, 0), MOST_AGO_S);

async function sendOne(one: Waiting): Promise<unknown> {
  const ago_s = agoS(one);
  if (one.do === "mark") return api.markCard(one.card, one.key, { ...one.mark, ago_s });
  if (one.do === "log") return api.log(one.blank, { ...one.entry, key: one.key, ago_s }) satisfies Promise<Entry>;
  return api.read(one.blank, one.reading, { key: one.key, ago_s });
}

let again: ReturnType<typeof setTimeout> | undefined;

/** Sends what waits, one after another, by one tab at a time; each goes out with a key of its own, so that it counts once. */
export async function send(): Promise<void> {
  clearTimeout(again);
  if (read().waiting.length === 0) return;
  const locks = navigator.locks as LockManager | undefined;
  await (locks ? locks.request("outbox", sendAll) : sendAll());
  if (read().waiting.length > 0) again = setTimeout(() => void send(), AGAIN_MS);
}

async function sendAll() {
  for (;;) {
    const [one] = read().waiting;
    if (!one) return;
    const rest = () => read().waiting.filter(({ key }) => key !== one.key);
    try {
      const answer = await sendOne(one);
      heard.forEach((tell) => tell(one, answer));
      write({ ...read(), waiting: rest() });
    } catch (fault) {
      if (!(fault instanceof Refused)) throw fault;
      const { problem } = fault;
      // Nobody there, nobody in, or too much at once: it waits. Anything else would be said again.
      if (nobodyThere(problem) || problem.status === 401 || problem.status === 429) return;
      write({ waiting: rest(), returned: [...read().returned, { ...one, problem }] });
    }
  }
}

if (typeof window !== "undefined") {
  window.addEventListener("online", () => void send());
  window.addEventListener("storage", ({ key }) => {
    if (key === PLACE) write(read());
  });
  void send();
}
