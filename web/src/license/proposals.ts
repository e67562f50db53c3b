import type { LicenseDraft, Proposal } from "../shared/api/types";
import { formatName, money, day as inWords, whole } from "../shared/parts/format";
import { same } from "../shared/parts/merge";
import { acts } from "./terms";
import { basisWords, clauseWords, words } from "./words";

type Field = keyof LicenseDraft;
type Change = [Field, LicenseDraft[Field]];

/** The terms whose sentence may be quoted, by the point of a decision. */
export const quotable = [
  ...acts.map(([name, , point]) => ({ point: point, said: words[name] })),
  { point: "DOMAIN", said: words.domains },
  { point: "DOMAIN_LIMIT", said: words.domainLimit },
  { point: "PAGE_VIEWS", said: words.pageViewLimit },
  { point: "FORMAT", said: words.formats },
  { point: "ENDS", said: words.ends },
];

const points: Partial<Record<Proposal["term"], string>> = {
  WEB_USE: "WEB_USE",
  THIRD_PARTY: "THIRD_PARTY",
  INLINING: "INLINING",
  CONVERTING: "CONVERTING",
  CUTTING: "CUTTING",
  RENAMING: "RENAMING",
  DOMAINS: "DOMAIN",
  DOMAIN_LIMIT: "DOMAIN_LIMIT",
  PAGE_VIEW_LIMIT: "PAGE_VIEWS",
  FORMATS: "FORMAT",
  ENDS: "ENDS",
};

/** What taking a proposal over changes in the terms: its field, and the sentence that says so. */
export function termsOf(proposal: Proposal, terms: LicenseDraft): Change[] {
  const change = fieldOf(proposal);
  const point = points[proposal.term];
  return point ? [change, ["quotes", { ...terms.quotes, [point]: proposal.quote }]] : [change];
}

/** Whether the terms say already what is proposed. */
export function taken(proposal: Proposal, terms: LicenseDraft): boolean {
  const [field, value] = fieldOf(proposal);
  return same(terms[field] ?? null, value);
}

function fieldOf({ term, value }: Proposal): Change {
  switch (term) {
    case "BASIS":
      return ["basis", value];
    case "SPDX":
      return ["spdx", value];
    case "WEB_USE":
      return ["webUse", value];
    case "THIRD_PARTY":
      return ["thirdParty", value];
    case "INLINING":
      return ["inlining", value];
    case "CONVERTING":
      return ["converting", value];
    case "CUTTING":
      return ["cutting", value];
    case "RENAMING":
      return ["renaming", value];
    case "TRANSFER":
      return ["transfer", value];
    case "SUBDOMAINS":
      return ["subdomains", value];
    case "DEVELOPMENT":
      return ["development", value];
    case "DOMAINS":
      return ["domains", value.split(", ")];
    case "DOMAIN_LIMIT":
      return ["domainLimit", Number(value)];
    case "PAGE_VIEW_LIMIT":
      return ["pageViewLimit", Number(value)];
    case "FORMATS":
      return ["formats", value.split(", ")];
    case "BEGINS":
      return ["begins", value];
    case "ENDS":
      return ["ends", value];
    case "RENEWS":
      return ["renews", value === "true"];
    case "NOTICE_DAYS":
      return ["noticeDays", Number(value)];
    case "PRICE":
      return ["price", Number(value)];
    case "CURRENCY":
      return ["currency", value];
    case "PROOF":
      return ["proof", value];
  }
}

/** What is proposed, as people read it. */
export function valueInWords({ term, value }: Proposal): string {
  switch (term) {
    case "BASIS":
      return basisWords[value as LicenseDraft["basis"]];
    case "BEGINS":
    case "ENDS":
      return inWords(value);
    case "PRICE":
      return money(Number(value), "XXX").replace(/[^\d.,]/g, "");
    case "PAGE_VIEW_LIMIT":
    case "DOMAIN_LIMIT":
    case "NOTICE_DAYS":
      return whole(Number(value));
    case "FORMATS":
      return value.split(", ").map(formatName).join(", ");
    case "RENEWS":
      return words.yes;
    default:
      return value in clauseWords ? clauseWords[value as LicenseDraft["webUse"]] : value;
  }
}
