import type { StageName } from "../api/document";
import { t } from "../i18n/texts";

/** The stages of turning, in their order, by name. */
export const STAGES: Record<StageName, string> = {
  blank: t("screen.kit.as_it_stands"),
  rounded: t("screen.kit.rounded"),
  outside: t("screen.kit.outside_turned"),
  hollowed: t("screen.kit.hollowed"),
};
