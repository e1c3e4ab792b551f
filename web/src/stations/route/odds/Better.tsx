import type { Odds, Route } from "../../../api/document";
import { useBlank } from "../../../draft/contexts";
import { messageText, t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { amountText } from "../../../kit/measure";
import { Heading, Quiet } from "../../../kit/parts";
import { useUnit } from "../../../kit/Units";
import { inHundred } from "./inHundred";

/** What would better them most, and a button that does it where it is a change of the draft. */
export function Better({ odds, route, stepOf }: { odds: Odds; route: Route; stepOf: (id: string) => string }) {
  const unit = useUnit();
  const { document, draft } = useBlank();
  const better = odds.best_improvement;
  if (!better) return <Quiet>{t("screen.odds.nothing_betters")}</Quiet>;
  const way = route.alternatives.find(({ key }) => key === better.way);
  const told = t(`screen.odds.act.${better.act}`, {
    step: better.step ? stepOf(better.step) : "",
    of: better.of ?? "",
    mm: better.mm ? amountText(better.mm, "mm", unit) : "",
    way: way ? messageText(way.name, unit) : "",
  });
  const { form } = better;
  const take =
    better.act === "other_way" && way
      ? () => draft.change({ ...document, route: { ...document.route, choices: way.choices } }, false)
      : form
        ? () => draft.change({ ...document, form })
        : undefined;
  return (
    <>
      <Heading>{t("screen.odds.better")}</Heading>
      <p>
        <strong>{told}</strong>{" "}
        {t("screen.odds.gains", {
          gain: inHundred(better.gain),
          time: amountText(Math.round(better.hours * 60), "min", unit),
        })}
      </p>
      {take && <Button onPress={take}>{t("screen.odds.take")}</Button>}
    </>
  );
}
