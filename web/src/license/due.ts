import type { Due } from "../shared/api/types";
import { isoDay } from "../shared/parts/format";

export type Costs = { currency: string; cents: number; times: number };

/** What is paid within a year from today, by currency: payments, and what renews by itself for a price. */
export function costsWithin(due: Due[], now: Date): Costs[] {
  const until = isoDay(new Date(now.getFullYear() + 1, now.getMonth(), now.getDate(), 12));
  const costs = new Map<string, Costs>();
  for (const { kind, day, price, currency, licenseId } of due) {
    const paid = kind === "PAYMENT" || (kind === "RENEWS" && !paysApart(due, licenseId));
    if (paid && price > 0 && day <= until) {
      const before = costs.get(currency) ?? { currency, cents: 0, times: 0 };
      costs.set(currency, { currency, cents: before.cents + price, times: before.times + 1 });
    }
  }
  return [...costs.values()].sort((a, b) => a.currency.localeCompare(b.currency));
}

/** Whether the payment of a license stands in the list by itself, so that its renewal is not counted too. */
function paysApart(due: Due[], licenseId: string): boolean {
  return due.some((one) => one.licenseId === licenseId && one.kind === "PAYMENT");
}
