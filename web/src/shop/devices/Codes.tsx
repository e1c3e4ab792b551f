import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { Session } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault, Row } from "../../kit/parts";
import { PasswordLine, TypedLine } from "../../kit/TypedLine";
import { useAct } from "../../kit/useAct";
import { Card, svg } from "./Card";

/** One-time codes beside the password: on, by an app that makes them, or off. */
export function Codes({ session }: { session: Session }) {
  const client = useQueryClient();
  const [offered, setOffered] = useState<{ secret: string; picture: string }>();
  const [open, setOpen] = useState(false);
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  const { busy, problem, act } = useAct();
  const fault = (pointer: string) => problem?.errors?.find((one) => one.pointer === pointer)?.detail;
  const begin = () => {
    setOpen(!open);
    if (!open && !session.codes) void act(api.offerCodes, setOffered);
  };
  const take = (next: Session) => {
    client.setQueryData(["session"], next);
    setOpen(false);
    setCode("");
    setPassword("");
  };
  const change = () =>
    void act(
      () =>
        session.codes
          ? api.dropCodes(password)
          : api.useCodes({ secret: offered?.secret ?? "", code: code.replaceAll(" ", ""), password }),
      take,
    );
  return (
    <>
      <Button $kind="quiet" style={{ paddingLeft: 0 }} aria-expanded={open} onPress={begin}>
        {session.codes ? t("screen.shop.codes_off") : t("screen.shop.codes_on")}
      </Button>
      {open && (session.codes || offered) && (
        <Card role="group" aria-label={t("screen.shop.codes_on")}>
          {!session.codes && offered && <img alt="" src={svg(offered.picture)} />}
          <div style={{ display: "grid", gap: 10 }}>
            {!session.codes && offered && (
              <>
                <p style={{ overflowWrap: "anywhere" }}>{t("screen.shop.codes_scan", { secret: offered.secret })}</p>
                <TypedLine
                  label={t("screen.shop.code_shown")}
                  fills="one-time-code"
                  value={code}
                  most={20}
                  onChange={setCode}
                  fault={fault("/code")}
                />
              </>
            )}
            <PasswordLine
              label={t("screen.shop.my_password")}
              value={password}
              onChange={setPassword}
              fault={fault("/password")}
            />
            {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
            <Row>
              <Button isDisabled={busy || password === ""} onPress={change}>
                {session.codes ? t("screen.shop.codes_off") : t("screen.shop.use_codes")}
              </Button>
            </Row>
          </div>
        </Card>
      )}
    </>
  );
}
