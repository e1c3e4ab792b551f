import { useState } from "react";
import styled from "styled-components";
import { api, Refused } from "../../api/client";
import type { Document, NextTests } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, clockText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";

const Line = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 9px 0 9px 14px;
  .way {
    font-size: 15px;
    color: ${ink.quiet};
  }
`;

/** Which one more test would tell most, asked for when wanted: it goes through every defect both ways. */
export function NextTest() {
  const [told, setTold] = useState<{ of: Document; tests: NextTests["tests"] }>();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const unit = useUnit();
  const { document } = useBlank();
  const ask = async () => {
    setBusy(true);
    try {
      setTold({ of: document, tests: (await api.tests(document)).tests });
      setFault(undefined);
    } catch (refused) {
      if (!(refused instanceof Refused)) throw refused;
      setFault(refused.message);
    }
    setBusy(false);
  };
  if (document.defects.length === 0) return null;
  const current = told?.of === document ? told.tests : undefined;
  return (
    <section aria-label={t("screen.survey.what_to_test_next")}>
      <Heading>{t("screen.survey.what_to_test_next")}</Heading>
      {!current && (
        <Button onPress={() => void ask()} isDisabled={busy}>
          {busy ? t("screen.survey.going_through_it") : t("screen.survey.where_would_one_more_test_tell")}
        </Button>
      )}
      {fault && <Fault role="alert">{fault}</Fault>}
      {current?.length === 0 && <Quiet>{t("screen.survey.nothing_found_here_would_move_the")}</Quiet>}
      <ul>
        {current?.map(({ id, test, clock_deg, z_mm, best_rpm, worst_rpm }) => (
          <Line key={id}>
            <strong>
              {id}: {t(`tables.tests.${test}.name`)}
            </strong>{" "}
            {t("screen.survey.at_from_the_head_by_what", {
              clock_deg: clockText(clock_deg),
              z_mm: amountText(z_mm, "mm", unit),
            })}{" "}
            <strong>{amountText(worst_rpm, "rpm", unit)}</strong> {t("screen.survey.or_may_go_to")}{" "}
            <strong>{amountText(best_rpm, "rpm", unit)}</strong>.
            <div className="way">{t(`tables.tests.${test}.way`)}</div>
          </Line>
        ))}
      </ul>
    </section>
  );
}
