import type { Delivery } from "../../shared/api/types";
import { listed } from "../../shared/parts/format";
import { languageName } from "./delivery";

/** What the leaf Delivery says. */
export const words = {
  below: "Which characters fonts keep, how the host takes and names files, and what a pack contains.",
  cut: "Subset",
  cutIs: "the characters that the site’s text needs",
  languages: "Languages",
  languagesHint: "English, Enter",
  languagesHelp: "Leave empty to deliver whole fonts.",
  words: "The site’s own words and signs",
  wordsHelp: "Always kept in subsets, and shown on the specimen page: prices, arrows, names.",
  browsers: "Browsers",
  formats: "Formats of the host",
  formatsHint: "WOFF2, Enter",
  formatsHelp:
    "In the order to try them. Leave empty to let the browsers decide. With TTF and OTF, whichever is held.",
  overrides: "Overrides",
  overridesHelp:
    "CSS at the end of the pack’s rules, such as what beats a theme’s own. Leave empty if nothing has to be overridden.",
  budget: "Budget, kB",
  budgetHelp: "How much the fonts of a page may weigh in total. Leave empty for no limit.",
  budgetNone: "Write kilobytes, such as 60 or 1,200, or a size such as 1.2 MB. Leave empty for no limit.",
  prefix: "Prefix of family names",
  prefixHelp: "For hosts that may already have fonts of the same name.",
  familyNames: "Names in CSS",
  familyNamesAre: "leave empty for the family’s own name",
  familyNamesSave: "Save the names",
  standIns: "Show system fonts with matched metrics until the fonts have loaded",
  placement: "Files on the host",
  placementIs: "where they go and what they’re called",
  kind: "Where files go",
  folder: "Folder, relative to the style sheet",
  base: "Base address",
  baseHelp: "The address of the folder, or of any font file you’ve uploaded there.",
  expression: "Expression, with {file} in place of the name",
  names: "File names",
  digest: "Add a content hash, so that browsers never use an old file from their cache",
  shape: "Rules as",
  before: "Before the upload",
  beforeHelp: "One step per line, such as allowing a file type. You check them off for each pack.",
  after: "After the upload",
  afterHelp: "One step per line, such as disallowing that type again, or turning off another font loader.",
  preview: "Preview",
  cannot: "Nothing to preview until the fields above are complete.",
  save: "Save the delivery",
  saved: "Saved.",
  addresses: "Addresses of the files",
  addressesHelp:
    "One per line, as copied from the host. Where an address doesn’t contain the file’s name, put the name before it.",
  match: "Match them to the files",
  matched: "Addresses matched. Save, then make the pack again.",
};

/** How it is delivered, in three sentences. */
export function deliveryInWords(delivery: Delivery): string {
  const said = <V extends string>(options: [V, string][], value: V) =>
    (options.find(([known]) => known === value)?.[1] ?? value).replace(/:.*/, "");
  const subset =
    delivery.languages.length > 0
      ? `Subset to ${listed(delivery.languages.map(languageName))}.`
      : "Whole fonts, not subset.";
  const hash = delivery.digest ? " and a content hash" : "";
  return `${subset} Files go ${said(kindWords, delivery.kind)}, with ${said(nameWords, delivery.names)}${hash}. Rules come as ${said(shapeWords, delivery.shape)}.`;
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
  ["MODERN", "current: WOFF2"],
  ["SOME_YEARS_BACK", "older: WOFF2, WOFF"],
  ["LEGACY", "legacy: WOFF2, WOFF, TrueType"],
];

export const kindWords: [Delivery["kind"], string][] = [
  ["FOLDER", "in a folder next to the style sheet"],
  ["FLAT", "next to the style sheet, without folders"],
  ["BASE_URL", "to one base address"],
  ["EXPRESSION", "where the host’s own expression points"],
  ["URL_PER_FILE", "to an address each, known after the upload"],
  ["INLINE", "inside the style sheet (no file store)"],
];

export const nameWords: [Delivery["names"], string][] = [
  ["HYPHENS", "lowercase, hyphenated names"],
  ["LETTERS_AND_DIGITS", "names of lowercase letters and digits"],
  ["KEEP", "names as the family is written"],
];

export const shapeWords: [Delivery["shape"], string][] = [
  ["STYLE_SHEET", "a style sheet"],
  ["STYLE_BLOCK", "a style element for the page’s head"],
  ["APPENDED", "rules to append to a style sheet"],
  ["CUSTOM_PROPERTIES", "custom properties"],
  ["DESIGN_TOKENS", "design tokens"],
  ["MENU", "names and values for a menu"],
];
