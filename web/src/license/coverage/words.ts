import type { Crossed } from "../../shared/api/types";
import { count, listed } from "../../shared/parts/format";

/** What the coverage page says. */
export const words = {
  title: "Coverage",
  below: "Every family on every site: allowed, and in use. Problems first.",
  filter: "Family",
  client: "Client",
  allClients: "all clients",
  used: "in use only",
  none: "No families and sites yet.",
  loading: "…",
  pick: "Move with the arrow keys; type a letter to jump to the next family that begins with it.",
  recordLicense: "Record a license",
  askVendor: "Ask the vendor",
  renew: "Renew",
  attach: "Extend a license …",
  attachTitle: "Extend a license",
  attachIt: "Extend",
  leave: "Cancel",
  license: "License",
  agreedBy: "Who at the vendor agreed",
  agreedOn: "On which day",
  agreedProof: "What shows it",
  agreedProofHelp: "A message, an order number, an invoice",
  seeLicense: "See the license",
  changeFace: "Change the face, or remove it from the site",
  noLicense: "No license covers it.",
  partly: "It covers some faces only.",
};

const verdicts: Record<Crossed["verdict"], string> = {
  ALLOWED: "allowed",
  NOT_STATED: "not stated",
  REFUSED: "refused",
};

export const signs: Record<Crossed["verdict"], string> = { ALLOWED: "✓", NOT_STATED: "?", REFUSED: "✕" };

/** A crossing in words, for those who hear it. */
export function cellInWords(family: string, site: string, cell: Crossed | undefined): string {
  return cell
    ? `${family} on ${site}: ${verdicts[cell.verdict]}, ${cell.asked ? "in use" : "not used"}`
    : `${family} on ${site}`;
}

/** What a site asks of a family. */
export function asksFor(faces: string[]): string {
  return faces.length > 0 ? `It asks for ${listed(faces)}.` : "Not used here.";
}

/** To name a domain on a license; the vendor has to permit it, which the license's page says. */
export function nameOn(domain: string, license: string): string {
  return `Add ${domain} to “${license}”`;
}

export function size(families: number, sites: number): string {
  return `${count(families, "family", "families")} × ${count(sites, "site", "sites")}`;
}
