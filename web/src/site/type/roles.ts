import type { Family, Role, SiteWeight } from "../../shared/api/types";
import { pageWeight, serves } from "../../shared/font/slots";
import { usual } from "../words";
import { words } from "./words";

/** The roles of a site as fields of a form, each by its name, so that two people can edit different ones. */
export type RolesByName = Record<string, Role | null>;

/** The field of a form that holds a role; the name of one of a site's own may have any characters. */
export function fieldOf(role: string): string {
  return usual.includes(role) ? role : `own ${role.replace(/[.[\]"'`]/g, "_")}`;
}

export function byRole(roles: Role[]): RolesByName {
  const none = Object.fromEntries(usual.map((name) => [name, null]));
  return { ...none, ...Object.fromEntries(roles.map((role) => [fieldOf(role.role), role])) };
}

export function inOrder(roles: RolesByName): Role[] {
  return Object.values(roles).filter((role) => role !== null && role !== undefined);
}

/** A role that is added: in the family of another, with no face yet. */
export function emptyRole(role: string, like: Role | undefined): Role {
  return {
    role,
    familyId: like?.familyId ?? "",
    generic: like?.generic ?? "SANS_SERIF",
    faces: [],
    selector: "",
    size: "",
    lineHeight: "",
    letterSpacing: "",
    wordSpacing: "",
    fallbacks: [],
  };
}

/** Names of families as they are typed, with commas between them and with quotation marks or without. */
export function familiesIn(typed: string): string[] {
  const names = typed.split(",").map((name) =>
    name
      .trim()
      .replace(/^["'“‘](.*)["'”’]$/, "$1")
      .trim(),
  );
  return [...new Set(names.filter((name) => name !== ""))];
}

/** What all chosen faces weigh together, each file counted once. */
export function weigh(roles: Role[], families: Family[]) {
  const seen = new Set<string>();
  const total = { faces: 0, bytes: 0, guessed: false };
  for (const role of roles) {
    const family = families.find((one) => one.id === role.familyId);
    for (const slot of role.faces) {
      const files = family?.files.filter((file) => serves(file.slot, slot)) ?? [];
      const key = role.familyId + (files[0]?.slot.key ?? slot.key);
      if (files.length > 0 && !seen.has(key)) {
        seen.add(key);
        const { bytes, guessed } = pageWeight(files);
        total.faces++;
        total.bytes += bytes;
        total.guessed ||= guessed;
      }
    }
  }
  return total;
}

/** What packs would leave undone for these faces, or what they lack, each sentence once. */
export function undoneOf(weight: SiteWeight): string[] {
  return [...new Set(weight.faces.flatMap((face) => face.undone))];
}

/** What browsers would fake in a role's text if it appears there: emphasis for which no face is chosen. */
export function fakedIn({ role, faces: [plain, ...others] }: Role): string[] {
  if (!plain || role === "CODE" || role === "BUTTONS" || role === "NAVIGATION") {
    return [];
  }
  const isBold = (face: typeof plain) => face.weightMax >= 600;
  const leans = (face: typeof plain) => face.slope !== "upright";
  const has = (bold: boolean, slanted: boolean) =>
    [plain, ...others].some(
      (face) =>
        leans(face) === slanted &&
        (bold ? isBold(face) : face.weight < 600 || isBold(face) === isBold(plain)),
    );
  const faked: string[] = [];
  if (!isBold(plain) && !has(true, leans(plain))) {
    faked.push("bold");
  }
  if (!leans(plain) && !has(isBold(plain), true)) {
    faked.push("italic");
  }
  if (!isBold(plain) && !leans(plain) && !has(true, true)) {
    faked.push("bold in italic");
  }
  return faked;
}

/** What a role is set in: its family and faces, that of plain text first. */
export function roleInWords(role: Role | null, families: Family[]): string {
  if (!role) {
    return words.notSet;
  }
  if (role.familyId === "") {
    return words.chooseFamily;
  }
  const name = families.find((family) => family.id === role.familyId)?.name ?? words.another;
  const faces = role.faces.map((face) => face.label || face.key);
  return faces.length > 0 ? `${name} ${faces.join(", ")}` : `${name}, ${words.noFace}`;
}

/** The generic family that can stand in for a family of a kind; none where the kind is not known. */
export function genericOf(classification: string | undefined): Role["generic"] | undefined {
  switch (classification) {
    case "SERIF":
      return "SERIF";
    case "SANS_SERIF":
    case "DISPLAY":
      return "SANS_SERIF";
    case "MONOSPACED":
      return "MONOSPACE";
    case "HANDWRITING":
      return "CURSIVE";
    default:
      return undefined;
  }
}

/** Whether two names are those of one text role: what their custom properties are called by is equal. */
export function isSameRole(one: string, other: string): boolean {
  const key = (name: string) =>
    name
      .normalize("NFKC")
      .toLowerCase()
      .replace(/[^\p{L}\p{M}\p{N}]+/gu, "-")
      .replace(/^-+|-+$/g, "");
  return key(one) === key(other);
}
