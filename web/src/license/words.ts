import type { LicenseDraft } from "../shared/api/types";

export const kindWords: Record<LicenseDraft["kind"], string> = {
  FREE: "Free to use",
  PERSONAL: "Free for personal use only",
  DONATION: "Donation",
  PER_DOMAIN: "Bought per domain",
  PAGE_VIEWS: "Bought per page view",
  SUBSCRIPTION: "Subscription",
  CLIENT_SUPPLIED: "Supplied by the client",
  DESKTOP: "Desktop only",
  TRIAL: "Trial",
};

export function money(cents: number | null | undefined, currency: string): string {
  if (!cents) {
    return "";
  }
  try {
    return (cents / 100).toLocaleString(undefined, { style: "currency", currency });
  } catch {
    return `${(cents / 100).toFixed(2)} ${currency}`;
  }
}

export const emptyTerms: LicenseDraft = {
  name: "",
  kind: "PER_DOMAIN",
  vendor: "",
  covers: [],
  webUse: "NOT_STATED",
  converting: "NOT_STATED",
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

/** A term of a license in words, where its changes are told. */
export function termInWords(field: string, value: unknown): string {
  if (field === "price") {
    return money(Number(value), "EUR");
  }
  if (Array.isArray(value)) {
    return value.join(", ");
  }
  if (field === "kind") {
    return kindWords[value as LicenseDraft["kind"]];
  }
  return value === "GRANTED" || value === "REFUSED" || value === "NOT_STATED"
    ? value.toLowerCase().replace("_", " ")
    : String(value ?? "");
}
