import type { Defect } from "../../api/document";
import { useBlank, useSelection } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { Quiet, Row } from "../../kit/parts";
import { Place } from "../../kit/SoughtPlace";
import { freeId, today } from "../../piece/edit";
import { AddFound } from "./AddFound";
import { day } from "./day";
import { Found } from "./Found";

/** What was found, what tests show beside it, and how more is put down. */
export function Defects() {
  const selection = useSelection();
  const { assessment, document } = useBlank();
  return (
    <>
      <Surveys />
      <Place of="survey">
        <ul aria-label={t("screen.survey.what_was_found")} style={{ marginTop: 10 }}>
          {document.defects
            .filter(({ found_on = "" }) => selection.seenBy === undefined || found_on <= selection.seenBy)
            .map((defect) => (
              <Found key={defect.id} defect={defect} report={assessment.defects.find(({ id }) => id === defect.id)} />
            ))}
        </ul>
      </Place>
      {document.defects.length === 0 && <Quiet>{t("screen.survey.nothing_found_yet_go_round_it")}</Quiet>}
      <ByTest />
      <AddFound />
    </>
  );
}

/** What tests make of it beside the survey: judged like the rest, changed only by more tests. */
function ByTest() {
  const blank = useBlank();
  const shown = blank.assessment.defects.filter(({ by_test }) => by_test);
  const bodies = blank.assessment.geometry.by_test;
  if (shown.length === 0) return null;
  const putDown = () =>
    blank.draft.change({
      ...blank.document,
      defects: bodies.reduce(
        (defects: Defect[], defect) => [...defects, { ...defect, id: freeId(defects), found_on: today() }],
        blank.document.defects,
      ),
    });
  return (
    <>
      <ul aria-label={t("screen.survey.what_tests_show")}>
        {bodies.map((defect) => (
          <Found key={defect.id} defect={defect} report={shown.find(({ id }) => id === defect.id)} fixed />
        ))}
      </ul>
      {/* About another axis they are not where the survey would have them. */}
      {blank.assessment.geometry.on_centres === null && (
        <Row>
          <Button onPress={putDown}>{t("screen.survey.put_down_what_tests_show_to")}</Button>
        </Row>
      )}
    </>
  );
}

/** The surveys one after another, where there was more than one: what was known by which day. */
function Surveys() {
  const blank = useBlank();
  const selection = useSelection();
  const days = [...new Set(blank.document.defects.map(({ found_on = "" }) => found_on))].sort();
  if (days.length < 2) return null;
  const options = Object.fromEntries(
    days.map((found_on, index) => [
      found_on || "first",
      index === 0
        ? t("screen.survey.first_survey", { value: found_on && `, ${day(found_on)}` })
        : t("screen.survey.to_2", { day: day(found_on) }),
    ]),
  );
  const last = days.at(-1) ?? "";
  const shown = selection.seenBy === undefined ? last : selection.seenBy;
  return (
    <Choice
      label={t("screen.survey.as_it_was_known")}
      value={shown || "first"}
      options={options}
      onChange={(chosen) => selection.setSeenBy(chosen === last ? undefined : chosen === "first" ? "" : chosen)}
    />
  );
}
