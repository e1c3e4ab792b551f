import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice, Choices } from "../../kit/Choice";
import { NumberField } from "../../kit/MeasureField";
import { Fault, Fields, Row } from "../../kit/parts";
import { Suggest } from "../../kit/Suggest";
import { Words } from "../../kit/Words";
import type { Draft } from "./draft";
import { alike, CHARACTERS, KINDS } from "./options";

type Props = {
  draft: Draft;
  change: (part: Partial<Draft>) => void;
  nextNumber: number;
  /** What was wrong with what was sent, by where it is in the document. */ saveFault: (
    path: string,
  ) => string | undefined;
};

/** Number, name, what it is made of and what is difficult about it. */
export function WhatItIs({ draft, change, nextNumber, saveFault }: Props) {
  const known = useQuery({
    queryKey: ["known-stock"],
    staleTime: Infinity,
    queryFn: async () =>
      (await Promise.all([api.table("woods"), api.table("other_stock")])).flatMap(({ rows }) =>
        rows.map((row) => String(row["name"])),
      ),
  });
  const { grain, species } = draft;
  const meant = alike(species, known.data ?? []);
  const speciesFault = saveFault("/document/material/species");
  return (
    <>
      <Fields style={{ gridTemplateColumns: "110px minmax(0, 1fr)" }}>
        <NumberField
          label={t("screen.shop.number")}
          value={draft.number ?? nextNumber}
          onChange={(number) => change({ number })}
          fault={saveFault("/document/number")}
        />
        <Words
          label={t("screen.shop.what_it_is_to_be_called")}
          value={draft.name}
          onChange={(name) => change({ name })}
          fault={saveFault("/document/name")}
        />
      </Fields>
      <Choice
        label={t("screen.shop.what_it_is")}
        value={draft.kind}
        options={KINDS}
        onChange={(kind) => change({ kind, grain: kind === "wood" ? "face" : "none" })}
      />
      <div>
        <Suggest
          label={t("screen.shop.species_or_material")}
          value={species}
          options={known.data ?? []}
          onChange={(next) => change({ species: next })}
        />
        {meant.length > 0 && (
          <Row role="group" aria-label={t("screen.shop.which_one")} style={{ marginTop: 6 }}>
            <span>{t("screen.shop.which_one")}</span>
            {meant.map((name) => (
              <Button key={name} onPress={() => change({ species: name })}>
                {name}
              </Button>
            ))}
          </Row>
        )}
        {speciesFault && <Fault role="alert">{speciesFault}</Fault>}
      </div>
      <Choices
        label={t("screen.shop.character_as_many_as_fit")}
        value={draft.character}
        options={CHARACTERS}
        onChange={(character) => {
          // A burl's fibres run every way; what was chosen otherwise stays.
          const burl = character.includes("burl");
          const next = burl && grain === "face" ? "burl" : !burl && grain === "burl" ? "face" : grain;
          change({ character, grain: next });
        }}
      />
    </>
  );
}
