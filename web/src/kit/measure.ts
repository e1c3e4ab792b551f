// Lengths and hours as people type them: what is typed becomes mm and degrees. No rule of the job lives here.
import { inchesText, numberText, type LengthUnit } from "../i18n/amounts";

export { amountText, clockText, inchesText, planeText, showMoneyIn, type LengthUnit } from "../i18n/amounts";
export { messageText } from "../i18n/texts";
const MM_PER_INCH = 25.4;

/** A length without its unit, as it stands in a field. */
export const lengthText = (mm: number, unit: LengthUnit) =>
  unit === "in" ? inchesText(mm) : numberText(mm, mm < 20 ? 1 : 0);
export const lengthsText = (lengths: number[], unit: LengthUnit) =>
  lengths.map((mm) => lengthText(mm, unit)).join(", ");

/** What somebody typed, in mm; undefined where it is no length. Takes 60, 6 cm, 2 3/8, 2.375", 2 3/8 in. */
export function parseLength(text: string, unit: LengthUnit): number | undefined {
  const found =
    /^\s*(?:(\d+(?:[.,]\d+)?)(?:\s+(\d+)\s*\/\s*(\d+))?|(\d+)\s*\/\s*(\d+))\s*(mm|cm|in|inch|inches|"|”)?\s*$/i.exec(
      text,
    );
  if (!found) return undefined;
  const [, plain, top, bottom, onlyTop, onlyBottom, suffix] = found;
  const part = (over?: string, under?: string) => (over && under ? Number(over) / Number(under) : 0);
  const value = (plain ? Number(plain.replace(",", ".")) : 0) + part(top, bottom) + part(onlyTop, onlyBottom);
  const named = suffix?.toLowerCase();
  const factor = named === "cm" ? 10 : named === "mm" ? 1 : named || unit === "in" ? MM_PER_INCH : 1;
  const mm = value * factor;
  return Number.isFinite(mm) ? mm : undefined;
}

const HOURS = ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"];

const QUARTERS: Record<string, number> = { "quarter past": 15, "half past": 30, "quarter to": -15 };

/** A clock angle as people type it, in degrees; undefined where it is none. Takes 2, 2:30, half past four, quarter to 3, 4 o'clock, 75°. */
export function parseClock(text: string): number | undefined {
  const said = text.trim().toLowerCase();
  const degrees = /^(\d+(?:[.,]\d+)?)\s*(?:°|deg|degrees)$/.exec(said)?.[1];
  if (degrees) return within(Number(degrees.replace(",", ".")), 360);
  const [, hour, minute] = /^(\d{1,2})(?::([0-5]\d))?(?:\s*o['’]?clock)?$/.exec(said) ?? [];
  if (hour) return onDial(Number(hour), Number(minute ?? 0));
  const [, part = "", name = ""] =
    /^(?:(quarter past|half past|quarter to)\s+)?([a-z]+|\d{1,2})(?:\s*o['’]?clock)?$/.exec(said) ?? [];
  const spoken = HOURS.indexOf(name) + 1 || Number(name);
  return Number.isInteger(spoken) && name !== "" ? onDial(spoken, QUARTERS[part] ?? 0) : undefined;
}

const within = (value: number, most: number) => (value <= most ? value : undefined);
const onDial = (hour: number, minute: number) =>
  hour >= 0 && hour <= 12 ? (hour * 30 + minute / 2 + 360) % 360 : undefined;

/** A clock angle as it stands in a field, to the minute: 2:30. */
export function clockFieldText(clockDeg: number): string {
  const minutes = Math.round((((clockDeg % 360) + 360) % 360) * 2) % 720;
  return `${Math.floor(minutes / 60) || 12}:${String(minutes % 60).padStart(2, "0")}`;
}
