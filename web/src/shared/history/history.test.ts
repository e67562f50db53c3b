import { describe, expect, it } from "vitest";
import { changeInWords, placeOf } from "./words";

describe("history", () => {
  it("tells a change of a field as what it was and is", () => {
    expect(changeInWords({ field: "vendor", before: "", after: "Marrow Type" })).toBe("Vendor: Marrow Type");
    expect(changeInWords({ field: "webUse", before: "granted", after: "refused" })).toBe(
      "Use on web pages: granted → refused",
    );
    expect(changeInWords({ field: "Headings", before: "Ostrel", after: "" })).toBe(
      "Headings: Ostrel → nothing",
    );
  });

  it("knows the place of a record", () => {
    expect(placeOf("license", "l")).toBe("/licenses/l");
    expect(placeOf("flag", "0123456789abcdef0123")).toBe("/flags/0123456789abcdef0123");
    expect(placeOf("flag", "NO_LICENSE")).toBeNull();
    expect(placeOf("client", "c")).toBeNull();
  });
});
