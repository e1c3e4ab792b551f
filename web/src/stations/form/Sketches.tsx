import { useMemo, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import { without, type Document, type Form } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { MessageText } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { sketchOf, withSketch } from "../../piece/sketches";
import { useBlank } from "../../draft/contexts";
import { SmallSection } from "./SmallSection";
import { t } from "../../i18n/texts";

const MOST = 8;
const MOST_COMPARED = 3;
const SETTLED_MS = 300;
type Sketch = NonNullable<Document["sketches"]>[number];

const Side = styled.div`
  overflow-x: auto;
  table {
    border-collapse: collapse;
    min-width: 100%;
  }
  th,
  td {
    text-align: left;
    padding: 7px 12px 7px 0;
    border-top: 1px solid ${ink.rule};
    vertical-align: top;
    font-weight: 400;
    min-width: 128px;
  }
  thead th {
    border-top: 0;
    font-weight: 650;
  }
  tbody th {
    color: ${ink.quiet};
    font-size: 14px;
    min-width: 0;
  }
`;

/** Other forms kept beside the present one, and all of them compared. Choosing one keeps the others. */
export function Sketches({ form }: { form: Form }) {
  const { document, draft } = useBlank();
  const sketches = document.sketches ?? [];
  const put = (list: Sketch[]) =>
    draft.change((list.length > 0 ? { ...document, sketches: list } : without(document, "sketches")) as Document);
  const choose = (index: number) => draft.change(withSketch(document, index));
  return (
    <>
      <Heading>{t("screen.form.other_thoughts")}</Heading>
      <Row>
        <Button isDisabled={sketches.length >= MOST} onPress={() => put([...sketches, sketchOf(document, form)])}>
          {t("screen.form.keep_this_one_beside")}
        </Button>
      </Row>
      {sketches.length === 0 ? (
        <Quiet>{t("screen.form.keep_a_form_beside_draw_another")}</Quiet>
      ) : (
        <Compared {...{ sketches, choose }} drop={(index) => put(sketches.filter((_, other) => other !== index))} />
      )}
    </>
  );
}

type Props = { sketches: Sketch[]; choose: (index: number) => void; drop: (index: number) => void };

function Compared({ sketches, choose, drop }: Props) {
  const blank = useBlank();
  const unit = useUnit();
  const document = useSettled(blank.document, SETTLED_MS);
  const [from, setFrom] = useState(0);
  const question = useMemo(
    () => ({ ...document, sketches: (document.sketches ?? []).slice(from, from + MOST_COMPARED) }),
    [document, from],
  );
  const { answer, problem } = useNewest<Document, Awaited<ReturnType<typeof api.compare>>>(question, api.compare);
  if (problem) return <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>;
  if (!answer) return <Quiet role="status">{t("screen.form.working_them_out")}</Quiet>;
  const forms = answer.forms;
  const rows: [string, (outcome: (typeof forms)[number]["outcome"]) => string][] = [
    [
      t("screen.form.size"),
      ({ diameter_mm, height_mm }) =>
        `⌀${amountText(diameter_mm, "mm", unit).replace(/ mm$/, "")} × ${amountText(height_mm, "mm", unit)}`,
    ],
    [t("screen.form.weighs"), ({ mass_g }) => amountText(mass_g, "g", unit)],
    [t("screen.form.blank_left_in_it"), ({ yield_share }) => amountText(yield_share, "share", unit)],
    [
      t("screen.form.thinnest"),
      ({ least_wall_mm }) =>
        least_wall_mm === null ? t("screen.form.compared.solid") : amountText(least_wall_mm, "mm", unit),
    ],
    [t("screen.form.trouble_gone"), ({ gone }) => gone.join(", ") || t("screen.form.compared.none")],
    [
      t("screen.form.through_the_wall"),
      ({ breaks_through }) => breaks_through.join(", ") || t("screen.form.compared.none"),
    ],
    [
      t("screen.form.to_mend"),
      ({ fill_ml, mend_hours }) =>
        mend_hours > 0
          ? t("screen.form.of_work", {
              fill_ml: amountText(fill_ml, "ml", unit),
              mend_hours: amountText(mend_hours, "h", unit),
            })
          : t("screen.form.compared.nothing"),
    ],
    [
      t("screen.form.at_the_end_up_to"),
      ({ unsafe, limit_rpm }) => (unsafe ? t("screen.form.unsafe_as_planned") : amountText(limit_rpm, "rpm", unit)),
    ],
    [t("screen.form.for_a_tenon"), ({ tenon_wood_mm }) => amountText(tenon_wood_mm, "mm", unit)],
    [
      t("screen.form.wood_turned_away"),
      ({ wasted_value }) =>
        wasted_value === null ? t("screen.form.no_price_known") : amountText(wasted_value, "money", unit),
    ],
  ];
  return (
    <>
      <Side tabIndex={0} role="group" aria-label={t("screen.form.forms_compared")}>
        <table>
          <thead>
            <tr>
              <td />
              {forms.map(({ name, outcome }, index) => (
                <th key={index} scope="col">
                  <SmallSection svg={outcome.section_svg} of={name ?? t("screen.form.the_present_form")} />
                  {name ?? t("screen.form.as_it_is_now")}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([title, show]) => (
              <tr key={title}>
                <th scope="row">{title}</th>
                {forms.map(({ outcome }, index) => (
                  <td key={index}>{show(outcome)}</td>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row">{t("screen.form.in_short")}</th>
              {forms.map(({ trade }, index) => (
                <td key={index}>
                  <MessageText message={trade} />
                </td>
              ))}
            </tr>
            <tr>
              <td />
              {forms.map(({ name }, index) => (
                <td key={index}>
                  {name !== null && (
                    <Row>
                      <Button onPress={() => choose(from + index - 1)}>{t("screen.form.take_this")}</Button>
                      <Button $kind="quiet" onPress={() => drop(from + index - 1)}>
                        {t("screen.form.drop_it")}
                      </Button>
                    </Row>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </Side>
      {sketches.length > MOST_COMPARED && (
        <Row>
          <Button $kind="quiet" onPress={() => setFrom((from + MOST_COMPARED) % sketches.length)}>
            {t("screen.form.the_next_of", { count: sketches.length })}
          </Button>
        </Row>
      )}
    </>
  );
}
