import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../../api/client";
import { without, type RehearsalInShort } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { Fault, Heading, Quiet, Ticket } from "../../kit/parts";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { useWayOdds } from "./wayOdds";

type Truth = "unknown" | "survey" | "played";

const TRUTHS: Record<Truth, string> = {
  unknown: t("screen.rehearsal.truth_unknown"),
  survey: t("screen.rehearsal.truth_survey"),
  played: t("screen.rehearsal.truth_worst"),
};
/** Before its odds were played nobody knows the worst. */
const TRUTHS_UNPLAYED = without(TRUTHS, "played") as Record<Truth, string>;

/** Turning it once on the screen lathe before it is turned; and how it went the times before. */
export function Rehearse() {
  const { id, document } = useBlank();
  const [truth, setTruth] = useState<Truth>("unknown");
  const { busy, problem, act } = useAct();
  const { kept } = useWayOdds();
  const worst = kept && { seed: kept.odds.seed, index: kept.odds.of_note.worst };
  const go = useNavigate();
  const before = useQuery({ queryKey: ["rehearsals", id], queryFn: () => api.rehearsals(id) });
  const open = (rehearsal: number) => void go(`/blanks/${id}/rehearsal/${rehearsal}`);
  return (
    <section aria-label={t("screen.route.section.rehearse")}>
      <Quiet>{t("screen.rehearsal.what_it_is")}</Quiet>
      <Choice<Truth>
        label={t("screen.rehearsal.truth")}
        value={truth}
        options={worst ? TRUTHS : TRUTHS_UNPLAYED}
        onChange={setTruth}
      />
      <Button
        $kind="go"
        isDisabled={busy}
        style={{ marginTop: 10 }}
        onPress={() =>
          void act(
            () => api.beginRehearsal(id, document, truth, (truth === "played" && worst) || undefined),
            (begun) => open(begun.id),
          )
        }
      >
        {busy ? t("screen.rehearsal.mounting") : t("screen.rehearsal.begin")}
      </Button>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {(before.data ?? []).length > 0 && <Before all={before.data ?? []} onOpen={open} />}
    </section>
  );
}

function Before({ all, onOpen }: { all: RehearsalInShort[]; onOpen: (id: number) => void }) {
  const unit = useUnit();
  const end = ({ outcome }: RehearsalInShort) => {
    if (!outcome) return t("screen.rehearsal.end.open");
    return outcome.sound || !outcome.event
      ? t("screen.rehearsal.end.sound")
      : t(`screen.odds.event.${outcome.event.key}`);
  };
  return (
    <>
      <Heading>{t("screen.rehearsal.before")}</Heading>
      <Ticket>
        <tbody>
          {all.slice(0, 8).map((one) => (
            <tr key={one.id}>
              <th scope="row">
                {new Date(one.begun_at).toLocaleString(undefined, { dateStyle: "short", timeStyle: "short" })}
                {one.by && ` · ${one.by}`}
              </th>
              <td>{end(one)}</td>
              <td className="number">{one.outcome?.rpm ? amountText(one.outcome.rpm, "rpm", unit) : ""}</td>
              <td>
                <Button $kind="quiet" onPress={() => onOpen(one.id)}>
                  {t(one.outcome ? "screen.rehearsal.look_at_it" : "screen.rehearsal.go_on_with_it")}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
