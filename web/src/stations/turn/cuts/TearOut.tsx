import { useState } from "react";
import type { Cuts } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { amountText } from "../../../kit/measure";
import { useUnit } from "../../../kit/Units";
/** What to do where the wood tears out, and what each of it takes. */
export function TearOut({ plan }: { plan: Cuts }) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
        {t("screen.turn.cut.torn")}
      </Button>
      {open && (
        <ol>
          {plan.tear_out.map(({ key, min_per_dm2, wall_mm }) => (
            <li key={key}>
              {t("screen.turn.cut.torn_row", {
                what: t(`cuts.tear_out.${key}`),
                minutes: min_per_dm2,
                wall: amountText(wall_mm, "mm", unit),
              })}
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
