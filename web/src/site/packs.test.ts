import { describe, expect, it } from "vitest";
import type { AskedRow } from "../shared/api/types";
import { kB } from "../shared/parts/format";
import { fileChangeInWords, notAllowed, rolesInWords, saidOnce, standing } from "./packs";
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
    expect(anywayInWords(["Ostrel Bold"])).toContain("Ostrel Bold isn’t allowed");
    expect(anywayInWords(["Ostrel Bold", "Ostrel Light"])).toContain("aren’t allowed");
  });
});

describe("the roles on the pages", () => {
  const role = (label: string, verdict: "AS_ASKED" | "OTHER" | "NOT_FOUND") => ({ label, verdict });
  it("are as asked, with the pack that is deployed", () => {
    const found = [role("Headings", "AS_ASKED"), role("Code", "NOT_FOUND")];
    expect(rolesInWords(found, null)).toBe("Every text role is shown in the face that was chosen.");
    expect(rolesInWords(found, "2030-05-03")).toMatch(
      /^The pack deployed on May 3, 2030 is in effect: every/,
    );
    expect(rolesInWords([role("Code", "NOT_FOUND")], null)).toBe("");
  });
  it("are named where they are not", () => {
    const found = [role("Headings", "OTHER"), role("Page title", "OTHER"), role("Code", "AS_ASKED")];
    expect(rolesInWords(found, "2030-05-03")).toBe(
      "Headings and Page title aren’t shown in the face that was chosen.",
    );
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
    expect(differenceSince("2030-05-01T10:00:00Z", none)).toContain("No differences");
    expect(differenceSince(null, none)).toContain("first");
    const some = { files: [], came: ["h1 {}"], went: [] };
    expect(differenceSince("2030-05-01T10:00:00Z", some)).toContain("Compared with");
  });
});

describe("how a site stands", () => {
  it.each([
    [[row("Bold", "ALLOWED")], "The one face it asks for is in the inventory and cleared on every domain."],
    [
      [row("Bold", "ALLOWED"), row("Bold", "ALLOWED"), row("Regular", "ALLOWED")],
      "All 2 faces it asks for are in the inventory and cleared on every domain.",
    ],
    [[row("Bold", "REFUSED")], "The one face it asks for isn’t cleared on every domain."],
    [
      [row("Bold", "REFUSED"), row("Regular", "NOT_STATED")],
      "None of the 2 faces it asks for is cleared on every domain.",
    ],
    [
      [row("Bold", "ALLOWED", 0), row("Regular", "ALLOWED")],
      "1 of 2 faces is cleared on every domain; Ostrel Bold isn’t in the inventory.",
    ],
    [
      [row("Bold", "REFUSED"), row("Regular", "NOT_STATED"), row("Black", "REFUSED", 0)],
      "0 of 3 faces are cleared on every domain; 2 aren’t, and Ostrel Black isn’t in the inventory.",
    ],
  ])("counts each face once: %#", (rows, said) => {
    expect(standing(rows)).toBe(said);
  });

  it.each([
    [[], []],
    [["a"], [1]],
    [
      ["a", "a", "b", "a"],
      [2, 0, 1, 1],
    ],
    [
      ["a", "a", "a"],
      [3, 0, 0],
    ],
  ])("says once what is alike in sequence: %j", (texts, lines) => {
    expect(saidOnce(texts)).toEqual(lines);
  });
});
