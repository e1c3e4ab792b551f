import { useQueryClient } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Equipment as Counts, Shop } from "../api/document";
import { capital, t } from "../i18n/texts";
import { NumberField } from "../kit/MeasureField";
import { Fault, Fields, Heading, Quiet } from "../kit/parts";
import { useAct } from "../kit/useAct";
const EQUIPMENT = ["oven", "vacuum_vessel", "pressure_pot", "clamps"] as const satisfies readonly (keyof Counts)[];

/** How many there are of what one piece takes up at a time. */
export function Equipment({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { problem, act } = useAct();
  const put = (key: keyof Counts, count: number) =>
    void act(
      () => api.setEquipment({ ...shop.equipment, [key]: count }),
      () => void client.invalidateQueries(),
    );
  const fault = (key: string) => problem?.errors?.find(({ pointer }) => pointer === `/${key}`)?.detail;
  return (
    <>
      <Heading as="h3">{t("screen.shop.equipment")}</Heading>
      <Fields>
        {EQUIPMENT.map((key) => (
          <NumberField
            key={key}
            label={capital(t(`screen.shop.counted.${key}`))}
            value={shop.equipment[key]}
            onChange={(count) => put(key, count)}
            fault={fault(key)}
          />
        ))}
      </Fields>
      {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
      <Quiet>{t("screen.shop.one_piece_takes_it_until")}</Quiet>
    </>
  );
}
