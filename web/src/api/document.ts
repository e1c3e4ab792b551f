import type { components, paths } from "./generated/schema";

type Schemas = components["schemas"];

export type Defect = Schemas["defect"];
export type DefectType = Defect["type"];
export type PathType = "crack" | "bark_inclusion" | "delamination";
export type BodyType = Exclude<DefectType, PathType>;
export type PathDefect = Extract<Defect, { type: PathType }>;
export type BodyDefect = Extract<Defect, { type: BodyType }>;
export type Crack = Extract<Defect, { type: "crack" }>;
export type Form = Schemas["form"];
export type Shape = Schemas["shape"];
export type Reading = Schemas["reading"];
export type Mount = Schemas["Mount"];
export type LiveReading = Schemas["LiveReading"];
/** A reading taken at one place of the wood. */
export type Test = Exclude<Reading, { kind: "mass" }>;
export type Document = Schemas["Document"];

export type Assessment = Schemas["Assessment"];
export type Stage = Schemas["Stage"];
export type StageName = keyof Assessment["stages"];
export type DefectReport = Schemas["DefectReport"];
export type Advice = Schemas["Advice"];
export type Message = Schemas["Message"];
export type Amount = Schemas["Amount"];
export type Working = Schemas["Working"];
export type Geometry = Schemas["Geometry"];
export type Shop = Schemas["Shop"];
export type ShopName = Schemas["ShopName"];
export type Board = Schemas["Board"];
export type BoardPiece = Schemas["BoardPiece"];
export type BoardStep = Schemas["BoardStep"];
export type Person = Schemas["Person"];
export type Change = Schemas["Change"];
export type Session = Schemas["Session"];
export type NewReading = Schemas["NewReading"]["reading"];
export type Role = Schemas["Role"];
export type Pairing = Schemas["Pairing"];
export type Device = Schemas["Devices"]["devices"][number];
export type NewPerson = Schemas["NewPerson"];
export type Equipment = Schemas["Equipment"];
export type Lathe = Schemas["Lathe"];
export type KeptLathe = Schemas["Lathes"]["lathes"][number];
export type RackPlace = Schemas["RackPlace"];
export type Entry = Schemas["Entry"];
export type NewEntry = Schemas["NewEntry"];
export type Peel = Schemas["Peel"];
export type PeelQuestion = { document: Document; rpm: number } & (
  { depthMm: number } | { stage: "rounded" | "outside" | "hollowed" }
);
export type MendStep = Schemas["mend_step"];
export type MendKind = MendStep["do"];
export type MendPlan = Schemas["MendPlan"];
export type Route = Schemas["Route"];
/** Where only the strip is seen, the way taken is enough. */
export type RouteQuestion = { document: Document; ways: "all" | "taken" };
export type RouteWay = Schemas["RouteAlternative"];
export type RouteStep = Schemas["RouteStep"];
export type StepReport = Schemas["MendStepReport"];
export type MendDetail = Schemas["MendDetail"];
export type CastDetail = Schemas["CastDetail"];
export type HardeningWays = Schemas["HardeningWays"];
export type Card = Schemas["Card"];
export type CardStep = Card["steps"][number];
export type CardLine = Schemas["CardLine"];
export type NewMark = Omit<Schemas["NewMark"], "key">;
export type NewTrouble = Omit<Schemas["NewTrouble"], "key">;
export type Waits = Schemas["Waits"];
export type WaitOf = Schemas["WaitOf"];
export type Ledger = Schemas["Ledger"];
export type LedgerPiece = Schemas["LedgerPiece"];
export type LedgerAsked = NonNullable<paths["/api/ledger"]["get"]["parameters"]["query"]>;
export type Story = Schemas["Record"];
export type NewEnding = Schemas["NewEnding"];
export type Rates = Schemas["Rates"];
export type Rate = Schemas["Rate"];
export type Stores = Schemas["Stores"];
export type Product = Schemas["Product"];
export type NewProduct = Schemas["NewProduct"];
export type NewLot = Omit<Schemas["NewLot"], "key">;
export type Air = Schemas["Air"];
export type Intake = Schemas["Intake"];
export type IntakeQuestion = Schemas["IntakeAsked"];
export type Scan = Schemas["Scan"];
export type ScanQuestion = { unit: "mm" | "cm" | "m" | "in"; axis: "x" | "y" | "z"; end: "low" | "high" };
export type Trace = Schemas["Trace"];
export type TraceQuestion = Schemas["TraceAsked"];
export type ProfileQuestion = Schemas["TracedProfileAsked"];
export type Pattern = Schemas["Patterns"]["patterns"][number];
export type Photograph = Schemas["Photograph"];
export type PhotographAbout = Schemas["PhotographAbout"];
export type MadeForm = Schemas["MadeForm"];
export type FormQuestion = { document: Document; kind: string; measures: Record<string, number> };
export type Move = Schemas["Move"];
export type Centres = NonNullable<Document["centres"]>;
/** A form and where its axis runs; centres null on the survey's own axis. */
export type Laid = { form: Form; centres: Centres | null };
export type FormOutcome = Schemas["FormOutcome"];
export type Strip = Schemas["Strip"];
export type StripQuestion = { document: Document; rpm: number };
export type SetOuts = Schemas["SetOuts"];
export type SetOutsQuestion = { document: Document; wanted: NonNullable<Schemas["SetOutsAsked"]["wanted"]> };
export type Mounts = Schemas["Mounts"];
export type FinishPlan = Schemas["FinishPlan"];
export type FourRuns = Schemas["FourRuns"];
export type Balance = Schemas["Balance"];
export type Cuts = Schemas["Cuts"];
export type CutRegion = Schemas["CutRegion"];
export type Comparison = Schemas["Comparison"];
export type SearchQuestion = Schemas["SearchAsked"];
export type Placed = Schemas["Placed"];
export type Search = Schemas["Search"];
export type NextTests = Schemas["NextTests"];
export type Table = Schemas["Table"];
export type TableName =
  | "woods"
  | "other_stock"
  | "resins"
  | "fillers"
  | "mounts"
  | "tools"
  | "grits"
  | "gates"
  | "tests"
  | "forms"
  | "wishes"
  | "hardeners"
  | "glues"
  | "drying_places"
  | "troubles"
  | "pigments"
  | "supplies"
  | "finishes";
export type Task = Schemas["Task"];
export type Odds = Schemas["Odds"];
export type Practice = Schemas["Practice"];
export type PracticeInShort = Schemas["PracticeInShort"];
export type PracticeTest = Schemas["PracticeTest"]["test"];
export type Rehearsal = Schemas["Rehearsal"];
export type RehearsalInShort = Schemas["RehearsalInShort"];
export type RehearsalState = Schemas["RehearsalState"];
export type RehearsalAct = Schemas["RehearsalActDone"];
export type RehearsalEvent = Schemas["RehearsalEvent"];
export type RehearsalFound = Schemas["RehearsalFound"];
export type Run = Schemas["Run"];
export type TakenIn = Schemas["TakenIn"];
export type Problem = Schemas["Problem"];
export type Kept = Schemas["KeptBlank"];

/** The same without one key. */
export function without<Whole extends object, Key extends keyof Whole>(whole: Whole, key: Key): Omit<Whole, Key> {
  return Object.fromEntries(Object.entries(whole).filter(([name]) => name !== key)) as Omit<Whole, Key>;
}

/** The document with a form laid into it so. */
export const withLaid = (document: Document, { form, centres }: Laid): Document =>
  ({ ...without(document, "centres"), form, ...(centres && { centres }) }) as Document;

export const isTest = (reading: Reading): reading is Test => reading.kind !== "mass";

export const isPath = (defect: Defect): defect is PathDefect => "path" in defect;

export type Groove = NonNullable<MendStep["grooves"]>[number];
