import { describe, expect, it } from "vitest";
import type { HeldFile, Slot } from "../api/types";
import {
  cellInWords,
  drawn,
  gridOf,
  isAsked,
  pageWeight,
  serves,
  shownFile,
  staticSlot,
  toggled,
  weightWords,
} from "./slots";

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

  it("are asked and unasked by pressing what serves them, a variable file too", () => {
    const bold = staticSlot(700, "upright");
    const italic = staticSlot(400, "italic");
    expect(toggled([], bold)).toEqual([bold]);
    expect(toggled([bold, italic], bold)).toEqual([italic]);
    expect(toggled([bold, italic], variable)).toEqual([italic]);
    expect(toggled([italic], variable)).toEqual([italic, variable]);
    expect(isAsked([bold], variable)).toBe(true);
    expect(isAsked([italic], variable)).toBe(false);
  });

  it("tell one drawing from two, and say what a cell holds", () => {
    const one = { ...file(400, "upright", "ttf"), drawing: "a" };
    const same = { ...file(400, "upright", "woff2"), drawing: "a" };
    const other = { ...file(400, "upright", "otf"), drawing: "b" };
    expect(drawn([one, same])).toEqual([same]);
    expect(drawn([one, same, other])).toEqual([same, other]);
    const slot = { ...staticSlot(400, "upright"), label: "Regular" };
    expect(cellInWords({ slot, files: [one, same, other], askedBy: ["Fernway"] }, true)).toBe(
      "Regular: held as OTF TTF WOFF2, 2 files in conflict, no license; asked for by Fernway",
    );
    expect(cellInWords({ slot: staticSlot(700, "italic"), files: [], askedBy: [] }, true)).toBe(
      "700 italic: not held",
    );
  });

  it("head their columns by a number or a range", () => {
    expect(weightWords(staticSlot(600, "upright"))).toEqual({ figure: "600", name: "Semi Bold" });
    expect(weightWords(staticSlot(375, "upright"))).toEqual({ figure: "375", name: "" });
    expect(weightWords(variable)).toEqual({ figure: "100–900", name: "" });
  });

  it("keep a static face and a range that begins with it in columns of their own", () => {
    const grid = gridOf(
      [file(400, "upright", "ttf"), { ...file(400, "upright", "woff2"), slot: { ...variable, weight: 400 } }],
      [],
    );
    expect(grid.weights).toHaveLength(2);
    expect(grid.rows[0]!.cells.map((cell) => cell?.files.length)).toEqual([1, 1]);
  });
});
