import type { Document, Intake, IntakeQuestion, Scan, Shop } from "../../api/document";
import { forgetStored, useStored } from "../../kit/useStored";
import type { Taken } from "../../photo/FromPhoto";
import { SIZES, type BarkSaid, type Character, type Lump, type LumpType, type Material } from "./options";

/** What is typed is kept under names that begin so until the blank is on the rack. */
const PLACE = "new-blank-";
/** The photograph and what was traced on it, under theirs. */
export const PHOTO = `${PLACE}photo-`;

export type Draft = {
  name: string;
  /** null until another than the next free one is typed. */ number: number | null;
  kind: Material["kind"];
  species: string;
  character: Character[];
  moisturePct: number;
  grain: Material["grain"];
  grainDeg: number;
  type: LumpType;
  sizes: Record<string, number>;
  stations: { z_mm: number; radii_mm: number[] }[];
  scan: Scan | null;
  massG: number;
  densityOwn: number;
  lathe: string;
  origin: string;
  gotOn: string;
  cost: number;
  bark: BarkSaid;
};

const START: Draft = {
  name: "",
  number: null,
  kind: "wood",
  species: "",
  character: [],
  moisturePct: 18,
  grain: "face",
  grainDeg: 90,
  type: "disc",
  sizes: {
    diameter_mm: 250,
    length_mm: 80,
    width_mm: 100,
    height_mm: 100,
    head_diameter_mm: 160,
    tail_diameter_mm: 150,
  },
  stations: [0, 80].map((z_mm) => ({ z_mm, radii_mm: Array<number>(12).fill(125) })),
  scan: null,
  massG: 0,
  densityOwn: 600,
  lathe: "",
  origin: "",
  gotOn: "",
  cost: 0,
  bark: "unsaid",
};

/** A draft that outlives a reload, and what changes some of it. */
export function useDraft(shop: Shop) {
  const [draft, setDraft] = useStored<Draft>(`${PLACE}draft`, { ...START, lathe: Object.keys(shop.lathes)[0] ?? "" });
  return [draft, (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }))] as const;
}

export const forgetDraft = () => forgetStored(PLACE);

/** What a draft asks about; nothing where its shape has not been taken yet. taken: by photograph. */
export function questionOf(draft: Draft, taken: Taken | undefined): IntakeQuestion | undefined {
  const lump = lumpOf(draft, taken);
  return (
    lump && {
      lump: lump as Lump,
      species: draft.species.trim() || "–",
      moisture_pct: draft.moisturePct,
      ...(draft.massG > 0 && { mass_g: draft.massG }),
    }
  );
}

function lumpOf({ type, stations, scan, sizes }: Draft, taken: Taken | undefined) {
  if (type === "photo") return taken && { type: "outline", stations: taken.trace.stations };
  if (type === "scan") return scan ? { type: "outline", stations: scan.stations } : undefined;
  if (type === "outline") return { type, stations };
  return { type, ...Object.fromEntries(SIZES[type].map(([size]) => [size, sizes[size] ?? 0])) };
}

/** The blank that a draft comes to, with what was answered of it. */
export function documentOf(
  draft: Draft,
  { shape, density_kg_m3 }: Intake,
  taken: Taken | undefined,
  shop: Shop,
): Document {
  const { kind, character, grain, grainDeg, massG } = draft;
  const lathe = shop.lathes[draft.lathe];
  const intake = intakeOf(draft);
  return {
    format: "mossy-anvil/blank",
    version: 7,
    name: draft.name.trim(),
    number: draft.number ?? shop.next_number,
    material: {
      kind,
      species: draft.species.trim(),
      ...(character.length > 0 && { character }),
      density_kg_m3: density_kg_m3 ?? draft.densityOwn,
      moisture_pct: draft.moisturePct,
      grain,
      ...(grain === "face" && { grain_clock_deg: grainDeg }),
    },
    shape: shape as Document["shape"],
    defects: draft.type === "photo" ? (taken?.trace.defects ?? []) : [],
    ...(Object.keys(intake).length > 0 && { intake }),
    ...(massG > 0 && { readings: [{ kind: "mass" as const, value: massG, taken_at: new Date().toISOString() }] }),
    ...(lathe && { lathe }),
  };
}

const intakeOf = ({ origin, gotOn, cost, bark }: Draft) => ({
  ...(origin.trim() && { origin: origin.trim() }),
  ...(gotOn && { got_on: gotOn }),
  ...(cost > 0 && { cost }),
  ...(bark !== "unsaid" && { bark }),
});
