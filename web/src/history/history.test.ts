import { describe, expect, it } from "vitest";
import { historyAddress } from "./filter";
import { changeInWords, placeOf } from "./words";

describe("history", () => {
  it("asks for days of the reader's own clock, the last one whole", () => {
    const address = historyAddress(new URLSearchParams("from=2030-05-01&until=2030-05-01&by=priya&odd=1"));
    const query = new URLSearchParams(address.split("?")[1]);
    expect(query.get("from")).toBe(new Date(2030, 4, 1).toISOString());
    expect(query.get("until")).toBe(new Date(2030, 4, 2).toISOString());
    expect(query.get("by")).toBe("priya");
    expect(query.has("odd")).toBe(false);
    expect(historyAddress(new URLSearchParams("from=soon"))).toBe("/api/history?limit=60");
  });

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
