import { describe, expect, it } from "vitest";
import { deleting, endInWords, letter, oneForAll, termInWords } from "./words";

describe("license words", () => {
  it("says terms as people read them", () => {
    expect(termInWords("webUse", "NOT_STATED", "CHF")).toBe("not stated");
    expect(termInWords("domains", ["a.example", "b.example"], "CHF")).toBe("a.example, b.example");
    expect(termInWords("basis", "TRIAL", "CHF")).toBe("Trial");
    expect(termInWords("ends", null, "CHF")).toBe("");
    expect(termInWords("price", 12000, "CHF")).toBe("CHF\u00a0120.00");
  });

  it("asks the vendor what is not stated, in one letter", () => {
    const text = letter("", "Marl web license", ["use on web pages", "use on shop.fernway.example"]);
    expect(text).toMatch(/^Dear vendor,/);
    expect(text).toContain("“Marl web license” does not say");
    expect(text).toContain("\n– use on web pages\n– use on shop.fernway.example\n");
  });

  it("says when a license ends or ended, and what stands on it", () => {
    expect(endInWords(null, false)).toBe("does not end");
    expect(endInWords("2030-05-01", false)).toMatch(/^until .*2030/);
    expect(endInWords("2020-05-01", true)).toMatch(/^ended .*2020/);
    expect(deleting(0)).toBe("Not used by any site.");
    expect(deleting(1)).toMatch(/^1 site relies on it\./);
    expect(deleting(20)).toMatch(/^20 sites rely on it\./);
    expect(oneForAll(212)).toMatch(/^One license for 212 families\./);
    expect(oneForAll(1)).not.toContain("One license");
  });
});
