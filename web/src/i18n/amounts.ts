// Amounts as they are shown, by the table that prints are made by too: core/data/units.yml.
import { catalogue, stretched } from "./catalogue";
import units from "./generated/units.json";

export type LengthUnit = "mm" | "in";
type Row = {
  below?: number;
  times?: number;
  plus?: number;
  tiny?: number;
  digits?: number;
  down_to?: number;
  text?: string;
  like?: string;
  fraction?: boolean;
};
type Table = Record<string, Row[]>;
const METRIC: Table = units.metric;
const IMPERIAL: Table = { ...units.metric, ...units.imperial };
export const MM_PER_INCH = 25.4;

/** By how many digits; made once, since making one takes long. */
const WITH_DIGITS: Record<number, Intl.NumberFormat> = {};

/** A number with at most so many digits after its point. */
export const numberText = (value: number, digits: number) =>
  (WITH_DIGITS[digits] ??= new Intl.NumberFormat("en-GB", { maximumFractionDigits: digits })).format(value);

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

let currency = "EUR";
/** The currency sums of money are shown in: the shop's. */
export const showMoneyIn = (code: string) => {
  currency = code;
};

const unitText = (name: string, values: Record<string, string | number>) => catalogue.t(`units.${name}`, values);
const hourOf = (clockDeg: number) => Math.round((((clockDeg % 360) + 360) % 360) / 30) % 12 || 12;

/** An hour as people say it: 2 o'clock, half past 4. */
const clock = (clockDeg: number): string => {
  const halves = Math.round((((clockDeg % 360) + 360) % 360) / 15) % 24;
  return unitText(halves % 2 === 0 ? "oclock" : "half_past", { hour: Math.floor(halves / 2) || 12 });
};
export const clockText = (clockDeg: number) => stretched(clock(clockDeg));

/** A plane through the axis by the two hours it runs through. */
const plane = (clockDeg: number) => unitText("plane", { from: hourOf(clockDeg), to: hourOf(clockDeg + 180) });
export const planeText = (clockDeg: number) => stretched(plane(clockDeg));

const moneyText = (value: number) =>
  new Intl.NumberFormat("en-GB", {
    style: "currency",
    currency,
    maximumFractionDigits: Math.abs(value) < 100 ? 2 : 0,
  }).format(value);

function byTable(value: number, of: string, table: Table): string {
  const row = table[of]?.find(({ below }) => below === undefined || Math.abs(value) < below);
  if (!row) return `${numberText(value, 3)} ${of}`.trim();
  if (row.like) return byTable(value * (row.times ?? 1), row.like, table);
  if (row.fraction) return unitText(row.text ?? "", { n: inchesText(value) });
  if (row.tiny && value !== 0) return unitText("under", { amount: byTable(row.tiny, of, table) });
  let shown = value * (row.times ?? 1) + (row.plus ?? 0);
  if (row.down_to) shown = Math.floor(shown / row.down_to) * row.down_to;
  const digits = row.digits ?? 0;
  return unitText(row.text ?? "", { n: numberText(shown, digits), count: Number(shown.toFixed(digits)) });
}

/** An amount with its unit, in the shown units. Speeds are rounded down: a limit must not grow by rounding. */
export function amountText(value: number | null, of: string, unit: LengthUnit): string {
  if (value === null) return stretched(unitText("none", {}));
  if (of === "clock") return clockText(value);
  if (of === "plane") return planeText(value);
  if (of === "money") return moneyText(value);
  return stretched(byTable(value, of, unit === "in" ? IMPERIAL : METRIC));
}
