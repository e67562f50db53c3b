import { describe, expect, it } from "vitest";
import { baseName, count, day, formatName, isoDay, kB, listed, money } from "./format";

describe("format", () => {
  it("counts bytes as they are sent", () => {
    expect(kB(99)).toBe("99 B");
    expect(kB(1234)).toBe("1.2 kB");
    expect(kB(25_600)).toBe("26 kB");
  });

  it("counts in words", () => {
    expect(count(1, "family", "families")).toBe("1 family");
    expect(count(2, "flag")).toBe("2 flags");
  });

  it("writes days by the reader's own clock, across months and years", () => {
    expect(isoDay(new Date(2030, 11, 31, 23, 59))).toBe("2030-12-31");
    expect(isoDay(new Date(2030, 11, 31, 23, 59), 1)).toBe("2031-01-01");
    expect(isoDay(new Date(2030, 1, 28), 30)).toBe("2030-03-30");
  });

  it("writes days, numbers and names as the server's sentences do", () => {
    expect(day("2026-03-04")).toBe("Mar 4, 2026");
    expect(count(1200, "face")).toBe("1,200 faces");
    expect(listed(["a", "b"])).toBe("a and b");
    expect(listed(["a", "b", "c"])).toBe("a, b, and c");
  });

  it("names the last part of a path", () => {
    expect(baseName("a/b/c.ttf")).toBe("c.ttf");
    expect(baseName("c.ttf")).toBe("c.ttf");
  });

  it("writes money, and does not fail on what is no currency", () => {
    expect(money(0, "EUR")).toBe("");
    expect(money(12345, "EUR")).toContain("123.45");
    expect(money(12345, "€")).toBe("123.45 €");
  });

  it("names formats and lists names", () => {
    expect(formatName("woff2")).toBe("WOFF2");
    expect(formatName("odd")).toBe("odd");
    expect(listed(["Regular", "Bold", "Italic"])).toBe("Regular, Bold, and Italic");
  });
});
