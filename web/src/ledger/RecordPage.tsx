import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import type { Kept, Photograph, Story, StageName } from "../api/document";
import { capital, t } from "../i18n/texts";
import { MessageText } from "../kit/Advice";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Carry, Fault, Heading, Quiet, Row, Ticket } from "../kit/parts";
import { Room } from "../kit/Room";
import { STAGES } from "../kit/stages";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { useUnit } from "../kit/Units";
import { Waiting } from "../kit/Waiting";
import { pictureOf } from "../photo/Photographs";
import { Closing } from "./Closing";
import { hoursText, stepName } from "./Plots";

const Pictures = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
  align-items: end;
  figure {
    margin: 0;
    max-width: 460px;
  }
  img {
    width: 100%;
    max-height: 440px;
    object-fit: contain;
    display: block;
    background: #fff;
  }
  figcaption {
    color: ${ink.quiet};
    font-size: 15px;
  }
`;

const Sum = styled.dl`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 20px;
  margin: 8px 0;
  dd {
    margin: 0;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .whole {
    font-weight: 700;
    border-top: 1px solid ${ink.rule};
  }
`;

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
  const { told, days, ending, pictures } = story;
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
        {(pictures.before ?? pictures.after ?? told.form_kind) && (
          <Pictures>
            {[pictures.before, pictures.after].map(
              (one, index) =>
                one && (
                  <Picture
                    key={one.id}
                    id={id}
                    picture={one}
                    as={index === 0 ? "before" : "after"}
                    width={pictures.widths?.[index]}
                  />
                ),
            )}
            {told.form_kind && (
              <figure>
                <img src={`/api/blanks/${id}/export?as=section`} alt={t("screen.record.section")} />
                <figcaption>{t("screen.record.section")}</figcaption>
              </figure>
            )}
          </Pictures>
        )}
        <Defects story={story} />
        <Way story={story} />
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

type PictureProps = {
  id: number;
  picture: Photograph;
  as: "before" | "after";
  /** As a share, where both are to scale. */
  width: number | undefined;
};

function Picture({ id, picture, as, width }: PictureProps) {
  const what = t(`screen.record.${as}`);
  return (
    <figure>
      <img
        src={pictureOf(id, picture)}
        alt={picture.caption ? `${what}: ${picture.caption}` : what}
        style={width === undefined ? undefined : { width: `${width * 100}%` }}
      />
      <figcaption>
        {what}
        {picture.caption && `: ${picture.caption}`}
      </figcaption>
    </figure>
  );
}

function Defects({ story: { told } }: { story: Story }) {
  if (told.defects.length === 0) return <Quiet>{t("screen.record.sound")}</Quiet>;
  return (
    <>
      <Heading>{t("screen.record.was_in_it")}</Heading>
      <Ticket>
        <tbody>
          {told.defects.map((one) => (
            <tr key={one.id}>
              <th scope="row">{one.id}</th>
              <td>{t(`defects.${one.type}`)}</td>
              <td>{t(`story_sheet.became.${one.became}`)}</td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}

function Way({ story: { done } }: { story: Story }) {
  if (done.length === 0) return null;
  return (
    <>
      <Heading>{t("screen.record.way")}</Heading>
      <Ticket>
        <tbody>
          {done.map((step) => (
            <tr key={step.id}>
              <td style={{ width: 110 }}>{step.on && dayText(step.on)}</td>
              <td>
                <MessageText message={step.name} asSentence />
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}

function Happened({ story: { incidents, speeds } }: { story: Story }) {
  const unit = useUnit();
  if (incidents.length === 0 && speeds.length === 0) return null;
  return (
    <>
      <Heading>{t("screen.record.happened")}</Heading>
      <ul>
        {speeds.map(({ stage, most_rpm }) => (
          <li key={stage}>
            {t("screen.record.most_speed", {
              stage: stage ? STAGES[stage as StageName].toLowerCase() : "",
              speed: amountText(most_rpm, "rpm", unit),
            })}
          </li>
        ))}
        {incidents.map((one) => (
          <li key={one.at}>
            {dayText(one.at)}: <MessageText message={one.trouble} asSentence />
          </li>
        ))}
      </ul>
    </>
  );
}

function Ended({ id, story }: { id: number; story: Story }) {
  const unit = useUnit();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const [again, setAgain] = useState(false);
  const { ending, materials } = story;
  if (!ending) return null;
  const money = (value: number) => amountText(value, "money", unit);
  const take = (next: Story) => {
    client.setQueryData(["record", id], next);
    void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "record" });
  };
  return (
    <>
      <Heading>{t("screen.record.became")}</Heading>
      <p style={{ fontSize: 20, fontWeight: 700, margin: 0 }}>
        {t(`story_sheet.outcome.${ending.outcome}`, { day: dayText(ending.ended_on) })}
      </p>
      {ending.why && (
        <p>
          {ending.failed_at && `${stepName(ending.failed_at)}: `}
          {ending.why}
        </p>
      )}
      <Sum>
        <dt>{t("story_sheet.blank")}</dt>
        <dd>{money(ending.blank_cost)}</dd>
        <dt>{t("story_sheet.materials")}</dt>
        <dd>{money(ending.materials_cost)}</dd>
        <dt>{t("story_sheet.hours", { hours: hoursText(ending.hands_h), rate: money(ending.rate) })}</dt>
        <dd>{money(ending.hands_h * ending.rate)}</dd>
        <dt className="whole">{t("story_sheet.whole")}</dt>
        <dd className="whole">{money(ending.cost)}</dd>
        {ending.price !== null && (
          <>
            <dt>{t("story_sheet.price")}</dt>
            <dd>{money(ending.price)}</dd>
            <dt className="whole">{t("story_sheet.margin")}</dt>
            <dd className="whole" style={(ending.margin ?? 0) < 0 ? { color: ink.rust } : undefined}>
              {money(ending.margin ?? 0)}
            </dd>
          </>
        )}
      </Sum>
      {ending.planned_h !== null && (
        <Quiet>
          {t("screen.record.planned", {
            planned: hoursText(ending.planned_h),
            took: hoursText(ending.hands_h),
          })}
        </Quiet>
      )}
      {materials.map((row) => (
        <Quiet key={row.name}>
          {row.name}: {amountText(row.grams, "g", unit)}, {money(row.cost)}
        </Quiet>
      ))}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {again ? (
        <Closing id={id} story={story} />
      ) : (
        <Row>
          <Button $kind="quiet" style={{ paddingLeft: 0 }} onPress={() => setAgain(true)}>
            {t("screen.record.say_otherwise")}
          </Button>
          <Button $kind="quiet" isDisabled={busy} onPress={() => void act(() => api.reopen(id), take)}>
            {t("screen.log.back_on_the_rack")}
          </Button>
        </Row>
      )}
    </>
  );
}
