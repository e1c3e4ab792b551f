import { memo, useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import type { Board, BoardPiece } from "../api/document";
import { capital, messageText, t } from "../i18n/texts";
import { Quiet, Unseen } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import type { LengthUnit } from "../kit/measure";
import { barsOf, fullOf, takenBy, type Bar } from "./bars";
import { busyHours, clockText, dayText, daysOf, scaleOf, type Day } from "./times";

const Frame = styled.div`
  overflow: auto;
  min-height: 0;
  border-top: 1px solid ${ink.rule};
`;

const Table = styled.table`
  width: 100%;
  min-width: 620px;
  border-collapse: separate;
  border-spacing: 0;
  table-layout: fixed;
  thead th {
    position: sticky;
    top: 0;
    z-index: 2;
    background: ${ink.ground};
    text-align: left;
    font-size: 14px;
    font-weight: 400;
    color: ${ink.quiet};
    padding: 6px 0 4px 4px;
    border-left: 1px solid ${ink.rule};
    white-space: nowrap;
  }
  thead th:first-child {
    width: 168px;
    border-left: 0;
  }
  tbody th {
    text-align: left;
    font-weight: 650;
    font-size: 15px;
    padding: 0 8px 0 0;
    line-height: 19px;
    overflow-wrap: anywhere;
  }
  tbody th,
  tbody td {
    height: 42px;
    border-bottom: 1px solid ${ink.rule};
  }
  tbody.shop th,
  tbody.shop td {
    height: 26px;
    font-weight: 400;
    color: ${ink.quiet};
  }
  td {
    position: relative;
    border-left: 1px solid ${ink.rule};
    padding: 0;
  }
  td:focus {
    outline: 3px solid ${ink.ochre};
    outline-offset: -3px;
  }
  th a {
    color: inherit;
    display: flex;
    align-items: center;
    min-height: 40px;
    text-decoration: none;
  }
  th a:hover {
    text-decoration: underline;
  }
`;

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

type Row = { key: string; name: string; link?: string; due?: number; bars: Bar[]; labels: boolean };

/** About so wide is a letter of a label. */
const LETTER_PX = 6.8;

/** The days ahead, a row for each piece, then for each lathe, oven and pair of hands. Cells are gone through by the arrow keys; each says in words what happens that day. */
export function Timeline({ board }: { board: Board }) {
  const unit = useUnit();
  const laid = useMemo(() => layOut(board), [board]);
  const { days, pieces, shop } = laid;
  const rows = useMemo(() => [...pieces, ...shop], [pieces, shop]);
  const { frame, width } = useWidth(days.length);
  const [last, setAt] = useState<[number, number]>([0, 0]);
  // What is done goes, and with it its row.
  const at = [Math.min(last[0], rows.length - 1), Math.min(last[1], days.length - 1)] as const;
  const [row, day] = [rows[at[0]], days[at[1]]];
  const move = (event: KeyboardEvent) => {
    const by = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const next = [by[0] ?? 0, by[1] ?? 0].map((step, axis) =>
      Math.min(Math.max((at[axis] ?? 0) + step, 0), (axis === 0 ? rows : days).length - 1),
    );
    frame.current?.querySelector<HTMLElement>(`[data-cell="${next.join(" ")}"]`)?.focus();
  };
  const line = (one: Row, index: number) => (
    <TimelineRow
      key={one.key}
      row={one}
      index={index}
      laid={laid}
      width={width}
      here={index === at[0] ? at[1] : undefined}
      onAt={setAt}
    />
  );
  return (
    <>
      <Frame ref={frame}>
        <Table aria-label={t("screen.board.timeline")} onKeyDown={move} aria-describedby="timeline-says">
          <thead>
            <tr>
              <th scope="col">{t("screen.board.piece")}</th>
              {days.map(({ start }, index) => (
                <th key={start} scope="col">
                  {index === 0 && days.length < 14 ? t("screen.board.today") : headOf(start, days.length)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>{pieces.map(line)}</tbody>
          <tbody className="shop">{shop.map((one, index) => line(one, pieces.length + index))}</tbody>
        </Table>
      </Frame>
      <Quiet id="timeline-says" role="status" style={{ minHeight: 44, margin: "4px 0 0" }}>
        {rows.length === 0 && t("screen.board.nothing_ahead")}
        {row && day && `${row.name}, ${dayText(day.start)}: ${told(row, day, unit)}`}
      </Quiet>
    </>
  );
}

/** The board as it is drawn: its days, where a time lies among them, and its rows. */
type Laid = { days: Day[]; scale: (time: number) => number; now: number; end: number; pieces: Row[]; shop: Row[] };

function layOut(board: Board): Laid {
  const days = daysOf(board);
  const [now, end] = [Date.parse(board.now), days.at(-1)?.end ?? 0];
  const seen = ({ bars, due }: Row) => bars.some(({ from }) => from < end) || (due !== undefined && due < end);
  return {
    days,
    scale: scaleOf(days, busyHours(board.people)),
    now,
    end,
    pieces: board.pieces.map((piece) => rowOf(piece, now)).filter(seen),
    shop: shopRows(board).filter(seen),
  };
}

type RowProps = {
  row: Row;
  index: number;
  laid: Laid;
  width: number;
  /** The day that one is at, where that is in this row. */ here: number | undefined;
  onAt: (at: [number, number]) => void;
};

/** Of two hundred only those change that one comes from and goes to. */
const TimelineRow = memo(function TimelineRow({ row, index, laid, width, here, onAt }: RowProps) {
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

/** Of many days the number alone. */
const headOf = (start: number, days: number) =>
  new Date(start).toLocaleDateString("en-GB", { day: "numeric", ...(days < 14 && { weekday: "short" }) });

/** Width of all days together on the screen. */
function useWidth(days: number) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const head = frame.current?.querySelector("thead tr");
    if (!head || typeof ResizeObserver === "undefined") return;
    const measure = () => setWidth(head.clientWidth - (head.firstElementChild?.clientWidth ?? 0));
    const watch = new ResizeObserver(measure);
    watch.observe(head);
    measure();
    return () => watch.disconnect();
  }, [days]);
  return { frame, width };
}

function rowOf(piece: BoardPiece, now: number): Row {
  const due = piece.due_on ? new Date(`${piece.due_on}T23:59:59`).getTime() : undefined;
  return {
    key: `piece ${piece.id}`,
    name: `${piece.number ?? "–"} ${piece.name}`,
    link: `/blanks/${piece.id}/route`,
    ...(due !== undefined && { due }),
    bars: barsOf(piece, now),
    labels: true,
  };
}

/** Every lathe and piece of equipment that is used, and everybody who works. */
function shopRows(board: Board): Row[] {
  const steps = board.pieces.flatMap((piece) => piece.steps);
  const lathes = [...new Set(steps.flatMap(({ lathe }) => lathe ?? []))].sort();
  const running = board.pieces.flatMap(({ under_way }) => under_way?.equipment ?? []);
  const equipment = [...new Set([...running, ...steps.flatMap((step) => step.equipment)])].sort();
  const row = (key: string, name: string, bars: Bar[]): Row => ({ key, name, bars, labels: false });
  return [
    ...lathes.map((name) =>
      row(
        `lathe ${name}`,
        latheName(name),
        takenBy(board, ({ lathe }) => lathe === name, false),
      ),
    ),
    ...equipment.map((key) =>
      row(key, capital(t(`tables.equipment.${key}.name`)), fullOf(board, key, Date.parse(board.now))),
    ),
    ...board.people.map(({ id, name }) =>
      row(
        `person ${id}`,
        name,
        takenBy(board, ({ person }) => person === id, false),
      ),
    ),
  ];
}

/** The one lathe of a shop that has none written down has no name of its own. */
export const latheName = (name: string) => (name === "lathe" ? t("screen.board.lathe") : name);

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

/** What happens in a row on a day, in words. */
function told({ bars, due }: Row, { start, end }: Day, unit: LengthUnit): string {
  const said = bars
    .filter(({ from, to }) => from < end && to > start)
    .map(({ kind, from, to, names }) => {
      const name = names.map((one) => messageText(one, unit)).join(t("lists.comma"));
      const [begins, ends] = [from >= start ? clockText(from) : "", to <= end ? clockText(to) : ""];
      if (kind === "wait")
        return ends ? t("screen.board.waits_until", { name, time: ends }) : t("screen.board.waits_on", { name });
      return t("screen.board.from_to", { name, from: begins || clockText(start), to: ends || clockText(end) });
    });
  if (due !== undefined && due >= start && due < end) said.push(t("screen.board.due"));
  return said.length > 0 ? said.join("; ") : t("screen.board.nothing_that_day");
}
