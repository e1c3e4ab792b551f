import { memo } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { messageText, t } from "../i18n/texts";
import type { LengthUnit } from "../kit/measure";
import { Unseen } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import type { Bar } from "./bars";
import { told, type Laid, type Row } from "./rows";

/** All bars of a row, over its cells: laid out from the first of them. */
const Layer = styled.div`
  position: absolute;
  inset: 0 auto 0 0;
  z-index: 1;
  overflow: hidden;
  pointer-events: none;
`;

const Strip = styled.span<{ $kind: Bar["kind"] }>`
  position: absolute;
  top: 50%;
  translate: 0 -50%;
  height: ${({ $kind }) => ($kind === "hands" ? 26 : $kind === "wait" ? 18 : 14)}px;
  min-width: 3px;
  overflow: hidden;
  white-space: nowrap;
  font-size: 13px;
  padding-left: 3px;
  display: flex;
  align-items: center;
  ${({ $kind }) =>
    $kind === "hands"
      ? `background: ${ink.moss}; color: ${ink.onMoss}; box-shadow: -1px 0 ${ink.ground};`
      : $kind === "wait"
        ? `background: repeating-linear-gradient(115deg, ${ink.ochre} 0 2px, transparent 2px 8px); color: ${ink.ink};
           border: 1px solid ${ink.ochre};`
        : `background: ${ink.slate};`}
  > span {
    padding: 0 3px;
    background: ${({ $kind }) => ($kind === "wait" ? ink.ground : "none")};
  }
`;

const Mark = styled.span<{ $due?: boolean }>`
  position: absolute;
  top: ${({ $due }) => ($due ? "3px" : 0)};
  bottom: ${({ $due }) => ($due ? "3px" : 0)};
  border-left: ${({ $due }) => ($due ? `3px solid ${ink.rust}` : `2px solid ${ink.ink}`)};
  font-size: 13px;
  line-height: 1;
  color: ${ink.rust};
  padding-left: 3px;
  background: linear-gradient(${ink.ground}, ${ink.ground}) no-repeat;
`;

/** About so wide is a letter of a label. */
const LETTER_PX = 6.8;

type Props = {
  row: Row;
  index: number;
  laid: Laid;
  width: number;
  /** The day that one is at, where that is in this row. */ here: number | undefined;
  onAt: (at: [number, number]) => void;
};

/** Of two hundred only those change that one comes from and goes to. */
export const TimelineRow = memo(function TimelineRow({ row, index, laid, width, here, onAt }: Props) {
  const unit = useUnit();
  return (
    <tr>
      <th scope="row">{row.link ? <Link to={row.link}>{row.name}</Link> : row.name}</th>
      {laid.days.map((day, place) => (
        <td
          key={day.start}
          data-cell={`${index} ${place}`}
          tabIndex={place === here ? 0 : -1}
          onFocus={() => onAt([index, place])}
          onClick={() => onAt([index, place])}
        >
          {place === 0 && <Bars row={row} laid={laid} width={width} />}
          <Unseen>{told(row, day, unit)}</Unseen>
        </td>
      ))}
    </tr>
  );
});

function Bars({ row, laid: { scale, end, now }, width }: { row: Row; laid: Laid; width: number }) {
  const unit = useUnit();
  const px = (share: number) => (share * width) / 100;
  return (
    <Layer aria-hidden style={{ width }}>
      <Mark style={{ left: px(scale(now)) }} />
      {row.bars
        .filter(({ from }) => from < end)
        .map((bar) => {
          const [left, right] = [px(scale(Math.max(bar.from, now - 1))), px(scale(bar.to))];
          const label = row.labels ? fitting(bar, right - left - 10, unit) : "";
          return (
            <Strip key={bar.key} $kind={bar.kind} style={{ left, width: Math.max(right - left, 3) }}>
              {label && <span>{label}</span>}
            </Strip>
          );
        })}
      {row.due !== undefined && row.due < end && (
        <Mark $due style={{ left: px(scale(row.due)) - 34 }}>
          {t("screen.board.due")}
        </Mark>
      )}
    </Layer>
  );
}

/** What of a bar's names there is room for: the first, or none. */
function fitting({ names }: Bar, room: number, unit: LengthUnit): string {
  const all = names.map((name) => messageText(name, unit));
  const whole = all.length > 1 ? `${all[0]} – ${all.at(-1)}` : (all[0] ?? "");
  return [whole, all[0] ?? ""].find((text) => text.length * LETTER_PX <= room) ?? "";
}
