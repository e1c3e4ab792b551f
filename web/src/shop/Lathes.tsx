import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import type { KeptLathe, Lathe } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText, lengthsText } from "../kit/measure";
import { Fault, Heading, Quiet } from "../kit/parts";
import { useUnit } from "../kit/Units";
import { LatheForm } from "./LatheForm";
import { FIRST_BELT, STANDS } from "./standing";

const FIRST: Lathe = { mass_kg: 100, stand: "floor", swing_mm: 350, between_centres_mm: 700, belts: [FIRST_BELT] };

/** The shop's lathes: their speeds, reach, mass and stand hold down what every blank on them may be turned at. */
export function Lathes() {
  const client = useQueryClient();
  const { data: lathes = [], error } = useQuery({ queryKey: ["lathes"], queryFn: api.lathes });
  const [open, setOpen] = useState<number | "new">();
  // The blanks on a lathe are others with it: they and the rack are fetched anew.
  const take = (next: KeptLathe[]) => {
    setOpen(undefined);
    client.setQueryData(["lathes"], next);
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "lathes" });
  };
  return (
    <>
      <Heading as="h3">{t("screen.shop.lathes")}</Heading>
      {error && <Fault role="alert">{error.message}</Fault>}
      {lathes.length === 0 && !error && <Quiet>{t("screen.shop.none_is_written_down_yet_without")}</Quiet>}
      {lathes.map((kept) => (
        <article key={kept.id} aria-label={kept.name} style={{ margin: "10px 0" }}>
          <strong>{kept.name}</strong>
          <LatheInWords lathe={kept.lathe} blanks={kept.blanks} />
          <Button
            $kind="quiet"
            style={{ paddingLeft: 0 }}
            aria-expanded={open === kept.id}
            aria-label={t("screen.shop.change", { name: kept.name })}
            onPress={() => setOpen(open === kept.id ? undefined : kept.id)}
          >
            {open === kept.id ? t("screen.shop.fold") : t("screen.shop.change_2")}
          </Button>
          {open === kept.id && <LatheForm start={kept} kept={kept} onTake={take} />}
        </article>
      ))}
      {open === "new" ? (
        <LatheForm start={{ name: "", lathe: FIRST }} onTake={take} />
      ) : (
        <Button onPress={() => setOpen("new")}>{t("screen.shop.another_lathe")}</Button>
      )}
    </>
  );
}

/** A lathe in one line. */
function LatheInWords({ lathe, blanks }: { lathe: Lathe; blanks: number }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  const slowest = Math.min(...lathe.belts.map(({ min_rpm }) => min_rpm));
  const fastest = Math.max(...lathe.belts.map(({ max_rpm }) => max_rpm));
  const belts =
    lathe.belts.length === 1 ? t("screen.shop.one_belt") : t("screen.shop.belts", { count: lathe.belts.length });
  return (
    <Quiet style={{ margin: 0 }}>
      {t("screen.shop.swings_between_centres_kg_to_on", {
        mm: mm(lathe.swing_mm),
        mm_2: mm(lathe.between_centres_mm),
        value: lathe.mass_kg + (lathe.ballast_kg ?? 0),
        to_lower_case: STANDS[lathe.stand].toLowerCase(),
        belts,
        slowest,
        fastest: amountText(fastest, "rpm", unit),
        value_2: lathe.jaws_mm?.length
          ? t("screen.shop.jaws", { jaws_mm: lengthsText(lathe.jaws_mm, unit), unit })
          : t("screen.shop.no_jaws_of_its_own"),
        value_3:
          blanks === 1
            ? t("screen.shop.one_blank_stands")
            : t("screen.shop.blanks_stand", { value: blanks === 0 ? t("screen.shop.no_") : blanks }),
      })}
    </Quiet>
  );
}
