import { t } from "../../i18n/texts";

/** Tests made by hand, what each may show, and how the screen names them. */
export type Kind = "awl" | "tap" | "thumbnail" | "drop" | "pry" | "lamp" | "moisture";

export const KINDS: Record<Kind, string> = {
  awl: t("screen.survey.awl"),
  tap: t("screen.survey.tap"),
  thumbnail: t("screen.survey.thumbnail"),
  drop: t("screen.survey.water_drop"),
  pry: t("screen.survey.pry"),
  lamp: t("screen.survey.lamp"),
  moisture: t("screen.survey.pins"),
};
export const SHOWS: Partial<Record<Kind, Record<string, string>>> = {
  tap: { clear: t("screen.survey.rings_clear"), dull: t("screen.survey.sounds_dull") },
  thumbnail: { dents: t("screen.survey.dents"), crumbles: t("screen.survey.crumbles") },
  drop: { beads: t("screen.survey.beads"), drinks: t("screen.survey.is_drunk") },
  pry: { holds: t("screen.survey.holds"), moves: t("screen.survey.moves") },
  lamp: { dark: t("screen.survey.dark"), glows: t("screen.survey.glows") },
};
