import { describe, expect, it } from "vitest";
import { emptyTerms } from "../terms";
import { extended, extensionInWords, isComplete } from "./attaching";

const agreed = { by: "Ana Reyes", on: "2030-04-01", proof: "mail of that day" };
const crossing = { familyId: "f1", familyName: "Ostrel" };
const both = {
  licenseId: "l1",
  licenseName: "Web license",
  family: true,
  domains: ["a.example", "b.example"],
};

describe("extending a license for a crossing", () => {
  it("adds the whole family and the domains, and keeps everything else", () => {
    const terms = {
      ...emptyTerms,
      covers: [
        { familyId: "f0", faces: [] },
        { familyId: "f1", faces: [{ key: "400" } as never] },
      ],
      domains: ["b.example"],
      webUse: "GRANTED" as const,
    };
    const after = extended(terms, both, crossing, agreed);
    expect(after.covers).toEqual([
      { familyId: "f0", faces: [] },
      { familyId: "f1", faces: [] },
    ]);
    expect(after.domains).toEqual(["b.example", "a.example"]);
    expect(after.webUse).toBe("GRANTED");
    expect(after).toMatchObject({ confirmedBy: "Ana Reyes", confirmedOn: "2030-04-01" });
    expect(after.notes).toBe(
      "Ana Reyes agreed to Ostrel, a.example, and b.example on 2030-04-01: mail of that day",
    );
  });

  it("loses no earlier confirmation and no note", () => {
    const terms = { ...emptyTerms, confirmedBy: "Old Hand", confirmedOn: "2029-01-01", notes: "Keep this." };
    const after = extended(terms, { ...both, family: false }, crossing, agreed);
    expect(after.notes.split("\n")).toEqual([
      "Keep this.",
      "Confirmed before by Old Hand, 2029-01-01.",
      "Ana Reyes agreed to a.example and b.example on 2030-04-01: mail of that day",
    ]);
    expect(after.covers).toEqual([]);
  });

  it.each([
    [{ ...agreed, by: " " }, false],
    [{ ...agreed, on: "" }, false],
    [{ ...agreed, proof: "" }, false],
    [agreed, true],
  ])("needs who agreed, when and the proof: %o", (given, complete) => {
    expect(isComplete(given)).toBe(complete);
  });

  it("is said in words", () => {
    expect(extensionInWords(both, "Ostrel")).toBe("Ostrel, a.example, and b.example");
    expect(extensionInWords({ ...both, domains: [] }, "Ostrel")).toBe("Ostrel");
  });
});
