import type { Flag } from "../shared/api/types";

/** What the frame around all places says. */
export const words = {
  skip: "Skip to the content",
  places: "Places",
  apart: "Apart from the work",
  home: "Unciala, today",
  keysAndSigns: "Keys and signs",
  keys: "Keys",
  signs: "Signs",
  keysOff: "Single keys are switched off in Settings.",
  close: "Close",
  leave: "Leave without saving?",
  leaveWhy: "What you changed on this page is not saved yet.",
  stay: "Stay here",
  leaveAnyway: "Leave, and drop the changes",
  ended: "Your session has ended",
  endedWhy: "Sign in again to go on. What is on this page stays as it is.",
  away: "The server does not answer. What is on this page stays; it is asked again every few seconds.",
  droppedBeside: "Files are dropped on Intake to take them in, or on Search to ask whether they are held.",
  failed: "This page cannot be shown",
  failedWhy: "Something on it could not be shown. Nothing was changed by that.",
  toToday: "To Today",
  nowhere: "There is no such page",
};

/** The places in the order of the work; each has a letter that leads there after a `g`. */
export const places = [
  { to: "/", name: "Today", key: "t" },
  { to: "/intake", name: "Intake", key: "i" },
  { to: "/families", name: "Families", key: "a" },
  { to: "/licenses", name: "Licenses", key: "l" },
  { to: "/sites", name: "Sites", key: "s" },
  { to: "/flags", name: "Flags", key: "f" },
] as const;

export const legend: { group: Flag["group"]; says: string }[] = [
  { group: "UNLICENSED", says: "an obelus: what may not be used here, or nobody knows whether it may" },
  { group: "MISSING", says: "a caret: what is asked for and not held" },
  { group: "DUPLICATE", says: "a loop: what is held or paid for twice" },
  { group: "SURPLUS", says: "a stroke through a line: what is delivered and not needed" },
  { group: "PRIVACY", says: "an eye: a host of others that learns who visits" },
];

export const otherMarks: [string, string][] = [
  ["✓", "allowed"],
  ["✕", "refused"],
  ["?", "not stated: ask the vendor"],
];

export const otherKeys: [string, string][] = [
  ["/", "search, or ask whether a font is held"],
  ["?", "these keys and signs"],
  ["↑ ↓ ← →", "walk in grids and lists"],
];
