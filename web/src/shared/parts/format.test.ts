import { describe, expect, it } from "vitest";
import { baseName, count, isoDay, kB, localDates } from "./format";

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

  it("leaves a sentence without dates as it is", () => {
    expect(localDates("no WOFF2 is held")).toBe("no WOFF2 is held");
    expect(localDates("It runs until 2030-05-01.")).not.toContain("2030-05-01");
  });

  it("names the last part of a path", () => {
    expect(baseName("a/b/c.ttf")).toBe("c.ttf");
    expect(baseName("c.ttf")).toBe("c.ttf");
  });
});
