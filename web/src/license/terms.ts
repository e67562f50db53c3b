import type { LicenseDraft } from "../shared/api/types";
import { words } from "./words";

export const emptyTerms: LicenseDraft = {
  name: "",
  kind: "PER_DOMAIN",
  vendor: "",
  covers: [],
  webUse: "NOT_STATED",
  converting: "NOT_STATED",
  cutting: "NOT_STATED",
  renaming: "NOT_STATED",
  inlining: "NOT_STATED",
  thirdParty: "NOT_STATED",
  subdomains: "NOT_STATED",
  development: "NOT_STATED",
  anyDomain: false,
  domains: [],
  anyFormat: false,
  formats: [],
  begins: null,
  ends: null,
  noticeDays: 30,
  price: 0,
  currency: "EUR",
  proof: "",
  notes: "",
};

/** The terms as they are sent: empty days are none, days of notice a whole number. */
export function sent(draft: LicenseDraft): LicenseDraft {
  return {
    ...draft,
    begins: draft.begins || null,
    ends: draft.ends || null,
    noticeDays: Math.round(Number(draft.noticeDays)) || 0,
  };
}

/** What is worth saying about the days of a license before it is saved; nothing is refused for it. */
export function aboutDays(begins: string | null, ends: string | null, today: string): string {
  if (begins && ends && ends < begins) {
    return words.backwards;
  }
  return ends && ends < today ? words.past : "";
}

/** Whether a currency is written as its code is: three letters. */
export function isCurrency(typed: string): boolean {
  return /^[A-Za-z]{3}$/.test(typed.trim());
}
