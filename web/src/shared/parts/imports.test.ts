import { describe, expect, it } from "vitest";
import { notTaken, taken } from "./imports";

const report = (...problems: { place: string; field: string; message: string }[]) => ({
  entries: 3,
  recorded: 0,
  problems,
});

describe("a file that is read in", () => {
  const soon = { place: "line 3", field: "ends", message: "“soon” is no day." };

  it("is told with the place of its first problem and how many more there are", () => {
    expect(notTaken(report(soon))).toBe("Nothing was recorded. Line 3, ends: “soon” is no day.");
    expect(notTaken(report(soon, soon, soon))).toContain("And 2 more problems.");
    expect(notTaken(report({ place: "", field: "", message: "It is empty." }))).toBe(
      "Nothing was recorded. It is empty.",
    );
  });

  it("is a failure with any problem, and an answer without", () => {
    expect(() => taken(report(soon))).toThrow("Line 3, ends");
    expect(taken({ ...report(), recorded: 3 }).recorded).toBe(3);
  });
});
