import type { Pack, PackDifference, PackedFile, PackMaking, Role, SiteWeight } from "../shared/api/types";
import { count, day, kB, listed, moment, tenths } from "../shared/parts/format";

/** What the Sites place says. */
export const words = {
  title: "Sites",
  all: "All sites",
  add: "Add a site",
  addIt: "Add the site",
  filter: "Name, client or domain",
  none: "No site yet. Add a client’s site with its domains, then choose the faces its text asks for.",
  noDomain: "no domain yet",
  noDomainYet: "No domain yet, so nothing can be allowed.",
  belongs: "A site belongs to a client and has every domain on which it is seen.",
  save: "Save",
  saved: "Saved.",
  nameAndDomains: "Name and domains",
  client: "Client",
  clientNeeded: "A site belongs to a client.",
  name: "Name",
  nameNeeded: "A site needs a name.",
  domains: "Domains",
  domainsHint: "client.example, Enter",
  domainsHelp: "Every host on which visitors see the site.",
  statement: "Statement for the client",
  staging: "Staging",
  stagingHelp: "Hosts that visitors don’t see; licenses may permit them separately.",
  importViews: "Import a CSV",
  viewsFile: "Page views to import",
  viewsFileIs:
    "A CSV has the columns site (a name or a domain), month and page_views, for any sites and months.",
  pageViews: "Page views",
  pageViewsAre: "a month, for licenses that count them",
  month: "Month",
  recordViews: "Record",
  viewsWrong: "Write a whole number, such as 50,000 or 500k.",
  viewsRecorded: "Page views recorded.",
  asked: "Asked",
  held: "Held",
  allowed: "Allowed",
  askedHeldAllowed: "Asked, held, allowed",
  chooseType: "Choose its type",
  every: "every face on every domain",
  asksNothing: "No type chosen yet.",
  notHeld: "Not held",
  packMakes: "a pack makes the WOFF2",
  noDomainToDecide: "no domain yet",
  then: "then",
  chooseFamily: "Choose a family",
  removeRole: "Remove",
  askOther: "Ask for another face",
  pack: "Pack",
  packIs: "WOFF2 files, a style sheet, a specimen page and the licenses",
  noPack: "No pack yet. It will contain the faces that are held and allowed on every domain.",
  outdated: "This pack is out of date.",
  download: "Download the pack",
  making: "Making …",
  makeNew: "Make a new pack",
  make: "Make a pack",
  makeAnyway: "Make it anyway",
  anywayWhy: "Why",
  anywayHelp: "Recorded in the pack and in the history. The faces stay flagged until they’re allowed.",
  anywayNeeded: "Say why it’s made anyway.",
  checklist: "By hand, on the host",
  earlier: "Earlier packs",
  downloadIt: "Download",
  difference: "What changed",
  rulesCame: "Rules added",
  rulesWent: "Rules removed",
  fillIn: "Values to fill in on the host",
  fillInNone: "Packs of earlier versions have no such table. Make a new pack.",
  fillInDone: "Done",
  fillInSize: "Size",
  copyIt: "Copy",
  copied: "Copied",
  asItIs: "as it is",
  fallbacks: "Fallbacks",
  fallbacksUsual: "what most systems have",
  place: "Mark as deployed",
  unplace: "Mark as not deployed",
  placedSaid: "Recorded.",
  remove: "Delete the site",
  delete: "Delete",
};

const usualRoles: Record<string, string> = {
  PAGE_TITLE: "Page title",
  HEADINGS: "Headings",
  HEADINGS_2: "Headings 2",
  HEADINGS_3: "Headings 3",
  HEADINGS_4: "Headings 4 to 6",
  RUNNING_TEXT: "Running text",
  NAVIGATION: "Navigation",
  BUTTONS: "Buttons",
  CAPTIONS: "Captions",
  CODE: "Code",
};

/** The text roles that every site may have. */
export const usual = Object.keys(usualRoles);

/** A text role by its name; one of a site's own is recorded under it. */
export function roleName(role: string): string {
  return usualRoles[role] ?? role;
}

export const settingWords = {
  selector: "Selector",
  size: "Size",
  lineHeight: "Line height",
  letterSpacing: "Letter spacing",
  wordSpacing: "Word spacing",
};

export const genericWords: Record<Role["generic"], string> = {
  SERIF: "serif",
  SANS_SERIF: "sans-serif",
  MONOSPACE: "monospace",
  CURSIVE: "cursive",
  SYSTEM_UI: "system-ui",
};

export function noneWith(text: string): string {
  return `No site has “${text}” in its name, client or domains.`;
}

const BYTES_A_SECOND = 200_000;

/** What the chosen faces weigh, and how long they take on a slow line. */
export function weightInWords(weight: { faces: number; bytes: number; guessed: boolean }): string {
  const bytes = `${weight.guessed ? "about " : ""}${kB(weight.bytes)}`;
  return `${count(weight.faces, "font")} to send, ${bytes}; ${tenths(weight.bytes / BYTES_A_SECOND)} s at 1.6 Mbit/s`;
}

/** How far the making of a pack is. */
export function makingInWords({ done, total }: Pick<PackMaking, "done" | "total">): string {
  if (total === 0) {
    return "Counting the faces …";
  }
  return done < total
    ? `${done} of ${count(total, "face")} made.`
    : "All faces are made. Putting the pack together …";
}

export function packInWords(pack: Pack, files: number): string {
  return `of ${moment(pack.madeAt)}: ${kB(pack.bytes)}, ${count(files, "file")}.`;
}

/** What a role's rule says besides its face. */
export function settingInWords(role: Pick<Role, keyof typeof settingWords | "fallbacks">): string {
  const said = [
    role.selector,
    role.size,
    role.lineHeight && `lines ${role.lineHeight}`,
    role.letterSpacing && `letters ${role.letterSpacing}`,
    role.wordSpacing && `words ${role.wordSpacing}`,
    role.fallbacks.length > 0 && `then ${listed(role.fallbacks)}`,
  ].filter(Boolean);
  return said.length > 0 ? said.join(", ") : "Usual elements, size and spacing";
}

export function fakedInWords(faked: string[]): string {
  return `No face is chosen for ${listed(faked)}, so browsers fake it where it appears.`;
}

export function madeAnyway(reason: string): string {
  return `Made with faces that aren’t allowed, because: ${reason}`;
}

export function anywayInWords(faces: string[]): string {
  return `${listed(faces)} ${faces.length === 1 ? "isn’t" : "aren’t"} allowed here and ${
    faces.length === 1 ? "stays" : "stay"
  } out of packs. Make one with ${faces.length === 1 ? "it" : "them"} anyway?`;
}

/** Against which pack another is held, and whether anything differs. */
export function differenceSince(since: string | null, changed: PackDifference): string {
  if (since === null) {
    return "This is the site’s first pack.";
  }
  const nothing = changed.files.length + changed.came.length + changed.went.length === 0;
  return `${nothing ? "No differences from" : "Compared with"} the pack of ${moment(since)}${nothing ? "." : ":"}`;
}

/** What a host's form asks for a file, in the order in which forms do. */
export const fillInColumns: { key: Exclude<keyof PackedFile, "bytes">; label: string }[] = [
  { key: "file", label: "File" },
  { key: "family", label: "Family" },
  { key: "weight", label: "Weight" },
  { key: "weightName", label: "Weight name" },
  { key: "slope", label: "Slope" },
  { key: "format", label: "Format" },
  { key: "label", label: "Label" },
  { key: "fallback", label: "Fallback" },
];

export function placedInWords(on: string): string {
  return `Deployed on ${day(on)}.`;
}

export function deleting(roles: number): string {
  return `Its ${roles === 1 ? "text role" : `${roles} text roles`} and its packs go with it. Families, licenses and the client stay.`;
}

export function viewsImported(months: number): string {
  return `Recorded the page views of ${count(months, "month", "months")}.`;
}

/** What subsetting leaves of a site's faces, in one sentence. */
export function subsetInWords(weight: SiteWeight): string {
  const subset = weight.faces.filter((face) => face.kept !== null);
  if (subset.length === 0) {
    return "";
  }
  const held = subset.reduce((sum, face) => sum + face.held, 0);
  const bytes = subset.reduce((sum, face) => sum + face.bytes, 0);
  return `${kB(held)} held, ${kB(bytes)} as subsets.`;
}

/** What a face weighs as delivered; nothing while that is not known. */
export function deliveredInWords(weight: SiteWeight | undefined, slotKey: string): string | undefined {
  const face = weight?.faces.find((one) => one.slot.key === slotKey);
  return face && kB(face.bytes);
}

/** How a weight stands to the budget. */
export function budgetInWords({ bytes, budget }: Pick<SiteWeight, "bytes" | "budget">): string {
  if (budget === null) {
    return "";
  }
  return bytes > budget
    ? `${kB(bytes - budget)} over the budget of ${kB(budget)}`
    : `of a budget of ${kB(budget)}`;
}
