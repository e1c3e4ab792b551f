import type { ReactNode } from "react";
import type { Working } from "../../api/document";
import { Worked } from "../../kit/Advice";
import { Ticket } from "../../kit/parts";

type Props = {
  label: string;
  /** [key under the step, what it is called, what it is]. */
  rows: readonly (readonly [string, string, ReactNode])[];
  workings: Record<string, Working>;
  /** Pointer of the step. */
  place: string;
  /** Rows that have none. */
  children?: ReactNode;
};

/** Numbers of a step as a table, each with its working. */
export function WorkedRows({ label, rows, workings, place, children }: Props) {
  return (
    <Ticket aria-label={label}>
      <tbody>
        {rows.map(([key, name, shown]) => (
          <tr key={key}>
            <th scope="row">{name}</th>
            <td>
              <Worked working={workings[`${place}/${key}`]}>{shown}</Worked>
            </td>
          </tr>
        ))}
        {children}
      </tbody>
    </Ticket>
  );
}
