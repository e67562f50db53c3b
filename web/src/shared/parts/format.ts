/** The one language of the interface, which is that of the sentences that the server makes. */
export const locale = "en-US";

const plain = new Intl.NumberFormat(locale);
const oneDigit = new Intl.NumberFormat(locale, { minimumFractionDigits: 1, maximumFractionDigits: 1 });
const days = new Intl.DateTimeFormat(locale, { dateStyle: "medium" });
const moments = new Intl.DateTimeFormat(locale, { dateStyle: "medium", timeStyle: "short" });
const longDays = new Intl.DateTimeFormat(locale, { weekday: "long", day: "numeric", month: "long" });
const plurals = new Intl.PluralRules(locale);
const lists = new Intl.ListFormat(locale, { type: "conjunction" });

export function number(n: number): string {
  return plain.format(n);
}

/** A number with one digit after the point, such as seconds. */
export function tenths(n: number): string {
  return oneDigit.format(n);
}

/** A part of one, rounded down, so that only the whole is 100 %. */
export function percent(part: number): string {
  return `${Math.floor(part * 100)}%`;
}

/** Bytes as kB, the way they are counted when sent. */
export function kB(bytes: number): string {
  if (bytes < 100) {
    return `${bytes} B`;
  }
  const value = bytes / 1000;
  return `${value < 10 ? tenths(value) : number(Math.round(value))} kB`;
}

/** A day as the API writes it, or a moment, as the reader writes days; nothing for none. */
export function day(iso: string | null | undefined): string {
  return iso ? days.format(new Date(iso.length === 10 ? `${iso}T12:00` : iso)) : "";
}

export function longDay(date: Date): string {
  return longDays.format(date);
}

export function moment(iso: string): string {
  return moments.format(new Date(iso));
}

export function count(n: number, one: string, many = `${one}s`): string {
  return `${number(n)} ${plurals.select(n) === "one" ? one : many}`;
}

/** Names in a row: “a, b and c”. */
export function listed(names: string[]): string {
  return lists.format(names);
}

/** An amount in hundredths of its currency; a currency that nobody knows stands as it was written. */
export function money(cents: number | null | undefined, currency: string): string {
  if (!cents) {
    return "";
  }
  try {
    return new Intl.NumberFormat(locale, { style: "currency", currency }).format(cents / 100);
  } catch {
    return `${(cents / 100).toFixed(2)} ${currency}`;
  }
}

/** The last part of a path within an archive. */
export function baseName(path: string): string {
  return path.slice(path.lastIndexOf("/") + 1);
}

const formatNames: Record<string, string> = {
  ttf: "TTF",
  otf: "OTF",
  woff: "WOFF",
  woff2: "WOFF2",
  collection: "TTC",
  eot: "EOT",
  svg: "SVG",
};

/** What a format is called; one that has no name here stands under its own. */
export function formatName(format: string): string {
  return formatNames[format] ?? format;
}

/** A day as forms and the API write it, by the reader's own clock; `later` is a number of days. */
export function isoDay(from: Date, later = 0): string {
  const date = new Date(from.getFullYear(), from.getMonth(), from.getDate() + later);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** A value of a form as it is read: lists with commas, nothing for what is not there. */
export function plainly(value: unknown): string {
  if (Array.isArray(value)) {
    return value.map(plainly).join(", ");
  }
  return typeof value === "string" || typeof value === "number" || typeof value === "boolean"
    ? String(value)
    : "";
}

const monthOfYear = new Intl.DateTimeFormat(locale, { month: "long", year: "numeric" });

/** A whole number with marks between its thousands. */
export function whole(value: number): string {
  return plain.format(value);
}

/** A month, given as a year and a number: 2030-04. */
export function month(yearAndMonth: string): string {
  return monthOfYear.format(new Date(`${yearAndMonth}-01T12:00`));
}
