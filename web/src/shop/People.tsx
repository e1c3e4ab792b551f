import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import styled from "styled-components";
import { Input, TextField } from "react-aria-components";
import { api } from "../api/client";
import type { Equipment as Counts, NewPerson, Person, Role, Shop } from "../api/document";
import { Button } from "../kit/Button";
import { FieldInput, NumberField, TextLine } from "../kit/MeasureField";
import { capital, t, words } from "../i18n/texts";
import { Fault, Fields, Heading, Quiet, Row } from "../kit/parts";
import { Select } from "../kit/Select";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { Password } from "./devices/Password";

const DAYS = ["1", "2", "3", "4", "5", "6", "7"] as const;
const DAY_NAMES = words("screen.shop.weekdays", DAYS);
const ROLES = words("roles", ["viewer", "learner", "maker", "owner"]);
const FIRST = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from_min: 480, to_min: 960 }));

type Hours = Person["hours"];

/** "08:00" of minutes from midnight, and back. */
const clock = (minutes: number) =>
  minutes >= 1440
    ? "23:59"
    : [Math.floor(minutes / 60), minutes % 60].map((part) => String(part).padStart(2, "0")).join(":");
function minutesOf(text: string): number | undefined {
  const [, hours, minutes] = /^(\d\d):(\d\d)/.exec(text) ?? [];
  if (hours === undefined || minutes === undefined) return undefined;
  const all = Number(hours) * 60 + Number(minutes);
  return all === 1439 ? 1440 : all;
}

/** Who works here and when: the board lays the work out over their hours. */
export function People() {
  const client = useQueryClient();
  const { data: people = [], error } = useQuery({ queryKey: ["people"], queryFn: api.people });
  const [open, setOpen] = useState<number | "new">();
  const take = (next: Person[]) => {
    setOpen(undefined);
    client.setQueryData(["people"], next);
    void client.invalidateQueries({ queryKey: ["board"] });
  };
  return (
    <>
      <Heading as="h3">{t("screen.shop.people")}</Heading>
      {error && <Fault role="alert">{error.message}</Fault>}
      {people.length === 0 && !error && <Quiet>{t("screen.shop.nobody_is_written_down_yet")}</Quiet>}
      {people.map((person) => (
        <article key={person.id} aria-label={person.name} style={{ margin: "6px 0" }}>
          <strong>{person.name}</strong> · {t(`roles.${person.role}`)} · {hoursText(person.hours)}
          <Button
            $kind="quiet"
            aria-expanded={open === person.id}
            aria-label={t("screen.shop.change", { name: person.name })}
            onPress={() => setOpen(open === person.id ? undefined : person.id)}
          >
            {open === person.id ? t("screen.shop.fold") : t("screen.shop.change_2")}
          </Button>
          {open === person.id && (
            <PersonForm person={person} onKept={take}>
              <Password personId={person.id} onSet={() => setOpen(undefined)} />
            </PersonForm>
          )}
        </article>
      ))}
      {open === "new" ? (
        <PersonForm onKept={take} />
      ) : (
        <Button onPress={() => setOpen("new")}>{t("screen.shop.add_a_person")}</Button>
      )}
    </>
  );
}

/** "Mon–Fri 08:00–16:00", days of the same hours together. */
function hoursText(hours: Hours): string {
  const said = new Map<string, number[]>();
  for (const { weekday, from_min, to_min } of hours) {
    const span = t("screen.shop.from_to", { from: clock(from_min), to: clock(to_min) });
    said.set(span, [...(said.get(span) ?? []), weekday]);
  }
  if (said.size === 0) return t("screen.shop.no_hours");
  return [...said].map(([span, days]) => `${daysText(days)} ${span}`).join(t("lists.comma"));
}

function daysText(days: number[]): string {
  const names = days.map((day) => DAY_NAMES[String(day) as (typeof DAYS)[number]]);
  const inARow = days.every((day, index) => index === 0 || day === (days[index - 1] ?? 0) + 1);
  return inARow && days.length > 2 ? `${names[0]}–${names.at(-1)}` : names.join(t("lists.comma"));
}

const Week = styled.ul`
  list-style: none;
  margin: 8px 0;
  li {
    display: grid;
    grid-template-columns: 60px 140px 140px auto;
    gap: 10px;
    align-items: center;
    min-height: 48px;
  }
`;

type FormProps = { person?: Person; onKept: (people: Person[]) => void; children?: ReactNode };

function PersonForm({ person, onKept, children }: FormProps) {
  const [asked, setAsked] = useState<NewPerson>({
    name: person?.name ?? "",
    role: person?.role ?? "maker",
    hours: person?.hours ?? FIRST,
  });
  const { busy, problem, act } = useAct();
  const keep = () => void act(() => (person ? api.changePerson(person.id, asked) : api.addPerson(asked)), onKept);
  const faults = Object.fromEntries((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail]));
  return (
    <div style={{ borderLeft: `3px solid ${ink.rule}`, paddingLeft: 14 }}>
      <TextLine
        label={t("screen.shop.name_of_the_person")}
        value={asked.name}
        most={60}
        onChange={(name) => setAsked({ ...asked, name })}
        fault={faults["/name"]}
      />
      <Select
        label={t("screen.shop.role")}
        value={asked.role ?? "maker"}
        options={ROLES}
        onChange={(role) => setAsked({ ...asked, role: role as Role })}
      />
      <Quiet>{t(`screen.shop.what_a_role_may.${asked.role ?? "maker"}`)}</Quiet>
      {faults["/role"] && <Fault role="alert">{faults["/role"]}</Fault>}
      <Week aria-label={t("screen.shop.hours")}>
        {DAYS.map((key) => (
          <Weekday
            key={key}
            weekday={Number(key)}
            hours={asked.hours}
            onChange={(hours) => setAsked({ ...asked, hours })}
            faults={faults}
          />
        ))}
      </Week>
      {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
      <Row>
        <Button $kind="go" isDisabled={busy || asked.name.trim() === ""} onPress={keep}>
          {t("screen.shop.save")}
        </Button>
        {person && (
          <Button isDisabled={busy} onPress={() => void act(() => api.removePerson(person.id), onKept)}>
            {t("screen.shop.works_here_no_longer")}
          </Button>
        )}
      </Row>
      {children}
    </div>
  );
}

type OfDay = { weekday: number; hours: Hours; onChange: (hours: Hours) => void; faults: Record<string, string> };

/** From when to when on one day of the week; several spans of a day are kept, the first of them is shown. */
function Weekday({ weekday, hours, onChange, faults }: OfDay) {
  const name = DAY_NAMES[String(weekday) as (typeof DAYS)[number]];
  const index = hours.findIndex((span) => span.weekday === weekday);
  const span = hours[index];
  const put = (part: Partial<Hours[number]>) =>
    onChange(hours.map((one, place) => (place === index ? { ...one, ...part } : one)));
  const add = () =>
    onChange([...hours, { weekday, from_min: 480, to_min: 960 }].sort((one, other) => one.weekday - other.weekday));
  const fault = faults[`/hours/${index}/to_min`];
  return (
    <li>
      <span>{name}</span>
      {span ? (
        <>
          <TimeField
            label={t("screen.shop.day_from", { day: name })}
            value={span.from_min}
            onChange={(from_min) => put({ from_min })}
          />
          <TimeField
            label={t("screen.shop.day_to", { day: name })}
            value={span.to_min}
            onChange={(to_min) => put({ to_min })}
          />
          <span>
            <Button
              $kind="quiet"
              aria-label={t("screen.shop.day_off_of", { day: name })}
              onPress={() => onChange(hours.filter((one) => one.weekday !== weekday))}
            >
              {t("screen.shop.day_off")}
            </Button>
            {fault && <Fault role="alert">{fault}</Fault>}
          </span>
        </>
      ) : (
        <Button
          $kind="quiet"
          style={{ gridColumn: "2 / -1", justifySelf: "start", paddingLeft: 0 }}
          aria-label={t("screen.shop.works_on", { day: name })}
          onPress={add}
        >
          {t("screen.shop.off_add_hours")}
        </Button>
      )}
    </li>
  );
}

function TimeField({ label, value, onChange }: { label: string; value: number; onChange: (minutes: number) => void }) {
  return (
    <TextField
      type="time"
      aria-label={label}
      value={clock(value)}
      onChange={(text) => {
        const minutes = minutesOf(text);
        if (minutes !== undefined) onChange(minutes);
      }}
    >
      <FieldInput as={Input} />
    </TextField>
  );
}

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
