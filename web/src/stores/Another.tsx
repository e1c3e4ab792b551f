import { useState } from "react";
import { api } from "../api/client";
import { without, type NewProduct, type Stores } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { Sheet } from "../kit/DataSheet";
import { AmountField, NumberField, TextLine } from "../kit/MeasureField";
import { Fault, Fields, Heading } from "../kit/parts";
import { useAct } from "../kit/useAct";
import { useNames } from "../kit/useNames";
import { KINDS } from "./kinds";

/** A product that the shelf has not had yet. */
export function Another({ onTake }: { onTake: (stores: Stores) => void }) {
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
