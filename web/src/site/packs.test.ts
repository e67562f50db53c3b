import { describe, expect, it } from "vitest";
import type { AskedRow } from "../shared/api/types";
import { kB } from "../shared/parts/format";
import { fileChangeInWords, notAllowed } from "./packs";
import { anywayInWords, differenceSince } from "./words";

const row = (label: string, verdict: AskedRow["verdict"], held = 1) => ({
  familyName: "Ostrel",
  slot: { label },
  verdict,
  held: Array.from({ length: held }, () => ({})),
});

describe("notAllowed", () => {
  it("names held faces that are refused or not stated, each once", () => {
    const rows = [
      row("Bold", "REFUSED"),
      row("Bold", "NOT_STATED"),
      row("Regular", "ALLOWED"),
      row("Black", "REFUSED", 0),
    ];
    expect(notAllowed(rows)).toEqual(["Ostrel Bold"]);
  });
  it("is said with its number", () => {
    expect(anywayInWords(["Ostrel Bold"])).toContain("Ostrel Bold is not allowed");
    expect(anywayInWords(["Ostrel Bold", "Ostrel Light"])).toContain("are not allowed");
  });
});

describe("what changed between packs", () => {
  it("says of a file that it came, went or changed", () => {
    expect(fileChangeInWords({ before: 0, after: 2000 })).toBe(`new, ${kB(2000)}`);
    expect(fileChangeInWords({ before: 2000, after: 0 })).toBe(`gone, ${kB(2000)}`);
    expect(fileChangeInWords({ before: 2000, after: 4000 })).toBe(`${kB(2000)} → ${kB(4000)}`);
  });
  it("says when nothing did, and when there is none before", () => {
    const none = { files: [], came: [], went: [] };
    expect(differenceSince("2030-05-01T10:00:00Z", none)).toContain("Nothing");
    expect(differenceSince(null, none)).toContain("first");
    const some = { files: [], came: ["h1 {}"], went: [] };
    expect(differenceSince("2030-05-01T10:00:00Z", some)).toContain("Against");
  });
});
