import { useQueryClient } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "react-router";
import { api } from "../api/client";
import type { Shop, ShopName } from "../api/document";
import { t } from "../i18n/texts";
import { TextLine } from "../kit/MeasureField";
import { Fault, Heading, Quiet } from "../kit/parts";
import { useAct } from "../kit/useAct";
import { useInTurn } from "../kit/useInTurn";

/** Name of the shop and its currency. Its air is at the Board. */
export function Named({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { problem, act } = useAct();
  const { name, currency } = shop;
  const inTurn = useInTurn(useMemo(() => ({ name, currency }), [name, currency]));
  const put = (about: Partial<ShopName>) =>
    inTurn(async (now) => {
      let left = now;
      await act(
        () => api.nameShop({ ...now, ...about }),
        (kept) => {
          left = kept;
          void client.invalidateQueries({ queryKey: ["shop"] });
        },
      );
      return left;
    });
  return (
    <>
      <Heading as="h3">{t("screen.shop.this_shop")}</Heading>
      <div style={{ display: "grid", gap: 12, maxWidth: 620 }}>
        <TextLine
          label={t("screen.shop.the_shop_is_called")}
          value={shop.name}
          most={120}
          onChange={(name) => put({ name })}
        />
        <div style={{ width: 200 }}>
          <TextLine
            label={t("screen.shop.its_currency_three_letters")}
            value={shop.currency}
            most={3}
            onChange={(currency) => put({ currency: currency.toUpperCase() })}
          />
        </div>
      </div>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Quiet>
        {t("screen.shop.its_air_is_at_the")}{" "}
        <Link to="/board" style={{ color: "inherit" }}>
          {t("screen.shop.board")}
        </Link>
        .
      </Quiet>
    </>
  );
}
