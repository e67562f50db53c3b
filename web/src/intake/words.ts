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
  waiting: "Waiting for you",
  done: "Done",
  drop: "Drop",
  state: "State",
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
  lately: "Last read:",
  goesOn: "You can leave this page; the reading goes on.",
  accept: "Accept",
  accepting: "Taking in …",
  throwAway: "Throw away",
  thrownAway: "Thrown away.",
  throwThis: "Throw this intake away?",
  markOne: "Mark at least one file to go in.",
  staysOut: "What is not marked stays out.",
  evidence: "Evidence",
  compare: "Compare",
  compareTitle: "What arrives, compared",
  theIntake: "The intake",
  held: "held",
  arriving: "arriving",
  correct: "Correct",
  leave: "Leave as it is",
  family: "Family",
  keptOut: "Set aside",
  keptOutHelp: "license texts, what came along, and what is no font or cannot be read",
  files: "Files",
  takeIn: "Take in",
  whatIsHeld: "see what is held",
  decide: "Decide",
  readFirst: "Read first",
  families: "Families",
  read: "Read",
  download: "Download",
  close: "Close",
  cameWith: "Came along",
  recordWith: "Record with it",
  restUnder: "The rest stands under",
  license: "License",
  toBeRecorded: "a license to be recorded later",
  laterIfNot: "What no license is recorded for is flagged as unlicensed until one is.",
};

export const standingWords: Record<IntakeFamily["standing"], string> = {
  DECIDE: "To decide",
  PLAIN: "Plain",
  NOTHING_NEW: "Nothing new",
};

export const stateWords: Record<IntakeSummary["state"], string> = {
  READING: "being read",
  REVIEW: "under review",
  ACCEPTED: "accepted",
  DISCARDED: "thrown away",
  FAILED: "failed",
};

export const verdictWords: Record<FileRow["verdict"], string> = {
  NEW_FAMILY: "New family",
  NEW_FACE: "New face",
  FURTHER_FORMAT: "Further format",
  NEWER_VERSION: "Newer version",
  OLDER_VERSION: "Older version",
  RENAMED_COPY: "Renamed copy",
  CUT_DOWN_COPY: "Cut-down copy",
  CONTRADICTION: "Contradiction",
  SAME_BYTES: "Same bytes",
  SAME_DRAWING: "Same drawing",
  CLASH: "Clash",
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

export function throwingAway(files: number): string {
  return `None of its ${count(files, "file")} goes into the inventory. You can take this back for an hour; what is held already stays.`;
}

/** What is sent of what was chosen, for a page that shows how far it is. */
export function sent(part: number): string {
  return part < 1 ? `${number(Math.floor(part * 100))} % sent` : "All sent; it is being put down";
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
    return `It does not bring what was asked for: ${title}.`;
  }
  return goesIn
    ? `It brings what was asked for: ${title}.`
    : `What was asked for is in it and stays out as it is: ${title}.`;
}

/** Where to go back to once a flag is answered. */
export function wayBack({ siteId, familyId }: WantedFile): string {
  return siteId ? `/sites/${siteId}` : `/families/${familyId}`;
}

type Verdict = FileRow["verdict"];

const counted: [verdict: Verdict, one: string, many: string][] = [
  ["NEW_FAMILY", "file of a new family", "files of new families"],
  ["NEW_FACE", "new face", "new faces"],
  ["FURTHER_FORMAT", "further format", "further formats"],
  ["NEWER_VERSION", "newer version", "newer versions"],
  ["CLASH", "clash", "clashes"],
  ["RENAMED_COPY", "renamed copy", "renamed copies"],
  ["CONTRADICTION", "contradiction", "contradictions"],
  ["OLDER_VERSION", "older version", "older versions"],
  ["CUT_DOWN_COPY", "cut-down copy", "cut-down copies"],
  ["SAME_DRAWING", "same drawing", "same drawings"],
  ["SAME_BYTES", "file held already", "files held already"],
];

/** Verdicts with how many files have each: “3 new faces and 1 clash”. */
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
  NEWER_VERSION: "Take it in place of the held one, keep both, or leave it out.",
  CLASH: "Two drawings for one slot: say which it is, correct the slot, or leave it out.",
  RENAMED_COPY: "Buying or serving it twice is waste; see under which name it is licensed.",
  CONTRADICTION: "Correct the slot, or take it in as its tables say.",
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
  arrives: "arrives",
  joins: "held, and more arrives",
  asks: "has to be decided",
  stays: "stays out",
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
      ? "There is no font in this drop."
      : `This drop brings nothing new: ${fonts === 1 ? "its font is" : `all ${number(fonts)} fonts are`} held already or left out.`;
  }
  return [
    decide > 0 && `${families(decide)} to decide on`,
    plain > 0 && `${families(plain)} to take in as ${plain === 1 ? "it is" : "they are"}`,
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
  return going.length > 0 ? `Takes in ${verdictsInWords(going)}.` : "";
}

/** What is offered to be recorded with an intake. */
export function offer({ title, families, text }: IntakeOverview["openLicenses"][number]): string {
  const proof = text ? `, with ${text} as its agreement` : "";
  return `One license, ${title}, for ${count(families, "family", "families")}${proof}`;
}
