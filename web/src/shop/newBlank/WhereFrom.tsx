import type { Shop } from "../../api/document";
import { t } from "../../i18n/texts";
import { Choice } from "../../kit/Choice";
import { NumberField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import { Words } from "../../kit/Words";
import type { Draft } from "./draft";
import { BARK } from "./options";

type Props = {
  draft: Draft;
  change: (part: Partial<Draft>) => void;
  shop: Shop;
  saveFault: (path: string) => string | undefined;
};

/** Where it came from, when and for how much, and the lathe it is meant for. */
export function WhereFrom({ draft, change, shop, saveFault }: Props) {
  const lathes = Object.keys(shop.lathes);
  return (
    <>
      <Fields style={{ gridTemplateColumns: "minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr)" }}>
        <Words
          label={t("screen.shop.where_it_came_from")}
          value={draft.origin}
          onChange={(origin) => change({ origin })}
          fault={saveFault("/document/intake/origin")}
        />
        <Words
          label={t("screen.shop.got_on")}
          type="date"
          value={draft.gotOn}
          onChange={(gotOn) => change({ gotOn })}
          fault={saveFault("/document/intake/got_on")}
        />
        <NumberField
          label={t("screen.shop.cost", { currency: shop.currency })}
          value={draft.cost}
          onChange={(cost) => change({ cost })}
          fault={saveFault("/document/intake/cost")}
        />
      </Fields>
      <Choice label={t("screen.shop.bark")} value={draft.bark} options={BARK} onChange={(bark) => change({ bark })} />
      {lathes.length > 0 && (
        <Choice
          label={t("screen.shop.to_be_turned_on")}
          value={draft.lathe}
          options={Object.fromEntries(lathes.map((key) => [key, key]))}
          onChange={(lathe) => change({ lathe })}
        />
      )}
    </>
  );
}
