import type { Flag } from "../shared/api/types";

/** What the frame around all places says. */
export const words = {
  skip: "Skip to content",
  places: "Places",
  apart: "More",
  home: "Unciala, today",
  keysAndSigns: "Shortcuts and symbols",
  keys: "Shortcuts",
  signs: "Symbols",
  terms: "Terms",
  keysOff: "Single-key shortcuts are switched off in Settings.",
  close: "Close",
  leave: "Leave without saving?",
  leaveWhy: "Your changes on this page haven’t been saved.",
  stay: "Cancel",
  leaveAnyway: "Discard changes",
  ended: "Your session has ended",
  endedWhy: "Sign in again to continue. Nothing on this page is lost.",
  away: "The server isn’t responding. Nothing on this page is lost; Unciala tries again every few seconds.",
  droppedBeside: "Drop files on Intake to add them, or on Search to see whether they’re held.",
  failed: "Couldn’t load this page",
  failedWhy: "Something on it couldn’t be displayed. Nothing was changed.",
  toToday: "Go to Today",
  nowhere: "Page not found",
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
  { group: "UNLICENSED", says: "an obelus: not allowed here, or not known to be" },
  { group: "MISSING", says: "a caret: asked for, but not held" },
  { group: "DUPLICATE", says: "a loop: held or paid for twice" },
  { group: "SURPLUS", says: "a stroke through a line: delivered, but not needed" },
  { group: "PRIVACY", says: "an eye: a third-party host learns who visits" },
];

export const otherMarks: [string, string][] = [
  ["✓", "allowed"],
  ["✕", "refused"],
  ["?", "not stated: ask the vendor"],
];

export const otherKeys: [string, string][] = [
  ["/", "search, or see whether a font is held"],
  ["?", "these shortcuts, symbols and terms"],
  ["↑ ↓ ← →", "move in grids and lists"],
];
