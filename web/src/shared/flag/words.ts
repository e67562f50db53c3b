import type { Flag } from "../api/types";
import { count, day } from "../parts/format";

export const groupNames: Record<Flag["group"], string> = {
  UNLICENSED: "Unlicensed",
  MISSING: "Missing",
  DUPLICATE: "Duplicate",
  SURPLUS: "Surplus",
  PRIVACY: "Privacy",
};

/** Kinds of the license group that stand under their own words: only what may not be used is called unlicensed. */
const ownWords: Partial<Record<Flag["kind"], string>> = {
  NOT_STATED: "Not stated",
  LICENSE_ENDING: "Ends soon",
  NO_PROOF: "No proof",
  EMBEDDING_DISAGREES: "File disagrees",
  PACK_DUE: "Pack due",
  FOUND_NOT_RECORDED: "Not recorded",
};

/** The word under which a flag stands. */
export function headingOf(flag: { kind?: Flag["kind"] | null; group: Flag["group"] }): string {
  return (flag.kind && ownWords[flag.kind]) || groupNames[flag.group];
}

/** How a flag is toned: what has to be asked, and what only comes to its end, is not red. */
export function toneOf(flag: { severity: Flag["severity"]; kind?: Flag["kind"] | null }): string {
  return flag.kind === "LICENSE_ENDING" ? "ask" : flag.severity.toLowerCase();
}

/** What notes, entries and decisions about flags say. */
export const words = {
  decide: "Accept, assign, comment",
  acceptUntil: "Accept until …",
  handTo: "Assign to",
  nobody: "Nobody",
  until: "Until",
  why: "Why",
  whyNeeded: "Say why, for those who look at it later.",
  stands: "Hidden until then. It reopens the day after if the problem is still there.",
  leaveOpen: "Cancel",
  accept: "Accept",
  making: "Making WOFF2 …",
  makeWoff2: "Make WOFF2",
  oneLicense: "Record one license",
  makingAll: "Making …",
  fold: "Collapse",
};

export function accepted(until: string, reason: string): string {
  return `Accepted until ${day(until)}: ${reason}`;
}

export function handed(flags: number, name: string | undefined): string {
  return name === undefined
    ? `Unassigned ${count(flags, "flag")}.`
    : `Assigned ${count(flags, "flag")} to ${name}.`;
}

/** How far the flags of one cause reach. */
export function spread(entry: { families: number; sites: number; count: number }): string {
  const parts = [
    entry.families > 1 && count(entry.families, "family", "families"),
    entry.sites > 1 && count(entry.sites, "site"),
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(", ") : count(entry.count, "flag");
}

export const previewWords = { ask: "What this would change", asking: "Comparing…" };

export const changesNothing = "Saving this changes no flag.";

/** What saving would do to the flags. */
export function wouldCome(coming: number): string {
  return `${count(coming, "flag")} would come up`;
}

export function wouldGo(going: number): string {
  return `${count(going, "flag")} would be solved`;
}
