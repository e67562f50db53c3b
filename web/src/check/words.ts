import type {
  CheckedText,
  CheckLine,
  FoundFont,
  GivenFace,
  KeptReading,
  OtherMeasure,
  PackOnHost,
  PageCheck,
  PageLine,
  Role,
  RoleOnPages,
  TextRun,
  WinningRule,
} from "../shared/api/types";
import { count, day, kB, listed, moment } from "../shared/parts/format";
import { shortAddress } from "../shared/parts/address";
import { fileName, pagesOf } from "./pages";
import { isInItsFace } from "./roles";

/** What checks of pages say. */
export const words = {
  below: "What the live pages ask for, and what their visitors are given.",
  check: "Check the pages",
  again: "Check again",
  stop: "Stop",
  never: "The pages of this site were not checked yet.",
  neverHelp:
    "A check reads the pages with their style sheets and fonts, as a laptop and a phone would, and says which face each text asks for and which it gets.",
  waiting: "The check is about to begin.",
  pages: "Pages",
  unread: "not read",
  silent: "no text without scripts",
  right: "right",
  fonts: "Fonts found",
  fontsAre: "what paints their texts, against what is held and allowed there",
  found: "Found",
  held: "Held as",
  allowed: "Allowed",
  noFonts: "No text is painted in a font that the pages bring along.",
  notHeld: "Not in the inventory",
  takeIn: "Take it into an intake",
  takingIn: "Taking it in …",
  fromOthers: "from a host of others",
  ownCopy: "It is held and allowed here, so visitors need not be sent to others:",
  deliver: "deliver your own copy",
  inPack: "in the pack",
  thirdParties: "Third-party hosts",
  thirdPartiesAre: "each is sent the address of every visitor",
  thirdPartyOwn: "One of them is the site’s own file store? Name it under “What is checked”.",
  pack: "The pack on its host",
  changes: "Since the check before",
  appeared: "New",
  gone: "Gone",
  noChange: "Nothing changed.",
  roles: "Text roles on the pages",
  rolesAre: "the face chosen for each, and what visitors are shown",
  faceNotHeld: "No file of this face is in the inventory:",
  faceNotAllowed: "The face is in the inventory, but isn’t cleared here:",
  addOverride: "Add to the pack’s rules",
  overrideAtEnd: "Put it at the end of the page’s last style sheet: in the pack’s own it wouldn’t win.",
  overrideAdded: "Added. Make the pack again, and upload its style sheet.",
  overrideThere: "In the pack’s rules: make the pack again, and upload its style sheet.",
  used: "What texts are set in",
  usedIs: "by role, as the pages have them",
  addRole: "Add it to the site’s roles",
  plan: "What is checked",
  edit: "Change it",
  save: "Save",
  leave: "Leave it as it is",
  addresses: "Pages to read",
  addressesHelp: "One address a line, on the site’s own domains.",
  follows: "Read the pages that sitemaps and links lead to as well",
  most: "At most",
  mostHelp: "1 to 200 pages",
  watched: "Check daily, and whenever a pack was placed",
  connections: "Connect elsewhere",
  connectionsHelp:
    "For staging hosts: host:port → host:port, one a line. Addresses inside your network need an administrator’s leave in Settings.",
  ownHosts: "Own hosts",
  ownHostsHelp:
    "Hosts that belong to the site besides its domains, such as its file store or CDN, one a line. Leave empty if there are none: every other host counts as a third party.",
  signIns: "Sign-in",
  signInHost: "Host and port",
  signInName: "Name",
  signInPassword: "Password",
  signInKept: "kept; type to change it",
  signInAdd: "Add a sign-in",
  signInRemove: "Remove",
  planSaved: "Saved what is checked.",
  browser: "From your own browser",
  browserWhy:
    "The server fills in no form to sign in and runs no script. A page that needs either is read where it is open: the reader below takes along its elements, style sheets and fonts, and of texts only the characters unless you keep them. Checks use it from then on.",
  browserBookmark: "Read the type of this page",
  browserDrag: "Drag this into your browser’s bookmarks, and press it there on the open page.",
  browserConsole: "Copy for the console",
  browserConsoleHelp: "Or paste the reader into the console of the open page.",
  browserKey: "Make a key for sending",
  browserCopyKey: "Copy the key",
  browserKeyHelp: "What is read is sent here with a key, or copied and pasted.",
  browserPaste: "Paste a reading",
  browserPasted: "What the reader copied",
  browserAdd: "Check with it",
  browserTaken: "Took the reading. The check begins.",
  browserNoReading: "This is no reading: it is not the JSON that the reader copies.",
  browserRemove: "Remove",
  browserRemoved: "Removed the reading.",
  charactersOnly: "Its texts are reduced to their characters.",
  fix: "What to change",
  copy: "Copy",
  asked: "Asked for",
  given: "Shown in",
  asIs: "As it is now",
  withPack: "With the new pack",
  changesAre: "What the new pack changes has a dotted underline.",
  whichView: "Texts shown",
  tried: "With the new pack",
  triedIs: "not deployed yet: its rules tried after the pages’ own, without touching the host",
  pickText: "Pick a text to see which rules decide on its face.",
  pickedText: "This text",
  noDecider: "no rule: the browser’s initial value",
  by: "by",
  onPhone: "on a phone only",
  ofPage: "About the files",
  allPages: "All pages",
  clean: "Every text is given what it asks for.",
  silentPage: "This page has no text that is there without scripts, so nothing can be said of it.",
  onPhoneOnly: "On a laptop every text is given what it asks for; on a phone not, as is said beside it.",
  notClean: "Texts that are given something else than they ask for are underlined.",
};

export const kindWords: Record<string, string> = {
  "own-copy-broken": "Own copy broken",
  "faked-bold": "Faked bold",
  "faked-italic": "Faked italic",
  fallback: "Fallback",
  "undeclared-family": "Undeclared family",
  unreachable: "Not reached",
  "not-a-font": "Not a font",
  "share-link": "Share link",
  "other-origin": "Other origin",
  "mixed-content": "Mixed content",
  "unusable-format": "Format of no browser",
  "refused-font": "Refused by browsers",
  "not-a-style-sheet": "Not a style sheet",
  "other-weight": "Other weight",
  "other-slope": "Other slope",
  "missing-characters": "Missing characters",
  "no-generic": "No generic family",
  "third-party": "Third party",
  "insecure-url": "Insecure address",
  "duplicate-face": "Twice",
  "wrong-media-type": "Wrong media type",
  "not-compressed": "Not compressed",
  "unused-preload": "Preloaded in vain",
  "given-up": "Too much to read",
  "no-caching": "No caching",
  "unused-face": "Not used",
};

export function kindOf({ kind }: { kind: string }): string {
  return kindWords[kind] ?? kind;
}

/** How it stands with a site’s pages, in one sentence. */
export function standing(check: PageCheck): string {
  const { unread, wrong, silent, right } = pagesOf(check);
  const all = check.pages.length;
  if (all === 0) {
    return "No page was read.";
  }
  const every = all === 1 ? "The page" : all === 2 ? "Both pages" : `All ${count(all, "page")}`;
  const parts = [
    right === all
      ? `${every} ${all === 1 ? "gives its" : "give their"} visitors what is asked.`
      : right > 0 &&
        `${right} of ${count(all, "page")} ${right === 1 ? "gives" : "give"} visitors what is asked.`,
    wrong > 0 &&
      (wrong === all
        ? `${every} ${all === 1 ? "gives its" : "give their"} visitors something else than is asked.`
        : right > 0
          ? `${count(wrong, "page")} ${wrong === 1 ? "does" : "do"} not.`
          : `${wrong} of ${count(all, "page")} ${wrong === 1 ? "gives" : "give"} visitors something else than is asked.`),
    silent > 0 &&
      `${silent === all ? every : count(silent, "page")} ${silent === 1 ? "has" : "have"} no text that is there without scripts, so nothing can be said of it.`,
    unread > 0 && `${count(unread, "page")} could not be read.`,
    ...fontsStanding(check),
  ];
  return parts.filter(Boolean).join(" ");
}

/** What of the fonts needs somebody: not held, not allowed, from others. */
function fontsStanding({ fonts, thirdParties }: Pick<PageCheck, "fonts" | "thirdParties">): string[] {
  const notHeld = fonts.filter((font) => font.held === null).length;
  const notAllowed = fonts.filter((font) =>
    font.verdicts.some(({ verdict }) => verdict !== "ALLOWED"),
  ).length;
  const are = (n: number) => (n === 1 ? "is" : "are");
  return [
    notHeld > 0 && `${count(notHeld, "font")} ${are(notHeld)} not in the inventory.`,
    notAllowed > 0 && `${count(notAllowed, "font")} ${are(notAllowed)} not known to be allowed there.`,
    thirdParties.length > 0 &&
      `${count(thirdParties.length, "host")} of others ${thirdParties.length === 1 ? "learns" : "learn"} who visits.`,
  ].filter((part) => part !== false);
}

/** Who checked when. */
export function checkedInWords({ askedAt, askedBy, state }: CheckLine): string {
  const by = askedBy === "unciala" ? "by schedule" : `by ${askedBy}`;
  return state === "STOPPED"
    ? `Stopped; asked for on ${moment(askedAt)} ${by}.`
    : `Checked on ${moment(askedAt)} ${by}.`;
}

/** How far a check is. */
export function progressInWords({ state, page, pagesRead, pagesKnown }: CheckLine): string {
  return state === "WAITING" || page === ""
    ? words.waiting
    : `Reading ${shortAddress(page)}, ${pagesRead + 1} of ${pagesKnown}`;
}

/** A page in numbers. */
export function pageInNumbers(page: PageLine): string {
  return [count(page.texts, "text"), page.fontBytes > 0 && `${kB(page.fontBytes)} of fonts`]
    .filter(Boolean)
    .join(" · ");
}

/** What is wrong with a page, in numbers; empty when nothing is. */
export function wrongInNumbers({ errors, warnings }: PageLine): string {
  return [errors > 0 && count(errors, "error"), warnings > 0 && count(warnings, "warning")]
    .filter(Boolean)
    .join(", ");
}

const how: Record<NonNullable<FoundFont["held"]>["how"], string> = {
  SAME_BYTES: "this very file",
  SAME_DRAWING: "the same drawing, converted",
  CUT: "cut from",
  ALIKE: "drawn nearly as",
  SUPERSEDED: "an old version that’s still served:",
};

export function heldInWords(held: NonNullable<FoundFont["held"]>): string {
  return how[held.how];
}

/** Where a font was found. */
export function whereInWords(font: FoundFont): string {
  return [
    count(font.texts, "text"),
    `on ${count(font.pages.length, "page")}`,
    kB(font.bytes),
    font.fromOthers && words.fromOthers,
    font.inPack && words.inPack,
  ]
    .filter(Boolean)
    .join(" · ");
}

export const placedWords: Record<string, string> = {
  SAME: "as in the pack",
  OTHER: "another version of it is there",
  WRONG: "another file is at its address",
  OLDER: "for older browsers",
  NOT_ASKED: "no page asks for it",
};

/** What became of a file of the pack on its host. */
export function placedInWords({ state, found, url }: PackOnHost["files"][number]): string {
  const said = placedWords[state] ?? state;
  if (state === "WRONG") {
    return `${said}: ${found === "" ? "no font" : found} (${shortAddress(url ?? "")})`;
  }
  return state === "OTHER" && found !== "" ? `${said}: ${found}` : said;
}

/** What a third-party host is asked for, and what is shown in its fonts. */
export function thirdPartyInWords({
  styleSheets,
  fonts,
  connections,
  scripts,
  texts,
}: PageCheck["thirdParties"][number]): string {
  return [
    styleSheets.length > 0 && count(styleSheets.length, "style sheet"),
    fonts.length > 0 && count(fonts.length, "font"),
    connections.length > 0 && "a connection opened in advance",
    scripts.length > 0 && count(scripts.length, "script"),
    texts === 0 ? "no text shown in its fonts" : `${count(texts, "text")} shown in its fonts`,
  ]
    .filter(Boolean)
    .join(" · ");
}

/** What decides on each property of a text. */
export function decidersOf({
  winners,
}: Pick<TextRun, "winners">): { of: string; rule: WinningRule | null }[] {
  return winners === null
    ? []
    : [
        { of: "Family", rule: winners.family },
        { of: "Weight", rule: winners.weight },
        { of: "Slope", rule: winners.slope },
        { of: "Size", rule: winners.size },
      ];
}

/** By whom a page was read in a browser, and when. */
export function browserInWords({ by, at }: { by: string; at: string }): string {
  return `read in a browser by ${by}, ${moment(at)}`;
}

/** A reading that is kept. */
export function readingInWords(reading: KeptReading): string {
  const texts = reading.textKept ? "texts kept" : "characters only";
  return `${reading.takenBy}, ${moment(reading.takenAt)} · ${texts} · ${kB(reading.bytes)}`;
}

/** How long a key is good. */
export function keyInWords({ endsAt }: { endsAt: string }): string {
  return `Good for one reading, until ${moment(endsAt)}.`;
}

/** What became of a rule of the pack’s style sheet. */
export function placedRuleInWords({
  line,
  found,
  foundLine,
}: PackOnHost["files"][number]["rules"][number]): string {
  return found === null
    ? `Line ${line} of the pack is not there.`
    : `Line ${line} of the pack; on its host, line ${foundLine} says:`;
}

/** How a page came out, above its text. */
export function pageStanding({ runs, notes }: Pick<CheckedText, "runs" | "notes">): string {
  const errors = notes.filter(({ severity }) => severity === "error");
  return runs.length === 0
    ? words.silentPage
    : errors.length === 0
      ? words.clean
      : errors.every(({ onPhoneOnly }) => onPhoneOnly)
        ? words.onPhoneOnly
        : words.notClean;
}

/** How many texts of a page a pack would change that is not deployed yet. */
export function changedInWords(runs: readonly TextRun[]): string {
  const changed = runs.filter(({ after }) => after !== null).length;
  return `${count(changed, "text")} ${changed === 1 ? "changes" : "change"} with the pack that isn’t deployed yet.`;
}

/** What a pack that is not deployed yet would change on all pages, and whether that reaches every text role. */
export function triedInWords({ texts, roles, madeAt }: NonNullable<PageCheck["tried"]>): string {
  const others = roles.filter(({ verdict }) => verdict === "OTHER");
  const changes = `The pack of ${day(madeAt)} changes ${texts === 0 ? "no text" : count(texts, "text")}.`;
  const reached =
    others.length === 0
      ? "Every role found on the pages will be shown as asked."
      : `${listed(others.map(({ label }) => label))} still won’t be shown as asked.`;
  return roles.some(({ verdict }) => verdict !== "NOT_FOUND") ? `${changes} ${reached}` : changes;
}

/** What a text asks for. */
export function askedInWords(run: TextRun): string {
  return `${run.family[0] ?? ""} ${faceInWords(run.weight, run.slope)}`;
}

/** What a text is given. */
export function givenInWords(given: GivenFace): string {
  const faked = given.synthesized.map((what) => (what === "bold" ? "bold faked" : "slant faked"));
  const face =
    given.url === null
      ? `${given.family}, of the system`
      : `${given.family} ${faceInWords(given.weight, given.slope)}`;
  return [face, ...faked].join(", ");
}

function faceInWords(weight: number, slope: string): string {
  return slope === "upright" ? `${Math.round(weight)}` : `${Math.round(weight)} ${slope}`;
}

/** That a role was taken over from what the pages have. */
export function roleAdded({ faces }: Role): string {
  return `Added to the roles of the site with ${count(faces.length, "face")}.`;
}

/** What is checked, in sentences. */
export function planInWords(plan: {
  addresses: string[];
  follows: boolean;
  mostPages: number;
  watched: boolean;
  connections: { host: string }[];
  signIns: { host: string }[];
  ownHosts: string[];
}): string {
  const named = plan.addresses.map(shortAddress);
  const parts = [
    named.length === 0
      ? "No page is named."
      : plan.follows
        ? `${listed(named)} and what ${named.length === 1 ? "it leads" : "they lead"} to, at most ${count(plan.mostPages, "page")}.`
        : `${listed(named)}, and nothing else.`,
    plan.watched ? "Daily, and whenever a pack was placed." : "Only when somebody asks for it.",
    plan.ownHosts.length > 0 &&
      `${listed(plan.ownHosts)} ${plan.ownHosts.length === 1 ? "is" : "are"} the site’s own.`,
    plan.connections.length > 0 && `${count(plan.connections.length, "host")} connected to elsewhere.`,
    plan.signIns.length > 0 && `${count(plan.signIns.length, "host")} signed in to.`,
  ];
  return parts.filter(Boolean).join(" ");
}

/** That a face was added to a role. */
export function faceAdded(face: string): string {
  return `Added ${face}. Make the pack again, and upload it.`;
}

/** The verdict on a text role of the site: “2 of 5 texts aren’t shown in Ostrel 700”. */
export function roleInWords({ verdict, texts, pages, selector, asked, shown }: RoleOnPages): string {
  if (verdict === "NOT_FOUND") {
    return `Not found on these pages (${selector})`;
  }
  if (verdict === "AS_ASKED") {
    return `As asked: ${count(texts, "text")} on ${count(pages, "page")}`;
  }
  const face = `${asked.family} ${asked.weight}${asked.slope === "upright" ? "" : ` ${asked.slope}`}`;
  const others = shown.filter((one) => !one.asAsked);
  const wrong = others.filter((one) => !one.onPhoneOnly).reduce((sum, one) => sum + one.texts, 0);
  if (others.every((one) => isInItsFace(one, asked))) {
    return wrong === 0
      ? "Another size or spacing than chosen on a phone"
      : `${wrong} of ${count(texts, "text")} ${wrong === 1 ? "has" : "have"} another size or spacing than chosen`;
  }
  return wrong === 0
    ? `Not shown in ${face} on a phone`
    : `${wrong} of ${count(texts, "text")} ${wrong === 1 ? "isn’t" : "aren’t"} shown in ${face}`;
}

/** A size or spacing that is not as chosen: “font-size is 28px, not 2rem (32px)”. */
export function measureInWords({ property, asked, shown }: OtherMeasure): string {
  return `${property} is ${shown}, not ${asked}`;
}

/** The declaration that decides: “h1 sets font-family: var(--heading), which --theme sets (style.css, line 12)”. */
export function whatDecides({
  property,
  selector,
  sheet,
  line,
  value,
  important,
  layer,
  via,
}: WinningRule): string {
  const who =
    sheet === null
      ? "the browser’s own style sheet"
      : selector === "style"
        ? "the element’s style attribute"
        : selector;
  return [
    `${who} sets ${property}: ${value}${important ? " !important" : ""}`,
    via === null ? "" : `, which ${via} sets`,
    layer === null ? "" : ` in the layer ${layer}`,
    sheet === null ? "" : ` (${fileName(sheet)}, line ${line})`,
  ].join("");
}
