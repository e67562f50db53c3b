import type { Family, HeldFile } from "../shared/api/types";
import { count, kB } from "../shared/parts/format";

/** What the Families place says. */
export const words = {
  title: "Families",
  all: "All families",
  below: "In each slot, an upright stroke is a desktop file, a dot a web file.",
  filter: "Filter by name",
  faces: "Faces",
  facesHelp: "set in the stored files; choose one for the specimen",
  files: "Files",
  noFile: "No file is held. The family stays because a site, a license or a pack names it.",
  licensesAndSites: "Licenses and sites",
  noLicense: "No license covers this family.",
  face: "Face",
  file: "File",
  format: "Format",
  size: "Size",
  characters: "Characters",
  version: "Version",
  madeHere: "made here",
  makeWoff2: "Make WOFF2",
  remove: "Remove",
  rename: "Rename",
  name: "Name of the family",
  renamed: "Renamed.",
  keepName: "Keep the name",
  nameNeeded: "A family needs a name.",
  specimen: "Specimen",
  sizes: "Sizes",
  paragraph: "Paragraph",
  fallback: "Fallback",
  view: "View",
  ownWords: "Your own words",
  sizeInPixels: "Size in pixels",
  refused: "This file cannot be shown: the browser refuses it.",
  failed: "This file could not be fetched, so it is not shown.",
};

export function howMany(files: HeldFile[]): string {
  const faces = new Set(files.map((file) => file.slot.key)).size;
  return `${count(faces, "face")}, ${count(files.length, "file")}`;
}

export function summary(files: HeldFile[]): string {
  const faces = new Set(files.map((file) => file.slot.key)).size;
  const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
  return `${count(faces, "face")} in ${count(files.length, "file")}, ${kB(bytes)} in all.`;
}

export function noneNamed(name: string): string {
  return `No family held has “${name}” in its name.`;
}

/** What follows from removing a file. */
export function removing(family: Family, file: HeldFile): string {
  if (family.files.filter((other) => other.slot.key === file.slot.key).length > 1) {
    return `${file.slot.label} stays held in another file.`;
  }
  return family.asks.some((ask) => ask.by.length > 0)
    ? "It is the only file for this face. If a site asks for it, it will not be removed."
    : "It is the only file for this face, and no site asks for it.";
}
