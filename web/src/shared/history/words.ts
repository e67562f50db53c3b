import { day } from "../parts/format";

/** What the fields of records are called where their changes are told. */
export const fieldWords: Record<string, string> = {
  name: "Name",
  basis: "License type",
  spdx: "Open license",
  holder: "Holder",
  transfer: "Transfer to a client",
  domainLimit: "Domains permitted",
  counting: "Counted by",
  developmentCounts: "Local and staging hosts count, too",
  pageViewLimit: "Page views a month",
  renews: "Renews by itself",
  pricePer: "Paid",
  nextPayment: "Next payment",
  confirmedBy: "Web use confirmed by",
  confirmedOn: "Web use confirmed on",
  quotes: "Quoted",
  staging: "Staging hosts",
  vendor: "Vendor",
  covers: "Covers",
  webUse: "Use on web pages",
  converting: "Converting",
  cutting: "Subsetting",
  renaming: "Renaming",
  inlining: "Inlining (data: URL)",
  thirdParty: "Third-party hosting",
  subdomains: "Subdomains",
  development: "Local and staging",
  domains: "Domains",
  formats: "Formats",
  begins: "Begins",
  ends: "Ends",
  noticeDays: "Notice period, days",
  price: "Price",
  proof: "Proof of purchase",
  notes: "Notes",
  client: "Client",
  displayName: "Name",
  level: "Level",
};

/** A change of one field as one line: what it was and what it is. */
export function changeInWords(change: { field: string; before: string; after: string }): string {
  const name = fieldWords[change.field] ?? change.field;
  const before = localized(change.before);
  const after = localized(change.after);
  if (!before) {
    return `${name}: ${after}`;
  }
  return after ? `${name}: ${before} → ${after}` : `${name}: ${before} → nothing`;
}

function localized(text: string): string {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) ? day(text) : text;
}

/** The place of a record, by its type in the history; records without a page of their own have none. */
export function placeOf(subjectType: string, subjectId: string): string | null {
  const places: Record<string, string> = {
    family: "/families/",
    license: "/licenses/",
    terms: "/licenses/terms/",
    site: "/sites/",
    intake: "/intake/",
  };
  const place = places[subjectType];
  if (place) {
    return place + subjectId;
  }
  if (subjectType === "flag" && /^[0-9a-f]{20}$/.test(subjectId)) {
    return `/flags/${subjectId}`;
  }
  return subjectType === "person" ? "/people" : null;
}

/** The types of records in the history, in the order in which a filter offers them. */
export const typeWords: Record<string, string> = {
  family: "Families",
  license: "Licenses",
  terms: "Sets of terms",
  site: "Sites",
  client: "Clients",
  intake: "Intakes",
  flag: "Flags",
  person: "People",
};
