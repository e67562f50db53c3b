import { describe, expect, it } from "vitest";
import type { Hit } from "../shared/api/types";
import { answerTo, notHeldAs, placeOf } from "./words";

const hit: Hit = {
  type: "FAMILY",
  id: "f1",
  name: "Ostrel Black",
  face: "900-100-upright",
  detail: "6 files",
};

describe("what the search says", () => {
  it("leads to the face that was asked for, and else to the record", () => {
    expect(placeOf(hit)).toBe("/families/f1?face=900-100-upright");
    expect(placeOf({ ...hit, face: "" })).toBe("/families/f1");
    expect(placeOf({ ...hit, type: "VERDICT", face: "" })).toBe("/families/f1/use");
    expect(placeOf({ ...hit, type: "SITE", id: "s1", face: "" })).toBe("/sites/s1");
    expect(placeOf({ ...hit, face: "300_900-100-upright" })).toContain("300_900-100-upright");
  });

  it("answers a file with yes, the nearest, or nothing", () => {
    expect(answerTo("a.ttf", { held: true, hits: [{ ...hit, detail: "holds these very bytes" }] })).toBe(
      "Yes: Ostrel Black holds these very bytes.",
    );
    const near = { ...hit, detail: "drawn alike to 93 %" };
    expect(answerTo("a.ttf", { held: false, hits: [near, { ...near, name: "Marl Bold" }] })).toBe(
      "No, a.ttf isn’t in the inventory. Nearest: Ostrel Black (drawn alike to 93 %) and Marl Bold (drawn alike to 93 %).",
    );
    expect(answerTo("a.ttf", { held: false, hits: [] })).toBe(
      "No, a.ttf isn’t in the inventory, nor is anything like it.",
    );
  });

  it("names the nearest only where there are any", () => {
    expect(notHeldAs("garmond", { held: false, hits: [] })).toBe("Not in the inventory: “garmond”.");
    expect(notHeldAs("garmond", { held: false, hits: [hit] })).toBe(
      "Not in the inventory: “garmond”. The nearest ones that are:",
    );
    expect(notHeldAs("x", { held: false, hits: [{ ...hit, type: "LICENSE" }] })).toBe(
      "Not in the inventory: “x”.",
    );
  });
});
