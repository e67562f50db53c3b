import type { FileRow } from "../shared/api/types";

/** The fonts of one family in an intake. */
export type FamilyRows = { family: string; rows: FileRow[] };

/** The fonts of an intake by their families, in the order of the families' names. */
export function byFamily(rows: FileRow[]): FamilyRows[] {
  const families = new Map<string, FileRow[]>();
  for (const row of rows) {
    const known = families.get(row.family);
    if (known) {
      known.push(row);
    } else {
      families.set(row.family, [row]);
    }
  }
  return [...families]
    .map(([family, members]) => ({ family, rows: members }))
    .sort((a, b) => a.family.localeCompare(b.family));
}

/** What the margin of a family under review says: what would clash, and what is held already. */
export function notesOf(rows: FileRow[]): { what: "clashes" | "repeats"; files: number; because: string }[] {
  const clashes = rows.filter((row) => row.verdict === "CLASH");
  const repeats = rows.filter((row) => row.verdict === "SAME_BYTES" || row.verdict === "SAME_DRAWING");
  return [
    { what: "clashes" as const, files: clashes.length, because: clashes[0]?.because ?? "" },
    { what: "repeats" as const, files: repeats.length, because: repeats[0]?.because ?? "" },
  ].filter((note) => note.files > 0);
}
