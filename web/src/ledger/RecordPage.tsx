import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api } from "../api/client";
import type { Kept, Story } from "../api/document";
import { capital, t } from "../i18n/texts";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Carry, Heading, Quiet, Row } from "../kit/parts";
import { Room } from "../kit/Room";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { BeforeAndAfter } from "./BeforeAndAfter";
import { Closing } from "./Closing";
import { Ended } from "./Ended";
import { Happened } from "./Happened";

/** One page that tells the story of a piece: before and after, what was planned and what happened, and what it came to. */
export function RecordPage() {
  const id = Number(useParams()["id"]);
  const story = useQuery({ queryKey: ["record", id], queryFn: () => api.record(id) });
  const kept = useQuery({ queryKey: ["blank", id], queryFn: () => api.blank(id), refetchOnWindowFocus: false });
  if (!story.data || !kept.data)
    return (
      <Waiting
        what={t("screen.record.opening")}
        problem={story.error?.message ?? kept.error?.message}
        onAgain={() => void Promise.all([story.refetch(), kept.refetch()])}
      />
    );
  return <Told id={id} story={story.data} kept={kept.data} />;
}

function Told({ id, story, kept }: { id: number; story: Story; kept: Kept }) {
  const unit = useUnit();
  const { told, days, ending } = story;
  const { document } = kept;
  const facts = [
    capital(told.stuff),
    told.form_kind && t(`tables.forms.${told.form_kind}.name`),
    told.origin,
    amountText(told.largest_mm, "mm", unit),
  ].filter(Boolean);
  return (
    <Room>
      <h2>
        {document.number ?? ""} {document.name}
      </h2>
      <div>
        <p style={{ margin: 0 }}>{facts.join(" · ")}</p>
        {days.started_on && (
          <Quiet>
            {t("screen.record.days", {
              from: dayText(days.started_on),
              to: dayText(ending?.ended_on ?? days.last_on ?? days.started_on),
            })}
          </Quiet>
        )}
        <BeforeAndAfter id={id} story={story} />
        <Happened story={story} />
        {ending?.lessons && (
          <>
            <Heading>{t("screen.record.lessons")}</Heading>
            <p>{ending.lessons}</p>
          </>
        )}
      </div>
      <section aria-label={t("screen.record.became")}>
        {ending ? <Ended id={id} story={story} /> : <Closing id={id} story={story} />}
        <Heading>{t("screen.record.to_hand_over")}</Heading>
        <Row>
          <Carry href={`/api/blanks/${id}/record.pdf`} download>
            {t("screen.record.story_to_print")}
          </Carry>
          <Carry href={`/api/blanks/${id}/record.pdf?cost=yes`} download>
            {t("screen.record.with_cost")}
          </Carry>
          <Carry href={`/api/blanks/${id}/record`} download={`record-${id}.json`}>
            {t("screen.record.as_data")}
          </Carry>
        </Row>
        <p>
          <Link to={`/blanks/${id}/log`} style={{ color: "inherit" }}>
            {t("screen.record.to_the_bench")}
          </Link>
        </p>
      </section>
    </Room>
  );
}
