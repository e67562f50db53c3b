import { describe, expect, it } from "vitest";
import { step, type Place } from "./walk";

const widths = [3, 1, 2];
const from = (row: number, column: number): Place => ({ row, column });

describe("walking by keys", () => {
  it("goes along a row and stops at its ends", () => {
    expect(step("ArrowRight", from(0, 1), widths)).toEqual(from(0, 2));
    expect(step("ArrowRight", from(0, 2), widths)).toEqual(from(0, 2));
    expect(step("ArrowLeft", from(0, 0), widths)).toEqual(from(0, 0));
  });

  it("goes to the next row, as far along as that one has something", () => {
    expect(step("ArrowDown", from(0, 2), widths)).toEqual(from(1, 0));
    expect(step("ArrowUp", from(2, 1), widths)).toEqual(from(1, 0));
    expect(step("ArrowDown", from(2, 1), widths)).toEqual(from(2, 1));
    expect(step("ArrowUp", from(0, 1), widths)).toEqual(from(0, 1));
  });

  it("goes to the first and the last, and leaves other keys alone", () => {
    expect(step("Home", from(2, 1), widths)).toEqual(from(0, 0));
    expect(step("End", from(0, 2), widths)).toEqual(from(2, 0));
    expect(step("Enter", from(0, 0), widths)).toBeNull();
    expect(step("a", from(0, 0), widths)).toBeNull();
  });

  it("never leaves the grid, whatever is pressed", () => {
    const keys = ["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight", "Home", "End"];
    let at = from(0, 0);
    for (let i = 0; i < 500; i++) {
      at = step(keys[(i * 7 + i * i) % keys.length]!, at, widths)!;
      expect(at.row).toBeGreaterThanOrEqual(0);
      expect(at.row).toBeLessThan(widths.length);
      expect(at.column).toBeGreaterThanOrEqual(0);
      expect(at.column).toBeLessThan(widths[at.row]!);
    }
  });
});
