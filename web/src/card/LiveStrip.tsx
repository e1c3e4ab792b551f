import styled from "styled-components";
import type { LiveReading } from "../api/document";
import { t } from "../i18n/texts";
import { useLive } from "../instruments/live";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";

const List = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 26px;
  margin: 0;
  padding: 8px 26px 0;
  div {
    display: flex;
    align-items: baseline;
    gap: 8px;
  }
  dt {
    font-size: 16px;
    color: ${ink.quiet};
  }
  dd {
    margin: 0;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
    min-width: 3.4em;
  }
  [data-state="lost"] dd,
  [data-state="doubtful"] dd {
    font-weight: 400;
    color: ${ink.rust};
  }
`;

/** What matters at a turning lathe first, then what stands beside it. */
const AT_LATHE = ["tachometer", "shake", "wall_gauge"];
const ORDER = [...AT_LATHE, "scale", "pins", "thermometer"];

const nameOf = ({ key, spot }: LiveReading) =>
  spot ? t(`tables.instruments.${key}.spots.${spot}`) : t(`tables.instruments.${key}.measures`);

/** What instruments say now, in one row; what is lost says so and shows no number. Nothing without instruments. */
export function LiveStrip({ atLathe }: { atLathe: boolean }) {
  const unit = useUnit();
  const readings = useLive().filter(({ key, unit: of }) => of !== null && (!atLathe || AT_LATHE.includes(key)));
  if (readings.length === 0) return null;
  const ordered = [...readings].sort((one, other) => ORDER.indexOf(one.key) - ORDER.indexOf(other.key));
  return (
    <List aria-label={t("screen.instruments.now")}>
      {ordered.map((reading) => (
        <div key={`${reading.key} ${reading.spot}`} data-state={reading.state} data-instrument={reading.key}>
          <dt>{nameOf(reading)}</dt>
          <dd>
            {reading.value === null
              ? t(`screen.instruments.${reading.state === "doubtful" ? "doubtful" : "lost"}`)
              : amountText(reading.value, reading.unit ?? "", unit)}
          </dd>
        </div>
      ))}
    </List>
  );
}
