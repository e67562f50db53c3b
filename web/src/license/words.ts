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
  return cents ? (cents / 100).toLocaleString(undefined, { style: "currency", currency }) : "";
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
