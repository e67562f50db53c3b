import type {
  CheckLine,
  FoundFont,
  GivenFace,
  HostVerdict,
  PageCheck,
  PageLine,
  PageNote,
  TextRun,
} from "../shared/api/types";
import { baseName } from "../shared/parts/format";

/** A check that waits or runs. */
export function isUnderWay(check: Pick<CheckLine, "state"> | undefined): boolean {
  return check?.state === "WAITING" || check?.state === "READING";
}

/** The latest check that came to its end, of those given latest first. */
export function latestDone<C extends Pick<CheckLine, "state">>(checks: readonly C[]): C | undefined {
  return checks.find((check) => check.state === "DONE");
}

/** Elements that stand within a line of text. */
const inline = new Set(
  "a abbr b bdi bdo cite code data del dfn em i ins kbd label mark q s samp small span strong sub sup time u var".split(
    " ",
  ),
);

function tag(element: string): string {
  return /^[a-z][a-z0-9-]*/.exec(element)?.[0] ?? "";
}

/** The path of the block that a text stands in: its nearest element that is no part of a line. */
export function blockOf(path: string): string {
  const elements = path.split(" > ");
  while (elements.length > 1 && inline.has(tag(elements.at(-1) ?? ""))) {
    elements.pop();
  }
  return elements.join(" > ");
}

/** What belongs together on the page, with the notes about it. */
export type Block = { path: string; runs: TextRun[]; notes: PageNote[] };

/** Texts one after another in one block are one; a note stands with the first block that has its text. */
export function blocks(runs: readonly TextRun[], notes: readonly PageNote[]): Block[] {
  const all: Block[] = [];
  for (const run of runs) {
    const path = blockOf(run.path);
    const last = all.at(-1);
    if (last?.path === path) {
      last.runs.push(run);
    } else {
      all.push({ path, runs: [run], notes: [] });
    }
  }
  for (const note of notes) {
    all.find((block) => block.runs.some((run) => run.path === note.path))?.notes.push(note);
  }
  return all;
}

/** Blocks one after another up to the next that has notes, which stand beside the first of them. */
export function stretches(all: readonly Block[]): Block[][] {
  const parts: Block[][] = [];
  for (const block of all) {
    const last = parts.at(-1);
    if (last && block.notes.length === 0) {
      last.push(block);
    } else {
      parts.push([block]);
    }
  }
  return parts;
}

/** The notes that are about no text that is shown: files, style sheets, what is declared in vain. */
export function notesOfNoText(runs: readonly TextRun[], notes: readonly PageNote[]): PageNote[] {
  const paths = new Set(runs.map((run) => run.path));
  return notes.filter((note) => note.path === null || !paths.has(note.path));
}

/** Whether a note's texts are given something else than they ask for. */
const aboutGiven = new Set([
  "faked-bold",
  "faked-italic",
  "fallback",
  "undeclared-family",
  "other-weight",
  "other-slope",
  "missing-characters",
]);

/** Whether a text is given another face than it asks for, or a faked one. */
export function isGivenOtherwise(run: TextRun, notes: readonly PageNote[]): boolean {
  const [main] = run.given;
  return (
    (main?.synthesized.length ?? 0) > 0 ||
    notes.some((note) => !note.onPhoneOnly && note.path === run.path && aboutGiven.has(note.kind))
  );
}

/** How a text is set so that it looks as visitors get it; `font` is the name under which its file was loaded. */
export function styleOf(
  run: Pick<TextRun, "weight" | "slope" | "size">,
  given: GivenFace | undefined,
  font: string | null,
) {
  const bold = given?.synthesized.includes("bold") ?? false;
  const slanted = given?.synthesized.includes("oblique") ?? false;
  const size = Math.max(12, Math.min(40, run.size));
  if (font === null) {
    return {
      fontFamily: `"${(given?.family ?? "serif").replaceAll('"', "")}", ${given?.family ?? "serif"}`,
      fontWeight: run.weight,
      fontStyle: run.slope === "upright" ? "normal" : run.slope,
      fontSize: size,
    };
  }
  return {
    fontFamily: `"${font}"`,
    // The file was loaded as a face of weight 400, so that what is faked on the page is faked here by the same means.
    fontWeight: bold ? 700 : 400,
    fontStyle: slanted ? "italic" : "normal",
    fontSynthesis: "weight style",
    fontVariationSettings: given && !bold ? `"wght" ${given.weight}` : undefined,
    fontSize: size,
  };
}

/** Verdicts that are the same on several hosts, once, with what they apply to. */
export function sameVerdicts(verdicts: readonly HostVerdict[]): { verdict: HostVerdict; hosts: string[] }[] {
  const groups: { verdict: HostVerdict; hosts: string[] }[] = [];
  for (const verdict of verdicts) {
    const known = groups.find(
      (group) => group.verdict.verdict === verdict.verdict && group.verdict.reason === verdict.reason,
    );
    if (known) {
      known.hosts.push(verdict.host);
    } else {
      groups.push({ verdict, hosts: [verdict.host] });
    }
  }
  return groups;
}

/** Those that want something done first, then by how many texts they paint. */
export function fontsInOrder(fonts: readonly FoundFont[]): FoundFont[] {
  const rank = (font: FoundFont) =>
    font.held === null ? 0 : font.verdicts.some(({ verdict }) => verdict !== "ALLOWED") ? 1 : 2;
  return [...fonts].sort((a, b) => rank(a) - rank(b) || b.texts - a.texts || a.name.localeCompare(b.name));
}

/** Whether what comes from a host of others could come from the site itself as well. */
export function hasOwnCopy({ fromOthers, held, verdicts }: FoundFont): boolean {
  return fromOthers && held !== null && verdicts.every(({ verdict }) => verdict === "ALLOWED");
}

/** How a page came out; of one without text nothing can be said. */
export function sortOf(
  page: Pick<PageLine, "why" | "errors" | "texts">,
): "unread" | "wrong" | "silent" | "right" {
  return page.why !== null ? "unread" : page.errors > 0 ? "wrong" : page.texts === 0 ? "silent" : "right";
}

/** How many pages there are of each sort. */
export function pagesOf(check: Pick<PageCheck, "pages">) {
  const of = { unread: 0, wrong: 0, silent: 0, right: 0 };
  for (const page of check.pages) {
    of[sortOf(page)] += 1;
  }
  return of;
}

/** The last part of a file's address, as it is spoken of. */
export function fileName(url: string): string {
  return baseName(url.replace(/[?#].*/, "")) || url;
}

/** One host and port in each line, with where it is connected to: `client.example:443 → 192.0.2.7:8443`. */
export function connectionsIn(typed: string): { host: string; to: string }[] {
  return lines(typed).map((line) => {
    const [host = "", to = ""] = line.split(/\s*(?:→|->|=>|=)\s*|\s+/);
    return { host, to };
  });
}

export function typedConnections(connections: readonly { host: string; to: string }[]): string {
  return connections.map(({ host, to }) => `${host} → ${to}`).join("\n");
}

export function lines(typed: string): string[] {
  return typed
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");
}
