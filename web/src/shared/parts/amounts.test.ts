import { describe, expect, it } from "vitest";
import { bytesIn, centsIn, isWhole, typedCents, typedKilobytes, wholeIn, type Typed } from "./amounts";

const none = undefined;

/** What is typed, and what it is as a whole number, as money in hundredths, and as a size in bytes. */
const table: [string, Typed, Typed, Typed][] = [
  ["", null, null, null],
  ["   ", null, null, null],
  ["0", 0, 0, 0],
  ["1", 1, 100, 1000],
  ["007", 7, 700, 7000],
  ["60", 60, 6000, 60_000],
  [" 60 ", 60, 6000, 60_000],
  ["1234", 1234, 123_400, 1_234_000],
  ["1,234", 1234, 123_400, 1_234_000],
  ["1 234", 1234, 123_400, 1_234_000],
  ["1\u00a0234", 1234, 123_400, 1_234_000],
  ["1\u202f234", 1234, 123_400, 1_234_000],
  ["1'234", 1234, 123_400, 1_234_000],
  ["1’234", 1234, 123_400, 1_234_000],
  ["1,234,567", 1_234_567, 123_456_700, 1_234_567_000],
  ["500k", 500_000, 50_000_000, 500_000_000],
  ["500K", 500_000, 50_000_000, 500_000_000],
  ["500 k", 500_000, 50_000_000, 500_000_000],
  ["1.5k", 1500, 150_000, 1_500_000],
  ["2M", 2_000_000, 200_000_000, 2_000_000_000],
  ["1.25m", 1_250_000, 125_000_000, 1_250_000_000],
  ["1.5", none, 150, 1500],
  ["1.50", none, 150, 1500],
  ["1.0", 1, 100, 1000],
  ["120.05", none, 12_005, 120_050],
  ["1,234.50", none, 123_450, 1_234_500],
  ["1.234", none, none, 1234],
  ["0.001", none, none, 1],
  ["0.0001", none, none, none],
  ["1,5", none, none, none],
  ["12,50", none, none, none],
  ["1,23", none, none, none],
  ["1,2345", none, none, none],
  ["1234,567", none, none, none],
  ["1.234,50", none, none, none],
  ["1.234.567", none, none, none],
  ["-5", none, none, none],
  ["+5", none, none, none],
  ["1e5", none, none, none],
  ["0x10", none, none, none],
  ["12.", none, none, none],
  [".5", none, none, none],
  ["ten", none, none, none],
  ["12 pcs", none, none, none],
  ["5kk", none, none, none],
  ["NaN", none, none, none],
  ["Infinity", none, none, none],
  ["$5", none, none, none],
  ["9999999999999999999", none, none, none],
];

describe("numbers as they are typed", () => {
  it.each(table)("%j", (typed, whole, cents, bytes) => {
    expect(wholeIn(typed), "as a whole number").toBe(whole);
    expect(centsIn(typed), "as money").toBe(cents);
    expect(bytesIn(typed), "as a size").toBe(bytes);
  });

  it.each<[string, Typed]>([
    ["60 kB", 60_000],
    ["60kb", 60_000],
    ["1.2 MB", 1_200_000],
    ["900 B", 900],
    ["1,500 B", 1500],
    ["0.5 B", none],
    ["kB", none],
    ["1.2 GB", none],
  ])("a size with its unit: %s", (typed, bytes) => {
    expect(bytesIn(typed)).toBe(bytes);
  });

  it("keeps a field within its bounds", () => {
    for (const typed of ["", "1", "365", "1k", 7, null]) {
      expect(isWhole(typed, 1, 3650), String(typed)).toBe(true);
    }
    for (const typed of ["0", "3651", "4k", "1.5", "ten", "-1", 0]) {
      expect(isWhole(typed, 1, 3650), String(typed)).toBe(false);
    }
  });

  it("reads what it writes", () => {
    for (const value of [1, 99, 100, 12_050, 123_456, 99_999_900]) {
      expect(centsIn(typedCents(value))).toBe(value);
      expect(bytesIn(typedKilobytes(value))).toBe(value);
    }
    expect(typedCents(12_050)).toBe("120.50");
    expect([typedCents(0), typedKilobytes(null)]).toEqual(["", ""]);
  });
});
