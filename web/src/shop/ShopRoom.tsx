import type { Shop } from "../api/document";
import { t } from "../i18n/texts";
import { Quiet } from "../kit/parts";
import { Room } from "../kit/Room";
import { BringIn } from "./BringIn";
import { CarryOut } from "./CarryOut";
import { Devices } from "./devices/Devices";
import { Lathes } from "./Lathes";
import { Named } from "./Named";
import { Equipment } from "./Equipment";
import { People } from "./People";
import { Rates } from "./Rates";
import { Tools } from "./Tools";

/** What is not about one blank: bringing in and carrying out. */
export function ShopRoom({ shop }: { shop: Shop }) {
  return (
    <Room>
      <h2>{shop.name}</h2>
      <div>
        {shop.demo && <Quiet>{t("screen.shop.this_is_the_demo")}</Quiet>}
        <section aria-label={t("screen.shop.bring_in")}>
          <BringIn />
        </section>
        <section aria-label={t("screen.shop.lathes")}>
          <Lathes />
        </section>
        <section aria-label={t("screen.shop.tools")}>
          <Tools shop={shop} />
        </section>
        <section aria-label={t("screen.shop.rates.heading")}>
          <Rates />
        </section>
        <section aria-label={t("screen.shop.people")}>
          <People />
        </section>
        <section aria-label={t("screen.shop.devices")}>
          <Devices />
        </section>
        <section aria-label={t("screen.shop.equipment")}>
          <Equipment shop={shop} />
        </section>
        <section aria-label={t("screen.shop.this_shop")}>
          <Named shop={shop} />
        </section>
      </div>
      <section aria-label={t("screen.shop.carry_out")}>
        <CarryOut shop={shop} />
      </section>
    </Room>
  );
}
