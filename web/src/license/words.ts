import type { Due, License, LicenseDocument, LicenseDraft } from "../shared/api/types";
import { count, day, money, plainly } from "../shared/parts/format";

/** What the Licenses place says. */
export const words = {
  title: "Licenses",
  all: "All licenses",
  below: "The next eighteen months, soonest end first.",
  record: "Record a license",
  filter: "Name, vendor or domain",
  which: "Which licenses",
  state: "Active or ended",
  heldByAnyone: "held by anyone",
  heldByAgency: "held by the agency",
  none: "No licenses yet. Record what the agency or its clients bought, were given or subscribe to.",
  notStated: "Anything left at “not stated” counts as a no until the vendor confirms it.",
  save: "Save",
  saved: "Saved.",
  notSaved: "Not saved yet.",
  recordIt: "Record",
  whatItIs: "What it is",
  name: "Name",
  nameNeeded: "A license needs a name.",
  basis: "License type",
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
  notice: "Notice period, days",
  noticeHelp: "days’ notice period",
  past: "This day is in the past: the license is recorded as ended.",
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
  developmentCounts: "local and staging hosts count, too",
  pageViewLimit: "Page views a month",
  renews: "renews by itself",
  pricePer: "Paid",
  nextPayment: "Next payment",
  confirmed: "Web use confirmed",
  confirmedBy: "Confirmed by",
  confirmedOn: "On",
  quote: "Quote the clause",
  quoteHint: "The sentence of the agreement that says so",
  quotePlace: "Where it says so, such as page 3",
  leaves: "Leaves",
  timeLine: "Time line",
  coverage: "Coverage",
  readTitle: "Fill in from the agreement",
  readDocument: "Choose the agreement",
  readFile: "Agreement to read",
  readStored: "Read the attached agreement",
  readHelp: "Or drop it here, as a PDF or a text. Nothing is filled in until you use it.",
  reading: "Reading…",
  paste: "Text of the agreement",
  pasteHint: "Or paste its text",
  take: "Use",
  takeAll: "Use all",
  taken: "used",
  yes: "yes",
  markHelp: "Select a sentence to quote it as the clause of a term.",
  markAs: "Quote the clause for …",
  terms: {
    BASIS: "License type",
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
    NOTICE_DAYS: "Notice period, days",
    PRICE: "Price",
    CURRENCY: "Currency",
    PROOF: "Proof of purchase",
  },
  due: "Coming up",
  nothingDue: "Nothing is coming up in the next eighteen months.",
  costs: "Costs",
  costsBelow: "What the next twelve months cost, by the clients whose sites rely on each license.",
  noCosts: "Nothing to pay in the next twelve months.",
  nobody: "not used by any site",
  client: "Client",
  total: "Total",
  allTogether: "All together",
  howCosts:
    "A license for several sites is split equally among them. Recorded payments count, and so do renewals with a price.",
  ledger: "Export all licenses:",
  importLedger: "Import licenses",
  ledgerFile: "Licenses to import",
  acts: "What may be done",
  faces: "Faces",
  wholeFamily: "the whole family",
  standing: "Where it is used",
  noSites: "No site asks for what it covers yet.",
  notPermitted: "Hosts that it doesn’t list",
  noHost: "not used by any site yet",
  overLimit: "over the limit: more are listed than it permits",
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
  BASIS: "presumed for this license type",
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
  return text ? `No matching license has “${text}” in its name, vendor or domains.` : "No licenses match.";
}

export function heldBy(client: string): string {
  return `held by ${client}`;
}

export function oneForAll(families: number): string {
  return families > 1
    ? `One license for ${count(families, "family", "families")}. Anything left at “not stated” counts as a no until the vendor confirms it.`
    : words.notStated;
}

/** Asked for by a flag: a domain that the license does not name yet. */
export function adding(domain: string): string {
  return `${domain} is added below, not saved yet. Save it only if the vendor permits it.`;
}

export function deleting(sites: number): string {
  return sites === 0
    ? "Not used by any site."
    : `${count(sites, "site relies", "sites rely")} on it. What they ask for will be flagged as unlicensed, unless another license covers it.`;
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
  return free === 0
    ? "The limit is reached."
    : `${count(free, "more domain", "more domains")} may be listed.`;
}

/** How much an agreement seems to say. */
export function found(proposals: number): string {
  return proposals === 0
    ? "No terms were found. Read it, and fill in what it says."
    : `Found ${count(proposals, "term")}. Read the words before you use one.`;
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
