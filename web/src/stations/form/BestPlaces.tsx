import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { SearchQuestion } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice, Choices } from "../../kit/Choice";
import { useAct } from "../../kit/useAct";
import { useStored } from "../../kit/useStored";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { PlacesFound } from "./PlacesFound";

const CHANGES = {
  slide: t("screen.form.along_the_axis"),
  centre: t("screen.form.the_centre"),
  tilt: t("screen.form.the_lean"),
  size: t("screen.form.the_size"),
  flip: t("screen.form.which_end"),
} as const;
type Change = keyof typeof CHANGES;
const ALL = Object.keys(CHANGES) as Change[];

type Asking = { wishes: string[]; of: string | undefined; may: Change[]; seed: number };

/** Lets the machine look for the places of the form that come closest to what is wished; it goes on while other things are done. */
export function BestPlaces() {
  const { document, id } = useBlank();
  const table = useQuery({ queryKey: ["table", "wishes"], queryFn: () => api.table("wishes"), staleTime: Infinity });
  const [asking, setAsking] = useStored<Asking>(`wishes-of-${id}`, {
    wishes: ["lose_cracks", "largest"],
    of: undefined,
    may: ALL,
    seed: 1,
  });
  const [running, setRunning] = useStored<number | null>(`search-of-${id}`, null);
  const { problem, act, busy } = useAct();
  const names = Object.fromEntries(
    (table.data?.rows ?? [])
      .filter((row) => !row["of"] || document.defects.length > 0)
      .map((row) => [String(row["key"]), t(`tables.wishes.${String(row["key"])}.name`)]),
  );
  const inView = asking.wishes.includes("keep_in_view");
  const chosenOf = asking.of ?? document.defects[0]?.id;
  const ask = (seed: number) => {
    const may_change = asking.may.filter((change) => change !== "flip") as NonNullable<SearchQuestion["may_change"]>;
    const wishes = asking.wishes.map((key) => ({
      key,
      weight: 1,
      ...(key === "keep_in_view" && chosenOf && { of: chosenOf }),
    }));
    void act(
      () => api.askSearch({ document, wishes, may_change, flip: asking.may.includes("flip"), seed }),
      (search) => {
        setAsking({ ...asking, seed });
        setRunning(search.id);
      },
    );
  };
  const unasked =
    asking.wishes.length === 0
      ? t("screen.form.wish_for_something_first")
      : asking.may.every((change) => change === "flip")
        ? t("screen.form.something_besides_the_end_must_be")
        : undefined;
  return (
    <>
      <Heading>{t("screen.form.best_places")}</Heading>
      <div style={{ display: "grid", gap: 10 }}>
        <Choices
          label={t("screen.form.you_want_to")}
          value={asking.wishes}
          options={names}
          onChange={(wishes) => setAsking({ ...asking, wishes })}
        />
        {inView && document.defects.length > 1 && (
          <Choice
            label={t("screen.form.kept_in_view")}
            value={chosenOf ?? ""}
            options={Object.fromEntries(document.defects.map((defect) => [defect.id, defect.id]))}
            onChange={(of) => setAsking({ ...asking, of })}
          />
        )}
        <Choices
          label={t("screen.form.free_to_change")}
          value={asking.may}
          options={CHANGES}
          onChange={(may) => setAsking({ ...asking, may })}
        />
        <Row>
          <Button isDisabled={busy || unasked !== undefined} onPress={() => ask(1)}>
            {t("screen.form.look_for_the_best_places")}
          </Button>
          {running !== null && (
            <Button $kind="quiet" isDisabled={busy || unasked !== undefined} onPress={() => ask(asking.seed + 1)}>
              {t("screen.form.look_elsewhere_too")}
            </Button>
          )}
        </Row>
        {unasked && <Quiet>{unasked}</Quiet>}
        {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      </div>
      {running !== null && <PlacesFound id={running} onGone={() => setRunning(null)} />}
    </>
  );
}
