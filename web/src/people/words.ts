import type { Level } from "../shared/api/types";
import { levelWords } from "../shared/account/session";
import { count } from "../shared/parts/format";

/** What the People place says. */
export const words = {
  title: "People",
  name: "Name",
  signsInAs: "Signs in as",
  level: "Level",
  you: "you",
  notJoined: "hasn’t joined yet",
  newLink: "New link",
  remove: "Remove",
  removing: "They are signed out everywhere at once. Their name stays in the history.",
  add: "Add a person",
  addAndLink: "Add, and make a link",
  nameNeeded: "A person needs a name.",
  signInNameNeeded: "A name to sign in with is needed.",
  signInName: "2 to 40 lowercase letters, digits, dots, hyphens.",
};

export const levelHelp: Record<Level, string> = {
  READER: "sees everything, changes nothing",
  EDITOR: "changes the inventory",
  ADMINISTRATOR: "also adds people and makes backups",
};

export const levels = Object.entries(levelWords) as [Level, string][];

/** The levels with what each may do. */
export const explained = levels.map(([level, name]): [Level, string] => [
  level,
  `${name}: ${levelHelp[level]}`,
]);

export function howMany(present: number): string {
  return `${count(present, "person", "people")} may sign in.`;
}

export function gone(names: string[]): string {
  return `No longer with the agency, kept for the history: ${names.join(", ")}.`;
}
