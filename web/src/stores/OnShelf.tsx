import { useState } from "react";
import { api } from "../api/client";
import type { Product, Stores } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { AmountField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { Fault, Heading, Quiet, Row, Ticket } from "../kit/parts";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";
import { Bought } from "./Bought";
import { KINDS } from "./kinds";

/** One product: what was bought and used of it, and its lots. */
export function OnShelf({ product, onTake }: { product: Product; onTake: (stores: Stores) => void }) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const g = (value: number) => amountText(value, "g", unit);
  return (
    <article aria-label={product.name}>
      <Heading as="h3">{product.name}</Heading>
      <Quiet style={{ marginTop: 0 }}>
        {t("screen.stores.packs_of", { value: KINDS[product.kind], g: g(product.pack_g) })}
        {product.pack_price > 0 &&
          ` ${t("screen.stores.at", { pack_price: amountText(product.pack_price, "money", unit) })}`}
        {product.reserved_g > 0 && t("screen.stores.spoken_for", { g: g(product.reserved_g) })}
      </Quiet>
      {product.bought_g + product.used_g > 0 && (
        <Quiet style={{ marginTop: 0 }}>
          {t("screen.stores.so_far", { bought: g(product.bought_g), used: g(product.used_g) })}
          {product.thrown_out_g > 0 && t("screen.stores.thrown_out", { g: g(product.thrown_out_g) })}
          {product.value > 0 && t("screen.stores.left_worth", { value: amountText(product.value, "money", unit) })}
        </Quiet>
      )}
      <Ticket>
        <tbody>
          {product.lots.map((lot) => (
            <Lot key={lot.id} lot={lot} onTake={onTake} />
          ))}
          {product.lots.length === 0 && (
            <tr>
              <td>{t("screen.stores.no_lot_of_it")}</td>
            </tr>
          )}
        </tbody>
      </Ticket>
      <Button $kind="quiet" style={{ paddingLeft: 0 }} aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? t("screen.stores.fold") : t("screen.stores.a_lot_bought")}
      </Button>
      {open && (
        <Bought
          product={product}
          onTake={(stores) => {
            onTake(stores);
            setOpen(false);
          }}
        />
      )}
    </article>
  );
}

/** One lot: what is left; counted again, the difference is a movement of its own. */
function Lot({ lot, onTake }: { lot: Product["lots"][number]; onTake: (stores: Stores) => void }) {
  const unit = useUnit();
  const [counted, setCounted] = useState<number>();
  const { busy, problem, act } = useAct();
  const count = () =>
    counted !== undefined &&
    void act(
      () => api.moveStock(lot.id, counted - lot.left_g, "counted"),
      (stores) => {
        onTake(stores);
        setCounted(undefined);
      },
    );
  return (
    <tr>
      <th scope="row">
        {lot.code}
        {lot.part && `, ${t(`parts.${lot.part}`)}`}
      </th>
      <td>
        {lot.opened_on
          ? t("screen.stores.opened", {
              to_locale_date_string: dayText(lot.opened_on),
            })
          : t("screen.stores.unopened")}
        {lot.goes_off_on && lot.goes_off && (
          <span style={{ color: ink.rust, fontWeight: 650 }}>
            {" "}
            {t(`screen.stores.goes_off.${lot.goes_off}`, { day: dayText(lot.goes_off_on) })}
          </span>
        )}
      </td>
      <td className="number" style={lot.left_g < 0 ? { color: ink.rust } : undefined}>
        {amountText(lot.left_g, "g", unit)}
        {lot.left_g < 0 && t("screen.stores.count_it")}
      </td>
      <td>
        <Row style={{ flexWrap: "nowrap" }}>
          <div style={{ width: 100 }}>
            <AmountField
              of="g"
              bare
              label={t("screen.stores.amount_left", { code: lot.code })}
              value={counted ?? Math.round(lot.left_g * 10) / 10}
              onChange={setCounted}
            />
          </div>
          <Button isDisabled={busy || counted === undefined || counted === lot.left_g} onPress={count}>
            {t("screen.stores.count")}
          </Button>
        </Row>
        {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      </td>
    </tr>
  );
}
