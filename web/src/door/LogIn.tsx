import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import type { Session } from "../api/document";
import { Button } from "../kit/Button";
import { PasswordLine, TypedLine } from "../kit/TypedLine";
import { Fault, Quiet } from "../kit/parts";
import { useAct } from "../kit/useAct";
import { useNewSession } from "../kit/useSession";
import { t } from "../i18n/texts";
import { DoorSheet } from "./DoorSheet";
import { Authority } from "./Authority";

/** Name and password; a device that is to be remembered gets a name too. */
export function LogIn({ session }: { session: Session }) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [device, setDevice] = useState("");
  const { busy, problem, act } = useAct();
  const enter = useNewSession();
  const [code, setCode] = useState("");
  const client = useQueryClient();
  const remember = async () => {
    // The session is another now, and so is its token.
    const next = await api.session();
    if (next.person && device !== "") await api.rememberDevice(device);
    return next;
  };
  const logIn = async () => {
    await api.logIn(name, password);
    return remember();
  };
  const giveCode = async () => {
    await api.giveCode(code);
    return remember();
  };
  const take = (next: Session) => (next.person ? enter() : client.setQueryData(["session"], next));
  if (session.code_wanted)
    return (
      <DoorSheet heading={t("screen.door.who_are_you")}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void act(giveCode, take);
          }}
        >
          <TypedLine
            label={t("screen.door.code_of_the_app")}
            fills="one-time-code"
            value={code}
            most={20}
            onChange={setCode}
          />
          {problem && <Fault role="alert">{problem.detail}</Fault>}
          <Button $kind="go" type="submit" isDisabled={busy || code === ""}>
            {t("screen.door.let_me_in")}
          </Button>
        </form>
      </DoorSheet>
    );
  return (
    <DoorSheet heading={t("screen.door.who_are_you")}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void act(logIn, take);
        }}
      >
        <TypedLine label={t("screen.door.name")} fills="username" value={name} most={60} onChange={setName} />
        <PasswordLine label={t("screen.door.password")} value={password} onChange={setPassword} />
        <TypedLine label={t("screen.door.remember_as")} value={device} most={60} onChange={setDevice} />
        {problem && <Fault role="alert">{problem.detail}</Fault>}
        <Button $kind="go" type="submit" isDisabled={busy || name === "" || password === ""}>
          {t("screen.door.log_in")}
        </Button>
      </form>
      <Quiet>{t("screen.door.or_pair_this_device")}</Quiet>
      <Authority session={session} />
    </DoorSheet>
  );
}
