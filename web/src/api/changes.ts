import type { Change } from "./document";

/**
 * Word of every change, told to all tabs of this browser by one stream: whichever tab holds the lock listens, and passes
 * on what it hears; a browser has few connections to one server, and every stream takes one up.
 */
export function listenToChanges(tell: (change: Change) => void): () => void {
  if (typeof EventSource === "undefined") return () => {};
  const others = new BroadcastChannel("changes");
  others.onmessage = ({ data }: MessageEvent<Change>) => tell(data);
  const over = new AbortController();
  const listen = () =>
    new Promise<void>((done) => {
      const stop = hear((change) => {
        tell(change);
        others.postMessage(change);
      });
      over.signal.addEventListener("abort", () => {
        stop();
        done();
      });
    });
  // Where there are no locks, as over plain HTTP from elsewhere, each tab listens for itself.
  if (navigator.locks as LockManager | undefined)
    navigator.locks.request("changes", { signal: over.signal }, listen).catch((fault: unknown) => {
      if (!(fault instanceof DOMException && fault.name === "AbortError")) throw fault;
    });
  else void listen();
  return () => {
    over.abort();
    others.close();
  };
}

const AGAIN_MS = 3000;

/** One stream, opened anew where the server let it go; returns what ends it. */
function hear(tell: (change: Change) => void): () => void {
  let source: EventSource | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    source = new EventSource("/api/changes");
    source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as Change);
    // One that was refused is not tried again by the browser itself.
    source.onerror = () => {
      if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_MS);
    };
  };
  open();
  return () => {
    clearTimeout(again);
    source?.close();
  };
}
