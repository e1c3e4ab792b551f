import createClient from "openapi-fetch";
import type {
  LedgerAsked,
  NewEnding,
  Rate,
  Air,
  Document,
  Equipment,
  Form,
  FormQuestion,
  FourRuns,
  IntakeQuestion,
  Lathe,
  Move,
  NewEntry,
  NewLot,
  NewMark,
  NewPerson,
  NewProduct,
  NewReading,
  Session,
  NewTrouble,
  PeelQuestion,
  RehearsalAct,
  RouteQuestion,
  PhotographAbout,
  Practice,
  PracticeTest,
  Problem,
  ProfileQuestion,
  ScanQuestion,
  SearchQuestion,
  SetOutsQuestion,
  ShopName,
  StripQuestion,
  TableName,
  TraceQuestion,
} from "./document";
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

const http = createClient<paths>({
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
async function answered<Answer extends { data?: unknown; error?: Problem }>(
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
const bytes = (file: Blob, type: string) => ({
  body: "",
  bodySerializer: () => file,
  headers: { "Content-Type": type },
});

/** A fetch that says how much of the file has gone out, 0 to 1; `stop` breaks it off. */
const watched =
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

export const api = {
  session: async () => {
    const session = await answered(http.GET("/api/session"));
    token = session.csrf;
    return session;
  },
  logIn: (name: string, password: string) => answered(http.POST("/api/log-in", { body: { name, password } })),
  giveCode: (code: string) => answered(http.POST("/api/one-time-code", { body: { code } })),
  offerCodes: () => answered(http.POST("/api/one-time-codes")),
  useCodes: (codes: { secret: string; code: string; password: string }) =>
    answered(http.PUT("/api/one-time-codes", { body: codes })),
  dropCodes: (password: string) => answered(http.POST("/api/one-time-codes/off", { body: { password } })),
  leave: (everywhere: boolean) => answered(http.POST("/api/session/end", { body: { everywhere } })),
  logIns: async () => (await answered(http.GET("/api/log-ins"))).log_ins,
  offerPairing: (person_id: number) => answered(http.POST("/api/pairings", { body: { person_id } })),
  usePairing: (code: string, name: string) => answered(http.POST("/api/pairings/use", { body: { code, name } })),
  /** Says at which blank this tab is; who else is at it. */
  sayHere: async (tab: string, blank_id: number | null) =>
    // Gets through although the page that says it is being left.
    (await answered(http.POST("/api/here", { body: { tab, blank_id }, keepalive: true }))).others,
  devices: async () => (await answered(http.GET("/api/devices"))).devices,
  rememberDevice: async (name: string) => (await answered(http.POST("/api/devices", { body: { name } }))).devices,
  revokeDevice: async (id: number) =>
    (await answered(http.DELETE("/api/devices/{id}", { params: { path: { id } } }))).devices,
  setPassword: async (id: number, password: string, old?: string) =>
    (
      await answered(
        http.PUT("/api/people/{id}/password", {
          params: { path: { id } },
          body: { password, ...(old !== undefined && { old }) },
        }),
      )
    ).people,
  shop: () => answered(http.GET("/api/shop")),
  blank: (id: number) => answered(http.GET("/api/blanks/{id}", { params: { path: { id } } })),
  save: (id: number, version: number, document: Document) => {
    // Readings are added one by one, never by a save.
    const rest = { ...document };
    delete rest.readings;
    return answered(http.PUT("/api/blanks/{id}", { params: { path: { id } }, body: { version, document: rest } }));
  },
  reckon: (document: Document) => answered(http.POST("/api/reckon", { body: { document } })),
  peel: ({ document, rpm, ...cut }: PeelQuestion) =>
    answered(
      http.POST("/api/reckon/peel", {
        body: { document, rpm, ...("stage" in cut ? { stage: cut.stage } : { depth_mm: cut.depthMm }) },
      }),
    ),
  mend: (document: Document) => answered(http.POST("/api/reckon/mend", { body: { document } })),
  route: ({ document, ways }: RouteQuestion) =>
    answered(http.POST("/api/reckon/route", { params: { query: { ways } }, body: { document } })),
  openCard: (id: number, from?: string) =>
    answered(
      http.POST("/api/blanks/{id}/card", {
        params: { path: { id } },
        body: { key: crypto.randomUUID(), ...(from !== undefined && { from }) },
      }),
    ),
  cardOf: async (id: number) => (await answered(http.GET("/api/blanks/{id}/card", { params: { path: { id } } }))).card,
  markCard: (id: number, key: string, mark: NewMark) =>
    answered(http.POST("/api/cards/{id}/marks", { params: { path: { id } }, body: { key, ...mark } })),
  meetTrouble: (id: number, trouble: NewTrouble) =>
    answered(
      http.POST("/api/cards/{id}/troubles", {
        params: { path: { id } },
        body: { key: crypto.randomUUID(), ...trouble },
      }),
    ),
  endCard: (id: number) =>
    answered(http.POST("/api/cards/{id}/end", { params: { path: { id } }, body: { key: crypto.randomUUID() } })),
  instruments: () => answered(http.GET("/api/instruments")),
  sound: () => answered(http.GET("/api/instruments/sound", { parseAs: "blob" })),
  run: (from: string, to: string) => answered(http.GET("/api/instruments/run", { params: { query: { from, to } } })),
  waits: () => answered(http.GET("/api/waits")),
  stores: () => answered(http.GET("/api/stores")),
  addProduct: (product: NewProduct) => answered(http.POST("/api/stores/products", { body: product })),
  addLot: (lot: NewLot) => answered(http.POST("/api/stores/lots", { body: { key: crypto.randomUUID(), ...lot } })),
  moveStock: (lot_id: number, grams: number, reason: "bought" | "used" | "counted" | "thrown_out") =>
    answered(http.POST("/api/stores/moves", { body: { key: crypto.randomUUID(), lot_id, grams, reason } })),
  setAir: (air: Air) => answered(http.PUT("/api/shop/air", { body: air })),
  makeForm: ({ document, kind, measures }: FormQuestion) =>
    answered(http.POST("/api/reckon/form", { body: { document, kind, measures } })),
  moveForm: (document: Document, move: Move) => answered(http.POST("/api/reckon/move", { body: { document, move } })),
  profile: (path: string, mm_per_unit: number, from_z_mm: number) =>
    answered(http.POST("/api/reckon/profile", { body: { path, mm_per_unit, from_z_mm } })),
  tracedProfile: (asked: ProfileQuestion) => answered(http.POST("/api/reckon/traced-profile", { body: asked })),
  place: (id: number, put_away: boolean) =>
    answered(http.PUT("/api/blanks/{id}/place", { params: { path: { id } }, body: { put_away } })),
  nameShop: (about: ShopName) => answered(http.PUT("/api/shop", { body: about })),
  board: (minutes: number, days: number) => answered(http.GET("/api/board", { params: { query: { minutes, days } } })),
  people: async () => (await answered(http.GET("/api/people"))).people,
  addPerson: async (person: NewPerson) => (await answered(http.POST("/api/people", { body: person }))).people,
  changePerson: async (id: number, person: NewPerson) =>
    (await answered(http.PUT("/api/people/{id}", { params: { path: { id } }, body: person }))).people,
  removePerson: async (id: number) =>
    (await answered(http.DELETE("/api/people/{id}", { params: { path: { id } } }))).people,
  ledger: (query: LedgerAsked) => answered(http.GET("/api/ledger", { params: { query } })),
  record: (id: number) => answered(http.GET("/api/blanks/{id}/record", { params: { path: { id } } })),
  closeBlank: (id: number, body: NewEnding) =>
    answered(http.PUT("/api/blanks/{id}/ending", { params: { path: { id } }, body })),
  reopen: (id: number) => answered(http.DELETE("/api/blanks/{id}/ending", { params: { path: { id } } })),
  rates: () => answered(http.GET("/api/rates", {})),
  turnRateOff: (rate: { kind: Rate["kind"]; of: string | null; off: boolean }) =>
    answered(http.PUT("/api/rates", { body: rate })),
  leaveRecordOut: (id: number, left_out: boolean) =>
    answered(http.PUT("/api/records/{id}", { params: { path: { id } }, body: { left_out } })),
  setTools: (tools: string[] | null) => answered(http.PUT("/api/tools", { body: { tools } })),
  setEquipment: (counts: Equipment) => answered(http.PUT("/api/equipment", { body: counts })),
  lathes: async () => (await answered(http.GET("/api/lathes"))).lathes,
  addLathe: async (name: string, lathe: Lathe) =>
    (await answered(http.POST("/api/lathes", { body: { name, lathe } }))).lathes,
  changeLathe: (id: number, name: string, lathe: Lathe) =>
    answered(http.PUT("/api/lathes/{id}", { params: { path: { id } }, body: { name, lathe } })),
  removeLathe: async (id: number) =>
    (await answered(http.DELETE("/api/lathes/{id}", { params: { path: { id } } }))).lathes,
  patterns: async () => (await answered(http.GET("/api/patterns"))).patterns,
  keepPattern: async (name: string, form: Form) =>
    (await answered(http.POST("/api/patterns", { body: { name, form: form } }))).patterns,
  dropPattern: async (id: number) =>
    (await answered(http.DELETE("/api/patterns/{id}", { params: { path: { id } } }))).patterns,
  layPattern: (document: Document, form: Form) =>
    answered(
      http.POST("/api/reckon/pattern", {
        body: { document, form: form },
      }),
    ),
  strip: ({ document, rpm }: StripQuestion) => answered(http.POST("/api/reckon/strip", { body: { document, rpm } })),
  setOuts: ({ document, wanted }: SetOutsQuestion) =>
    answered(http.POST("/api/reckon/set-outs", { body: { document, wanted } })),
  finishPlan: (document: Document) => answered(http.POST("/api/reckon/finish", { body: { document } })),
  balance: (asked: FourRuns) => answered(http.POST("/api/reckon/balance", { body: asked })),
  tap: (sound: Blob) => answered(http.POST("/api/reckon/tap", bytes(sound, "audio/wav"))),
  taps: (decays_ms: number[]) => answered(http.POST("/api/reckon/taps", { body: { decays_ms } })),
  cuts: (document: Document) => answered(http.POST("/api/reckon/cuts", { body: { document } })),
  mounts: (document: Document) => answered(http.POST("/api/reckon/mounts", { body: { document } })),
  compare: (document: Document) => answered(http.POST("/api/reckon/compare", { body: { document } })),
  /** A change that the server works on by itself. */
  task: (id: number) => answered(http.GET("/api/tasks/{id}", { params: { path: { id } } })),
  cancelTask: (id: number) => answered(http.DELETE("/api/tasks/{id}", { params: { path: { id } } })),
  /** `blank`: kept with that blank, as long as it is that version. */
  askOdds: (document: Document, better = true, blank?: { id: number; version: number }) =>
    answered(http.POST("/api/odds", { body: { document, better, ...(blank && { blank }) } })),
  /** What is in the piece in one of the truths its odds were played on. */
  truth: async (document: Document, seed: number, index: number) =>
    (await answered(http.POST("/api/odds/truth", { body: { document, seed, index } }))).defects,
  odds: async (id: number) => (await answered(http.GET("/api/blanks/{id}/odds", { params: { path: { id } } }))).odds,
  practices: () => answered(http.GET("/api/practices")),
  practice: async (id: number) =>
    (await answered(http.GET("/api/blanks/{id}/practice", { params: { path: { id } } }))).practice,
  beginPractice: (level: number, seed: number) => answered(http.POST("/api/practices", { body: { level, seed } })),
  testPractice: (id: number, test: PracticeTest) =>
    answered(http.POST("/api/blanks/{id}/practice/tests", { params: { path: { id } }, body: { test } })),
  answerPractice: (id: number, verdict: NonNullable<Practice["verdict"]>) =>
    answered(http.POST("/api/blanks/{id}/practice/verdict", { params: { path: { id } }, body: { verdict } })),
  rehearsals: async (id: number) =>
    (await answered(http.GET("/api/blanks/{id}/rehearsals", { params: { path: { id } } }))).rehearsals,
  /** `played`: the truth of its odds that it is played on; without it nobody knows the truth. */
  beginRehearsal: (
    id: number,
    document: Document,
    truth: "unknown" | "survey" | "played",
    played?: { seed: number; index: number },
  ) =>
    answered(
      http.POST("/api/blanks/{id}/rehearsals", {
        params: { path: { id } },
        body: { document, truth, ...(played && { played }) },
      }),
    ),
  /** Where a rehearsal stands, or stood after so many of its acts. */
  rehearsal: (id: number, acts?: number) =>
    answered(
      http.GET("/api/rehearsals/{id}", { params: { path: { id }, ...(acts !== undefined && { query: { acts } }) } }),
    ),
  rehearse: (id: number, position: number, act: RehearsalAct) =>
    answered(http.POST("/api/rehearsals/{id}/acts", { params: { path: { id } }, body: { position, act } })),
  askSearch: (asked: SearchQuestion) =>
    answered(http.POST("/api/searches", { body: { ...asked, document: asked.document } })),
  search: (id: number) => answered(http.GET("/api/searches/{id}", { params: { path: { id } } })),
  stopSearch: (id: number) => answered(http.DELETE("/api/searches/{id}", { params: { path: { id } } })),
  tests: (document: Document) => answered(http.POST("/api/reckon/tests", { body: { document } })),
  intake: (question: IntakeQuestion) => answered(http.POST("/api/reckon/intake", { body: question })),
  scan: (file: File, how: ScanQuestion, onSent: (share: number) => void, stop: AbortSignal) =>
    answered(
      http.POST("/api/reckon/scan", {
        params: { query: how },
        ...bytes(file, "application/octet-stream"),
        fetch: watched(file, onSent, stop),
      }),
    ),
  trace: (asked: TraceQuestion) => answered(http.POST("/api/reckon/trace", { body: asked })),
  photographs: async (id: number) =>
    (await answered(http.GET("/api/blanks/{id}/photographs", { params: { path: { id } } }))).photographs,
  addPhotograph: (
    id: number,
    file: File,
    view: PhotographAbout["view"],
    onSent: (share: number) => void,
    stop?: AbortSignal,
  ) =>
    answered(
      http.POST("/api/blanks/{id}/photographs", {
        params: { path: { id }, query: { view } },
        ...bytes(file, file.type === "image/png" ? "image/png" : "image/jpeg"),
        fetch: watched(file, onSent, stop),
      }),
    ),
  sayOfPhotograph: (id: number, photograph: number, about: PhotographAbout) =>
    answered(
      http.PUT("/api/blanks/{id}/photographs/{photograph}", { params: { path: { id, photograph } }, body: about }),
    ),
  takeIn: (document: Document) => answered(http.POST("/api/blanks", { body: { document } })),
  table: (name: TableName) => answered(http.GET("/api/tables/{name}", { params: { path: { name } } })),
  /** A blank file as it is: the server says what is wrong with it. */
  importBlank: (file: File, number: "own" | "next") =>
    answered(
      http.POST("/api/blanks/import", {
        params: { query: { number } },
        ...bytes(file, "application/vnd.mossy-anvil.blank+json"),
      }),
    ),
  importShop: (file: File, differs: "keep" | "copy", onSent: (share: number) => void) =>
    answered(
      http.POST("/api/shop/archive", {
        params: { query: { differs } },
        ...bytes(file, "application/zip"),
        fetch: watched(file, onSent),
      }),
    ),
  log: (id: number, entry: NewEntry) =>
    answered(http.POST("/api/blanks/{id}/journal", { params: { path: { id } }, body: entry })),
  read: (id: number, reading: NewReading, late: { key?: string; ago_s?: number } = {}) =>
    answered(http.POST("/api/blanks/{id}/readings", { params: { path: { id } }, body: { reading, ...late } })),
};
