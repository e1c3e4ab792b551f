import { useState } from "react";
import type { Document } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, clockText } from "../../kit/measure";
import { ClockField } from "../../kit/MeasureField";
import { Fields, Heading, Quiet, Row } from "../../kit/parts";
import { useUnit } from "../../kit/Units";
import { fold } from "../../piece/geometry";
import { today } from "../../piece/edit";

type Seen = NonNullable<Document["survey"]>["seen"];
type Surface = Seen[number]["surface"];

/** Adds to what was looked at; nothing that was found is needed for it. */
function useSeen() {
  const { document, draft } = useBlank();
  const seen = document.survey?.seen ?? [];
  const put = (next: Seen) => draft.change({ ...document, survey: { seen: next } });
  const all: Seen = [
    { surface: "side", from_deg: 0, to_deg: 360, on: today() },
    { surface: "head_face", on: today() },
    { surface: "tail_face", on: today() },
  ];
  return { seen, put, allRound: () => put(all) };
}

/** One press for who went all round it. */
export function WentAllRound() {
  const { allRound } = useSeen();
  return (
    <Row style={{ margin: "8px 0" }}>
      <Button onPress={allRound}>{t("screen.survey.went_all_round_nothing_more")}</Button>
    </Row>
  );
}

/** What of the skin was looked at, by hours and ends, and how more is put down. */
export function Looked() {
  const { assessment } = useBlank();
  const { seen, put } = useSeen();
  const unit = useUnit();
  const [from, setFrom] = useState(0);
  const [to, setTo] = useState(90);
  const ends: Surface[] = ["head_face", "tail_face"];
  const wide = to > from ? to - from : to - from + 360;
  return (
    <section aria-label={t("screen.survey.looked_at")}>
      <Heading>{t("screen.survey.looked_at")}</Heading>
      <Quiet>
        {assessment.coverage.recorded
          ? t("screen.survey.of_its_skin_was_looked_at", {
              share: amountText(assessment.coverage.share * 100, "%", unit),
            })
          : t("screen.survey.nobody_wrote_down_where_they_looked")}{" "}
        {assessment.coverage.tested_share > 0
          ? t("screen.survey.within_reach_of_a_test", {
              share: amountText(assessment.coverage.tested_share, "share", unit),
            })
          : t("screen.survey.no_test_made")}
      </Quiet>
      <ul aria-label={t("screen.survey.looked_at")}>
        {seen.map((one, index) => (
          <li key={index} style={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
            {one.surface === "side" ? hours(one) : t(`screen.survey.${one.surface}_seen`)}
            <Button
              $kind="quiet"
              aria-label={t("screen.survey.not_looked_at", {
                what: one.surface === "side" ? hours(one) : t(`screen.survey.${one.surface}_seen`),
              })}
              onPress={() => put(seen.filter((_, at) => at !== index))}
            >
              {t("screen.survey.remove")}
            </Button>
          </li>
        ))}
      </ul>
      <WentAllRound />
      <Fields>
        <ClockField label={t("screen.survey.from")} value={from} onChange={setFrom} />
        <ClockField label={t("screen.survey.to")} value={to} onChange={setTo} />
      </Fields>
      <Row>
        <Button
          onPress={() =>
            put([...seen, { surface: "side", from_deg: fold(from), to_deg: fold(from) + wide, on: today() }])
          }
        >
          {t("screen.survey.looked_at_these_hours")}
        </Button>
        {ends
          .filter((end) => !seen.some(({ surface }) => surface === end))
          .map((end) => (
            <Button key={end} $kind="quiet" onPress={() => put([...seen, { surface: end, on: today() }])}>
              {t(`screen.survey.${end}_seen`)}
            </Button>
          ))}
      </Row>
    </section>
  );
}

function hours({ from_deg: from = 0, to_deg: to = 0 }: Seen[number]): string {
  return to - from >= 360
    ? t("screen.survey.all_round")
    : t("screen.survey.hours_seen", { from: clockText(from), to: clockText(fold(to)) });
}
