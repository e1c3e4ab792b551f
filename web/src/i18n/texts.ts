// Texts of the catalogue (core/data/locales): the words of every screen, and the messages of the core with their amounts put in.
import { amountText, type LengthUnit } from "./amounts";
import { catalogue, stretched } from "./catalogue";

/** An amount of a message: see MossyAnvil::Message. */
export type Amount = { value: string | number | null | Message | (string | number | Message)[]; unit: string };
/** What the core says: the key of a text, and its amounts. */
export type Message = { key: string; amounts: Record<string, Amount> };

type Values = Record<string, string | number>;

/** The text of a key with plain values put in; an error where the catalogue has none. */
export const t = (key: string, values: Values = {}): string => stretched(catalogue.t(key, values));

/** With a capital: a word of the catalogue as a label. */
export const capital = (text: string): string => text.replace(/^[^\p{L}\p{N}]*\p{L}/u, (start) => start.toUpperCase());

/** The words of several keys under one, by those keys: for lists to choose from. */
export const words = <Key extends string>(under: string, keys: readonly Key[]): Record<Key, string> =>
  Object.fromEntries(keys.map((key) => [key, t(`${under}.${key}`)])) as Record<Key, string>;

/** Is there a text for it? */
export const known = (key: string): boolean => catalogue.get(key) !== undefined;

/** A run of a text; `strong` where it is an amount that the eye looks for. */
export type Run = { text: string; strong: boolean };

/** A message as runs of text, messages within it too. */
export function runs(message: Message, unit: LengthUnit): Run[] {
  const names = Object.keys(message.amounts);
  const held = Object.fromEntries(names.map((name) => [name, `\uE000${name}\uE001`]));
  const [open = "", close = ""] = stretched("\uE002").split("\uE002");
  return [{ text: open, strong: false }, ...filled(message, held, unit), { text: close, strong: false }].filter(
    ({ text }) => text !== "",
  );
}

function filled(message: Message, held: Record<string, string>, unit: LengthUnit): Run[] {
  const text = catalogue.t(message.key, { ...held, ...counted(message.amounts) });
  return text.split(/\uE000(\w+)\uE001/).flatMap((part, index) => {
    const amount = index % 2 === 1 ? message.amounts[part] : undefined;
    return amount ? amountRuns(amount, unit) : [{ text: part, strong: false }];
  });
}

function amountRuns({ value, unit: of }: Amount, unit: LengthUnit): Run[] {
  switch (of) {
    case "message":
      return runs(value as Message, unit);
    case "messages":
      return (value as Message[]).flatMap((one, index) => [
        ...(index > 0 ? [{ text: t("lists.comma"), strong: false }] : []),
        ...runs(one, unit),
      ]);
    case "term":
      return [{ text: t(value as string), strong: false }];
    case "text":
      return [{ text: value as string, strong: false }];
    case "count":
      return [{ text: String(value), strong: true }];
    case "ids":
      return [{ text: list(value as string[]), strong: true }];
    case "clocks":
      return [{ text: list((value as number[]).map((deg) => amountText(deg, "clock", unit))), strong: true }];
    case "grits":
      return [{ text: (value as number[]).map((grit) => `P${grit}`).join(" · "), strong: true }];
    default:
      return [{ text: amountText(value as number | null, of, unit), strong: true }];
  }
}

/** What chooses between one and many: the number given for it, else how many are listed. */
function counted(amounts: Message["amounts"]): { count?: number } {
  const all = Object.values(amounts);
  const count = all.find(({ unit }) => unit === "count") ?? all.find(({ unit }) => unit === "ids");
  if (!count) return {};
  return { count: count.unit === "ids" ? (count.value as string[]).length : (count.value as number) };
}

function list(items: string[]): string {
  if (items.length < 2) return items.join("");
  return t("lists.and", { first: items.slice(0, -1).join(t("lists.comma")), last: items.at(-1) ?? "" });
}

/** The same as a sentence, which begins with a capital unless it begins with the letter of a defect or a number. */
export function sentence(message: Message, unit: LengthUnit): Run[] {
  const all = runs(message, unit);
  const first = all.findIndex(({ text }) => /[\p{L}\p{N}]/u.test(text));
  return all.map((run, index) => (index === first && !run.strong ? { ...run, text: capital(run.text) } : run));
}

/** A message as plain text. */
export const messageText = (message: Message, unit: LengthUnit): string =>
  runs(message, unit)
    .map(({ text }) => text)
    .join("");
