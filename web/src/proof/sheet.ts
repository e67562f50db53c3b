import type { Finding } from "../shared/api/types";

/** A stretch of lines that is shown, with what was found in it, or of lines that are folded away. */
export type Stretch =
  { first: number; lines: string[]; findings: Finding[] } | { first: number; folded: number };

/** How many lines before and after one with a finding are shown with it. */
const AROUND = 3;
/** Fewer lines than this are not worth folding. */
const FEWEST_FOLDED = 4;

/** A text by lines: those near a finding are shown together, and what is far from any is folded. */
export function stretches(
  text: string,
  findings: readonly Finding[],
  unfolded: readonly number[] = [],
): Stretch[] {
  const lines = text.split(/\r\n|[\n\r\f]/);
  const byLine = new Map<number, Finding[]>();
  for (const finding of findings) {
    byLine.set(finding.line, [...(byLine.get(finding.line) ?? []), finding]);
  }
  const shown = shownLines(lines.length, [...byLine.keys()]);
  const parts: Stretch[] = [];
  for (let line = 1; line <= lines.length; line++) {
    const last = parts.at(-1);
    const text = lines[line - 1] ?? "";
    if (shown && !shown.has(line) && !unfolded.includes(foldStart(shown, line))) {
      if (last && "folded" in last) {
        last.folded++;
      } else {
        parts.push({ first: line, folded: 1 });
      }
    } else if (last && "lines" in last) {
      last.lines.push(text);
      last.findings.push(...(byLine.get(line) ?? []));
    } else {
      parts.push({ first: line, lines: [text], findings: [...(byLine.get(line) ?? [])] });
    }
  }
  return parts;
}

/** The lines near a finding; nothing when all are shown: a short text, or one without findings. */
function shownLines(count: number, found: number[]): Set<number> | null {
  if (count <= 60) {
    return null;
  }
  const shown = new Set<number>();
  for (const line of found.length ? found : [1, count]) {
    for (let near = line - AROUND; near <= line + AROUND; near++) {
      shown.add(near);
    }
  }
  for (let line = 1; line <= count; line++) {
    const start = foldStart(shown, line);
    let end = line;
    while (end < count && !shown.has(end + 1)) {
      end++;
    }
    if (!shown.has(line) && end - start + 1 < FEWEST_FOLDED) {
      shown.add(line);
    } else if (!shown.has(line)) {
      line = end;
    }
  }
  return shown;
}

/** The first line of the folded stretch that a line stands in. */
function foldStart(shown: Set<number>, line: number): number {
  let start = line;
  while (start > 1 && !shown.has(start - 1)) {
    start--;
  }
  return start;
}

/** A line cut into what is marked and what is not; `number` says which finding it is, from 1. */
export type Piece = { text: string; number?: number };

/** Where in a line its findings stand: each marks the word or quoted text that begins at its column. */
export function pieces(
  line: string,
  findings: readonly Finding[],
  numberOf: (finding: Finding) => number,
): Piece[] {
  const cut: Piece[] = [];
  let from = 0;
  for (const finding of [...findings].sort((a, b) => a.column - b.column)) {
    const at = Math.min(line.length, finding.column - 1);
    const start = Math.max(from, at);
    // What is marked already gets a second number, and no second mark.
    const end = at < from ? start : markEnd(line, start);
    cut.push({ text: line.slice(from, start) }, { text: line.slice(start, end), number: numberOf(finding) });
    from = end;
  }
  cut.push({ text: line.slice(from) });
  return cut.filter((piece) => piece.text !== "" || piece.number);
}

function markEnd(line: string, start: number): number {
  const rest = line.slice(start);
  const found = /^(?:"[^"]*"|'[^']*'|“[^”]*”|[\w@.#-]+\([^)]*\)|[\w@.#-][\w@.# -]*[\w@#-]|[^\s])/u.exec(rest);
  return start + (found?.[0].length ?? 0);
}

/** The text with the replacements of one finding made. */
export function corrected(text: string, { edits }: Pick<Finding, "edits">): string {
  return [...edits]
    .sort((a, b) => b.start - a.start || b.end - a.end)
    .reduce((now, { start, end, text: put }) => now.slice(0, start) + put + now.slice(end), text);
}

/** How many findings of a kind there are, the most first. */
export function kinds(findings: readonly Finding[]): [kind: string, count: number][] {
  const counts = new Map<string, number>();
  findings.forEach(({ kind }) => counts.set(kind, (counts.get(kind) ?? 0) + 1));
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
}
