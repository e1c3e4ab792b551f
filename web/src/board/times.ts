import { scaleLinear } from "d3-scale";
import type { Board, Person } from "../api/document";

const DAY_MS = 86_400_000;

/** A day of the board, from midnight to midnight of this place. */
export type Day = { start: number; end: number };

const midnight = (time: number, days: number): number => {
  const date = new Date(time);
  return new Date(date.getFullYear(), date.getMonth(), date.getDate() + days).getTime();
};

/** The days from today on that the board tells of. */
export function daysOf({ now, until }: Board): Day[] {
  const [today, last] = [Date.parse(now), Date.parse(until)];
  const count = Math.max(1, Math.round((last - midnight(today, 0)) / DAY_MS));
  return Array.from({ length: count }, (_, index) => ({
    start: midnight(today, index),
    end: midnight(today, index + 1),
  }));
}

/** The hours between which anybody works, of any day, in ms from midnight; nine to five where nobody does. */
export function busyHours(people: Person[]): [number, number] {
  const spans = people.flatMap(({ hours }) => hours);
  if (spans.length === 0) return [9 * 3_600_000, 17 * 3_600_000];
  const from = Math.min(...spans.map(({ from_min }) => from_min));
  const to = Math.max(...spans.map(({ to_min }) => to_min));
  return [from * 60_000, to * 60_000];
}

/** Of a day's width so much is the hours of work; the night has the rest. */
const WORK_SHARE = 0.86;

/** Where a time lies, in % of the width: the hours of work wide, the nights narrow. */
export function scaleOf(days: Day[], [from, to]: [number, number]): (time: number) => number {
  const side = (1 - WORK_SHARE) / 2;
  const domain = days.flatMap(({ start }) => [start, start + from, start + to]);
  const range = days.flatMap((_, index) => [index, index + side, index + 1 - side]);
  const end = days.at(-1)?.end ?? 0;
  const scale = scaleLinear()
    .domain([...domain, end])
    .range([...range, days.length].map((place) => (place / days.length) * 100))
    .clamp(true);
  return (time) => scale(time);
}

/** Made once: making one takes longer than everything a row of the board is drawn with. */
const CLOCK = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });

export const clockText = (time: number) => CLOCK.format(time);
export const dayText = (time: number) => DAY.format(time);
/** "Fri 4 Dec, 10:20", with its year where that is another. */
export const momentText = (time: number) => {
  const year = new Date(time).getFullYear();
  return `${dayText(time)}${year === new Date().getFullYear() ? "" : ` ${year}`}, ${clockText(time)}`;
};
