import type { Due, License, LicenseDocument, LicenseDraft } from "../shared/api/types";
import { count, day, money, plainly } from "../shared/parts/format";

/** What the Licenses place says. */
export const words = {
  title: "Licenses",
  all: "All licenses",
  below: "Over the coming eighteen months, soonest end first.",
  record: "Record a license",
  filter: "Name, vendor or domain",
  which: "Which licenses",
  state: "Running or ended",
  heldByAnyone: "held by anyone",
  heldByAgency: "held by the agency",
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
  someFaces: "Some faces only",
  wholeAgain: "The whole family",
  facesOf: "Faces of",
  pickFaces: "pick the faces that it covers",
  keepAsSet: "Keep as a set of terms",
  startFrom: "Start from",
  startBlank: "blank terms",
  sets: "Sets of terms",
  allows: "What it allows",
  webUse: "Use on web pages",
  thirdParty: "Third-party hosting",
  inlining: "Inlining (data: URL)",
  converting: "Converting",
  cutting: "Subsetting",
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
  priceWrong: "Write an amount, such as 1,234.50.",
  limitWrong: "Write a whole number, such as 50,000 or 500k. Leave empty for no limit.",
  noticeWrong: "Write a number of days, at most 3,650.",
  currency: "Currency",
  currencyWrong: "Three letters, such as EUR",
  proof: "Proof of purchase",
  proofHint: "Order or invoice number",
  notes: "Notes",
  spdx: "Open license",
  spdxNone: "another text",
  holder: "Holder",
  agency: "the agency",
  transfer: "Transfer to a client",
  domainLimit: "Domains permitted",
  noLimit: "no limit",
  domainLimitHelp: "How many domains may be listed. Leave empty for no limit.",
  counting: "Counted by",
  developmentCounts: "named local and staging hosts take a place",
  pageViewLimit: "Page views a month",
  renews: "renews by itself",
  pricePer: "Paid",
  nextPayment: "Next payment",
  confirmed: "Web use confirmed",
  confirmedBy: "Confirmed by",
  confirmedOn: "On",
  quote: "Quote the clause",
  quoteHint: "The sentence of the agreement that says so",
  quotePlace: "Where it stands, such as page 3",
  leaves: "Leaves",
  timeLine: "Time line",
  coverage: "Coverage",
  readTitle: "Read it from the agreement",
  readDocument: "Choose the agreement",
  readFile: "Agreement to read",
  readStored: "Read the attached one",
  readHelp: "Or drop it here: a PDF or a text. Nothing is filled in before you take it over.",
  reading: "Reading…",
  paste: "Text of the agreement",
  pasteHint: "Or paste its text",
  take: "Take",
  takeAll: "Take all",
  taken: "taken",
  yes: "yes",
  markHelp: "Mark a sentence to quote it as the clause of a term.",
  markAs: "Quote the clause for …",
  terms: {
    BASIS: "Basis",
    SPDX: "Open license",
    WEB_USE: "Use on web pages",
    THIRD_PARTY: "Third-party hosting",
    INLINING: "Inlining (data: URL)",
    CONVERTING: "Converting",
    CUTTING: "Subsetting",
    RENAMING: "Renaming",
    TRANSFER: "Transfer to a client",
    SUBDOMAINS: "Subdomains",
    DEVELOPMENT: "Local and staging",
    DOMAINS: "Domains",
    DOMAIN_LIMIT: "Domains permitted",
    PAGE_VIEW_LIMIT: "Page views a month",
    FORMATS: "Formats",
    BEGINS: "Begins",
    ENDS: "Ends",
    RENEWS: "Renews by itself",
    NOTICE_DAYS: "Days of notice",
    PRICE: "Price",
    CURRENCY: "Currency",
    PROOF: "Proof of purchase",
  },
  due: "What falls due",
  nothingDue: "Nothing falls due in the coming eighteen months.",
  costs: "Costs",
  costsBelow: "What the coming twelve months cost, by the clients whose sites stand on each license.",
  noCosts: "Nothing is paid in the coming twelve months.",
  nobody: "no site stands on it",
  client: "Client",
  total: "Total",
  allTogether: "All together",
  howCosts:
    "A license for several sites is divided equally among them. Counted are recorded payments, and what renews by itself for a price.",
  ledger: "The ledger:",
  importLedger: "Import a ledger",
  ledgerFile: "Ledger to import",
  acts: "What may be done",
  faces: "Faces",
  wholeFamily: "the whole family",
  standing: "Where it is used",
  noSites: "No site asks for what it covers yet.",
  notPermitted: "Hosts that it does not name",
  noHost: "no site stands on it yet",
  overLimit: "has no place: more are named than it permits",
  money: "Dates and money",
  document: "Document",
  proofs: "Documents",
  noDocument: "No document is attached: neither the agreement nor an invoice.",
  attachAs: "What it is",
  attach: "Attach a document",
  attached: "Attached.",
  documentFile: "Document file",
  show: "Show",
  hide: "Hide",
  page: "Page",
  ask: "Ask the vendor",
  remove: "Delete the license",
  delete: "Delete",
};

export const basisWords: Record<LicenseDraft["basis"], string> = {
  OPEN: "Open license",
  BOUGHT: "Bought outright",
  PAGE_VIEWS: "Bought by page views",
  SUBSCRIPTION: "Subscription",
  DONATION: "Free with donation",
  PERSONAL: "Free for personal use",
  CLIENT_SUPPLIED: "Supplied by the client",
  TRIAL: "Trial",
  DESKTOP: "Desktop only",
  CUSTOM: "Custom terms",
};

/** What a document is to the license. */
export const kindWords: Record<LicenseDocument["kind"], string> = {
  AGREEMENT: "Agreement",
  INVOICE: "Invoice",
  ORDER: "Order",
  CORRESPONDENCE: "Correspondence",
};

/** What is presumed of web use on a basis, where the terms do not say it. */
export const presumed: Partial<Record<LicenseDraft["basis"], string>> = {
  OPEN: "Grants what its text grants, where the terms below say nothing else.",
  PERSONAL: "Use on web pages is presumed refused, unless it is granted below.",
  TRIAL: "Use on web pages is presumed refused, unless it is granted below.",
  DESKTOP: "Use on web pages is presumed refused, unless it is granted below.",
};

/** By what something holds that the terms do not say themselves. */
export const sourceWords: Record<License["acts"][number]["source"], string> = {
  TERMS: "",
  TEXT: "by the text of the license",
  BASIS: "presumed on this basis",
};

export const countingWords: Record<LicenseDraft["counting"], string> = {
  HOST: "Each host",
  REGISTRABLE_DOMAIN: "Each registrable domain",
};

export const perWords: Record<LicenseDraft["pricePer"], string> = {
  ONCE: "once",
  MONTH: "a month",
  YEAR: "a year",
};

/** The open licenses for fonts that are known, by their SPDX identifiers. */
export const openLicenses = [
  "OFL-1.1",
  "OFL-1.0",
  "Apache-2.0",
  "MIT",
  "CC0-1.0",
  "CC-BY-4.0",
  "CC-BY-SA-4.0",
  "Ubuntu-font-1.0",
  "Bitstream-Vera",
  "IPA",
  "mplus",
  "Arphic-1999",
  "LPPL-1.3c",
  "GPL-3.0-or-later WITH Font-exception-2.0",
  "GPL-2.0-or-later WITH Font-exception-2.0",
  "GPL-3.0-or-later",
  "GPL-2.0-or-later",
];

export const clauseWords: Record<LicenseDraft["webUse"], string> = {
  GRANTED: "✓ Granted",
  REFUSED: "✕ Refused",
  NOT_STATED: "? Not stated",
};

/** What a list says that has no license; `text` is what their names, vendors or domains should have. */
export function noneFits(text: string): string {
  return text
    ? `No license that fits has “${text}” in its name, vendor or domains.`
    : "No license fits these words.";
}

export function heldBy(client: string): string {
  return `held by ${client}`;
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
export function termInWords(field: string, value: unknown, currency: string): string {
  if (field === "price") {
    return money(Number(value), currency);
  }
  if (field === "basis") {
    return basisWords[value as LicenseDraft["basis"]];
  }
  return value === "GRANTED" || value === "REFUSED" || value === "NOT_STATED"
    ? value.toLowerCase().replace("_", " ")
    : plainly(value);
}

/** That a license was recorded without its agreement. */
export function notAttached(why: string): string {
  return `The license is recorded, but its agreement couldn’t be attached: ${why} Attach it on the license’s page.`;
}

/** How many more domains may be named. */
export function places(free: number): string {
  return free === 0 ? "No place is free." : `${count(free, "place is", "places are")} free.`;
}

/** How much an agreement seems to say. */
export function found(proposals: number): string {
  return proposals === 0
    ? "Nothing was recognized. Read it, and record what it says."
    : `It seems to say ${count(proposals, "thing", "things")}. Read the words before you take one over.`;
}

export const dueWords: Record<Due["kind"], string> = {
  NOTICE: "decide",
  ENDS: "ends",
  RENEWS: "renews by itself",
  PAYMENT: "payment",
};

/** What the coming year costs, in one currency. */
export function yearCosts(cents: number, currency: string, times: number): string {
  return `${money(cents, currency)} in ${count(times, "payment", "payments")} within a year`;
}

export function imported(licenses: number): string {
  return `Recorded ${count(licenses, "license", "licenses")}.`;
}
