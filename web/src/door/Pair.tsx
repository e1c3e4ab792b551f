import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import { Button } from "../kit/Button";
import { TypedLine } from "../kit/TypedLine";
import { Fault, Quiet } from "../kit/parts";
import { useAct } from "../kit/useAct";
import { useNewSession, useSession } from "../kit/useSession";
import { t } from "../i18n/texts";
import { Authority } from "./Authority";
import { DoorSheet } from "./DoorSheet";

/** A code as it stands behind the # of a scanned address. */
const scanned = () => new URLSearchParams(globalThis.location.hash.slice(1)).get("code")?.replaceAll("-", " ") ?? "";

/** Where a phone or tablet joins by a code shown at the desk. */
export function Pair() {
  const [code, setCode] = useState(scanned);
  const [name, setName] = useState("");
  const { busy, problem, act } = useAct();
  const session = useSession();
  const go = useNavigate();
  const enter = useNewSession();
  const fault = (pointer: string) => problem?.errors?.find((one) => one.pointer === pointer)?.detail;
  return (
    <DoorSheet heading={t("screen.door.join_the_shop")}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void act(
            () => api.usePairing(code, name),
            () => {
              void go("/", { replace: true });
              enter();
            },
          );
        }}
      >
        <TypedLine label={t("screen.door.code")} value={code} most={100} onChange={setCode} fault={fault("/code")} />
        <TypedLine
          label={t("screen.door.name_of_this_device")}
          value={name}
          most={60}
          onChange={setName}
          fault={fault("/name")}
        />
        {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
        <Button $kind="go" type="submit" isDisabled={busy || code === "" || name === ""}>
          {t("screen.door.join")}
        </Button>
      </form>
      <Quiet>{t("screen.door.kept_on_this_device")}</Quiet>
      {session.data && <Authority session={session.data} />}
    </DoorSheet>
  );
}
