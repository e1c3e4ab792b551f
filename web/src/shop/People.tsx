import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import type { Person } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Fault, Heading, Quiet } from "../kit/parts";
import { Password } from "./devices/Password";
import { hoursText } from "./hours";
import { PersonForm } from "./PersonForm";

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
