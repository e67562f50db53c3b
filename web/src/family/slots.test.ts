import { describe, expect, it } from "vitest";
import type { HeldFile, Slot } from "../shared/api/types";
import { gridOf, pageWeight, serves, shownFile, staticSlot } from "./slots";

function file(weight: number, slope: string, format: string, bytes = 100): HeldFile {
  return { id: `${weight}${slope}${format}`, slot: staticSlot(weight, slope), format, bytes } as HeldFile;
}

const variable: Slot = { ...staticSlot(400, "upright"), weight: 100, weightMax: 900, key: "100_900" };

describe("slots", () => {
  it("serve what browsers take without faking", () => {
    expect(serves(variable, staticSlot(700, "upright"))).toBe(true);
    expect(serves(staticSlot(400, "upright"), staticSlot(700, "upright"))).toBe(false);
    expect(serves(staticSlot(400, "oblique"), staticSlot(400, "italic"))).toBe(true);
    expect(serves(staticSlot(400, "italic"), staticSlot(400, "upright"))).toBe(false);
  });

  it("stand in a grid of weights across and slopes down, with what is only asked for", () => {
    const grid = gridOf(
      [file(700, "upright", "ttf"), file(400, "upright", "ttf"), file(400, "upright", "woff2")],
      [
        { slot: staticSlot(400, "italic"), by: ["Fernway"] },
        { slot: staticSlot(400, "upright"), by: ["Fernway", "Marlpit"] },
      ],
    );
    expect(grid.weights.map((slot) => slot.weight)).toEqual([400, 700]);
    expect(grid.rows.map((row) => row.label)).toEqual(["Upright", "Italic"]);
    const [regular, bold] = grid.rows[0]!.cells;
    expect(regular!.files).toHaveLength(2);
    expect(regular!.askedBy).toEqual(["Fernway", "Marlpit"]);
    expect(bold!.askedBy).toEqual([]);
    expect(grid.rows[1]!.cells[0]!.files).toEqual([]);
    expect(grid.rows[1]!.cells[1]).toBeNull();
  });

  it("are shown by their web file, and weighed by it", () => {
    const ttf = file(400, "upright", "ttf", 1000);
    const woff2 = file(400, "upright", "woff2", 300);
    expect(shownFile([ttf, woff2])).toBe(woff2);
    expect(shownFile([ttf])).toBe(ttf);
    expect(pageWeight([ttf, woff2])).toEqual({ bytes: 300, guessed: false });
    expect(pageWeight([ttf])).toEqual({ bytes: 400, guessed: true });
    expect(pageWeight([])).toEqual({ bytes: 0, guessed: true });
  });
});
