import createClient from "openapi-fetch";
import type { Problem, Session } from "./document";
import type { paths } from "./generated/schema";
import { t } from "../i18n/texts";

/** The token that this page's session proves itself by where people log in; asked for before the first change. */
let token: string | null | undefined;

async function freshToken(): Promise<string | null> {
  const answer = await globalThis.fetch(new URL("/api/session", globalThis.location.origin));
  return answer.ok ? ((await answer.json()) as Session).csrf : null;
}

/** Called where the server does not know who asks. */
let onStranger = () => {};
export const whenStranger = (told: () => void) => (onStranger = told);

/** Whether the last answer was one that this device had kept, since no server was there: see sw.ts. */
let keptAnswer = false;
const awayWatchers = new Set<() => void>();
export const away = {
  now: () => keptAnswer,
  watch(tell: () => void) {
    awayWatchers.add(tell);
    return () => void awayWatchers.delete(tell);
  },
};
function noteAway(is: boolean) {
  if (is === keptAnswer) return;
  keptAnswer = is;
  awayWatchers.forEach((tell) => tell());
}

export const http = createClient<paths>({
  // Where there is no page, as in a test of the client alone, paths stay as they are.
  baseUrl: globalThis.location?.origin ?? "",
  fetch: async (request) => {
    if (request.method === "GET") return globalThis.fetch(request);
    const again = request.clone();
    const answer = await globalThis.fetch(request);
    // A session that ran out takes its token with it: once more by the new one.
    if (answer.headers?.get("X-Token") !== "stale") return answer;
    token = await freshToken();
    if (token !== null) again.headers.set("X-CSRF-Token", token);
    return globalThis.fetch(again);
  },
});
http.use({
  onRequest: ({ request }) => {
    if (request.method !== "GET" && token) request.headers.set("X-CSRF-Token", token);
    return request;
  },
  onResponse: ({ response }) => {
    noteAway(response.headers.get("X-Kept") !== null);
    if (response.status === 401 && !response.url.endsWith("/log-in")) onStranger();
  },
});

/** What the server refused, with a pointer for each field; status 0 where it did not answer at all. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const noAnswer: Problem = {
  type: "about:blank",
  title: t("screen.api.no_answer"),
  status: 0,
  detail: t("screen.api.the_server_does_not_answer_nothing"),
};

/** What came back, as the contract types it; raises Refused with what the server said against it. */
export async function answered<Answer extends { data?: unknown; error?: Problem }>(
  asked: Promise<Answer>,
): Promise<NonNullable<Answer["data"]>> {
  const { data, error } = await asked.catch((fault: unknown) => {
    if (fault instanceof DOMException && fault.name === "AbortError") throw fault;
    throw new Refused(noAnswer);
  });
  if (error !== undefined) throw new Refused(error);
  return data as NonNullable<Answer["data"]>;
}

/** Sends a file's own bytes in place of a JSON body. */
export const bytes = (file: Blob, type: string) => ({
  body: "",
  bodySerializer: () => file,
  headers: { "Content-Type": type },
});

/** A fetch that says how much of the file has gone out, 0 to 1; `stop` breaks it off. */
export const watched =
  (file: Blob, onSent: (share: number) => void, stop?: AbortSignal) =>
  ({ method, url, headers }: Request) =>
    new Promise<Response>((done, fail) => {
      const request = new XMLHttpRequest();
      request.open(method, url);
      headers.forEach((value, name) => request.setRequestHeader(name, value));
      request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
      request.onload = () =>
        done(
          new Response(request.responseText, {
            status: request.status,
            headers: { "Content-Type": request.getResponseHeader("Content-Type") ?? "" },
          }),
        );
      request.onerror = () => fail(new TypeError(t("screen.api.the_server_did_not_answer")));
      request.onabort = () => fail(new DOMException("stopped", "AbortError"));
      stop?.addEventListener("abort", () => request.abort());
      request.send(file);
    });

/** The session of whoever sits here; changes are made with its token from then on. */
export async function beginSession(): Promise<Session> {
  const session = await answered(http.GET("/api/session"));
  token = session.csrf;
  return session;
}
