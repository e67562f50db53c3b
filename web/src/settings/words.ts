import { count, number } from "../shared/parts/format";

/** What Settings says. */
export const words = {
  title: "Settings",
  people: "People",
  paper: "Paper",
  light: "Light",
  dark: "Dark",
  asSystem: "As the system",
  singleKeys: "Single keys",
  on: "On",
  off: "Off",
  keysHelp: "“/” searches, “?” lists keys and signs, “g” and a letter goes to a place.",
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
  calendarIs: "what falls due, for your calendar program",
  calendarMade: "A new address opens the calendar.",
  calendarClosed: "No address opens the calendar any more.",
  calendarOnce: "Keep it: it is shown only now, and whoever has it can read the calendar.",
  makeCalendar: "Make an address",
  newCalendar: "Make a new address",
  closeCalendar: "Close the calendar",
  notices: "Made by others",
  noticesAre: "Open-source packages and typefaces that Unciala is delivered with, and their licenses.",
  privateHosts: "Hosts inside",
  privateHostsAre: "that checks of pages may connect to, each with its port",
  noPrivateHost: "None: checks connect to the public Internet only.",
  privateHost: "Host and port",
  allowHost: "Allow it",
  refuseHost: "Refuse it",
  hostAllowed: "Checks may connect to it.",
  hostRefused: "Checks no longer connect to it.",
  backups: "Backups",
  backupsAre: "the database and all files in one archive, checked after writing",
  noBackup: "None made yet.",
  makeBackup: "Make a backup",
  makingBackup: "Making a backup …",
  backupBegun: "The backup is being made; work can go on.",
  readAgain: "Read all stored files again",
  readingAgain: "All stored files are read again; a damaged one becomes a flag.",
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
