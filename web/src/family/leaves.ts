import type { Family, Flag } from "../shared/api/types";
import { count, listed } from "../shared/parts/format";

export const leafNames = { faces: "Faces", files: "Files", use: "Use", facts: "Facts" };

export type LeafOfFamily = keyof typeof leafNames;

export function isLeaf(name: string): name is LeafOfFamily {
  return name in leafNames;
}

/** The leaf on which a flag can be mended. */
export function leafOf(flag: Flag): LeafOfFamily {
  switch (flag.kind) {
    case "FACE_NOT_HELD":
    case "SLOT_CLASH":
    case "FEW_CHARACTERS":
      return "faces";
    case "SAME_BYTES":
    case "SAME_DRAWING":
    case "TWO_NAMES":
    case "WEB_FORMAT_NOT_HELD":
    case "STORED_FILE_DAMAGED":
      return "files";
    case "EMBEDDING_DISAGREES":
    case "MARKED_FILE":
      return "facts";
    default:
      return "use";
  }
}

/** Whether all is well with a family, in one sentence. */
export function standing({ files, licenses, sites }: Family, flags: Flag[]): string {
  const open = flags.filter((flag) => !flag.acceptedUntil);
  const stops = open.filter((flag) => flag.severity === "STOP").length;
  if (files.length === 0) {
    return "No file of it is in the inventory.";
  }
  if (stops > 0) {
    return `${count(stops, "blocking flag")}${open.length > stops ? `, and ${count(open.length - stops, "other")}` : ""}.`;
  }
  if (open.length > 0) {
    return `No blocking flags; ${count(open.length, "flag")} ${open.length === 1 ? "is" : "are"} open.`;
  }
  const under =
    licenses.length === 0
      ? "what’s missing is accepted for now"
      : `it’s covered by ${listed(licenses.map((license) => license.name))}`;
  const where =
    sites.length === 0
      ? "no site uses it"
      : `${listed(sites.map((site) => site.name))} ${sites.length === 1 ? "uses" : "use"} it`;
  return `All is well: ${under}, and ${where}.`;
}
