import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import { without, type NewLot, type NewProduct, type Product, type Stores } from "../api/document";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { Choice } from "../kit/Choice";
import { AmountField, NumberField, TextLine } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { Sheet } from "../kit/DataSheet";
import { useNames } from "../stations/mend/StepFields";
import { Fault, Fields, Heading, Quiet, Row, Ticket } from "../kit/parts";
import { Room } from "../kit/Room";
import { t } from "../i18n/texts";

const KINDS = {
  resins: t("screen.stores.resin"),
  fillers: t("screen.stores.filler"),
  hardeners: t("screen.stores.hardener_for_wood"),
  glues: t("screen.stores.glue"),
  pigments: t("screen.stores.pigment"),
  supplies: t("screen.stores.mould_lining"),
  finishes: t("screen.stores.finish"),
} as const;

/** What stands on the shelf, lot by lot, and what open cards hold of it. */
export function StoresRoom() {
  const client = useQueryClient();
  const stores = useQuery({ queryKey: ["stores"], queryFn: api.stores });
  const take = (next: Stores) => client.setQueryData(["stores"], next);
  if (!stores.data)
    return (
      <Waiting
        what={t("screen.stores.looking_along_the_shelf")}
        problem={stores.error?.message}
        onAgain={() => void stores.refetch()}
      />
    );
  return (
    <Room>
      <h2>{t("screen.stores.stores")}</h2>
      <section aria-label={t("screen.stores.on_the_shelf")}>
        <Worth products={stores.data.products} />
        {stores.data.products.length === 0 && <Quiet>{t("screen.stores.nothing_on_the_shelf_yet_put")}</Quiet>}
        {stores.data.products.map((product) => (
          <OnShelf key={product.id} product={product} onTake={take} />
        ))}
      </section>
      <section aria-label={t("screen.stores.another_product")}>
        <Another onTake={take} />
      </section>
    </Room>
  );
}

/** What all of it is worth. */
function Worth({ products }: { products: Product[] }) {
  const unit = useUnit();
  const value = products.reduce((sum, product) => sum + product.value, 0);
  if (value === 0) return null;
  return <Quiet>{t("screen.stores.worth", { value: amountText(value, "money", unit) })}</Quiet>;
}

function OnShelf({ product, onTake }: { product: Product; onTake: (stores: Stores) => void }) {
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

function Bought({ product, onTake }: { product: Product; onTake: (stores: Stores) => void }) {
  const two = product.kind === "resins";
  const [lot, setLot] = useState<NewLot>({
    product_id: product.id,
    code: "",
    grams: product.pack_g,
    ...(two && { part: "resin" }),
  });
  const { busy, problem, act } = useAct();
  const fault = (field: string) => problem?.errors?.find(({ pointer }) => pointer === `/${field}`)?.detail;
  return (
    <>
      {two && (
        <Choice
          label={t("screen.stores.part")}
          value={lot.part ?? "resin"}
          options={{ resin: t("screen.stores.resin"), hardener: t("screen.stores.hardener") }}
          onChange={(part) => setLot({ ...lot, part })}
        />
      )}
      <Fields>
        <TextLine
          label={t("screen.stores.lot")}
          value={lot.code}
          most={60}
          onChange={(code) => setLot({ ...lot, code })}
        />
        <AmountField
          of="g"
          label={t("screen.stores.amount_held")}
          value={lot.grams}
          onChange={(grams) => setLot({ ...lot, grams })}
          fault={fault("grams")}
        />
        <TextLine
          label={t("screen.stores.opened_on_2030_05_01")}
          value={lot.opened_on ?? ""}
          most={10}
          onChange={(day) => setLot(day ? { ...lot, opened_on: day } : without(lot, "opened_on"))}
        />
      </Fields>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Button isDisabled={busy || lot.code === ""} onPress={() => void act(() => api.addLot(lot), onTake)}>
        {t("screen.stores.onto_the_shelf")}
      </Button>
    </>
  );
}

function Another({ onTake }: { onTake: (stores: Stores) => void }) {
  const [product, setProduct] = useState<NewProduct>({ name: "", kind: "resins", like: "casting_epoxy", pack_g: 1000 });
  const names = useNames(product.kind);
  const { busy, problem, act } = useAct();
  const faults = Object.fromEntries((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail]));
  const first = Object.keys(names)[0];
  const like = product.like in names ? product.like : (first ?? product.like);
  return (
    <>
      <Heading as="h3">{t("screen.stores.another_product")}</Heading>
      <div style={{ display: "grid", gap: 10 }}>
        <TextLine
          label={t("screen.stores.called")}
          value={product.name}
          most={120}
          onChange={(name) => setProduct({ ...product, name })}
        />
        {faults["/name"] && <Fault role="alert">{faults["/name"]}</Fault>}
        <Choice
          label={t("screen.stores.kind")}
          value={product.kind}
          options={KINDS}
          onChange={(kind) => setProduct({ ...without(product, "sheet"), kind })}
        />
        {Object.keys(names).length > 0 && (
          <Choice
            label={t("screen.stores.like")}
            value={like}
            options={names}
            onChange={(key) => setProduct({ ...product, like: key })}
          />
        )}
        <Fields>
          <AmountField
            of="g"
            label={t("screen.stores.pack")}
            value={product.pack_g}
            onChange={(pack_g) => setProduct({ ...product, pack_g })}
            fault={faults["/pack_g"]}
          />
          <NumberField
            label={t("screen.stores.a_pack_costs")}
            value={product.pack_price ?? 0}
            onChange={(pack_price) => setProduct({ ...product, pack_price })}
            fault={faults["/pack_price"]}
          />
        </Fields>
        {product.kind !== "pigments" && product.kind !== "supplies" && (
          <Sheet
            of={product.kind}
            sheet={product.sheet}
            faults={faults}
            place="/sheet"
            onPut={(sheet) => setProduct(sheet ? { ...product, sheet } : without(product, "sheet"))}
          />
        )}
        {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
        <Button
          $kind="go"
          style={{ justifySelf: "start" }}
          isDisabled={busy || product.name === ""}
          onPress={() =>
            void act(
              () => api.addProduct({ ...product, like }),
              (stores) => {
                onTake(stores);
                setProduct({ ...product, name: "" });
              },
            )
          }
        >
          {t("screen.stores.onto_the_shelf")}
        </Button>
      </div>
    </>
  );
}
