import { useState } from "react";
import { api } from "../api/client";
import { without, type NewLot, type Product, type Stores } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { AmountField, TextLine } from "../kit/MeasureField";
import { Fault, Fields } from "../kit/parts";
import { useAct } from "../kit/useAct";

/** A lot of a product that was bought. */
export function Bought({ product, onTake }: { product: Product; onTake: (stores: Stores) => void }) {
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
