import type { Board, BoardPiece, BoardStep, Message } from "../api/document";

/** A stretch of the timeline. */
export type Bar = {
  key: string;
  kind: "hands" | "wait" | "taken";
  from: number;
  to: number;
  names: Message[];
};

const ends = (step: BoardStep): [number, number][] =>
  step.parts.map(({ from, to }) => [Date.parse(from), Date.parse(to)]);
/** Steps so close after one another are one bar. */
const GAP_MS = 60_000;

/** What is done of a piece and what it waits for, in order. */
export function barsOf(piece: BoardPiece, now: number): Bar[] {
  const bars: Bar[] = [];
  if (piece.under_way) {
    const { name, from, until } = piece.under_way;
    bars.push({
      key: "under way",
      kind: "wait",
      from: from ? Date.parse(from) : now,
      to: Date.parse(until),
      names: [name],
    });
  }
  for (const step of piece.steps) {
    for (const [from, to] of ends(step)) {
      const last = bars.at(-1);
      if (last?.kind === "hands" && from - last.to < GAP_MS) {
        last.to = to;
        last.names.push(step.name);
      } else bars.push({ key: `${step.id} ${from}`, kind: "hands", from, to, names: [step.name] });
    }
    const done = ends(step).at(-1)?.[1] ?? 0;
    const until = Date.parse(step.until);
    if (until > done) bars.push({ key: `${step.id} waits`, kind: "wait", from: done, to: until, names: [step.name] });
  }
  return bars;
}

/** When a lathe is turning, an oven is full or somebody is at work, of the whole board. */
export function takenBy(board: Board, of: (step: BoardStep) => boolean, whole: boolean): Bar[] {
  return board.pieces.flatMap((piece) =>
    piece.steps.filter(of).flatMap((step) =>
      (whole
        ? [[Date.parse(step.parts[0]?.from ?? step.until), Date.parse(step.until)] as [number, number]]
        : ends(step)
      ).map(([from, to]) => ({
        key: `${piece.id} ${step.id} ${from}`,
        kind: "taken" as const,
        from,
        to,
        names: [step.name],
      })),
    ),
  );
}

/** When a piece of equipment is full, by what is planned and by what is in it now. */
export function fullOf(board: Board, key: string, now: number): Bar[] {
  const running = board.pieces.flatMap(({ id, under_way }) =>
    under_way?.equipment.includes(key)
      ? {
          key: `${id} now`,
          kind: "taken" as const,
          from: now,
          to: Date.parse(under_way.until),
          names: [under_way.name],
        }
      : [],
  );
  return [...running, ...takenBy(board, (step) => step.equipment.includes(key), true)];
}
