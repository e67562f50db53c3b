import type { HeldFile, Slot } from "../api/types";
import { formatName } from "../parts/format";

/** A face that some site asks for, and which. */
export type Ask = { slot: Slot; by: string[] };

/** One cell of a grid: what is held for the slot and who asks for it. */
export type Cell = { slot: Slot; files: HeldFile[]; askedBy: string[] };

/** A row of a grid: one slope at one width. */
export type GridRow<C> = { key: string; label: string; cells: (C | null)[] };

export type Grid<C> = { weights: Slot[]; rows: GridRow<C>[] };

const slopeOrder = { upright: 0, italic: 1, oblique: 2 } as Record<string, number>;

/** Weights across, slopes and widths down: every slot that is held or asked for. */
export function gridOf(files: HeldFile[], asks: Ask[]): Grid<Cell> {
  const cells = new Map<string, Cell>();
  for (const file of files) {
    const cell = cells.get(file.slot.key) ?? { slot: file.slot, files: [], askedBy: [] };
    cell.files.push(file);
    cells.set(file.slot.key, cell);
  }
  for (const ask of asks) {
    const serving = [...cells.values()].find((cell) => serves(cell.slot, ask.slot));
    const cell = serving ?? { slot: ask.slot, files: [], askedBy: [] };
    cell.askedBy = [...new Set([...cell.askedBy, ...ask.by])];
    cells.set(cell.slot.key, cell);
  }
  return arranged([...cells.values()]);
}

/** Cells as a grid: weights across, slopes and widths down. */
export function arranged<C extends { slot: Slot }>(all: C[]): Grid<C> {
  const weights = distinct(
    all.map((cell) => cell.slot),
    weightKey,
  ).sort((a, b) => a.weight - b.weight || a.weightMax - b.weightMax);
  const lines = distinct(
    all.map((cell) => cell.slot),
    lineKey,
  ).sort((a, b) => a.width - b.width || (slopeOrder[a.slope] ?? 0) - (slopeOrder[b.slope] ?? 0));
  return {
    weights,
    rows: lines.map((line) => ({
      key: lineKey(line),
      label: lineLabel(line),
      cells: weights.map(
        (weight) =>
          all.find(
            (cell) => lineKey(cell.slot) === lineKey(line) && weightKey(cell.slot) === weightKey(weight),
          ) ?? null,
      ),
    })),
  };
}

/** The file that a family is shown by: its regular face, or else its first. */
export function regularOf(files: HeldFile[]): HeldFile | undefined {
  return files.find((file) => file.slot.label === "Regular") ?? files[0];
}

/** Whether browsers take a face in one slot for what another slot asks: an oblique stands for an italic too. */
export function serves(held: Slot, asked: Slot): boolean {
  return (
    (held.slope === asked.slope || (held.slope !== "upright" && asked.slope !== "upright")) &&
    held.weight <= asked.weight &&
    held.weightMax >= asked.weightMax &&
    held.width <= asked.width &&
    held.widthMax >= asked.widthMax
  );
}

/** The file in which a slot is shown: a web file first, since browsers open it soonest. */
export function shownFile<F extends { format: string }>(files: F[]): F | undefined {
  return files.find((file) => file.format === "woff2") ?? files[0];
}

/** The bytes a site would send for a slot, and whether they are a guess because no WOFF2 is held yet. */
export function pageWeight(files: HeldFile[]): { bytes: number; guessed: boolean } {
  const web = files.find((file) => file.format === "woff2");
  const source = files[0];
  return web
    ? { bytes: web.bytes, guessed: false }
    : { bytes: source ? source.bytes * 0.4 : 0, guessed: true };
}

export function staticSlot(weight: number, slope: string): Slot {
  return {
    weight,
    weightMax: weight,
    width: 100,
    widthMax: 100,
    slope,
    key: `${weight}-100-${slope}`,
    label: "",
  };
}

export function weightKey(slot: Slot) {
  return `${slot.weight}-${slot.weightMax}`;
}

function lineKey(slot: Slot) {
  return `${slot.width}-${slot.widthMax}-${slot.slope}`;
}

function lineLabel(slot: Slot) {
  const slope = slot.slope[0]!.toUpperCase() + slot.slope.slice(1);
  const width = slot.width === slot.widthMax ? `${slot.width} %` : `${slot.width}–${slot.widthMax} %`;
  return slot.width === 100 && slot.widthMax === 100 ? slope : `${width} ${slope}`;
}

function distinct<T>(items: T[], key: (item: T) => string): T[] {
  return [...new Map(items.map((item) => [key(item), item])).values()];
}

const weightNames: Record<number, string> = {
  100: "Thin",
  200: "Extra Light",
  300: "Light",
  400: "Regular",
  500: "Medium",
  600: "Semi Bold",
  700: "Bold",
  800: "Extra Bold",
  900: "Black",
};

/** A weight as a column of a grid is headed: its number or range, and the usual name of a number that has one. */
export function weightWords(slot: Slot): { figure: string; name: string } {
  return slot.weight === slot.weightMax
    ? { figure: String(slot.weight), name: weightNames[slot.weight] ?? "" }
    : { figure: `${slot.weight}–${slot.weightMax}`, name: "" };
}

/** One file for each different drawing among those of a slot. */
export function drawn(files: HeldFile[]): HeldFile[] {
  const byDrawing = new Map<string, HeldFile[]>();
  for (const file of files) {
    byDrawing.set(file.drawing, [...(byDrawing.get(file.drawing) ?? []), file]);
  }
  return [...byDrawing.values()].flatMap((same) => shownFile(same) ?? []);
}

/** The formats held, by name. */
export function formatsOf(files: { format: string }[]): string {
  return [...new Set(files.map((file) => formatName(file.format)))].sort().join(" ");
}

/** A cell of a grid in words: what is held, what is wrong, and who asks for it. */
export function cellInWords(cell: Cell, unlicensed: boolean, weighs?: string): string {
  const drawings = drawn(cell.files).length;
  const held = cell.files.length === 0 ? "not held" : `held as ${formatsOf(cell.files)}`;
  const clash = drawings > 1 ? `, ${drawings} files in conflict` : "";
  const license = unlicensed && cell.files.length > 0 ? ", no license" : "";
  const asked = cell.askedBy.length > 0 ? `; asked for by ${cell.askedBy.join(", ")}` : "";
  const delivered = weighs ? `; ${weighs} as delivered` : "";
  return `${cell.slot.label || `${cell.slot.weight} ${cell.slot.slope}`}: ${held}${clash}${license}${asked}${delivered}`;
}

/** The faces asked for after a cell of the grid was pressed: what it serves is asked no more, or its own face is. */
export function toggled(faces: Slot[], pressed: Slot): Slot[] {
  const others = faces.filter((face) => face.key !== pressed.key && !serves(pressed, face));
  return others.length < faces.length ? others : [...faces, pressed];
}

/** Whether a cell of the grid serves any of the faces asked for. */
export function isAsked(faces: Slot[], cell: Slot): boolean {
  return faces.some((face) => face.key === cell.key || serves(cell, face));
}
