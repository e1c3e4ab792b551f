// What differs between two versions of a blank, in words. Nothing is judged here.
import { isPath, type Defect, type Document } from "../api/document";
import { amountText, type LengthUnit } from "../kit/measure";
import { t } from "../i18n/texts";

export type Difference = { what: string; mine: string; theirs: string };
const NONE = "—";

const WORDS: Record<string, string> = {
  depth_mm: t("screen.bench.of_a_blank.depth_mm"),
  width_mm: t("screen.bench.of_a_blank.width_mm"),
  clock_deg: t("screen.bench.of_a_blank.clock_deg"),
  r_mm: t("screen.bench.off_the_axis"),
  z_mm: t("screen.bench.off_the_head"),
  diameter_mm: t("screen.bench.of_a_blank.diameter_mm"),
  length_mm: t("screen.bench.of_a_blank.length_mm"),
  height_mm: t("screen.bench.of_a_blank.height_mm"),
  density_kg_m3: t("screen.bench.of_a_blank.density_kg_m3"),
  moisture_pct: t("screen.bench.of_a_blank.moisture_pct"),
  centre_offset_mm: t("screen.bench.centre_shifted"),
  size_mm: t("screen.bench.of_a_blank.size_mm"),
  bonded_share: t("screen.bench.of_a_blank.bonded_share"),
  hole_diameter_mm: t("screen.bench.of_a_blank.hole_diameter_mm"),
  holes_per_cm2: t("screen.bench.holes_to_the_cm2"),
  grain_clock_deg: t("screen.bench.grain_runs"),
  mass_kg: t("screen.bench.of_a_blank.mass_kg"),
  ballast_kg: t("screen.bench.of_a_blank.ballast_kg"),
  swing_mm: t("screen.bench.of_a_blank.swing_mm"),
  between_centres_mm: t("screen.bench.between_centres"),
};
const word = (key: string) => WORDS[key] ?? (/^\d+$/.test(key) ? String(Number(key) + 1) : key.replaceAll("_", " "));

function shown(key: string, value: unknown, unit: LengthUnit): string {
  if (value === undefined || value === null) return NONE;
  if (typeof value !== "number") return String(value);
  const of = { mm: "mm", deg: "clock", pct: "%", m3: "kg/m3", kg: "kg" }[/_(mm|deg|pct|m3|kg)$/.exec(key)?.[1] ?? ""];
  return of ? amountText(value, of, unit) : String(value);
}

/** Each value of a tree under its way there. */
function leaves(node: unknown, way: string[] = []): Map<string, { way: string[]; value: unknown }> {
  if (typeof node !== "object" || node === null) return new Map([[way.join("/"), { way, value: node }]]);
  return new Map(Object.entries(node).flatMap(([key, child]) => [...leaves(child, [...way, key])]));
}

function between(what: string, mine: unknown, theirs: unknown, unit: LengthUnit): Difference[] {
  const [here, there] = [leaves(mine ?? {}), leaves(theirs ?? {})];
  return [...new Set([...here.keys(), ...there.keys()])].flatMap((at) => {
    const [a, b] = [here.get(at), there.get(at)];
    if (a?.value === b?.value) return [];
    const way = a?.way ?? b?.way ?? [];
    const key = [...way].reverse().find((part) => /[a-z]/.test(part)) ?? "";
    return [
      {
        what: [what, ...way.map(word)].filter(Boolean).join(" · "),
        mine: shown(key, a?.value, unit),
        theirs: shown(key, b?.value, unit),
      },
    ];
  });
}

const summary = (defect: Defect | undefined) =>
  defect
    ? `${defect.type.replaceAll("_", " ")}${isPath(defect) ? t("screen.bench.points", { count: defect.path.length }) : ""}`
    : NONE;

/** Differences of the same blank as it is here and as somebody else saved it; readings are added, not saved, and left out. */
export function differences(mine: Document, theirs: Document, unit: LengthUnit): Difference[] {
  const ids = [...new Set([...mine.defects, ...theirs.defects].map(({ id }) => id))];
  const found = ids.flatMap((id) => {
    const [a, b] = [mine, theirs].map(({ defects }) => defects.find((defect) => defect.id === id));
    return a && b ? between(id, a, b, unit) : [{ what: id, mine: summary(a), theirs: summary(b) }];
  });
  const rest = (["name", "number", "material", "shape", "form", "centres", "sketches", "lathe"] as const).flatMap(
    (part) => between(part, mine[part], theirs[part], unit),
  );
  return [...found, ...rest];
}
