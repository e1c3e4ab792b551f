import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Product, Stores } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { Quiet } from "../kit/parts";
import { Room } from "../kit/Room";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { Another } from "./Another";
import { OnShelf } from "./OnShelf";

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
