import { useState } from "react";
import { api } from "../../api/client";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Fault, Row } from "../../kit/parts";
import { PasswordLine } from "../../kit/TypedLine";
import { useAct } from "../../kit/useAct";

/** A new password, of one's own by the old one. */
export function Password({ personId, own = false, onSet }: { personId: number; own?: boolean; onSet: () => void }) {
  const [old, setOld] = useState("");
  const [password, setPassword] = useState("");
  const { busy, problem, act } = useAct();
  const fault = (pointer: string) => problem?.errors?.find((one) => one.pointer === pointer)?.detail;
  return (
    <div style={{ display: "grid", gap: 10, margin: "10px 0", maxWidth: 380 }}>
      {own && (
        <PasswordLine label={t("screen.shop.password_so_far")} value={old} onChange={setOld} fault={fault("/old")} />
      )}
      <PasswordLine
        fresh
        label={t("screen.shop.new_password")}
        value={password}
        onChange={setPassword}
        fault={fault("/password")}
      />
      {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
      <Row>
        <Button
          isDisabled={busy || password === ""}
          onPress={() => void act(() => api.setPassword(personId, password, own ? old : undefined), onSet)}
        >
          {t("screen.shop.set_the_password")}
        </Button>
      </Row>
    </div>
  );
}
