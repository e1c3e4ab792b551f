import createClient from "openapi-fetch";
import type { Assessment, Document, Entry, Kept, NewEntry, Problem, Shop } from "./document";
import type { components, paths } from "./schema";

const http = createClient<paths>({ baseUrl: "" });

/** What the server refused, with a pointer for each field; status 0 where it did not answer at all. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const away: Problem = { type: "about:blank", title: "No answer", status: 0, detail: "The server does not answer. Nothing is lost; it is tried again." };

async function expect<T>(asked: Promise<{ data?: unknown; error?: unknown }>): Promise<T> {
  const answer = await asked.catch((fault: unknown) => {
    if (fault instanceof DOMException && fault.name === "AbortError") throw fault;
    throw new Refused(away);
  });
  if (answer.error !== undefined) throw new Refused(answer.error as Problem);
  return answer.data as T;
}

// The generated Document type is looser than ours in one way and stricter in none: see document.ts.
const wire = (document: Document) => document as unknown as components["schemas"]["Document"];

export const api = {
  shop: () => expect<Shop>(http.GET("/api/shop")),
  blank: (id: number) => expect<Kept>(http.GET("/api/blanks/{id}", { params: { path: { id } } })),
  save: (id: number, version: number, document: Document) => {
    // Readings are added one by one, never by a save.
    const rest = { ...document };
    delete rest.readings;
    return expect<Kept>(http.PUT("/api/blanks/{id}", { params: { path: { id } }, body: { version, document: wire(rest) } }));
  },
  reckon: (document: Document, signal: AbortSignal) => expect<Assessment>(http.POST("/api/reckon", { body: { document: wire(document) }, signal })),
  log: (id: number, entry: NewEntry) => expect<Entry>(http.POST("/api/blanks/{id}/journal", { params: { path: { id } }, body: entry })),
  read: (id: number, reading: components["schemas"]["NewReading"]["reading"]) =>
    expect<Kept>(http.POST("/api/blanks/{id}/readings", { params: { path: { id } }, body: { reading } })),
};
