import type { Flag } from "../shared/api/types";
import type { LeafLink } from "../shared/layout/Leaves";

export const leafNames = { allows: "What it allows", terms: "Terms", history: "History" };

export type LeafOfLicense = keyof typeof leafNames;

/** The part of a license that a flag speaks of. */
export type Part = "dates" | "domains" | "rights" | "covers" | "agreement" | "none";

/** Beside which part of a license a flag stands. */
export function partOf(flag: Flag): Part {
  switch (flag.kind) {
    case "LICENSE_ENDED":
    case "LICENSE_ENDING":
    case "LICENSE_NOT_BEGUN":
      return "dates";
    case "DOMAIN_NOT_PERMITTED":
    case "DOMAINS_OVER_LIMIT":
    case "HELD_BY_ANOTHER_CLIENT":
      return "domains";
    case "WEB_USE_REFUSED":
    case "FORMAT_NOT_PERMITTED":
    case "CONVERTING_NOT_PERMITTED":
    case "SUBSETTING_NOT_PERMITTED":
    case "INLINING_NOT_PERMITTED":
    case "THIRD_PARTY_NOT_PERMITTED":
    case "PAGE_VIEWS_OVER_LIMIT":
      return "rights";
    case "NOT_STATED":
      return flag.point === "DOMAIN" ? "domains" : flag.point === "ENDS" ? "dates" : "rights";
    case "NOT_COLLECTED":
      return "covers";
    case "NO_PROOF":
      return "agreement";
    default:
      return "none";
  }
}

/** The leaves of a license; its flags are counted on the first, which shows them all. */
export function leavesOf(id: string, flags: Flag[]): LeafLink[] {
  return [
    { to: `/licenses/${id}`, name: leafNames.allows, flags: flags.length },
    { to: `/licenses/${id}/terms`, name: leafNames.terms, flags: 0 },
    { to: `/licenses/${id}/history`, name: leafNames.history, flags: 0 },
  ];
}
