import { useMemo, useState } from "react";
import { Link } from "react-router";
import { api, Refused } from "../../api/client";
import { readNowOrLater } from "../../api/outbox";
import type { Assessment, Document } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { AmountField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { AdviceList, Worked } from "../../kit/Advice";
import { Sections, type Section } from "../../kit/Sections";
import { Place } from "../../kit/SoughtPlace";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { useKept } from "../../kit/useKept";
import { lastMassG } from "../../piece/weight";
import { Fault, Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { Materials } from "./Materials";
import { Steps } from "./Steps";
import { ToCard } from "./ToCard";

const SETTLED_MS = 250;

const SECTIONS = ["plan", "materials", "drying"] as const;
type Name = (typeof SECTIONS)[number];

/** What to mend, in which order, with what; when the wood is dry enough for it, and when it can be turned. */
export function MendStation() {
  const blank = useBlank();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const { answer, problem } = useNewest(document, api.mend);
  const [open, , setOpen] = useKept<Name>("section of mend", SECTIONS);
  const faults = useMemo(
    () => Object.fromEntries((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail])),
    [problem],
  );
  const { drying } = blank.assessment;
  const sections: Section<Name>[] = [
    {
      key: "plan",
      title: t("screen.mend.section.plan"),
      body: answer && (
        <Place of="mend">
          <ToCard plan={answer} />
          <Steps plan={answer} faults={faults} />
        </Place>
      ),
      seeks: ["mend"],
    },
  ];
  if (answer && answer.steps.length > 0)
    sections.push({
      key: "materials",
      title: t("screen.mend.section.materials"),
      body: (
        <>
          {answer.materials.length > 0 && <Materials materials={answer.materials} cost={answer.cost} />}
          <Effect plan={answer} />
        </>
      ),
    });
  if (drying)
    sections.push({
      key: "drying",
      title: t("screen.mend.section.drying"),
      body: <Water drying={drying} />,
      seeks: ["weigh"],
    });
  return (
    <>
      <AdviceList
        advice={[...(answer?.says ?? []), ...blank.assessment.advice.mend]}
        workings={{ ...blank.assessment.workings }}
      />
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">{t("screen.mend.working_out_the_plan")}</Quiet>}
      <Sections open={open} onOpen={setOpen} sections={sections} />
    </>
  );
}

/** What the whole of it does to the piece on the lathe. */
function Effect({ plan }: { plan: Parameters<typeof Steps>[0]["plan"] }) {
  const unit = useUnit();
  const rows = [
    [t("screen.mend.as_it_goes_on_the_lathe"), "first"],
    [t("screen.mend.finished"), "last"],
  ] as const;
  return (
    <>
      <Heading>{t("screen.mend.on_the_lathe_before_and_after")}</Heading>
      <Ticket aria-label={t("screen.mend.before_and_after")}>
        <thead>
          <tr>
            <td />
            <th>{t("screen.mend.stay_below")}</th>
            <th>{t("screen.mend.splits_at")}</th>
            <th>{t("screen.mend.weighs")}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, key]) => (
            <tr key={key}>
              <th scope="row">{name}</th>
              {(["limit_rpm", "burst_rpm", "mass_g"] as const).map((what) => {
                const of = what === "mass_g" ? "g" : "rpm";
                const [was, is] = [
                  amountText(plan.before[key][what], of, unit),
                  amountText(plan.after[key][what], of, unit),
                ];
                return (
                  <td key={what}>
                    {was === is ? (
                      is
                    ) : (
                      <>
                        {was} → <strong>{is}</strong>
                      </>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}

function Water({ drying }: { drying: NonNullable<Assessment["drying"]> }) {
  const blank = useBlank();
  const unit = useUnit();
  const days = (value: number | null) => amountText(value, "days", unit);
  return (
    <>
      <Heading>{t("screen.mend.dry_enough_for")}</Heading>
      <Ticket>
        <tbody>
          {drying.targets.map((target) => (
            <tr key={target.key}>
              <th scope="row">{t(`tables.gates.${target.key}.name`)}</th>
              <td className="number">{target.at_most_pct} %</td>
              <td>
                {target.ready ? (
                  t("screen.mend.now")
                ) : target.out_of_reach ? (
                  t("screen.mend.not_in_this_air")
                ) : (
                  <Worked working={blank.assessment.workings[`/drying/targets/${target.key}/days`]}>
                    {target.days_late === null
                      ? t("screen.mend.at_the_earliest_or_never", { days: days(target.days_early) })
                      : t("screen.mend.to_5", { days: days(target.days_early), days_2: days(target.days_late) })}
                  </Worked>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      <Quiet>
        {t("screen.mend.in_the_shops_own_air")}{" "}
        <Link to="/board" style={{ color: "inherit" }}>
          {t("screen.mend.what_waits_and_the_shops_air")}
        </Link>
      </Quiet>
      <Weigh />
    </>
  );
}

/** A weight goes straight into the record: readings are added, never changed. */
function Weigh() {
  const blank = useBlank();
  const last = lastMassG(blank.document, blank.assessment);
  const [grams, setGrams] = useState<number>();
  const [fault, setFault] = useState<string>();
  const send = async () => {
    try {
      const kept = await readNowOrLater(blank.id, { kind: "mass", value: grams ?? last });
      if (kept) blank.draft.read(kept);
      setGrams(undefined);
      setFault(undefined);
    } catch (refused) {
      if (!(refused instanceof Refused)) throw refused;
      setFault(refused.problem.errors?.[0]?.detail ?? refused.problem.detail);
    }
  };
  return (
    <Place of="weigh">
      <Heading>{t("screen.mend.weighed_today")}</Heading>
      <Row>
        <div style={{ width: 130 }}>
          <AmountField of="weight" label={t("screen.mend.weight_today")} value={grams ?? last} onChange={setGrams} />
        </div>
        <Button onPress={() => void send()}>{t("screen.mend.add_the_weight")}</Button>
      </Row>
      {fault && <Fault role="alert">{fault}</Fault>}
    </Place>
  );
}
