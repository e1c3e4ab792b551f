// Where the line of text about a defect stands on a drawing: beside its letter, where it hides nothing.
import { isPath, type Assessment, type Defect } from "../api/document";
import { amountText, type LengthUnit } from "../kit/measure";
import { t } from "../i18n/texts";
import { NAMES } from "./Defect";

export type Box = { x: number; y: number; wide: number; high: number };
type Mark = {
  id: string;
  x: number;
  y: number;
  text: string;
  /** Where its drawing begins, where that lies to the left of its letter. */ left?: number;
};
export type Callout = Omit<Mark, "left"> & { anchor: "start" | "end" };

/** Of the drawings' own type at 14 px: what a letter takes, on average. */
const LETTER_PX = 7.1;
const HIGH_PX = 17;
const AWAY_PX = 11;
const GAP_PX = 8;

const meets = (one: Box, other: Box) =>
  one.x < other.x + other.wide &&
  other.x < one.x + one.wide &&
  one.y < other.y + other.high &&
  other.y < one.y + one.high;

const boxAt = (x: number, y: number, wide: number): Box => ({ x, y: y - HIGH_PX / 2, wide, high: HIGH_PX });
/** The same with a gap on either side. */
const apart = (box: Box): Box => ({ ...box, x: box.x - GAP_PX, wide: box.wide + 2 * GAP_PX });

/**
 * The texts that have room, each to the right of its letter or the left of its drawing, or a line or two above or below; what has none is
 * left out. marks: letters in px, each with its text; taken: what must not be covered beside the letters.
 */
export function calloutsIn(frame: Box, marks: Mark[], taken: Box[] = []): Callout[] {
  const used = [...taken, ...marks.map(({ x, y }) => boxAt(x - 8, y, 16))];
  return marks.flatMap(({ left, ...mark }) => {
    const before = Math.min(left ?? mark.x, mark.x) - AWAY_PX;
    const wide = mark.text.length * LETTER_PX;
    const places = [0, -1, 1, -2, 2]
      .map((lines) => lines * HIGH_PX)
      .flatMap((off): { callout: Callout; box: Box }[] => [
        {
          callout: { ...mark, x: mark.x + AWAY_PX, y: mark.y + off, anchor: "start" },
          box: boxAt(mark.x + AWAY_PX, mark.y + off, wide),
        },
        {
          callout: { ...mark, x: before, y: mark.y + off, anchor: "end" },
          box: boxAt(before - wide, mark.y + off, wide),
        },
      ]);
    const free = places.find(
      ({ box }) =>
        box.x >= frame.x &&
        box.x + wide <= frame.x + frame.wide &&
        box.y >= frame.y &&
        box.y + HIGH_PX <= frame.y + frame.high &&
        !used.some((other) => meets(box, other)),
    );
    if (!free) return [];
    used.push(apart(free.box));
    return [free.callout];
  });
}

/** What is written beside a defect: what it is, how large, and whether it goes through the wall. */
export function calloutText(defect: Defect, { defects }: Assessment, unit: LengthUnit): string {
  const name = NAMES[defect.type].toLowerCase();
  const mm = amountText(isPath(defect) ? defect.depth_mm : Math.max(...defect.size_mm), "mm", unit);
  const size = t(isPath(defect) ? "screen.piece.callout_deep" : "screen.piece.callout_large", { name, mm });
  const through = defects.find(({ id }) => id === defect.id)?.breaks_through;
  return through ? t("screen.piece.callout_through", { size }) : size;
}
