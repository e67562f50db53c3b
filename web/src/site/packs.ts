import type { AskedRow, Flag } from "../shared/api/types";
import { isOfPages } from "../shared/flag/flags";
import { kB } from "../shared/parts/format";

type Decided = Pick<AskedRow, "familyName" | "verdict"> & { slot: { label: string }; held: unknown[] };

/** The held faces that may not go out on every domain, each once, by name. */
export function notAllowed(rows: Decided[]): string[] {
  const names = rows
    .filter((row) => row.held.length > 0 && row.verdict !== "ALLOWED")
    .map((row) => `${row.familyName} ${row.slot.label}`);
  return [...new Set(names)];
}

/** What became of a file, in bytes. */
export function fileChangeInWords({ before, after }: { before: number; after: number }): string {
  return before === 0
    ? `new, ${kB(after)}`
    : after === 0
      ? `gone, ${kB(before)}`
      : `${kB(before)} → ${kB(after)}`;
}

/** The part of a site's page, or the leaf of it, in which a flag is mended. */
export function placeOf({
  kind,
  action,
}: Pick<Flag, "kind" | "action">): "asked" | "faces" | "pack" | "pages" {
  if (isOfPages({ kind, action })) {
    return "pages";
  }
  switch (kind) {
    case "FACE_NOT_HELD":
    case "OVER_BUDGET":
      return "faces";
    case "PACK_DUE":
    case "DELIVERED_ANYWAY":
    case "DELIVERED_NOT_ASKED":
    case "WHOLE_FACES":
      return "pack";
    default:
      return "asked";
  }
}
