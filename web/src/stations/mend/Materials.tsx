import type { MendPlan } from "../../api/document";
import { t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet, Ticket } from "../../kit/parts";

/** What the plan takes in all, and whether it stands on the shelf. */
export function Materials({ materials, cost }: Pick<MendPlan, "materials" | "cost">) {
  const unit = useUnit();
  return (
    <>
      <Heading>{t("screen.mend.takes_in_all")}</Heading>
      <Ticket aria-label={t("screen.mend.materials")}>
        <tbody>
          {materials.map(({ key, part, name, amount, unit: of, shelf }) => (
            <tr key={`${key}-${part ?? ""}-${JSON.stringify(name)}`}>
              <th scope="row">
                <MessageText message={name} />
                {part && `, ${t(`parts.${part}`)}`}
              </th>
              <td className="number">{amountText(amount, of, unit)}</td>
              <td>
                {!shelf ? (
                  <span style={{ color: ink.quiet }}>{t("screen.mend.not_among_the_stores")}</span>
                ) : shelf.enough ? (
                  <>
                    {t("screen.mend.enough_of", {
                      left_g: amountText(shelf.left_g, "g", unit),
                      product: shelf.product,
                    })}
                  </>
                ) : (
                  <strong style={{ color: ink.rust }}>
                    {t("screen.mend.short_there", { left_g: amountText(shelf.left_g, "g", unit) })}
                    {shelf.reserved_g > 0 &&
                      t("screen.mend.of_it_spoken_for", { reserved_g: amountText(shelf.reserved_g, "g", unit) })}
                    {t("screen.mend.order", { packs: shelf.packs, pack_g: amountText(shelf.pack_g, "g", unit) })}
                  </strong>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      <Quiet>{t("screen.mend.about_of_material", { cost: amountText(cost, "money", unit) })}</Quiet>
    </>
  );
}
