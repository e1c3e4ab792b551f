import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import styled from "styled-components";
import type { Board } from "../api/document";
import { t } from "../i18n/texts";
import { Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { layOut, told, type Row } from "./rows";
import { TimelineRow } from "./TimelineRow";
import { dayText } from "./times";

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
