import { describe, expect, it } from "vitest";
import type { Finding } from "../shared/api/types";
import { corrected, kinds, pieces, stretches } from "./sheet";

function finding(line: number, column: number, more: Partial<Finding> = {}): Finding {
  return { line, column, kind: "no-generic", message: "", fix: null, edits: [], ...more };
}

const text = (count: number) => Array.from({ length: count }, (_, i) => `line ${i + 1}`).join("\n");

describe("a style sheet under proof", () => {
  it("shows a short text whole, with all that was found in it", () => {
    const found = [finding(3, 1), finding(3, 4), finding(7, 1)];
    expect(stretches(text(9), found)).toEqual([{ first: 1, lines: text(9).split("\n"), findings: found }]);
  });

  it("folds what is far from any finding, and unfolds it on demand", () => {
    const found = [finding(10, 1), finding(90, 1)];
    const parts = stretches(text(100), found);
    expect(parts.map((part) => ("folded" in part ? `${part.first}+${part.folded}` : part.first))).toEqual([
      "1+6",
      7,
      "14+73",
      87,
      "94+7",
    ]);
    expect(parts.map((part) => ("folded" in part ? 0 : part.findings.length))).toEqual([0, 1, 0, 1, 0]);
    const all = stretches(text(100), found, [14]);
    expect(all.some((part) => "folded" in part && part.first === 14)).toBe(false);
  });

  it("shows a long text without findings by its beginning and end", () => {
    expect(stretches(text(100), []).map((part) => part.first)).toEqual([1, 5, 97]);
  });

  it("loses no line, whatever is found", () => {
    for (let seed = 1; seed < 60; seed++) {
      const count = (seed * 37) % 300;
      const found = Array.from({ length: seed % 7 }, (_, i) =>
        finding(1 + ((seed * (i + 3) * 13) % Math.max(1, count)), 1),
      );
      const parts = stretches(
        text(count),
        found.filter((one) => one.line <= count),
      );
      const seen = parts.reduce((sum, part) => sum + ("folded" in part ? part.folded : part.lines.length), 0);
      expect(seen).toBe(Math.max(1, count));
      expect(parts.map((part) => part.first)).toEqual(
        [...parts.map((part) => part.first)].sort((a, b) => a - b),
      );
    }
  });

  it("counts lines as the server does", () => {
    expect(stretches("a\r\nb\rc\fd", []).map((part) => "lines" in part && part.lines)).toEqual([
      ["a", "b", "c", "d"],
    ]);
  });

  it("marks the word, name or quoted text at a column", () => {
    const line = "  font-family: “Old Harrow”, Tern Text, serif;";
    const found = [finding(1, 16), finding(1, 30)];
    expect(pieces(line, found, (one) => found.indexOf(one) + 1)).toEqual([
      { text: "  font-family: " },
      { text: "“Old Harrow”", number: 1 },
      { text: ", " },
      { text: "Tern Text", number: 2 },
      { text: ", serif;" },
    ]);
  });

  it("marks two findings in one place, and one after the end", () => {
    const found = [finding(1, 1), finding(1, 1), finding(1, 9)];
    const cut = pieces("ab", found, (one) => found.indexOf(one) + 1);
    expect(cut.map((piece) => piece.text).join("")).toBe("ab");
    expect(cut.filter((piece) => piece.number).map((piece) => piece.number)).toEqual([1, 2, 3]);
  });

  it("makes the replacements of one finding, from the end on", () => {
    const edits = [
      { start: 0, end: 1, text: '"' },
      { start: 4, end: 5, text: '"' },
      { start: 5, end: 5, text: ", serif" },
    ];
    expect(corrected("“abc”;", { edits })).toBe('"abc", serif;');
  });

  it("counts the kinds, the most first", () => {
    const found = [finding(1, 1, { kind: "syntax" }), finding(2, 1), finding(3, 1)];
    expect(kinds(found)).toEqual([
      ["no-generic", 2],
      ["syntax", 1],
    ]);
  });
});
