import type { LicenseDraft } from "../shared/api/types";
import { count, day, money, plainly } from "../shared/parts/format";

/** What the Licenses place says. */
export const words = {
  title: "Licenses",
  all: "All licenses",
  below: "Over the coming eighteen months, soonest end first.",
  record: "Record a license",
  filter: "Name, vendor or domain",
  none: "No license is recorded yet. Record what the agency or its clients bought, were given or subscribe to.",
  notStated:
    "What is left at “not stated” is never taken for a yes: it is flagged, with what to ask the vendor.",
  save: "Save",
  saved: "Saved.",
  notSaved: "Not saved yet.",
  recordIt: "Record",
  whatItIs: "What it is",
  name: "Name",
  nameNeeded: "A license needs a name.",
  basis: "Basis",
  vendor: "Vendor",
  covers: "Covers",
  allows: "What it allows",
  webUse: "Use on web pages",
  thirdParty: "By a third party",
  inlining: "Embedding inline",
  converting: "Converting",
  cutting: "Cutting",
  renaming: "Renaming",
  formats: "Formats",
  anyFormat: "any format",
  where: "Where",
  domains: "Domains",
  anyDomain: "any domain",
  domainsHint: "client.example, Enter",
  domainsHelp: "A domain stands for itself and its www; *.client.example for every host below it.",
  subdomains: "Subdomains",
  development: "Local and staging",
  when: "When and how much",
  beginsEnds: "Begins, ends",
  begins: "Begins",
  ends: "Ends",
  notice: "Days of notice",
  noticeHelp: "days of notice",
  past: "This day is past: the license is recorded as ended.",
  backwards: "It ends before it begins.",
  price: "Price",
  priceWrong: "An amount such as 120 or 120.50",
  currency: "Currency",
  currencyWrong: "Three letters, such as EUR",
  proof: "Proof of purchase",
  proofHint: "Order or invoice number",
  notes: "Notes",
  agreement: "Agreement",
  noAgreement: "The agreement itself is not attached.",
  attach: "Attach the agreement",
  attachNewer: "Attach a newer one",
  attached: "Attached.",
  agreementFile: "Agreement file",
  ask: "Ask the vendor",
  remove: "Delete the license",
  delete: "Delete",
};

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

export const clauseWords: Record<LicenseDraft["webUse"], string> = {
  GRANTED: "✓ Granted",
  REFUSED: "✕ Refused",
  NOT_STATED: "? Not stated",
};

export function noneWith(text: string): string {
  return `No license has “${text}” in its name, vendor or domains.`;
}

export function oneForAll(families: number): string {
  return families > 1
    ? `One license for ${count(families, "family", "families")}. What is left at “not stated” is never taken for a yes.`
    : words.notStated;
}

/** Asked for by a flag: a domain that the license does not name yet. */
export function adding(domain: string): string {
  return `${domain} is added below, not saved yet. Save it only if the vendor permits it.`;
}

export function deleting(sites: number): string {
  return sites === 0
    ? "No site stands on it."
    : `${count(sites, "site stands", "sites stand")} on it; what they ask for is flagged as unlicensed, unless another license covers it.`;
}

/** When a license ends, in words. */
export function endInWords(ends: string | null, ended: boolean): string {
  if (!ends) {
    return "does not end";
  }
  return ended ? `ended ${day(ends)}` : `until ${day(ends)}`;
}

/** The letter to a vendor that asks what a license does not say. */
export function letter(vendor: string, license: string, questions: string[]): string {
  const asked = questions.map((question) => `– ${question}`).join("\n");
  return `Dear ${vendor || "vendor"},\n\nour license “${license}” does not say whether it covers:\n${asked}\n\nPlease let us know in writing.`;
}

/** A term of a license in words, where its changes are told. */
export function termInWords(field: string, value: unknown): string {
  if (field === "price") {
    return money(Number(value), "EUR");
  }
  if (field === "kind") {
    return kindWords[value as LicenseDraft["kind"]];
  }
  return value === "GRANTED" || value === "REFUSED" || value === "NOT_STATED"
    ? value.toLowerCase().replace("_", " ")
    : plainly(value);
}
