import type { LicenseDraft, Slot, TermsSet } from "../shared/api/types";
import { wholeIn } from "../shared/parts/amounts";
import { words } from "./words";

export const emptyTerms: LicenseDraft = {
  name: "",
  basis: "BOUGHT",
  spdx: "",
  vendor: "",
  holderId: null,
  covers: [],
  webUse: "NOT_STATED",
  converting: "NOT_STATED",
  cutting: "NOT_STATED",
  renaming: "NOT_STATED",
  inlining: "NOT_STATED",
  thirdParty: "NOT_STATED",
  transfer: "NOT_STATED",
  subdomains: "NOT_STATED",
  development: "NOT_STATED",
  developmentCounts: false,
  anyDomain: false,
  domains: [],
  domainLimit: null,
  counting: "HOST",
  anyFormat: false,
  formats: [],
  pageViewLimit: null,
  begins: null,
  ends: null,
  renews: false,
  noticeDays: 30,
  price: 0,
  currency: "EUR",
  pricePer: "ONCE",
  nextPayment: null,
  proof: "",
  confirmedBy: "",
  confirmedOn: null,
  quotes: {},
  notes: "",
};

/** The terms as they are sent: empty days and numbers are none, quotes without words are left out. */
export function sent(draft: LicenseDraft): LicenseDraft {
  return {
    ...draft,
    spdx: draft.basis === "OPEN" ? draft.spdx : "",
    begins: draft.begins || null,
    ends: draft.ends || null,
    nextPayment: draft.nextPayment || null,
    confirmedOn: draft.confirmedOn || null,
    domainLimit: wholeOrNone(draft.domainLimit),
    pageViewLimit: wholeOrNone(draft.pageViewLimit),
    noticeDays: wholeOrNone(draft.noticeDays) ?? 0,
    quotes: Object.fromEntries(Object.entries(draft.quotes).filter(([, quote]) => quote.text.trim())),
  };
}

/** A number stands in its field as the text that was typed; what cannot be read was refused at its field. */
function wholeOrNone(typed: number | string | null): number | null {
  return typeof typed === "string" ? (wholeIn(typed) ?? null) : typed;
}

/** The terms of what may be done with a file, with the act each is about and the point on which it may be quoted. */
export const acts = [
  ["webUse", "SERVE", "WEB_USE"],
  ["thirdParty", "THIRD_PARTY", "THIRD_PARTY"],
  ["inlining", "INLINE", "INLINING"],
  ["converting", "CONVERT", "CONVERTING"],
  ["cutting", "CUT", "CUTTING"],
  ["renaming", "RENAME", "RENAMING"],
] as const;

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

/** The faces with one more, or without it when it is among them. */
export function toggled(faces: Slot[], face: Slot): Slot[] {
  return faces.some((one) => one.key === face.key)
    ? faces.filter((one) => one.key !== face.key)
    : [...faces, face];
}

/** The terms of a set for a license that is not recorded yet; its name and what it covers stay. */
export function startedFrom(set: TermsSet | undefined, start: LicenseDraft): LicenseDraft {
  return set ? { ...set.terms, name: start.name, covers: start.covers } : start;
}
