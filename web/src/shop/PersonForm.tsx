import { useState, type ReactNode } from "react";
import { Input, TextField } from "react-aria-components";
import styled from "styled-components";
import { api } from "../api/client";
import type { NewPerson, Person, Role } from "../api/document";
import { t, words } from "../i18n/texts";
import { Button } from "../kit/Button";
import { FieldInput, TextLine } from "../kit/MeasureField";
import { Fault, Quiet, Row } from "../kit/parts";
import { Select } from "../kit/Select";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { clock, DAY_NAMES, DAYS, minutesOf, type Hours } from "./hours";
const ROLES = words("roles", ["viewer", "learner", "maker", "owner"]);
const FIRST = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from_min: 480, to_min: 960 }));
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

/** Who somebody is, what they may, and when they work; new, or one that is there. */
export function PersonForm({ person, onKept, children }: FormProps) {
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
