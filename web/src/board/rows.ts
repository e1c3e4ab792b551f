// The rows of the timeline, and what is said of a day in one of them.
import type { Board, BoardPiece } from "../api/document";
import { capital, messageText, t } from "../i18n/texts";
import type { LengthUnit } from "../kit/measure";
import { barsOf, fullOf, takenBy, type Bar } from "./bars";
import { busyHours, clockText, daysOf, scaleOf, type Day } from "./times";

/** due: ms; labels: are its bars named? */
export type Row = { key: string; name: string; link?: string; due?: number; bars: Bar[]; labels: boolean };

/** The board as it is drawn: its days, where a time lies among them, and its rows. */
export type Laid = {
  days: Day[];
  scale: (time: number) => number;
  now: number;
  end: number;
  pieces: Row[];
  shop: Row[];
};

export function layOut(board: Board): Laid {
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

/** What happens in a row on a day, in words. */
export function told({ bars, due }: Row, { start, end }: Day, unit: LengthUnit): string {
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
