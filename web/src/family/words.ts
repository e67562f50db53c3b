import type { DuplicateGroup, Family, FamilyOnSite, HeldFile } from "../shared/api/types";
import { classificationInWords } from "../shared/font/classification";
import { formatsOf } from "../shared/font/slots";
import { count, kB, listed } from "../shared/parts/format";

/** What the Families place says. */
export const words = {
  title: "Families",
  all: "All families",
  below: "In each slot, an upright stroke is a desktop file, a dot a web file.",
  filter: "Filter by name",
  which: "Which families",
  kind: "Kind of type",
  license: "License",
  use: "Use",
  language: "Language",
  variable: "Variable",
  foundry: "Foundry",
  anyFoundry: "by any foundry",
  group: "Grouped",
  noClient: "No client",
  noFoundry: "No foundry named",
  order: "Order",
  faces: "Faces",
  facesHelp: "set in the stored files; choose one for the specimen",
  files: "Files",
  noFile: "No files in the inventory. The family stays because a site, a license or a pack names it.",
  leaves: "Leaves of this family",
  noLeaf: "This family has no such page.",
  licenses: "Licenses",
  sites: "Sites",
  noSite: "No site uses this family.",
  onPages: "Found on pages",
  onPagesIs: "by the latest check of each site",
  onNoPage: "Not found on any page.",
  fromOthers: "from a third-party host",
  asksFor: "asks for",
  facts: "What the file says",
  readFrom: "read from",
  compare: "Compare",
  compareTitle: "Two files compared",
  first: "First file",
  second: "Second file",
  with: "with",
  nothingToCompare: "There’s only one file, so there’s nothing to compare.",
  move: "Move",
  moveHelp: "A family that doesn’t exist yet is added. Licenses stay with this family.",
  merge: "Merge",
  mergeTitle: "Merge",
  into: "Into which family",
  anotherFamily: "Choose another family.",
  mergeNow: "Merge families",
  noUndo: "This can’t be undone, because a site or a license named both.",
  split: "Split",
  splitTitle: "Split",
  facesThatLeave: "Faces to move",
  toFamily: "To the family",
  splitHelp: "It’s added if it doesn’t exist yet. Licenses stay here; the other family needs its own.",
  moveThem: "Move faces",
  make: "Make",
  makeIt: "Make",
  makeAnyway: "Convert anyway:",
  making: "Making files",
  noLicense: "No license covers this family.",
  face: "Face",
  format: "Format",
  madeHere: "made here",
  remove: "Remove",
  edit: "Edit",
  save: "Save",
  leave: "Cancel",
  renamed: "Renamed.",
  changed: "Changed.",
  from: "from",
  duplicates: "Duplicates",
  keep: "Keep",
  keepThis: "Keep this, retire the others",
  proposed: "proposed",
  superseded: "Superseded",
  supersededHelp: "replaced by newer versions; kept, but not served",
  holdAgain: "Restore",
  specimen: "Specimen",
  views: {
    paragraph: "Paragraph",
    sizes: "Sizes",
    characters: "Characters",
    pair: "With another",
    fallback: "Fallback",
  },
  view: "View",
  features: "Features",
  numbered: "Stylistic sets and character variants",
  instance: "Named instance",
  noInstance: "none",
  headingIn: "Heading in",
  textIn: "Text in",
  heading: "heading in",
  text: "text in",
  otherFamily: "another family",
  turn: "Swap",
  showAll: "Show all",
  ownWords: "Your own words",
  sizeInPixels: "Size in pixels",
  refused: "This file can’t be shown: the browser refuses it.",
  failed: "Couldn’t load this file.",
};

/** A family in a line of the list: what is held, in which formats, and what kind of type it is. */
export function about({ files, classification }: Pick<Family, "files" | "classification">): string {
  const faces = new Set(files.map((file) => file.slot.key)).size;
  return [
    `${count(faces, "face")}, ${count(files.length, "file")}`,
    formatsOf(files),
    classificationInWords(classification),
  ]
    .filter(Boolean)
    .join(" · ");
}

export function heldAgain(name: string, face: string): string {
  return `Restored ${name}. Other files for ${face} are superseded now.`;
}

/** A family in a line of the list: under which license it stands, and where it is used. */
export function licensedAndUsed(
  { licenses, sites }: Pick<Family, "licenses" | "sites">,
  today: string,
): string {
  const now = licenses.filter(({ ends }) => ends === null || ends >= today);
  const license =
    now.length > 1
      ? `${now.length} licenses`
      : (now[0]?.name ?? (licenses.length > 0 ? "license ended" : "no license"));
  const use = sites.length > 1 ? `${sites.length} sites` : (sites[0]?.name ?? "no site");
  return `${license} · on ${use}`;
}

export function summary({
  files,
  foundry,
  classification,
}: Pick<Family, "files" | "foundry" | "classification">): string {
  const faces = new Set(files.map((file) => file.slot.key)).size;
  const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
  const held = `${count(faces, "face")} in ${count(files.length, "file")}, ${kB(bytes)} in all`;
  return [held, classificationInWords(classification), foundry].filter(Boolean).join(" · ").concat(".");
}

/** A face above its files: what it is, what its foundry calls it, and the formats held. */
export function faceInWords(files: HeldFile[]): { name: string; called: string; held: string } {
  const [first] = files;
  const name = first?.slot.label ?? "";
  const called = files.map((file) => file.subfamily).find((one) => one && one !== name) ?? "";
  const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
  return { name, called, held: `${formatsOf(files)}, ${kB(bytes)}` };
}

/** What is said when no family fits what the list is narrowed by. */
export function noneFits(name: string): string {
  return name ? `No matching family has “${name}” in its name.` : "No families match.";
}

/** What follows from removing a file. */
export function removing(family: Family, file: HeldFile): string {
  if (family.files.filter((other) => other.slot.key === file.slot.key).length > 1) {
    return `${file.slot.label} is still held in another file.`;
  }
  return family.asks.some((ask) => ask.by.length > 0)
    ? "It’s the only file for this face. If a site asks for the face, the file isn’t removed."
    : "It’s the only file for this face, and no site asks for it.";
}

/** What follows from merging a family into another. */
export function merging({ name, files, sites, licenses }: Family): string {
  const along = [
    count(files.length, "file"),
    sites.length > 0 && `the text roles of ${listed(sites.map((site) => site.name))}`,
    licenses.length > 0 &&
      `what ${listed(licenses.map((license) => license.name))} ${licenses.length === 1 ? "covers" : "cover"}`,
  ].filter((part) => part !== false);
  return `${listed(along)} will move to the other family, and “${name}” will be deleted.`;
}

/** A group of duplicates in words: what it is, and why one is proposed to stay. */
export function groupInWords({ kind, members, because }: DuplicateGroup): { heading: string; why: string } {
  const first = members[0];
  const face = first ? `${first.family} ${first.file.slot.label}` : "";
  const families = [...new Set(members.map((member) => member.family))];
  const heading = {
    TWO_NAMES: `${listed(families)}: the same outlines under ${families.length} names`,
    RENAMED_COPIES: `${listed(families)}: nearly the same outlines under ${families.length} names`,
    SAME_DRAWING: `${face}: the same outlines in ${count(members.length, "file")}`,
    VERSIONS: `${face}: ${new Set(members.map(({ file }) => file.drawing)).size} different outlines for one slot`,
  }[kind];
  return { heading, why: `One is proposed because ${because}.` };
}

/** How much is held more than once. */
export function heldTwice(groups: DuplicateGroup[]): string {
  return groups.length === 0
    ? "Nothing is held twice."
    : `${count(groups.length, "group")}, ${kB(groups.reduce((sum, group) => sum + group.bytes, 0))} held more than once. Retired files are kept as superseded.`;
}

export function retired(files: number): string {
  return `Retired ${count(files, "file")}.`;
}

const foundAs: Record<FamilyOnSite["faces"][number]["how"], string> = {
  SAME_BYTES: "the same file",
  SAME_DRAWING: "converted",
  CUT: "a subset",
  ALIKE: "nearly the same outlines",
  SUPERSEDED: "an old version",
};

/** A face as it was found on the pages of a site. */
export function faceOnPages({ name, how, fromOthers }: FamilyOnSite["faces"][number]): string {
  return `${[name, foundAs[how], fromOthers && words.fromOthers].filter(Boolean).join(", ")}:`;
}
