import { useState } from "react";
import { api } from "../../api/client";
import type { Session } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault, Row } from "../../kit/parts";
import { useAct } from "../../kit/useAct";
import { useNewSession } from "../../kit/useSession";
import { Codes } from "./Codes";
import { Password } from "./Password";

/** Who is in here, and how to leave, or to come in by another password or with codes. */
export function WhoIsIn({ session, name }: { session: Session; name: string }) {
  const { busy, problem, act } = useAct();
  const enter = useNewSession();
  const [changing, setChanging] = useState(false);
  const role = session.person ? t(`roles.${session.person.role}`) : "";
  return (
    <>
      <p style={{ marginBottom: 8 }}>{t("screen.shop.you_are_in_as", { name, role })}</p>
      <Row>
        <Button isDisabled={busy} onPress={() => void act(() => api.leave(false), enter)}>
          {t("screen.shop.log_out")}
        </Button>
        <Button isDisabled={busy} onPress={() => void act(() => api.leave(true), enter)}>
          {t("screen.shop.log_out_everywhere")}
        </Button>
        <Button $kind="quiet" aria-expanded={changing} onPress={() => setChanging(!changing)}>
          {t("screen.shop.change_my_password")}
        </Button>
      </Row>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
      <Codes session={session} />
      {changing && session.person && <Password personId={session.person.id} own onSet={enter} />}
    </>
  );
}
