import type { StageName, Story } from "../api/document";
import { t } from "../i18n/texts";
import { MessageText } from "../kit/Advice";
import { dayText } from "../kit/dayText";
import { amountText } from "../kit/measure";
import { Heading, Quiet, Ticket } from "../kit/parts";
import { STAGES } from "../kit/stages";
import { useUnit } from "../kit/Units";

/** What was in it and became of it, the way it went, and what happened on the way. */
export function Happened({ story }: { story: Story }) {
  return (
    <>
      <Defects story={story} />
      <Way story={story} />
      <Incidents story={story} />
    </>
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

function Incidents({ story: { incidents, speeds } }: { story: Story }) {
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
