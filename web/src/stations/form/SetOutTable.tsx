import styled from "styled-components";
import type { SetOuts } from "../../api/document";
import { messageText, t } from "../../i18n/texts";
import { Worked } from "../../kit/Advice";
import { amountText, lengthText } from "../../kit/measure";
import { Fault, Ticket } from "../../kit/parts";
import { useUnit } from "../../kit/Units";
import { rowsOf } from "./setOutRows";

const Listed = styled.ol`
  list-style: decimal;
  margin: 12px 0;
  padding-left: 1.6em;

  li {
    margin: 4px 0;
  }
`;

/** The numbers in a table, the working of a hole, and the stations. */
export function SetOutTable({ numbers }: { numbers: SetOuts }) {
  const unit = useUnit();
  const { stations, hole, workings } = numbers;
  const hollow = stations.some(({ inside_mm }) => inside_mm !== null);
  return (
    <>
      <Ticket aria-label={t("screen.form.numbers_to_mark")}>
        <tbody>
          {rowsOf(numbers, unit).map(([name, says, key]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>
                <Worked working={workings[`/${key}`]}>{says}</Worked>
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      {hole && <HoleLines hole={hole} />}
      <Ticket aria-label={t("screen.form.stations")} style={{ marginTop: 12 }}>
        <thead>
          <tr>
            <th className="number">{t("screen.form.from_the_foot", { unit })}</th>
            <th className="number">{t("screen.form.across", { unit })}</th>
            {hollow && <th className="number">{t("screen.form.inside_2", { unit })}</th>}
          </tr>
        </thead>
        <tbody>
          {stations.map(({ from_foot_mm, diameter_mm, inside_mm }) => (
            <tr key={from_foot_mm}>
              <td className="number">{lengthText(from_foot_mm, unit)}</td>
              <td className="number">
                <strong>{lengthText(diameter_mm, unit)}</strong>
              </td>
              {hollow && (
                <td className="number">
                  {inside_mm === null ? t("screen.form.solid_2") : lengthText(inside_mm, unit)}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}

/** What is wrong with the hole first, then how to drill it and what goes into it, one line after another. */
function HoleLines({ hole }: { hole: NonNullable<SetOuts["hole"]> }) {
  const unit = useUnit();
  return (
    <>
      {hole.says.map((one) => (
        <Fault key={one.key} role="alert">
          {messageText(one, unit)}
        </Fault>
      ))}
      <Listed aria-label={t("screen.form.working_of_the_hole")}>
        {hole.lines.map(({ key, message, target, minutes }) => (
          <li key={key}>
            {messageText(message, unit)} {target && <strong>{amountText(target.value, target.unit, unit)}</strong>}
            {minutes && (
              <strong>{`${amountText(minutes[0] ?? 0, "min", unit)} – ${amountText(minutes[1] ?? 0, "min", unit)}`}</strong>
            )}
          </li>
        ))}
      </Listed>
    </>
  );
}
