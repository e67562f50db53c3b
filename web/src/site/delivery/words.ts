import type { Delivery } from "../../shared/api/types";
import { listed } from "../../shared/parts/format";
import { languageName } from "./delivery";

/** What the leaf Delivery says. */
export const words = {
  below: "What the fonts are cut to, how the host takes and names files, and what is handed over.",
  cut: "Cut",
  cutIs: "to what the site’s text needs",
  languages: "Languages",
  languagesHint: "English, Enter",
  languagesHelp: "Without any, fonts are delivered whole.",
  words: "The site’s own words and signs",
  wordsHelp: "Kept when fonts are cut, and shown on the specimen page: prices, arrows, names.",
  browsers: "Browsers",
  formats: "Formats of the host",
  formatsHint: "WOFF2, Enter",
  formatsHelp:
    "In the order to try them. Leave empty to let the browsers decide. With TTF and OTF, whichever is held.",
  overrides: "Overrides",
  overridesHelp:
    "CSS at the end of the pack’s rules, such as what beats a theme’s own. Leave empty if nothing has to be overridden.",
  budget: "Budget, kB",
  budgetHelp: "What the fonts of a page may weigh together.",
  budgetNone: "A budget is a number of kilobytes.",
  prefix: "Prefix of family names",
  prefixHelp: "Where the host may hold fonts of the same name.",
  familyNames: "Names in CSS",
  familyNamesAre: "leave one empty for the family’s own name",
  familyNamesSave: "Save the names",
  standIns: "System faces with matched metrics stand in until the fonts are there",
  placement: "Placement",
  placementIs: "how this host takes and names files",
  kind: "Where files go",
  folder: "Folder, as seen from the style sheet",
  base: "Base address",
  expression: "Expression, with {file} where the name belongs",
  names: "File names",
  digest: "With a part of the digest, so that a changed file is never taken from a cache",
  shape: "Rules as",
  before: "To do before the upload",
  beforeHelp: "A thing a line, such as letting in a file type; ticked with each pack.",
  after: "To undo after it",
  afterHelp: "A thing a line, such as taking that back, or switching another loader off.",
  preview: "What comes out",
  cannot: "This cannot work yet.",
  save: "Save the delivery",
  saved: "Saved.",
  addresses: "Addresses of the files",
  addressesHelp:
    "One a line, as copied from the host; with the name of the file before it where the address does not have it.",
  match: "Match them to the files",
  matched: "Addresses matched. Save the delivery, then make the pack again.",
};

/** How it is delivered, in one sentence. */
export function deliveryInWords(delivery: Delivery): string {
  const said = <V extends string>(options: [V, string][], value: V) =>
    (options.find(([known]) => known === value)?.[1] ?? value).replace(/:.*/, "");
  const cut =
    delivery.languages.length > 0
      ? `Cut to ${listed(delivery.languages.map(languageName))}`
      : "Whole, not cut to any language";
  return `${cut}; files ${said(kindWords, delivery.kind)}, named in ${said(nameWords, delivery.names)}${
    delivery.digest ? " and a digest" : ""
  }; handed over as ${said(shapeWords, delivery.shape)}.`.replace("named in as ", "named as ");
}

export const fieldNames: Record<keyof Delivery, string> = {
  languages: words.languages,
  words: words.words,
  browsers: words.browsers,
  budget: words.budget,
  prefix: words.prefix,
  standIns: "Stand-ins",
  kind: words.kind,
  folder: words.folder,
  base: words.base,
  expression: words.expression,
  urls: words.addresses,
  names: words.names,
  digest: "Digest in names",
  shape: words.shape,
  before: words.before,
  after: words.after,
  formats: words.formats,
  overrides: words.overrides,
};

/** Formats that a host may take, the one that browsers like best first. */
export const formats: Delivery["formats"] = ["WOFF2", "WOFF", "TTF", "OTF", "EOT", "SVG"];

export const browserWords: [Delivery["browsers"], string][] = [
  ["MODERN", "of the last years: WOFF 2"],
  ["SOME_YEARS_BACK", "some years back: WOFF 2, WOFF"],
  ["LEGACY", "legacy: WOFF 2, WOFF, TrueType"],
];

export const kindWords: [Delivery["kind"], string][] = [
  ["FOLDER", "in a folder, seen from the style sheet"],
  ["FLAT", "beside the style sheet, no folders"],
  ["BASE_URL", "under one base address"],
  ["EXPRESSION", "by an expression that the host replaces"],
  ["URL_PER_FILE", "each at its own address, known after upload"],
  ["INLINE", "inside the style sheet, there is no file store"],
];

export const nameWords: [Delivery["names"], string][] = [
  ["HYPHENS", "lowercase letters with hyphens"],
  ["LETTERS_AND_DIGITS", "lowercase letters and digits only"],
  ["KEEP", "as the family is written"],
];

export const shapeWords: [Delivery["shape"], string][] = [
  ["STYLE_SHEET", "a style sheet"],
  ["STYLE_BLOCK", "a style element for the page’s head"],
  ["APPENDED", "rules to append to a style sheet"],
  ["CUSTOM_PROPERTIES", "custom properties"],
  ["DESIGN_TOKENS", "design tokens"],
  ["MENU", "names and values for a menu"],
];
