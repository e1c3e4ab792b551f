import styled from "styled-components";
import type { Entry, NewEntry, StageName } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { amountText } from "../../kit/measure";
import { Carry, Heading, Quiet, Row } from "../../kit/parts";
import { Place } from "../../kit/SoughtPlace";
import { STAGES } from "../../kit/stages";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { KINDS } from "./entryKinds";
import { Heard } from "./Heard";
import { PutAway } from "./PutAway";
import { WriteEntry } from "./WriteEntry";

const Line = styled.li`
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 2px 12px;
  padding: 9px 0;
  border-top: 1px solid ${ink.rule};
  time {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

/** What was done, newest last; entries are added and never changed. */
export function Log() {
  const blank = useBlank();
  return (
    <>
      <Place of="log_cut">
        <WriteEntry />
      </Place>
      <Heading>{t("screen.log.so_far")}</Heading>
      <ul aria-label={t("screen.log.journal")}>
        {[...blank.draft.journal].reverse().map((entry) => (
          <Written key={entry.id} entry={entry} />
        ))}
      </ul>
      {blank.draft.journal.length === 0 && <Quiet>{t("screen.log.nothing_logged_yet")}</Quiet>}
      <Heading>{t("screen.log.to_keep_or_hand_on")}</Heading>
      <Row>
        <Carry href={`/api/blanks/${blank.id}/export`} download>
          {t("screen.log.this_blank_as_a_file")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=parcel`} download>
          {t("screen.log.with_photographs_and_log")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=csv`} download>
          {t("screen.log.survey_as_a_table")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=sheet`} download>
          {t("screen.log.survey_sheet_to_print")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=svg`} download>
          {t("screen.log.skin_at_1_1")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=section`} download>
          {t("screen.log.section_at_1_1")}
        </Carry>
      </Row>
      <Quiet>{t("screen.log.the_skin_is_a_drawing_to")}</Quiet>
      {blank.draft.dirty && <Quiet>{t("screen.log.as_it_was_last_saved_your")}</Quiet>}
      <PutAway />
    </>
  );
}

function Written({ entry }: { entry: Entry }) {
  const unit = useUnit();
  const when = new Date(entry.logged_at);
  return (
    <Line>
      <time dateTime={entry.logged_at}>
        {when.toLocaleDateString("en-GB", { day: "numeric", month: "short" })}
        <br />
        {when.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
      </time>
      <div>
        <strong>{KINDS[entry.kind as NewEntry["kind"]]}</strong>
        {entry.stage && ` · ${STAGES[entry.stage as StageName].toLowerCase()}`}
        {entry.speed_rpm !== null && ` · ${amountText(entry.speed_rpm, "rpm", unit)}`}
        {entry.by !== null && ` · ${entry.by}`}
        {entry.note && <p>{entry.note}</p>}
        {entry.kind === "cut" && (
          <div>
            <Heard at={entry.logged_at} />
          </div>
        )}
      </div>
    </Line>
  );
}
