import { without, type Document } from "../../api/document";
import { Button } from "../../kit/Button";
import { NumberField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Worked } from "../../kit/Says";
import { useUnit } from "../../kit/Units";
import { Fields, Heading, Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

type Sums = NonNullable<Document["worth"]>;
const START: Sums = { outcome: 100, hours: 4, rate: 20 };

/** What it would fetch against what it takes, where somebody wants to know. */
export function Worth({ at }: { at: AtStation }) {
  const unit = useUnit();
  const { document, draft, assessment } = at;
  const { worth } = document;
  const fault = (name: string) =>
    at.problem?.errors?.find(({ pointer }) => pointer === `/document/worth/${name}`)?.detail;
  const put = (sums: Sums | undefined) =>
    draft.change(sums ? { ...document, worth: sums } : without(document, "worth"));
  return (
    <section aria-label="Is it worth it">
      <Heading>Is it worth it?</Heading>
      {!worth && <Button onPress={() => put(START)}>Reckon what it comes to</Button>}
      {worth && (
        <>
          <Fields>
            <NumberField
              label="Would fetch"
              value={worth.outcome}
              onChange={(outcome) => put({ ...worth, outcome })}
              fault={fault("outcome")}
            />
            <NumberField
              label="Hours of work"
              value={worth.hours}
              onChange={(hours) => put({ ...worth, hours })}
              fault={fault("hours")}
            />
            <NumberField
              label="An hour costs"
              value={worth.rate}
              onChange={(rate) => put({ ...worth, rate })}
              fault={fault("rate")}
            />
          </Fields>
          {assessment.worth && (
            <p>
              <Worked working={assessment.workings["/worth/margin"]}>
                {assessment.worth.pays ? "Leaves " : "Short by "}
                <strong>{amountText(Math.abs(assessment.worth.margin), "money", unit)}</strong>
              </Worked>
            </p>
          )}
          <Quiet>Counted with the way chosen for each finding, or the one advised.</Quiet>
          <Button onPress={() => put(undefined)}>Leave it out</Button>
        </>
      )}
    </section>
  );
}
