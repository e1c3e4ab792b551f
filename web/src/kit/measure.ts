// Lengths and hours as people type them: what is typed becomes mm and degrees. No rule of the job lives here.
import { inchesText, MM_PER_INCH, numberText, type LengthUnit } from "../i18n/amounts";

export { amountText, clockText, inchesText, planeText, showMoneyIn, type LengthUnit } from "../i18n/amounts";
export { messageText } from "../i18n/texts";

/** A length without its unit, as it stands in a table or a line. */
export const lengthText = (mm: number, unit: LengthUnit) =>
  unit === "in" ? inchesText(mm) : numberText(mm, mm < 20 ? 1 : 0);

/** What somebody typed, in mm; undefined where it is no length. Takes 60, 6 cm, 2 3/8, 2.375", 2 3/8 in. */
export function parseLength(text: string, unit: LengthUnit): number | undefined {
  const found =
    /^\s*(?:(\d+(?:[.,]\d+)?)(?:\s+(\d+)\s*\/\s*(\d+))?|(\d+)\s*\/\s*(\d+))\s*(mm|cm|in|inch|inches|"|”)?\s*$/i.exec(
      text,
    );
  if (!found || isAmbiguous(found[1] ?? "")) return undefined;
  const [, plain, top, bottom, onlyTop, onlyBottom, suffix] = found;
  const part = (over?: string, under?: string) => (over && under ? Number(over) / Number(under) : 0);
  const value = (plain ? Number(plain.replace(",", ".")) : 0) + part(top, bottom) + part(onlyTop, onlyBottom);
  const named = suffix?.toLowerCase();
  const factor = named === "cm" ? 10 : named === "mm" ? 1 : named || unit === "in" ? MM_PER_INCH : 1;
  const mm = value * factor;
  return Number.isFinite(mm) ? mm : undefined;
}

const OUNCE_G = 28.349523125;
const POUND_G = 453.59237;
const US_FLUID_OUNCE_ML = 29.5735295625;
const MASSES = { g: 1, kg: 1000, oz: OUNCE_G, lb: POUND_G, lbs: POUND_G };
const VOLUMES = { ml: 1, cl: 10, l: 1000, "fl oz": US_FLUID_OUNCE_ML };

/** What fields ask for beside lengths: masses in g or kg (weight: of a whole piece), volumes in ml, temperatures in °C. */
export type AmountKind = "g" | "weight" | "kg" | "ml" | "C";

/** The unit a bare number is in, where those units are shown. */
export const fieldUnit = (kind: AmountKind, unit: LengthUnit) =>
  ({
    g: { mm: "g", in: "oz" },
    weight: { mm: "g", in: "lb" },
    kg: { mm: "kg", in: "lb" },
    ml: { mm: "ml", in: "fl oz" },
    C: { mm: "°C", in: "°F" },
  })[kind][unit];

/** "1,200" is twelve hundred to one person and a little over one to another: neither is taken. "0,125" and "3,5" are plain. */
const isAmbiguous = (text: string) => /^[-−+]?[1-9]\d{0,2}(,\d{3})+$/.test(text);

/** A plain number with a point or a comma, either way of nothing; undefined for what is none. */
export function parseNumber(text: string): number | undefined {
  const said = text.trim();
  const value = Number(said.replace("−", "-").replace(",", "."));
  return said !== "" && Number.isFinite(value) && !isAmbiguous(said) ? value : undefined;
}

/** "3,5", "3 1/2" and "1/2" as numbers; undefined for what is none. */
function partsNumber(text: string): number | undefined {
  const [, plain, top, bottom] = /^(\d+(?:[.,]\d+)?)?(?:(?:^|\s+)(\d+)\/([1-9]\d*))?$/.exec(text.trim()) ?? [];
  if ((plain === undefined && top === undefined) || isAmbiguous(plain ?? "")) return undefined;
  const value = Number((plain ?? "0").replace(",", ".")) + (top ? Number(top) / Number(bottom) : 0);
  return Number.isFinite(value) ? value : undefined;
}

/** What somebody typed, in the unit of the core; undefined where it is none. Takes 500, 1.2 kg, 4 oz, 9 lb 4 oz; 0.5 l, 2 fl oz; 21, 70 °F. */
export function parseAmount(text: string, kind: AmountKind, unit: LengthUnit): number | undefined {
  const said = text.trim().toLowerCase();
  const own = fieldUnit(kind, unit);
  if (kind === "C") {
    const [, sign, digits = "", scale] = /^([-−])?([\d.,]+)\s*(?:°?\s*([cf]))?$/.exec(said) ?? [];
    const size = partsNumber(digits);
    if (size === undefined) return undefined;
    const value = sign ? -size : size;
    return (scale ?? own.slice(1).toLowerCase()) === "f" ? ((value - 32) * 5) / 9 : value;
  }
  const units: Record<string, number> = kind === "ml" ? VOLUMES : MASSES;
  const [, pounds, ounces] = kind === "ml" ? [] : (/^(\d+)\s*lbs?\s+([\d.,/ ]+?)\s*oz$/.exec(said) ?? []);
  const [, digits = "", named = own] = /^([\d.,/ ]+?)\s*([a-z][a-z ]*)?$/.exec(said) ?? [];
  const rest = partsNumber(ounces ?? digits);
  const factor = units[ounces === undefined ? named : "oz"];
  if (rest === undefined || factor === undefined) return undefined;
  const value = Number(pounds ?? 0) * POUND_G + rest * factor;
  return kind === "kg" ? value / 1000 : value;
}

const digitsText = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A length without its unit, as it stands in a field: what was typed in mm to the hundredth, inches to the nearest 1/64. */
export const fieldLengthText = (mm: number, unit: LengthUnit) => (unit === "in" ? inchesText(mm) : digitsText(mm, 2));

/** Several lengths as they stand in one field. */
export const lengthsText = (lengths: number[], unit: LengthUnit) =>
  lengths.map((mm) => fieldLengthText(mm, unit)).join(", ");

/** An amount without its unit, as it stands in a field; from a pound on as "9 lb 4 oz". */
export function fieldAmountText(value: number, kind: AmountKind, unit: LengthUnit): string {
  if (unit === "mm") return digitsText(value, 3);
  if (kind === "C") return digitsText(value * 1.8 + 32, 1);
  if (kind === "ml") return digitsText(value / US_FLUID_OUNCE_ML, 2);
  const ounces = Number(((kind === "kg" ? value * 1000 : value) / OUNCE_G).toFixed(2));
  if (kind === "kg") return digitsText(ounces / 16, 2);
  const pounds = Math.floor(ounces / 16);
  if (pounds > 0) return `${pounds} lb ${digitsText(ounces - pounds * 16, 2)} oz`;
  return kind === "g" ? String(ounces) : ounces === 0 ? "0" : `${ounces} oz`;
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
