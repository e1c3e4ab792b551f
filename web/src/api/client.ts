import { answered, bytes, http, watched } from "./connection";
import type {
  Air,
  Document,
  Equipment,
  Form,
  Lathe,
  LedgerAsked,
  NewEnding,
  NewEntry,
  NewLot,
  NewMark,
  NewProduct,
  NewReading,
  NewTrouble,
  PhotographAbout,
  Rate,
  ShopName,
  TableName,
} from "./document";
import { people } from "./people";
import { reckoning } from "./reckoning";
import { rehearsing } from "./rehearsing";

export { away, Refused, whenStranger } from "./connection";

/** What the shop keeps: blanks, cards, stores, records and all else. */
const keeping = {
  shop: () => answered(http.GET("/api/shop")),
  blank: (id: number) => answered(http.GET("/api/blanks/{id}", { params: { path: { id } } })),
  save: (id: number, version: number, document: Document) => {
    // Readings are added one by one, never by a save.
    const rest = { ...document };
    delete rest.readings;
    return answered(http.PUT("/api/blanks/{id}", { params: { path: { id } }, body: { version, document: rest } }));
  },
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
  place: (id: number, put_away: boolean) =>
    answered(http.PUT("/api/blanks/{id}/place", { params: { path: { id } }, body: { put_away } })),
  nameShop: (about: ShopName) => answered(http.PUT("/api/shop", { body: about })),
  board: (minutes: number, days: number) => answered(http.GET("/api/board", { params: { query: { minutes, days } } })),
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
  /** A change that the server works on by itself. */
  task: (id: number) => answered(http.GET("/api/tasks/{id}", { params: { path: { id } } })),
  cancelTask: (id: number) => answered(http.DELETE("/api/tasks/{id}", { params: { path: { id } } })),
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

/** Everything that can be asked of the server; each raises Refused with what it said against it. */
export const api = { ...keeping, ...people, ...reckoning, ...rehearsing };
