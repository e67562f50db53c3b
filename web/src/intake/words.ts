import type {
  FileRow,
  IntakeFamily,
  IntakeOverview,
  IntakeSummary,
  Flag,
  WantedFile,
} from "../shared/api/types";
import { classificationInWords } from "../shared/font/classification";
import { formatsOf } from "../shared/font/slots";
import { count, formatName, listed, moment, number } from "../shared/parts/format";
import type { ArrivalCell, Choice, Ink } from "./arrivals";

/** What the Intake place says. */
export const words = {
  title: "Intake",
  all: "All intakes",
  waiting: "Waiting for review",
  done: "Done",
  drop: "Drop",
  state: "State",
  size: "Size",
  by: "By",
  when: "When",
  none: "No intakes yet.",
  dropHere: "Drop archives, folders or font files here",
  choose: "Choose files",
  chooseWords: "or choose files. Nothing is added to the inventory until you accept it.",
  sending: "Sending",
  reading: "Reading",
  lately: "Last read:",
  goesOn: "You can leave this page; reading continues.",
  accept: "Accept",
  accepting: "Accepting …",
  throwAway: "Discard intake",
  thrownAway: "Discarded.",
  throwThis: "Discard this intake?",
  markOne: "Mark at least one file to add.",
  staysOut: "Unmarked files aren’t added.",
  evidence: "Evidence",
  compare: "Compare",
  compareTitle: "Arriving file, compared",
  theIntake: "The intake",
  held: "held",
  arriving: "arriving",
  correct: "Correct",
  leave: "Cancel",
  family: "Family",
  keptOut: "Set aside",
  keptOutHelp: "license texts, other files, and what isn’t a font or can’t be read",
  files: "Files",
  takeIn: "Add",
  whatIsHeld: "see what is held",
  decide: "Decide",
  readFirst: "Read first",
  families: "Families",
  read: "Read",
  download: "Download",
  close: "Close",
  cameWith: "Other files",
  recordWith: "Also record",
  restUnder: "License for the rest",
  license: "License",
  toBeRecorded: "a license to be recorded later",
  laterIfNot: "Families without a license will be flagged as unlicensed.",
};

export const standingWords: Record<IntakeFamily["standing"], string> = {
  DECIDE: "Needs a decision",
  PLAIN: "Ready to accept",
  NOTHING_NEW: "Nothing new",
};

export const stateWords: Record<IntakeSummary["state"], string> = {
  READING: "being read",
  REVIEW: "under review",
  ACCEPTED: "accepted",
  DISCARDED: "discarded",
  FAILED: "failed",
};

export const verdictWords: Record<FileRow["verdict"], string> = {
  NEW_FAMILY: "New family",
  NEW_FACE: "New face",
  FURTHER_FORMAT: "Additional format",
  NEWER_VERSION: "Newer version",
  OLDER_VERSION: "Older version",
  RENAMED_COPY: "Renamed copy",
  CUT_DOWN_COPY: "Subset copy",
  CONTRADICTION: "Inconsistent metadata",
  SAME_BYTES: "Same bytes",
  SAME_DRAWING: "Same outlines",
  CLASH: "Conflict",
  LICENSE_TEXT: "License text",
  README: "Readme",
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

export function throwingAway(files: number, isRead: boolean): string {
  return isRead
    ? `Its ${count(files, "file")} won’t be added. You can undo this for an hour. Files already in the inventory stay.`
    : "Its files won’t be added. To add them, drop them again. Files already in the inventory stay.";
}

/** What is sent of what was chosen, for a page that shows how far it is. */
export function sent(part: number): string {
  return part < 1 ? `${number(Math.floor(part * 100))}% sent` : "All sent; saving";
}

/** What to drop where a flag led to. */
export function wanted({ title, kind, familyName }: Pick<Flag, "title" | "kind" | "familyName">): string {
  return kind === "FACE_NOT_HELD"
    ? `${title}: drop a file of it here.`
    : `${title}. Drop files of ${familyName} here.`;
}

/** Whether a drop brings what a flag lacks. */
export function brought({ title, arrives, goesIn }: WantedFile): string {
  if (!arrives) {
    return `It doesn’t contain what was asked for: ${title}.`;
  }
  return goesIn
    ? `It contains what was asked for: ${title}.`
    : `What was asked for is in it, but won’t be added as marked: ${title}.`;
}

/** Where to go back to once a flag is answered. */
export function wayBack({ siteId, familyId }: WantedFile): string {
  return siteId ? `/sites/${siteId}` : `/families/${familyId}`;
}

type Verdict = FileRow["verdict"];

const counted: [verdict: Verdict, one: string, many: string][] = [
  ["NEW_FAMILY", "file of a new family", "files of new families"],
  ["NEW_FACE", "new face", "new faces"],
  ["FURTHER_FORMAT", "additional format", "additional formats"],
  ["NEWER_VERSION", "newer version", "newer versions"],
  ["CLASH", "conflict", "conflicts"],
  ["RENAMED_COPY", "renamed copy", "renamed copies"],
  ["CONTRADICTION", "file with inconsistent metadata", "files with inconsistent metadata"],
  ["OLDER_VERSION", "older version", "older versions"],
  ["CUT_DOWN_COPY", "subset copy", "subset copies"],
  ["SAME_DRAWING", "file with the same outlines", "files with the same outlines"],
  ["SAME_BYTES", "file already held", "files already held"],
];

/** Verdicts with how many files have each: “3 new faces and 1 conflict”. */
export function verdictsInWords(verdicts: { verdict: Verdict; files: number }[]): string {
  return listed(
    counted.flatMap(([verdict, one, many]) => {
      const files = verdicts.find((known) => known.verdict === verdict)?.files ?? 0;
      return files > 0 ? [count(files, one, many)] : [];
    }),
  );
}

/** A family in a line: that it is new, or what it brings to what is held. */
export function summaryOf({ verdicts, files }: Pick<IntakeFamily, "verdicts" | "files">): string {
  const fresh = verdicts.find(({ verdict }) => verdict === "NEW_FAMILY");
  if (!fresh) {
    return verdictsInWords(verdicts) || count(files, "file");
  }
  const others = verdictsInWords(verdicts.filter((one) => one !== fresh));
  return `New family: ${count(fresh.files, "file")}${others && `, ${others}`}`;
}

/** What is known of a family besides its files: its license, its kind of type, who made it. */
export function comesWith({ openLicenses, classification, foundry }: IntakeFamily): string {
  const license = openLicenses.map((open) => open.title);
  return [...license, classificationInWords(classification), foundry].filter(Boolean).join(" · ");
}

const why: Partial<Record<Verdict, string>> = {
  NEWER_VERSION: "Replace the held file, keep both, or leave it out.",
  CLASH: "Different outlines for one slot: choose one, correct the slot, or leave it out.",
  RENAMED_COPY: "Don’t buy or serve it twice: see which name is licensed.",
  CONTRADICTION: "Correct the slot, or accept what its tables say.",
};

/** What the margin of a family says: what a person has to decide, most files first. */
export function notesOf({ verdicts, undecided }: Pick<IntakeFamily, "verdicts" | "undecided">) {
  return undecided === 0
    ? []
    : verdicts
        .flatMap(({ verdict, files }) => {
          const said = why[verdict];
          return said ? [{ what: verdictsInWords([{ verdict, files }]), why: said, files }] : [];
        })
        .sort((a, b) => b.files - a.files);
}

const inkWords: Record<Ink, string> = {
  held: "held",
  arrives: "arriving",
  joins: "held, with more arriving",
  asks: "needs a decision",
  stays: "left out",
};

/** A cell of the grid of what arrives, in words. */
export function cellInWords({ slot, held, arrival }: ArrivalCell, ink: Ink): string {
  const name = slot.label || `${slot.weight} ${slot.slope}`;
  const had = held.length > 0 ? `, held as ${formatsOf(held)}` : "";
  const comes = arrival
    ? `, ${verdictWords[arrival.verdict].toLowerCase()} as ${arrival.formats.map(formatName).join(" ")}`
    : "";
  return `${name}: ${inkWords[ink]}${comes}${had}`;
}

export const choiceWords: Record<Choice, string> = {
  out: "Leave out",
  in: "Keep both",
  replace: "Replace",
};

/** What choosing to replace does, by the sites that use the family. */
export function replacing(sites: string[]): string {
  return sites.length > 0
    ? `What is held for the slot is kept as superseded. ${listed(sites)} ${sites.length === 1 ? "uses" : "use"} this family: make a new pack afterwards.`
    : "What is held for the slot is kept as superseded.";
}

/** The answer of an intake: how many families stand where. */
export function answerOf({ decide, plain, nothingNew, verdicts }: IntakeOverview): string {
  const families = (n: number) => count(n, "family", "families");
  if (decide + plain === 0) {
    const fonts = verdicts.reduce((sum, verdict) => sum + verdict.files, 0);
    return fonts === 0
      ? "There are no fonts in this drop."
      : `Nothing new in this drop: ${fonts === 1 ? "its font is" : `all ${number(fonts)} fonts are`} already held or left out.`;
  }
  return [
    decide > 0 && `${families(decide)} ${decide === 1 ? "needs" : "need"} a decision`,
    plain > 0 && `${families(plain)} ready to accept`,
    nothingNew > 0 && `${families(nothingNew)} with nothing new`,
  ]
    .filter(Boolean)
    .join("; ")
    .concat(".");
}

/** What accepting will do. */
export function willTakeIn(verdicts: IntakeOverview["verdicts"]): string {
  const going = verdicts
    .filter((verdict) => verdict.included > 0)
    .map(({ verdict, included }) => ({ verdict, files: included }));
  return going.length > 0 ? `Adds ${verdictsInWords(going)}.` : "";
}

/** What is offered to be recorded with an intake. */
export function offer({ title, families, text }: IntakeOverview["openLicenses"][number]): string {
  const proof = text ? `, with ${text} as its agreement` : "";
  return `One license, ${title}, for ${count(families, "family", "families")}${proof}`;
}
