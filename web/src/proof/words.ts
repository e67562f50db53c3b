import type { Finding } from "../shared/api/types";
import { count } from "../shared/parts/format";

/** What the CSS check says. */
export const words = {
  title: "Check a style sheet",
  below: "What’s wrong with its fonts, line by line, with corrections.",
  paste: "Paste the CSS that’s on the host, or that’s about to go there",
  hint: "@font-face { … }",
  read: "Check it",
  reading: "Checking …",
  choose: "Choose a CSS file",
  chooseLabel: "Style sheet to check",
  address: "Address of the style sheet or its page",
  addressHint: "https://client.example/",
  edit: "Edit the text",
  another: "Check another",
  all: "Correct all",
  copy: "Copy the text",
  clean: "Nothing is wrong with its fonts.",
  apply: "Correct it",
  byHand: "Fix this by hand.",
  proof: "CSS",
};

export const kindWords: Record<string, string> = {
  syntax: "Syntax",
  "typographic-quotes": "Typographic quotes",
  "unquoted-name": "Unquoted name",
  "name-mismatch": "Name mismatch",
  "undeclared-family": "Undeclared family",
  "unused-face": "Unused face",
  "family-per-weight": "Family per weight",
  "duplicate-face": "Face declared twice",
  "weight-mismatch": "Weight mismatch",
  "style-mismatch": "Style mismatch",
  "missing-descriptor": "Missing descriptor",
  "wrong-format-hint": "Wrong format hint",
  "format-order": "Order of formats",
  "legacy-format": "Legacy format",
  "no-generic": "No generic family",
  "unresolved-path": "Unresolved path",
  "insecure-url": "Insecure address",
  "scheme-relative-url": "Address without scheme",
  "share-link": "Share link",
  "import-not-first": "Import not first",
  "third-party": "Third party",
  "missing-font-display": "No font-display",
  "asked-face-not-declared": "Face not declared",
  "not-held": "Not held",
  "not-allowed": "Not allowed",
};

export function kindOf({ kind }: Pick<Finding, "kind">): string {
  return kindWords[kind] ?? kind;
}

/** How it stands with a text, in one sentence. */
export function standing(findings: readonly Finding[]): string {
  if (findings.length === 0) {
    return words.clean;
  }
  const mendable = findings.filter((finding) => finding.edits.length > 0).length;
  const found = count(findings.length, "finding");
  return mendable === findings.length
    ? `${found}, all with a correction.`
    : mendable === 0
      ? `${found}, to fix by hand.`
      : `${found}; ${mendable} with a correction, ${findings.length - mendable} to fix by hand.`;
}

export function folded(lines: number): string {
  return `${count(lines, "line")} without a finding`;
}
