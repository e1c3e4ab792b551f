import createClient from "openapi-fetch";
import type {
  Comparison,
  KeptLathe,
  Lathe,
  Form,
  FormQuestion,
  Laid,
  MadeForm,
  Mounts,
  Move,
  SetOuts,
  SetOutsQuestion,
  Strip,
  StripQuestion,
  Search,
  SearchQuestion,
  Pattern,
  Photograph,
  PhotographAbout,
  ProfileQuestion,
  ShopName,
  Scan,
  ScanQuestion,
  Trace,
  TraceQuestion,
  Assessment,
  Air,
  Card,
  MendPlan,
  NewLot,
  NewMark,
  NewProduct,
  NewTrouble,
  Stores,
  Waits,
  Document,
  Entry,
  Intake,
  IntakeQuestion,
  Kept,
  NewEntry,
  NextTests,
  Peel,
  PeelQuestion,
  Problem,
  Shop,
  Table,
  TableName,
  Task,
} from "./document";
import type { components, paths } from "./schema";
import { t } from "../i18n/texts";

const http = createClient<paths>({ baseUrl: "" });

/** What the server refused, with a pointer for each field; status 0 where it did not answer at all. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const away: Problem = {
  type: "about:blank",
  title: t("screen.api.no_answer"),
  status: 0,
  detail: t("screen.api.the_server_does_not_answer_nothing"),
};

async function expect<T>(asked: Promise<{ data?: unknown; error?: unknown }>): Promise<T> {
  const answer = await asked.catch((fault: unknown) => {
    if (fault instanceof DOMException && fault.name === "AbortError") throw fault;
    throw new Refused(away);
  });
  if (answer.error !== undefined) throw new Refused(answer.error as Problem);
  return answer.data as T;
}

/** Sends a file's own bytes: what is in it is the server's to read. */
async function send<T>(path: string, type: string, file: File): Promise<T> {
  return expect<T>(
    fetch(path, { method: "POST", headers: { "Content-Type": type }, body: file }).then(async (answer) => {
      const said: unknown = await answer.json();
      return answer.ok ? { data: said } : { error: said };
    }),
  );
}

/** The same, saying how much of it has gone out, 0 to 1; `stop` breaks it off. */
function sendWatched<T>(
  path: string,
  type: string,
  file: Blob,
  onSent: (share: number) => void,
  stop?: AbortSignal,
): Promise<T> {
  return expect<T>(
    new Promise((done, fail) => {
      const request = new XMLHttpRequest();
      request.open("POST", path);
      request.setRequestHeader("Content-Type", type);
      request.responseType = "json";
      request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
      request.onload = () =>
        done(
          request.status >= 200 && request.status < 300
            ? { data: request.response as unknown }
            : { error: request.response as unknown },
        );
      request.onerror = () => fail(new TypeError(t("screen.api.the_server_did_not_answer")));
      request.onabort = () => fail(new DOMException("stopped", "AbortError"));
      stop?.addEventListener("abort", () => request.abort());
      request.send(file);
    }),
  );
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
    return expect<Kept>(
      http.PUT("/api/blanks/{id}", { params: { path: { id } }, body: { version, document: wire(rest) } }),
    );
  },
  reckon: (document: Document) => expect<Assessment>(http.POST("/api/reckon", { body: { document: wire(document) } })),
  peel: ({ document, rpm, ...cut }: PeelQuestion) =>
    expect<Peel>(
      http.POST("/api/reckon/peel", {
        body: { document: wire(document), rpm, ...("stage" in cut ? { stage: cut.stage } : { depth_mm: cut.depthMm }) },
      }),
    ),
  mend: (document: Document) => expect<MendPlan>(http.POST("/api/reckon/mend", { body: { document: wire(document) } })),
  openCard: (id: number) =>
    expect<Card>(http.POST("/api/blanks/{id}/card", { params: { path: { id } }, body: { key: crypto.randomUUID() } })),
  cardOf: async (id: number) =>
    (await expect<{ card: Card | null }>(http.GET("/api/blanks/{id}/card", { params: { path: { id } } }))).card,
  markCard: (id: number, key: string, mark: NewMark) =>
    expect<Card>(http.POST("/api/cards/{id}/marks", { params: { path: { id } }, body: { key, ...mark } })),
  meetTrouble: (id: number, trouble: NewTrouble) =>
    expect<Card>(
      http.POST("/api/cards/{id}/troubles", {
        params: { path: { id } },
        body: { key: crypto.randomUUID(), ...trouble },
      }),
    ),
  endCard: (id: number) =>
    expect<Card>(http.POST("/api/cards/{id}/end", { params: { path: { id } }, body: { key: crypto.randomUUID() } })),
  waits: () => expect<Waits>(http.GET("/api/waits")),
  stores: () => expect<Stores>(http.GET("/api/stores")),
  addProduct: (product: NewProduct) => expect<Stores>(http.POST("/api/stores/products", { body: product })),
  addLot: (lot: NewLot) =>
    expect<Stores>(http.POST("/api/stores/lots", { body: { key: crypto.randomUUID(), ...lot } })),
  moveStock: (lot_id: number, grams: number, reason: "bought" | "used" | "counted" | "thrown_out") =>
    expect<Stores>(http.POST("/api/stores/moves", { body: { key: crypto.randomUUID(), lot_id, grams, reason } })),
  setAir: (air: Air) => expect<Task>(http.PUT("/api/shop/air", { body: air })),
  makeForm: ({ document, kind, measures }: FormQuestion) =>
    expect<MadeForm>(http.POST("/api/reckon/form", { body: { document: wire(document), kind, measures } })),
  moveForm: (document: Document, move: Move) =>
    expect<Laid>(http.POST("/api/reckon/move", { body: { document: wire(document), move } })),
  profile: (path: string, mm_per_unit: number, from_z_mm: number) =>
    expect<{ points: Form["outside"] }>(http.POST("/api/reckon/profile", { body: { path, mm_per_unit, from_z_mm } })),
  tracedProfile: (asked: ProfileQuestion) =>
    expect<{ points: Form["outside"] }>(http.POST("/api/reckon/traced-profile", { body: asked })),
  place: (id: number, put_away: boolean) =>
    expect<Kept>(http.PUT("/api/blanks/{id}/place", { params: { path: { id } }, body: { put_away } })),
  nameShop: (about: ShopName) => expect<ShopName>(http.PUT("/api/shop", { body: about })),
  lathes: async () => (await expect<{ lathes: KeptLathe[] }>(http.GET("/api/lathes"))).lathes,
  addLathe: async (name: string, lathe: Lathe) =>
    (await expect<{ lathes: KeptLathe[] }>(http.POST("/api/lathes", { body: { name, lathe } }))).lathes,
  changeLathe: (id: number, name: string, lathe: Lathe) =>
    expect<Task>(http.PUT("/api/lathes/{id}", { params: { path: { id } }, body: { name, lathe } })),
  removeLathe: async (id: number) =>
    (await expect<{ lathes: KeptLathe[] }>(http.DELETE("/api/lathes/{id}", { params: { path: { id } } }))).lathes,
  patterns: async () => (await expect<{ patterns: Pattern[] }>(http.GET("/api/patterns"))).patterns,
  keepPattern: async (name: string, form: Form) =>
    (
      await expect<{ patterns: Pattern[] }>(
        http.POST("/api/patterns", { body: { name, form: form as components["schemas"]["PatternForm"] } }),
      )
    ).patterns,
  dropPattern: async (id: number) =>
    (await expect<{ patterns: Pattern[] }>(http.DELETE("/api/patterns/{id}", { params: { path: { id } } }))).patterns,
  layPattern: (document: Document, form: Form) =>
    expect<{ form: Form; scale: number }>(
      http.POST("/api/reckon/pattern", {
        body: { document: wire(document), form: form as components["schemas"]["PatternForm"] },
      }),
    ),
  strip: ({ document, rpm }: StripQuestion) =>
    expect<Strip>(http.POST("/api/reckon/strip", { body: { document: wire(document), rpm } })),
  setOuts: ({ document, wanted }: SetOutsQuestion) =>
    expect<SetOuts>(http.POST("/api/reckon/set-outs", { body: { document: wire(document), wanted } })),
  mounts: (document: Document) =>
    expect<Mounts>(http.POST("/api/reckon/mounts", { body: { document: wire(document) } })),
  compare: (document: Document) =>
    expect<Comparison>(http.POST("/api/reckon/compare", { body: { document: wire(document) } })),
  /** A change that the server works on by itself. */
  task: (id: number) => expect<Task>(http.GET("/api/tasks/{id}", { params: { path: { id } } })),
  cancelTask: (id: number) => expect<Task>(http.DELETE("/api/tasks/{id}", { params: { path: { id } } })),
  askSearch: (asked: SearchQuestion) =>
    expect<Search>(http.POST("/api/searches", { body: { ...asked, document: wire(asked.document) } })),
  search: (id: number) => expect<Search>(http.GET("/api/searches/{id}", { params: { path: { id } } })),
  stopSearch: (id: number) => expect<Search>(http.DELETE("/api/searches/{id}", { params: { path: { id } } })),
  tests: (document: Document) =>
    expect<NextTests>(http.POST("/api/reckon/tests", { body: { document: wire(document) } })),
  intake: (question: IntakeQuestion) => expect<Intake>(http.POST("/api/reckon/intake", { body: question })),
  scan: (file: File, how: ScanQuestion, onSent: (share: number) => void, stop: AbortSignal) =>
    sendWatched<Scan>(
      `/api/reckon/scan?unit=${how.unit}&axis=${how.axis}&end=${how.end}`,
      "application/octet-stream",
      file,
      onSent,
      stop,
    ),
  trace: (asked: TraceQuestion) =>
    expect<Trace>(http.POST("/api/reckon/trace", { body: asked as components["schemas"]["TraceAsked"] })),
  photographs: async (id: number) =>
    (
      await expect<{ photographs: Photograph[] }>(
        http.GET("/api/blanks/{id}/photographs", { params: { path: { id } } }),
      )
    ).photographs,
  addPhotograph: (
    id: number,
    file: File,
    view: PhotographAbout["view"],
    onSent: (share: number) => void,
    stop?: AbortSignal,
  ) =>
    sendWatched<Photograph>(
      `/api/blanks/${id}/photographs?view=${view}`,
      file.type === "image/png" ? "image/png" : "image/jpeg",
      file,
      onSent,
      stop,
    ),
  sayOfPhotograph: (id: number, photograph: number, about: PhotographAbout) =>
    expect<Photograph>(
      http.PUT("/api/blanks/{id}/photographs/{photograph}", { params: { path: { id, photograph } }, body: about }),
    ),
  takeIn: (document: Document) => expect<Kept>(http.POST("/api/blanks", { body: { document: wire(document) } })),
  table: (name: TableName) => expect<Table>(http.GET("/api/tables/{name}", { params: { path: { name } } })),
  /** A blank file as it is: the server says what is wrong with it. */
  importBlank: (file: File, number: "own" | "next") =>
    send<Kept>(`/api/blanks/import?number=${number}`, "application/vnd.mossy-anvil.blank+json", file),
  importShop: (file: File, differs: "keep" | "copy", onSent: (share: number) => void) =>
    sendWatched<Task>(`/api/shop/archive?differs=${differs}`, "application/zip", file, onSent),
  log: (id: number, entry: NewEntry) =>
    expect<Entry>(http.POST("/api/blanks/{id}/journal", { params: { path: { id } }, body: entry })),
  read: (id: number, reading: components["schemas"]["NewReading"]["reading"]) =>
    expect<Kept>(http.POST("/api/blanks/{id}/readings", { params: { path: { id } }, body: { reading } })),
};
