import type { MendPlan } from "../../api/document";
import { t } from "../../i18n/texts";
import { Told } from "../../kit/Says";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet, Ticket } from "../../kit/parts";

/** What the plan takes in all, and whether it stands on the shelf. */
export function Materials({ materials, cost }: Pick<MendPlan, "materials" | "cost">) {
  const unit = useUnit();
  return (
    <>
      <Heading>Takes in all</Heading>
      <Ticket aria-label="Materials">
        <tbody>
          {materials.map(({ key, part, name, amount, unit: of, shelf }) => (
            <tr key={`${key}-${part ?? ""}-${JSON.stringify(name)}`}>
              <th scope="row">
                <Told message={name} />
                {part && `, ${t(`parts.${part}`)}`}
              </th>
              <td className="number">{amountText(amount, of, unit)}</td>
              <td>
                {!shelf ? (
                  <span style={{ color: ink.quiet }}>not among the stores</span>
                ) : shelf.enough ? (
                  <>
                    enough: {amountText(shelf.left_g, "g", unit)} of {shelf.product}
                  </>
                ) : (
                  <strong style={{ color: ink.rust }}>
                    short: {amountText(shelf.left_g, "g", unit)} there
                    {shelf.reserved_g > 0 && `, ${amountText(shelf.reserved_g, "g", unit)} of it spoken for`}; order{" "}
                    {shelf.packs} × {amountText(shelf.pack_g, "g", unit)}
                  </strong>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      <Quiet>About {amountText(cost, "money", unit)} of material.</Quiet>
    </>
  );
}
