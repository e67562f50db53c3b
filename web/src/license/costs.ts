import { locale } from "../shared/parts/format";

/** An amount in hundredths, without its currency; whole ones without their two zeros. */
export function amount(cents: number): string {
  return (cents / 100).toLocaleString(locale, {
    minimumFractionDigits: cents % 100 === 0 ? 0 : 2,
    maximumFractionDigits: 2,
  });
}

/** The head of a month's column: its short name, and the year where one begins. */
export function monthHead(month: string): string {
  const [year = 0, number = 1] = month.split("-").map(Number);
  const name = new Date(year, number - 1, 15).toLocaleDateString(locale, { month: "short" });
  return number === 1 ? `${name} ${year}` : name;
}
