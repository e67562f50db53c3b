import type { FileComparison } from "../api/types";
import { count, listed, number, percent } from "../parts/format";

export const comparisonWords = {
  drawn: "Different outlines",
  drawnHelp: "those that differ most first",
  lost: "Only in the first",
  added: "Only in the second",
  facts: "What else differs",
  factsHelp: "in the files’ own words; what is the same in both is left out",
  what: "Fact",
  none: "nothing",
  characters: "characters",
  pairs: "pairs of letters are kerned otherwise",
};

/** How two files compare, in one sentence. */
export function inShort(of: FileComparison): string {
  if (of.sameDrawing) {
    return of.facts.length === 0
      ? "Same outlines and same metadata."
      : "Same outlines; only their metadata differs.";
  }
  const parts = [
    of.changedCount > 0 && `${count(of.changedCount, "character")} with different outlines`,
    of.lostCount > 0 && `${number(of.lostCount)} only in the first`,
    of.addedCount > 0 && `${number(of.addedCount)} only in the second`,
  ].filter((part) => part !== false);
  const alike = `${percent(of.likeness)} similar`;
  return parts.length === 0
    ? `${alike}; every character has the same outlines.`
    : `${alike}: ${listed(parts)}.`;
}

/** How many more there are than are shown. */
export function more(rest: number, what: string): string {
  return `${number(rest)} more ${what}.`;
}
