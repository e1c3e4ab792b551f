import { t } from "../i18n/texts";

/** How a lathe may stand, and the belt a new one begins with. */
export const STANDS = {
  light: t("screen.shop.light_bench_or_stand"),
  floor: t("screen.shop.heavy_on_the_floor"),
  bolted: t("screen.shop.bolted_down"),
} as const;
export const FIRST_BELT = { min_rpm: 200, max_rpm: 2000 };
