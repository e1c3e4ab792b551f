import type { NewEntry } from "../../api/document";
import { t } from "../../i18n/texts";

/** What an entry of the log may be about. */
export const KINDS: Record<NewEntry["kind"], string> = {
  cut: t("screen.log.cut"),
  mend: t("screen.log.mend"),
  note: t("screen.log.note"),
};
