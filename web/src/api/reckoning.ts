import { answered, bytes, http, watched } from "./connection";
import type {
  Document,
  Form,
  FormQuestion,
  FourRuns,
  IntakeQuestion,
  Move,
  PeelQuestion,
  ProfileQuestion,
  RouteQuestion,
  ScanQuestion,
  SetOutsQuestion,
  StripQuestion,
  TraceQuestion,
} from "./document";

/** What the server works out of a draft; nothing of it is kept. */
export const reckoning = {
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
  makeForm: ({ document, kind, measures }: FormQuestion) =>
    answered(http.POST("/api/reckon/form", { body: { document, kind, measures } })),
  moveForm: (document: Document, move: Move) => answered(http.POST("/api/reckon/move", { body: { document, move } })),
  profile: (path: string, mm_per_unit: number, from_z_mm: number) =>
    answered(http.POST("/api/reckon/profile", { body: { path, mm_per_unit, from_z_mm } })),
  tracedProfile: (asked: ProfileQuestion) => answered(http.POST("/api/reckon/traced-profile", { body: asked })),
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
};
