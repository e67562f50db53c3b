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
  below: "What the live pages ask for, and what visitors see.",
  check: "Check the pages",
  again: "Check again",
  stop: "Stop",
  never: "This site’s pages haven’t been checked yet.",
  neverHelp:
    "A check reads the pages with their style sheets and fonts, as a laptop and a phone would, and says which face each text asks for and which it gets.",
  waiting: "The check is about to start.",
  pages: "Pages",
  unread: "not read",
  silent: "no text without scripts",
  right: "right",
  fonts: "Fonts found",
  fontsAre: "what texts are shown in, and whether it’s held and allowed there",
  found: "Found",
  held: "Held as",
  allowed: "Allowed",
  noFonts: "No text is shown in a font that the pages load.",
  notHeld: "Not in the inventory",
  takeIn: "Add to an intake",
  takingIn: "Adding …",
  fromOthers: "from a third-party host",
  ownCopy: "It’s held and allowed here, so no third party is needed:",
  deliver: "deliver your own copy",
  inPack: "in the pack",
  thirdParties: "Third-party hosts",
  thirdPartiesAre: "each learns the IP address of every visitor",
  thirdPartyOwn: "If one of them is the site’s own file store, add it under “What is checked”.",
  pack: "Pack on the host",
  changes: "Since the last check",
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
  edit: "Edit",
  save: "Save",
  leave: "Cancel",
  addresses: "Pages to read",
  addressesHelp: "One address per line, on the site’s own domains.",
  follows: "Also read the pages that sitemaps and links lead to",
  most: "At most",
  mostHelp: "1 to 200 pages",
  watched: "Check daily, and whenever a pack is deployed",
  connections: "Connect elsewhere",
  connectionsHelp:
    "For staging hosts: host:port → host:port, one per line. An administrator has to allow internal hosts in Settings.",
  ownHosts: "Own hosts",
  ownHostsHelp:
    "Hosts that belong to the site besides its domains, such as its file store or CDN, one per line. Leave empty if there are none: every other host counts as a third party.",
  signIns: "Sign-in",
  signInHost: "Host and port",
  signInName: "Name",
  signInPassword: "Password",
  signInKept: "saved; type to change it",
  signInAdd: "Add a sign-in",
  signInRemove: "Remove",
  planSaved: "Saved what is checked.",
  browser: "From your own browser",
  browserWhy:
    "The server can’t sign in through a form and doesn’t run scripts. Read such a page in your own browser: the reader below collects its elements, style sheets and fonts, and reduces texts to their characters unless you keep them. Later checks use the reading.",
  browserBookmark: "Read the type of this page",
  browserDrag: "Drag this to your bookmarks, then click it there on the open page.",
  browserConsole: "Copy for the console",
  browserConsoleHelp: "Or paste the reader into the console of the open page.",
  browserKey: "Make a key for sending",
  browserCopyKey: "Copy the key",
  browserKeyHelp: "A reading is sent here with a key, or copied and pasted.",
  browserPaste: "Paste a reading",
  browserPasted: "What the reader copied",
  browserAdd: "Check with this reading",
  browserTaken: "Added the reading. The check is starting.",
  browserNoReading: "This isn’t a reading. Paste the JSON that the reader copied.",
  browserRemove: "Remove",
  browserRemoved: "Removed the reading.",
  charactersOnly: "Texts are reduced to their characters.",
  fix: "What to change",
  copy: "Copy",
  asked: "Asked for",
  given: "Shown in",
  asIs: "As it is now",
  withPack: "With the new pack",
  changesAre: "Text that the new pack changes has a dotted underline.",
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
  clean: "Every text is shown in the font its CSS asks for.",
  silentPage: "This page has no text without scripts, so it can’t be checked.",
  onPhoneOnly:
    "On a laptop, every text is shown in the font its CSS asks for. On a phone, not every text is.",
  notClean: "Underlined text isn’t shown in the font its CSS asks for.",
};

export const kindWords: Record<string, string> = {
  "own-copy-broken": "Own copy broken",
  "faked-bold": "Faked bold",
  "faked-italic": "Faked italic",
  fallback: "Fallback",
  "undeclared-family": "Undeclared family",
  unreachable: "Unreachable",
  "not-a-font": "Not a font",
  "share-link": "Share link",
  "other-origin": "Other origin",
  "mixed-content": "Mixed content",
  "unusable-format": "Unsupported format",
  "refused-font": "Refused by browsers",
  "not-a-style-sheet": "Not a style sheet",
  "other-weight": "Other weight",
  "other-slope": "Other slope",
  "missing-characters": "Missing characters",
  "no-generic": "No generic family",
  "third-party": "Third party",
  "insecure-url": "Insecure address",
  "duplicate-face": "Declared twice",
  "wrong-media-type": "Wrong media type",
  "not-compressed": "Not compressed",
  "unused-preload": "Unused preload",
  "given-up": "Too much to read",
  "no-caching": "Not cached",
  "unused-face": "Unused face",
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
      ? `${every} ${all === 1 ? "shows" : "show"} every text as asked.`
      : right > 0 &&
        `${right} of ${count(all, "page")} ${right === 1 ? "shows" : "show"} every text as asked.`,
    wrong > 0 &&
      (wrong === all
        ? `${every} ${all === 1 ? "shows" : "show"} some text in another font than asked.`
        : right > 0
          ? `${count(wrong, "page")} ${wrong === 1 ? "doesn’t" : "don’t"}.`
          : `${wrong} of ${count(all, "page")} ${wrong === 1 ? "shows" : "show"} some text in another font than asked.`),
    silent > 0 &&
      `${silent === all ? every : count(silent, "page")} ${silent === 1 ? "has" : "have"} no text without scripts and can’t be checked.`,
    unread > 0 && `${count(unread, "page")} couldn’t be read.`,
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
  const arent = (n: number) => (n === 1 ? "isn’t" : "aren’t");
  return [
    notHeld > 0 && `${count(notHeld, "font")} ${arent(notHeld)} in the inventory.`,
    notAllowed > 0 && `${count(notAllowed, "font")} ${arent(notAllowed)} cleared there.`,
    thirdParties.length > 0 &&
      `${count(thirdParties.length, "third-party host")} ${thirdParties.length === 1 ? "learns" : "learn"} who visits.`,
  ].filter((part) => part !== false);
}

/** Who checked when. */
export function checkedInWords({ askedAt, askedBy, state }: CheckLine): string {
  const by = askedBy === "unciala" ? "by schedule" : `by ${askedBy}`;
  return state === "STOPPED"
    ? `Started on ${moment(askedAt)} ${by}, and stopped.`
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
  SAME_BYTES: "the same file:",
  SAME_DRAWING: "the same outlines, converted:",
  CUT: "a subset of",
  ALIKE: "nearly the same as",
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
  OTHER: "another version of it is on the host",
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
    ? `Line ${line} of the pack is missing there.`
    : `Line ${line} of the pack. On the host, line ${foundLine} says:`;
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
      ? `${given.family}, a system font`
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
      ? "No pages yet."
      : plan.follows
        ? `${listed(named)} and the pages ${named.length === 1 ? "it links" : "they link"} to, at most ${count(plan.mostPages, "page")}.`
        : `${listed(named)} only.`,
    plan.watched ? "Checked daily, and whenever a pack is deployed." : "Checked only when you start a check.",
    plan.ownHosts.length > 0 &&
      `${listed(plan.ownHosts)} ${plan.ownHosts.length === 1 ? "is" : "are"} the site’s own.`,
    plan.connections.length > 0 && `Connects elsewhere for ${count(plan.connections.length, "host")}.`,
    plan.signIns.length > 0 && `Signs in to ${count(plan.signIns.length, "host")}.`,
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
