import { useState } from "react";
import styled from "styled-components";
import { isTest, type Test } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, clockText, type LengthUnit } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { KINDS, SHOWS } from "./testKinds";
import { WriteTest } from "./WriteTest";

const LATEST = 4;

const Line = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 6px 0 6px 14px;
  time {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

/** Tests in the hand, each at a place: written down once, never changed, and part of the map at once. */
export function Tests() {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const made = (blank.document.readings ?? []).filter(isTest);
  return (
    <section aria-label={t("screen.survey.tests")}>
      {open ? (
        <WriteTest onDone={() => setOpen(false)} />
      ) : (
        <Button onPress={() => setOpen(true)}>{t("screen.survey.write_down_a_test")}</Button>
      )}
      <ul>
        {[...made]
          .reverse()
          .slice(0, all ? made.length : LATEST)
          .map((reading, index) => (
            <Made key={made.length - index} reading={reading} />
          ))}
      </ul>
      {made.length > LATEST && !all && (
        <Button $kind="quiet" onPress={() => setAll(true)}>
          {t("screen.survey.all_tests", { count: made.length })}
        </Button>
      )}
    </section>
  );
}

/** What a test read or showed, in words. */
function shownBy(test: Test, unit: LengthUnit): string | undefined {
  if (test.kind === "awl") return t("screen.survey.deep_3", { amount_text: amountText(test.value, "mm", unit) });
  if (test.kind === "moisture")
    return `${amountText(test.value, "%", unit)}${t("screen.survey.deep_4", { depth: amountText(test.depth_mm, "mm", unit) })}`;
  return SHOWS[test.kind]?.[test.found]?.toLowerCase();
}

function Made({ reading }: { reading: Test }) {
  const unit = useUnit();
  const { kind, at: spot } = reading;
  const when = new Date(reading.taken_at).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
  return (
    <Line>
      <strong>{KINDS[kind]}</strong>{" "}
      {t("screen.survey.at", {
        clock_text: clockText(spot.clock_deg),
        value:
          spot.r_mm === undefined
            ? t("screen.survey.from_the_head", { amount_text: amountText(spot.z_mm, "mm", unit) })
            : t("screen.survey.off_the_axis_4", { r_mm: amountText(spot.r_mm, "mm", unit) }),
      })}{" "}
      {shownBy(reading, unit)} <time dateTime={reading.taken_at}>{when}</time>
    </Line>
  );
}
