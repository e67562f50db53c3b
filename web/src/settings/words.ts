import { count, number } from "../shared/parts/format";

/** What Settings says. */
export const words = {
  title: "Settings",
  people: "People",
  paper: "Theme",
  light: "Light",
  dark: "Dark",
  asSystem: "Same as system",
  singleKeys: "Single-key shortcuts",
  on: "On",
  off: "Off",
  keysHelp: "“/” searches, “?” shows shortcuts and symbols, “g” and a letter goes to a place.",
  session: "Session",
  signOut: "Sign out",
  signOutElsewhere: "Sign out everywhere else",
  othersEnded: "Signed out everywhere else.",
  password: "Password",
  current: "Current",
  next: "New",
  length: "10 characters or more",
  change: "Change the password",
  passwordChanged: "Changed. Other sessions are signed out.",
  calendar: "Calendar",
  calendarIs: "renewals and payments coming up, for your calendar app",
  calendarMade: "A new address opens the calendar.",
  calendarClosed: "No address opens the calendar anymore.",
  calendarOnce: "Copy it now: it won’t be shown again. Anyone who has it can read the calendar.",
  makeCalendar: "Make an address",
  newCalendar: "Make a new address",
  closeCalendar: "Close the calendar",
  notices: "Third-party notices",
  noticesAre: "Open-source packages and typefaces that come with Unciala, and their licenses.",
  privateHosts: "Internal hosts",
  privateHostsAre: "that page checks may connect to, each with its port",
  noPrivateHost: "None: checks connect to the public Internet only.",
  privateHost: "Host and port",
  allowHost: "Allow",
  refuseHost: "Remove",
  hostAllowed: "Checks may connect to it.",
  hostRefused: "Checks no longer connect to it.",
  backups: "Backups",
  backupsAre: "the database and all files in one archive, checked after writing",
  noBackup: "None made yet.",
  makeBackup: "Make a backup",
  makingBackup: "Making a backup …",
  backupBegun: "The backup is running. You can go on working.",
  readAgain: "Read all stored files again",
  readingAgain: "Reading all stored files again. Damaged ones will be flagged.",
};

export function read(check: { running: boolean; done: number; total: number }): string {
  return check.running
    ? `${number(check.done)} of ${count(check.total, "file")} read`
    : `${count(check.total, "file")} read`;
}

/** The files of notices that the build writes, each with what it is of. */
export const notices = [
  ["server", "Libraries of the server"],
  ["interface", "Packages of the interface"],
  ["typefaces", "Typefaces"],
] as const;
