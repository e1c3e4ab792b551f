import type { Session } from "../api/document";
import { Carry, Quiet } from "../kit/parts";
import { Fingerprint } from "../kit/Fingerprint";
import { t } from "../i18n/texts";

/** The certificate by which a browser knows the shop, and what to compare before it is trusted. */
export function Authority({ session }: { session: Session }) {
  if (session.fingerprint === null) return null;
  return (
    <>
      <Quiet>{t("screen.door.why_a_warning")}</Quiet>
      <Carry href="/authority.crt" download>
        {t("screen.door.the_authority")}
      </Carry>
      <Fingerprint of={session.fingerprint} />
    </>
  );
}
