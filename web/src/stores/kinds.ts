import { t } from "../i18n/texts";

/** What a product may be. */
export const KINDS = {
  resins: t("screen.stores.resin"),
  fillers: t("screen.stores.filler"),
  hardeners: t("screen.stores.hardener_for_wood"),
  glues: t("screen.stores.glue"),
  pigments: t("screen.stores.pigment"),
  supplies: t("screen.stores.mould_lining"),
  finishes: t("screen.stores.finish"),
} as const;
