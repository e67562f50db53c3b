import { kB } from "../../shared/parts/format";
import type { Mode } from "./specimen";

/** What the leaf Type says. */
export const words = {
  below: "Every text role together, as on a page. Type over the words to try others; they aren’t kept.",
  setIn: "Set in",
  set: "Text roles",
  editRole: "Change",
  closeRole: "Close",
  chooseFamily: "no family chosen yet",
  noFace: "no face chosen yet",
  notSet: "not set",
  another: "another family",
  emphasis: "Emphasis",
  italic: "in italic",
  bold: "in bold",
  both: "in both",
  noCheck: "Check the pages to see what they show now.",
  notLive: "not found on the pages",
  standIns: "Let a system face with matched metrics stand in",
  addRole: "Add a text role",
  ownRole: "Custom role …",
  ownName: "Name of the text role",
  ownHelp:
    "Such as “Pull quote”. Its rule applies where its selector says, and to the class that is made of its name.",
  ownNeeded: "A text role needs a name with a letter or a digit.",
  ownTaken: "The site already has this text role.",
  add: "Add it",
  leave: "Cancel",
  saveFaces: "Save the type",
  discard: "Discard the changes",
  begin: "Start with two families: one for headings, one for running text.",
  headings: "Headings",
  text: "Running text",
  choose: "Choose a family",
  take: "Use these families",
  takeIt: "Use it",
  notHeld: "No file in the inventory yet",
};

export const modeWords: Record<Mode, string> = {
  own: "what packs deliver",
  fallback: "what’s shown until fonts load",
  live: "what the pages show now",
};

/** What a variable file would save, when it does. */
export function offerInWords(family: string, faces: number, separate: number, variable: number): string {
  return `One variable file of ${family} would weigh ${kB(variable)}, the ${faces} faces that it can stand for ${kB(separate)}.`;
}
