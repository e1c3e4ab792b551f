// Display units only: what is typed becomes mm, what is shown comes from mm. No rule of the job lives here.
import type { Amount } from "../api/document";

export type LengthUnit = "mm" | "in";
const MM_PER_INCH = 25.4;

const whole = (value: number) => value.toLocaleString("en-GB", { maximumFractionDigits: 0 });
const fixed = (value: number, digits: number) => value.toLocaleString("en-GB", { maximumFractionDigits: digits });

/** Inches to the nearest 1/64, as a turner writes them: 2 3/8. */
export function inchesText(mm: number): string {
  const sixtyFourths = Math.round((Math.abs(mm) / MM_PER_INCH) * 64);
  const inches = Math.floor(sixtyFourths / 64);
  let top = sixtyFourths % 64;
  let bottom = 64;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const sign = mm < 0 && sixtyFourths > 0 ? "−" : "";
  if (top === 0) return `${sign}${inches}`;
  return `${sign}${inches > 0 ? `${inches} ` : ""}${top}/${bottom}`;
}

/** A length without its unit, as it stands in a field. */
export const lengthText = (mm: number, unit: LengthUnit) =>
  unit === "in" ? inchesText(mm) : fixed(mm, mm < 20 ? 1 : 0);
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

/** An hour as people say it: 2 o'clock, half past four. */
export function clockText(clockDeg: number): string {
  const halves = Math.round((((clockDeg % 360) + 360) % 360) / 15) % 24;
  const hour = Math.floor(halves / 2) || 12;
  return halves % 2 === 0 ? `${hour} o’clock` : `half past ${HOURS[hour - 1]}`;
}

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

const hourOf = (clockDeg: number) => Math.round((((clockDeg % 360) + 360) % 360) / 30) % 12 || 12;

/** A plane through the axis by the two hours it runs through. */
export const planeText = (clockDeg: number) => `${hourOf(clockDeg)}–${hourOf(clockDeg + 180)} o’clock`;

let currency = "EUR";
/** The currency sums of money are shown in: the shop's. */
export const showMoneyIn = (code: string) => {
  currency = code;
};

const ways: Record<string, (value: number, unit: LengthUnit) => string> = {
  mm: (value, unit) => (unit === "in" ? `${inchesText(value)}″` : `${lengthText(value, "mm")} mm`),
  mm2: (value, unit) => (unit === "in" ? `${fixed(value / MM_PER_INCH ** 2, 1)} sq in` : `${whole(value / 100)} cm²`),
  mm3: (value, unit) => amountText(value / 1000, "ml", unit),
  ml: (value) =>
    value > 0 && value < 0.005 ? "under 0.01 ml" : `${fixed(value, value < 0.1 ? 2 : value < 100 ? 1 : 0)} ml`,
  g: (value) =>
    value >= 1000 ? `${fixed(value / 1000, 2)} kg` : `${fixed(value, value < 0.1 ? 2 : value < 10 ? 1 : 0)} g`,
  "g mm": (value) => `${fixed(value / 10, 0)} g·cm`,
  rpm: (value) => `${whole(value < 100 ? value : Math.floor(value / 10) * 10)} rpm`,
  clock: clockText,
  plane: planeText,
  "%": (value) => `${fixed(value, value < 30 ? 1 : 0)} %`,
  share: (value) => `${fixed(value * 100, value < 0.3 ? 1 : 0)} %`,
  days: (value) =>
    value < 1 ? `${whole(value * 24)} hours` : `${whole(value)} ${Math.round(value) === 1 ? "day" : "days"}`,
  h: (value) =>
    value < 2
      ? `${whole(value * 60)} min`
      : value < 48
        ? `${fixed(value, value < 10 ? 1 : 0)} hours`
        : `${whole(value / 24)} days`,
  min: (value, unit) => (value < 120 ? `${fixed(value, value < 10 ? 1 : 0)} min` : amountText(value / 60, "h", unit)),
  cm2: (value, unit) => amountText(value * 100, "mm2", unit),
  hPa: (value) => `${whole(value)} hPa`,
  bar: (value) => `${fixed(value, 1)} bar`,
  money: (value) =>
    new Intl.NumberFormat("en-GB", {
      style: "currency",
      currency,
      maximumFractionDigits: Math.abs(value) < 100 ? 2 : 0,
    }).format(value),
  C: (value) => `${fixed(value, 1)} °C`,
  "N m": (value) => `${fixed(value, value < 10 ? 1 : 0)} N·m`,
  N: (value) => `${fixed(value, value < 10 ? 1 : 0)} N`,
  "a second": (value) => `${fixed(value, value < 10 ? 1 : 0)} a second`,
  J: (value) => `${fixed(value, value < 10 ? 1 : 0)} J`,
  "g/ml": (value) => `${fixed(value, 3)} g/ml`,
  "m/s": (value) => `${fixed(value, 1)} m/s`,
  MPa: (value) => `${fixed(value, 2)} MPa`,
  "MPa m^1/2": (value) => `${fixed(value, 2)} MPa√m`,
  "kg/m3": (value) => `${whole(value)} kg/m³`,
  kg: (value) => `${whole(value)} kg`,
};

/** An amount with its unit, in the shown units. Speeds are rounded down: a limit must not grow by rounding. */
export function amountText(value: number | null, of: string, unit: LengthUnit): string {
  if (value === null) return "none";
  return ways[of]?.(value, unit) ?? `${fixed(value, 3)} ${of}`.trim();
}

/** A sentence of the core with its amounts put in. */
export function sentenceText(text: string, values: Amount[], unit: LengthUnit): string {
  return values.reduce(
    (whole, { name, value, unit: of }) => whole.replaceAll(`{${name}}`, amountText(value, of, unit)),
    text,
  );
}
