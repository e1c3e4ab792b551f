import { useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../api/client";
import type { Shop } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Fault, Heading } from "../kit/parts";
import { useAct } from "../kit/useAct";
import { Outcome } from "./Outcome";

/** What is off the rack, to be looked at or brought back. */
export function PutAway({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const back = (id: number) =>
    void act(
      () => api.place(id, false),
      () => void client.invalidateQueries(),
    );
  return (
    <>
      <Heading as="h3">{t("screen.shop.put_away")}</Heading>
      <ul aria-label={t("screen.shop.put_away")}>
        {shop.put_away.map(({ id, number, name }) => (
          <Outcome key={id} style={{ display: "flex", alignItems: "center", gap: 12 }}>
            <Link to={`/blanks/${id}/log`} style={{ flex: 1, color: "inherit" }}>
              {number ?? "–"} {name}
            </Link>
            <Button
              $kind="quiet"
              isDisabled={busy}
              aria-label={t("screen.shop.back_on_the_rack", { name })}
              onPress={() => back(id)}
            >
              {t("screen.shop.back_on_the_rack_2")}
            </Button>
          </Outcome>
        ))}
      </ul>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
    </>
  );
}
