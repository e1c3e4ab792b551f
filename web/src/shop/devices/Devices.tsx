import { t } from "../../i18n/texts";
import { Heading, Quiet } from "../../kit/parts";
import { may, useSession } from "../../kit/useSession";
import { Paired } from "./Paired";
import { Record } from "./Record";
import { WhoIsIn } from "./WhoIsIn";

/** Who is in here, and the phones and tablets that may come in. */
export function Devices() {
  const { data: session } = useSession();
  if (!session) return null;
  return (
    <>
      <Heading as="h3">{t("screen.shop.devices")}</Heading>
      {session.log_in && session.person ? (
        <>
          <WhoIsIn session={session} name={session.person.name} />
          <Paired session={session} personId={session.person.id} />
          {may(session, "owner") && <Record />}
        </>
      ) : (
        <Quiet>{t("screen.shop.this_machine_alone")}</Quiet>
      )}
    </>
  );
}
