/**
 * Numbers, money and sizes as people type them, in the one locale of the interface: commas between thousands, a point
 * before fractions, and `k` or `M` for thousands and millions. What cannot be read is undefined, never something else.
 */

/** A typed number: null for an empty field, undefined for what is none. */
export type Typed = number | null | undefined;

const GROUPED = /^(\d{1,3}(?:[,\s'’]\d{3})+|\d{1,15})(?:\.(\d{1,6}))?\s*(k|m)?$/i;
const TIMES = { "": 0, k: 3, m: 6 } as const;

/** The digits of a number times a power of ten; undefined where it is no number, or has digits below a whole one. */
function scaled(text: string, power: number): number | undefined {
  const parts = GROUPED.exec(text);
  if (!parts) {
    return undefined;
  }
  const zeros = power + TIMES[(parts[3] ?? "").toLowerCase() as keyof typeof TIMES];
  const fraction = (parts[2] ?? "").replace(/0+$/, "");
  if (fraction.length > zeros) {
    return undefined;
  }
  const value = Number((parts[1] ?? "").replace(/\D/g, "") + fraction.padEnd(zeros, "0"));
  return Number.isSafeInteger(value) ? value : undefined;
}

function read(typed: string, power: number): Typed {
  const text = typed.trim();
  return text === "" ? null : scaled(text, power);
}

/** A whole number, such as 1,234, 500k or 2M. */
export function wholeIn(typed: string): Typed {
  return read(typed, 0);
}

/** Hundredths of a currency, such as of 1,234.50. */
export function centsIn(typed: string): Typed {
  return read(typed, 2);
}

/** Bytes: kilobytes, such as 60 or 1,234.5, unless another unit is written (900 B, 60 kB, 1.2 MB). */
export function bytesIn(typed: string): Typed {
  const text = typed.trim();
  const unit = /(k|m)?b$/i.exec(text);
  return unit
    ? scaled(text.slice(0, unit.index).trim(), TIMES[(unit[1] ?? "").toLowerCase() as keyof typeof TIMES])
    : read(text, TIMES.k);
}

/** Whether a field has a whole number within bounds, or is empty: the rule of a form's field. */
export function isWhole(typed: number | string | null, least: number, most: number): boolean {
  const value = typeof typed === "number" ? typed : wholeIn(typed ?? "");
  return value === null || (value !== undefined && value >= least && value <= most);
}

/** Hundredths of a currency as they are typed into a field. */
export function typedCents(cents: number | null | undefined): string {
  return cents ? (cents % 100 === 0 ? String(cents / 100) : (cents / 100).toFixed(2)) : "";
}

/** Bytes as they are typed into a field of kilobytes. */
export function typedKilobytes(bytes: number | null): string {
  return bytes ? String(bytes / 1000) : "";
}
