import { describe, expect, it } from "vitest";
import { money, termInWords } from "./words";

describe("license words", () => {
  it("writes money, and does not fail on what is no currency", () => {
    expect(money(0, "EUR")).toBe("");
    expect(money(12345, "EUR")).toContain("123.45");
    expect(money(12345, "€")).toBe("123.45 €");
  });

  it("says terms as people read them", () => {
    expect(termInWords("webUse", "NOT_STATED")).toBe("not stated");
    expect(termInWords("domains", ["a.example", "b.example"])).toBe("a.example, b.example");
    expect(termInWords("kind", "TRIAL")).toBe("Trial");
    expect(termInWords("ends", null)).toBe("");
  });
});
