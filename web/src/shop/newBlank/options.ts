import type { Document, IntakeQuestion } from "../../api/document";
import { t } from "../../i18n/texts";

export type Lump = IntakeQuestion["lump"];
export type LumpType = Lump["type"] | "photo" | "scan";
export type Material = Document["material"];

export const KINDS: Record<Material["kind"], string> = {
  wood: t("screen.shop.wood"),
  hybrid: t("screen.shop.wood_and_resin"),
  resin: t("screen.shop.resin"),
  non_wood: t("screen.shop.something_else"),
};
export type Character = NonNullable<Material["character"]>[number];
export const CHARACTERS: Record<Character, string> = {
  burl: t("screen.shop.burl"),
  spalted: t("screen.shop.spalted"),
  cracked: t("screen.shop.cracked"),
  insect: t("screen.shop.bug_eaten"),
  bark_edge: t("screen.shop.bark_edge"),
  crotch: t("screen.shop.crotch"),
  wet: t("screen.shop.wet"),
};
export const GRAINS: Record<Material["grain"], string> = {
  face: t("screen.shop.across_face_grain"),
  end: t("screen.shop.along_the_axis_end_grain"),
  burl: t("screen.shop.every_way_burl"),
  none: t("screen.shop.no_grain"),
};
export const LUMPS: Record<LumpType, string> = {
  disc: t("screen.shop.disc"),
  block: t("screen.shop.block"),
  log: t("screen.shop.log"),
  cap: t("screen.shop.cap"),
  outline: t("screen.shop.measured_outline"),
  photo: t("screen.shop.photograph"),
  scan: t("screen.shop.scan"),
};
/** What is measured of each, with its words. */
export const SIZES: Record<LumpType, [string, string][]> = {
  disc: [
    ["diameter_mm", t("screen.shop.across")],
    ["length_mm", t("screen.shop.thick")],
  ],
  block: [
    ["width_mm", t("screen.shop.wide")],
    ["height_mm", t("screen.shop.high")],
    ["length_mm", t("screen.shop.long")],
  ],
  log: [
    ["head_diameter_mm", t("screen.shop.across_head_end")],
    ["tail_diameter_mm", t("screen.shop.across_tail_end")],
    ["length_mm", t("screen.shop.long")],
  ],
  cap: [
    ["diameter_mm", t("screen.shop.across_the_cut_face")],
    ["height_mm", t("screen.shop.high")],
  ],
  outline: [],
  photo: [],
  scan: [],
};

export type BarkSaid = "unsaid" | "on" | "part" | "off";
export const BARK: Record<BarkSaid, string> = {
  unsaid: t("screen.shop.unsaid"),
  on: t("screen.shop.on_"),
  part: t("screen.shop.in_part"),
  off: t("screen.shop.off_"),
};

/** Known names that a shorter one may mean: "maple" the maples. None where the name itself is known. */
export function alike(species: string, known: string[]): string[] {
  const typed = species.trim().toLowerCase();
  if (typed.length < 3 || known.some((name) => name.toLowerCase() === typed)) return [];
  return known.filter((name) =>
    name
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .includes(typed),
  );
}
