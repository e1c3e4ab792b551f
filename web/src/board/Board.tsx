import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api } from "../api/client";
import type { Shop, WaitOf } from "../api/document";
import { Button } from "../kit/Button";
import { AmountField, NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { TaskProgress } from "../kit/TaskProgress";
import { useTask } from "../kit/useTask";
import { useUnit } from "../kit/Units";
import { Carry, Fault, Fields, Heading, Quiet, Ticket } from "../kit/parts";
import { Room } from "../kit/Room";
import { t } from "../i18n/texts";

const ASK_AGAIN_MS = 30_000;
const HOUR_MS = 3_600_000;

/** What waits and until when, what can be done now, and the air it all waits in. */
export function Board({ shop }: { shop: Shop }) {
  const waits = useQuery({ queryKey: ["waits"], queryFn: api.waits, refetchInterval: ASK_AGAIN_MS });
  const ready = shop.rack.filter(
    (place) => place.ready && !waits.data?.waits.some(({ blank_id }) => blank_id === place.id),
  );
  return (
    <Room>
      <h2>{t("screen.board.board")}</h2>
      <section aria-label={t("screen.board.waits")}>
        <Heading as="h3">{t("screen.board.waiting_soonest_first")}</Heading>
        {waits.error && <Fault role="alert">{waits.error.message}</Fault>}
        {waits.data?.waits.length === 0 && <Quiet>{t("screen.board.nothing_waits")}</Quiet>}
        {waits.data && waits.data.waits.length > 0 && (
          <Ticket>
            <thead>
              <tr>
                <th>{t("screen.board.piece")}</th>
                <th>{t("screen.board.until")}</th>
                <th>{t("screen.board.unlocks")}</th>
              </tr>
            </thead>
            <tbody>
              {waits.data.waits.map((wait) => (
                <Waits key={`${wait.blank_id}-${wait.line ?? "dry"}`} wait={wait} nowMs={Date.parse(waits.data.now)} />
              ))}
            </tbody>
          </Ticket>
        )}
        <Heading as="h3">{t("screen.board.ready_for_a_hand")}</Heading>
        {ready.length === 0 && <Quiet>{t("screen.board.nothing_just_now")}</Quiet>}
        <ul>
          {ready.map((place) => (
            <li key={place.id} style={{ borderTop: `1px solid ${ink.rule}` }}>
              <Link
                to={`/blanks/${place.id}/${place.note}`}
                style={{ color: "inherit", minHeight: 44, display: "flex", alignItems: "center", gap: 8 }}
              >
                <strong>{place.number ?? "–"}</strong> {place.name} · {t(`screen.bench.${place.note}`)}
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label={t("screen.board.air_and_calendar")}>
        <Heading as="h3">{t("screen.board.the_shops_air")}</Heading>
        <AirOf shop={shop} />
        <Heading as="h3">{t("screen.board.in_a_calendar")}</Heading>
        <Carry href="/api/waits.ics" download>
          {t("screen.board.the_waits_as_a_calendar_file")}
        </Carry>
        <Quiet>
          {t("screen.board.or_let_a_calendar_on_this")}{" "}
          <code>{t("screen.board.api_waits_ics", { origin: window.location.origin })}</code>
          {t("screen.board.it_moves_as_the_waits_do")}
        </Quiet>
      </section>
    </Room>
  );
}

function Waits({ wait, nowMs }: { wait: WaitOf; nowMs: number }) {
  const unit = useUnit();
  const left = (Date.parse(wait.likely_at) - nowMs) / HOUR_MS;
  const span =
    wait.earliest_at === wait.likely_at
      ? day(wait.likely_at)
      : t("screen.board.at_the_earliest_likely", { day: day(wait.earliest_at), day_2: day(wait.likely_at) });
  return (
    <tr>
      <th scope="row">
        <Link
          to={wait.card_id === null ? `/blanks/${wait.blank_id}/mend` : `/blanks/${wait.blank_id}/card`}
          style={{ color: "inherit" }}
        >
          {wait.number ?? "–"} {wait.name}
        </Link>
      </th>
      <td>
        {left <= 0 ? (
          <strong style={{ color: ink.rust }}>
            {wait.working ? t("screen.board.working_time_is_over") : t("screen.board.time_is_up")}
          </strong>
        ) : (
          <>
            {amountText(left, "h", unit)}
            {wait.working && ` ${t("screen.board.of_working_time")}`}
            <Quiet style={{ margin: 0 }}>{span}</Quiet>
          </>
        )}
      </td>
      <td>{wait.unlocks ? t(`unlocks.${wait.unlocks}`) : t("screen.board.the_next_line")}</td>
    </tr>
  );
}

const day = (iso: string) =>
  new Date(iso).toLocaleString("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });

/** Colder, everything that cures takes longer: waits under way move with it. */
function AirOf({ shop }: { shop: Shop }) {
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
