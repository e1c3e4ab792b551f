import { useState } from "react";
import { api, Refused } from "../api/client";
import type { Assessment, DefectReport } from "../api/document";
import { Button } from "../kit/Button";
import { NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { Findings, Worked } from "../kit/Says";
import { useUnit } from "../kit/Units";
import { lastMassG } from "../piece/weight";
import { Fault, Heading, Quiet, Row, Ticket } from "./parts";
import { Casting } from "./Casting";
import { VERDICTS } from "./Survey";
import type { AtStation } from "./types";

const minutes = (value: number) => (value < 120 ? `${value} min` : value < 2880 ? `${value / 60} h` : `${value / 1440} days`);

/** What to mend, with what, and when the wood is dry enough for it. */
export function Mend(at: AtStation) {
  const { assessment } = at;
  const toMend = assessment.defects.map((defect, index) => ({ defect, index })).filter(({ defect }) => ["fill", "cast", "soak", "hold", "dry_first", "remove_now"].includes(defect.verdict) && defect.chosen !== "leave");
  const unit = useUnit();
  return (
    <>
      <Findings findings={assessment.findings.mend} workings={assessment.workings} />
      {toMend.length > 0 && (
        <>
          <Heading>Before hollowing</Heading>
          <Ticket>
            <thead><tr><th /><th>With</th><th>Working time</th><th>Ready to turn</th></tr></thead>
            <tbody>
              {toMend.map(({ defect, index }) => (
                <tr key={defect.id}>
                  <th scope="row">{defect.id}</th>
                  <td>
                    {defect.filler ? (
                      <Worked working={assessment.workings[`/defects/${index}/fill_volume_mm3`]}>
                        {VERDICTS[(defect.chosen ?? defect.verdict) as DefectReport["verdict"]]} <strong>{amountText(defect.fill_volume_mm3, "mm3", unit)}</strong>, {defect.filler.name}
                      </Worked>
                    ) : `${VERDICTS[(defect.chosen ?? defect.verdict) as DefectReport["verdict"]]} first`}
                  </td>
                  <td>{defect.filler ? minutes(defect.filler.working_min) : "—"}</td>
                  <td>{defect.filler ? <strong>{minutes(defect.filler.ready_min)}</strong> : "—"}</td>
                </tr>
              ))}
            </tbody>
          </Ticket>
          <Quiet>Working time is how long it stays usable; only after the second time may it be turned. The product’s own sheet comes first. CA and resin: gloves, eyes, open air.</Quiet>
        </>
      )}
      {assessment.drying && <Water drying={assessment.drying} at={at} />}
      <Casting at={at} />
    </>
  );
}

function Water({ drying, at }: { drying: NonNullable<Assessment["drying"]>; at: AtStation }) {
  const unit = useUnit();
  const days = (value: number | null) => amountText(value, "days", unit);
  return (
    <>
      <Heading>Dry enough for</Heading>
      <Ticket>
        <tbody>
          {drying.targets.map((target) => (
            <tr key={target.key}>
              <th scope="row">{target.name}</th>
              <td className="number">{target.at_most_pct} %</td>
              <td>
                {target.ready ? "now" : target.out_of_reach ? "not in this air" : (
                  <Worked working={at.assessment.workings[`/drying/targets/${target.key}/days`]}>{target.days_late === null ? `${days(target.days_early)} at the earliest, or never` : `${days(target.days_early)} to ${days(target.days_late)}`}</Worked>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      <Weigh at={at} />
    </>
  );
}

/** A weight goes straight into the record: readings are added, never changed. */
function Weigh({ at }: { at: AtStation }) {
  const last = lastMassG(at.document, at.assessment);
  const [grams, setGrams] = useState<number>();
  const [fault, setFault] = useState<string>();
  const send = async () => {
    try {
      at.draft.read(await api.read(at.id, { kind: "mass", value: grams ?? last }));
      setGrams(undefined);
      setFault(undefined);
    } catch (refused) {
      if (!(refused instanceof Refused)) throw refused;
      setFault(refused.problem.errors?.[0]?.detail ?? refused.problem.detail);
    }
  };
  return (
    <>
      <Heading>Weighed today</Heading>
      <Row>
        <div style={{ width: 130 }}><NumberField label="Weight, g" value={grams ?? last} onChange={setGrams} /></div>
        <Button onPress={() => void send()}>Add the weight</Button>
      </Row>
      {fault && <Fault role="alert">{fault}</Fault>}
    </>
  );
}
