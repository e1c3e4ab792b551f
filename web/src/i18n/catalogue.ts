import { I18n } from "i18n-js";
import en from "./generated/en.json";

export const catalogue = new I18n(en, { locale: "en", defaultLocale: "en", missingBehavior: "error" });

/** The locale that tries a screen's layout: every text in brackets and two fifths longer. Set by `localStorage.locale`. */
const STRETCHED = typeof localStorage !== "undefined" && localStorage.getItem("locale") === "stretched";

export const stretched = (text: string): string =>
  STRETCHED && text !== "" ? `⟦${text}${" xx".repeat(Math.ceil((text.length * 0.4) / 3))}⟧` : text;
