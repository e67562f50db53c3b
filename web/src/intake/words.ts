import type { FileRow, IntakeSummary } from "../shared/api/types";
import { count, moment, number } from "../shared/parts/format";

/** What the Intake place says. */
export const words = {
  title: "Intake",
  all: "All intakes",
  waiting: "Waiting for you",
  done: "Done",
  drop: "Drop",
  state: "State",
  files: "Files",
  size: "Size",
  by: "By",
  when: "When",
  none: "Nothing was dropped yet.",
  dropHere: "Drop archives, folders or font files here",
  choose: "Choose files",
  chooseWords:
    "or choose files. Each is read from its bytes; nothing enters the inventory before you accept it.",
  sending: "Sending",
  reading: "Reading",
  goesOn: "You can leave this page; the reading goes on.",
  accept: "Accept",
  accepting: "Taking in …",
  throwAway: "Throw away",
  thrownAway: "Thrown away.",
  throwThis: "Throw this intake away?",
  markOne: "Mark at least one file to go in.",
  staysOut: "What is not marked stays out.",
  evidence: "Evidence",
  correct: "Correct",
  leave: "Leave as it is",
  family: "Family",
  weight: "Weight",
  weightHelp: "1 to 1000; 400 is regular, 700 bold",
  slope: "Slope",
  keptOut: "Kept out",
};

export const stateWords: Record<IntakeSummary["state"], string> = {
  READING: "being read",
  REVIEW: "under review",
  ACCEPTED: "accepted",
  DISCARDED: "thrown away",
  FAILED: "failed",
};

export const verdictWords: Record<FileRow["verdict"], string> = {
  NEW_FACE: "New face",
  FURTHER_FORMAT: "Further format",
  SAME_BYTES: "Same bytes",
  SAME_DRAWING: "Same drawing",
  CLASH: "Clash",
  LICENSE_TEXT: "License text",
  NOT_A_FONT: "Not a font",
  DAMAGED: "Damaged",
};

/** Where an intake stands, when it was dropped and by whom. */
export function standing(summary: IntakeSummary, by: string): string {
  const state = stateWords[summary.state];
  const sentence = state[0]!.toUpperCase() + state.slice(1);
  const files = `${count(summary.files, "file")}${summary.state === "READING" ? " read so far" : ""}`;
  return `${sentence}. Dropped ${moment(summary.createdAt)} by ${by}; ${files}.`;
}

export function throwingAway(files: number): string {
  return `None of its ${count(files, "file")} goes into the inventory. You can take this back for an hour; what is held already stays.`;
}

/** What is sent of what was chosen, for a page that shows how far it is. */
export function sent(part: number): string {
  return part < 1 ? `${number(Math.floor(part * 100))} % sent` : "All sent; it is being put down";
}

/** What a page for a family that lacks faces says: what to drop here. */
export function wanted(family: string, faces: string[]): string {
  return faces.length > 0
    ? `${family} lacks ${faces.join(", ")}: drop a file of ${faces.length === 1 ? "it" : "each"} here.`
    : `Drop files of ${family} here.`;
}
