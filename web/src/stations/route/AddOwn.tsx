import type { RouteStep } from "../../api/document";
import { useBlank, useRoute } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { NumberField } from "../../kit/MeasureField";
import { Fields, Heading } from "../../kit/parts";
import { useStored } from "../../kit/useStored";
import { Words } from "../../kit/Words";

/** A step of one's own, after the one looked at or last of all. */
export function AddOwn({ steps }: { steps: RouteStep[] }) {
  const { document, draft } = useBlank();
  const { step: after, lookAt } = useRoute();
  const [name, setName] = useStored("own step", "");
  const [minutes, setMinutes] = useStored("minutes of own step", 15);
  const add = () => {
    const id = `own-${crypto.randomUUID().slice(0, 8)}`;
    const ids = steps.filter(({ done }) => !done).map((one) => one.id);
    const place = after === undefined ? ids.length - 1 : ids.indexOf(after) + 1;
    const own = document.route?.own ?? [];
    const order = [...ids.slice(0, place), id, ...ids.slice(place)];
    draft.change(
      { ...document, route: { ...document.route, own: [...own, { id, name, hands_min: minutes }], order } },
      false,
    );
    setName("");
    lookAt(id);
  };
  return (
    <section aria-label={t("screen.route.a_step_of_your_own")}>
      <Heading>{t("screen.route.a_step_of_your_own")}</Heading>
      <Fields>
        <Words label={t("screen.route.what_is_done")} value={name} onChange={setName} fault={undefined} />
        <NumberField label={t("screen.route.minutes")} value={minutes} onChange={setMinutes} />
      </Fields>
      <Button isDisabled={name.trim() === ""} onPress={add}>
        {after === undefined ? t("screen.route.add_it") : t("screen.route.add_it_after_the_open_one")}
      </Button>
    </section>
  );
}
