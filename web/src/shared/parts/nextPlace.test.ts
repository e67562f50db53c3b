import { describe, expect, it } from "vitest";
import { nextPlace, type Place } from "./nextPlace";

const widths = [3, 1, 2];
const from = (row: number, column: number): Place => ({ row, column });

describe("walking by keys", () => {
  it("goes along a row and stops at its ends", () => {
    expect(nextPlace("ArrowRight", from(0, 1), widths)).toEqual(from(0, 2));
    expect(nextPlace("ArrowRight", from(0, 2), widths)).toEqual(from(0, 2));
    expect(nextPlace("ArrowLeft", from(0, 0), widths)).toEqual(from(0, 0));
  });

  it("goes to the next row, as far along as that one has something", () => {
    expect(nextPlace("ArrowDown", from(0, 2), widths)).toEqual(from(1, 0));
    expect(nextPlace("ArrowUp", from(2, 1), widths)).toEqual(from(1, 0));
    expect(nextPlace("ArrowDown", from(2, 1), widths)).toEqual(from(2, 1));
    expect(nextPlace("ArrowUp", from(0, 1), widths)).toEqual(from(0, 1));
  });

  it("goes to the first and the last, and leaves other keys alone", () => {
    expect(nextPlace("Home", from(2, 1), widths)).toEqual(from(0, 0));
    expect(nextPlace("End", from(0, 2), widths)).toEqual(from(2, 0));
    expect(nextPlace("Enter", from(0, 0), widths)).toBeNull();
    expect(nextPlace("a", from(0, 0), widths)).toBeNull();
  });

  it("never leaves the grid, whatever is pressed", () => {
    const keys = ["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight", "Home", "End"];
    let at = from(0, 0);
    for (let i = 0; i < 500; i++) {
      at = nextPlace(keys[(i * 7 + i * i) % keys.length]!, at, widths)!;
      expect(at.row).toBeGreaterThanOrEqual(0);
      expect(at.row).toBeLessThan(widths.length);
      expect(at.column).toBeGreaterThanOrEqual(0);
      expect(at.column).toBeLessThan(widths[at.row]!);
    }
  });
});
