import { describe, expect, it } from "vitest";
import { amount, monthHead } from "./costs";

describe("the amounts of the costs", () => {
  it("have two decimals only where there are hundredths", () => {
    expect(amount(120_000)).toBe("1,200");
    expect(amount(120_050)).toBe("1,200.50");
    expect(amount(7)).toBe("0.07");
  });

  it("stand under the short names of their months, a year where it begins", () => {
    expect(["2030-11", "2030-12", "2031-01", "2031-02"].map(monthHead)).toEqual([
      "Nov",
      "Dec",
      "Jan 2031",
      "Feb",
    ]);
  });
});
