import { describe, expect, it } from "vitest";
import { aboutDays, emptyTerms, isCurrency, sent } from "./terms";

describe("the terms of a license", () => {
  it("are sent with empty days as none and whole days’ notice period", () => {
    const typed = { ...emptyTerms, begins: "", ends: "2030-01-01", noticeDays: "45" as never };
    expect(sent(typed)).toMatchObject({ begins: null, ends: "2030-01-01", noticeDays: 45 });
    expect(sent({ ...emptyTerms, noticeDays: "" as never }).noticeDays).toBe(0);
  });

  it("say what is odd about their days", () => {
    expect(aboutDays(null, "2026-11-24", "2026-11-25")).toMatch(/past/);
    expect(aboutDays(null, "2026-11-25", "2026-11-25")).toBe("");
    expect(aboutDays("2027-01-01", "2026-12-01", "2026-11-25")).toMatch(/before it begins/);
    expect(aboutDays("", "", "2026-11-25")).toBe("");
    expect(aboutDays(null, null, "2026-11-25")).toBe("");
  });

  it("name a currency by three letters", () => {
    expect(["EUR", " usd ", "Gbp"].every(isCurrency)).toBe(true);
    expect(["€", "EU", "EURO", "", "12A"].some(isCurrency)).toBe(false);
  });

  it("begin with nothing granted", () => {
    for (const point of ["webUse", "converting", "subdomains", "development"] as const) {
      expect(emptyTerms[point]).toBe("NOT_STATED");
    }
  });
});
