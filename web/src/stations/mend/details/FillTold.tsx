import type { MendDetail } from "../../../api/document";
import { t } from "../../../i18n/texts";
import { amountText, clockText } from "../../../kit/measure";
import { Heading, Quiet, Ticket } from "../../../kit/parts";
import { ink } from "../../../kit/theme";
import { useUnit } from "../../../kit/Units";

/** What each opening takes, and how the piece lies while it sets. */
export function FillTold({ fill }: { fill: NonNullable<MendDetail["fill"]> }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  return (
    <>
      <Ticket aria-label={t("screen.mend.openings")}>
        <thead>
          <tr>
            <td />
            <th>{t("screen.mend.takes")}</th>
            <th>{t("screen.mend.mouth")}</th>
            <th>{t("screen.mend.deep")}</th>
            <th>{t("screen.mend.layers")}</th>
          </tr>
        </thead>
        <tbody>
          {fill.fills.map(({ id, ml, mouth_mm, deep_mm, layers }) => (
            <tr key={id}>
              <th scope="row">{id}</th>
              <td>{amountText(ml, "ml", unit)}</td>
              <td>{mm(mouth_mm)}</td>
              <td>{mm(deep_mm)}</td>
              <td>{layers}</td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      {fill.positions.length > 0 && (
        <>
          <Heading>{t("screen.mend.how_it_lies_meanwhile")}</Heading>
          <ol aria-label={t("screen.mend.positions")} style={{ display: "flex", flexWrap: "wrap", gap: 14 }}>
            {fill.positions.map(({ up, clock_deg, ids }, index) => (
              <li key={index} style={{ display: "grid", justifyItems: "center", gap: 2 }}>
                <Lying clockDeg={clock_deg} up={up} />
                <span>
                  {index + 1}.{" "}
                  <strong>
                    {clock_deg === null
                      ? t("screen.mend.end_up", { up })
                      : t("screen.mend.up", { clock_deg: clockText(clock_deg) })}
                  </strong>
                </span>
                <span style={{ color: ink.quiet, fontSize: 14 }}>
                  {ids.join(", ")}, {amountText(fill.hold_min, "min", unit)}
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
      {fill.dams.length > 0 && <Quiet>{t("screen.mend.dam_the_far_side_of", { join: fill.dams.join(", ") })}</Quiet>}
    </>
  );
}

/** The piece lying with an hour at the top, a drop going in. */
function Lying({ clockDeg, up }: { clockDeg: number | null; up: string }) {
  if (clockDeg === null) {
    return (
      <svg width="70" height="64" aria-hidden>
        <path d="M20 60V22h30v38z" fill="var(--wood)" stroke="var(--ink)" />
        <path d="M35 4l4 9h-8z" fill="var(--moss)" />
        <text x="35" y="46" textAnchor="middle" fontSize="13" fill="var(--quiet)">
          {up}
        </text>
      </svg>
    );
  }
  return (
    <svg width="70" height="64" aria-hidden>
      <g transform={`rotate(${-clockDeg} 35 39)`}>
        <circle cx="35" cy="39" r="22" fill="var(--wood)" stroke="var(--ink)" />
        <path d="M35 39V19" stroke="var(--quiet)" strokeDasharray="2 3" />
        <text x="35" y="27" textAnchor="middle" fontSize="11" fill="var(--quiet)">
          12
        </text>
        <path d="M35 17v14" stroke="var(--ink)" strokeWidth="3" transform={`rotate(${clockDeg} 35 39)`} />
      </g>
      <path d="M35 2l4 9h-8z" fill="var(--moss)" />
    </svg>
  );
}
