import { t } from "../i18n/texts";

/** Pairs in groups: read by eye. */
export const Fingerprint = ({ of }: { of: string }) => (
  <p
    aria-label={t("screen.kit.fingerprint")}
    style={{ fontFamily: "monospace", wordSpacing: "0.4em", margin: "8px 0" }}
  >
    {of.split(":").join("").match(/.{8}/g)?.join(" ")}
  </p>
);
