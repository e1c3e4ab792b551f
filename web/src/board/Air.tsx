import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import type { Shop } from "../api/document";
import { t } from "../i18n/texts";
import { TakeReading } from "../instruments/TakeReading";
import { Button } from "../kit/Button";
import { AmountField, NumberField } from "../kit/MeasureField";
import { Fault, Fields, Quiet } from "../kit/parts";
import { TaskProgress } from "../kit/TaskProgress";
import { useTask } from "../kit/useTask";

/** Colder, everything that cures takes longer: waits under way move with it. */
export function Air({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const [air, setAir] = useState(shop.climate);
  const { busy, task, problem, run, cancel } = useTask();
  const changed = air.temperature_c !== shop.climate.temperature_c || air.humidity !== shop.climate.humidity;
  const fault = (field: string) => problem?.errors?.find(({ pointer }) => pointer === `/${field}`)?.detail;
  return (
    <>
      <Fields>
        <AmountField
          of="C"
          label={t("screen.board.temperature")}
          value={air.temperature_c}
          onChange={(temperature_c) => setAir({ ...air, temperature_c })}
          fault={fault("temperature_c")}
        />
        <NumberField
          label={t("screen.board.humidity")}
          value={air.humidity * 100}
          onChange={(humidity) => setAir({ ...air, humidity: humidity / 100 })}
          fault={fault("humidity")}
        />
      </Fields>
      <TakeReading of="thermometer" spot="shop" onTake={(celsius) => setAir({ ...air, temperature_c: celsius })} />
      <Button
        isDisabled={!changed || busy}
        onPress={() =>
          void run(
            () => api.setAir(air),
            () => void client.invalidateQueries(),
          )
        }
      >
        {t("screen.board.save")}
      </Button>
      <TaskProgress task={task} label={t("screen.board.saving_the_air")} onCancel={cancel} />
      {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
      <Quiet>{t("screen.board.everything_dries_and_cures_in_it")}</Quiet>
    </>
  );
}
