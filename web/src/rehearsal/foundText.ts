import type { RehearsalState } from "../api/document";
import { t } from "../i18n/texts";
import { amountText, clockText } from "../kit/measure";
import type { useUnit } from "../kit/Units";
/** What a look or a test told, in a sentence. */
export function foundText(found: RehearsalState["found"][number], unit: ReturnType<typeof useUnit>): string {
  const { kind, of = "", clock_deg: clock, z_mm: z, depth_mm: depth = 0 } = found;
  const at = {
    of,
    clock: clock === undefined ? "" : clockText(clock),
    z: z === undefined ? "" : amountText(z, "mm", unit),
    depth: amountText(depth, "mm", unit),
  };
  switch (kind) {
    case "tap":
      return t(found.dull ? "screen.rehearsal.found.dull" : "screen.rehearsal.found.rings", at);
    case "awl":
      return t(depth > 0 ? "screen.rehearsal.found.awl" : "screen.rehearsal.found.awl_sound", at);
    case "feel":
      return t("screen.rehearsal.found.feel", at);
    case "pry":
      return t(found.moves ? "screen.rehearsal.found.moves" : "screen.rehearsal.found.holds", at);
    case "look": {
      const grown = Object.entries(found.grown ?? {}).map(([id, mm]) =>
        t("screen.rehearsal.found.longer", { id, mm: amountText(mm, "mm", unit) }),
      );
      const seen = (found.seen ?? []).map(({ type }) => t(`screen.rehearsal.found.seen_${type}`));
      return [...grown, ...seen].join(" ") || t("screen.rehearsal.found.nothing_new");
    }
  }
}
