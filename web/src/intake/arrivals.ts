import type { Arrival, FileRow, HeldFile, IntakeFamily, Slot } from "../shared/api/types";
import { arranged, type Grid } from "../shared/font/slots";

/** What stands in a slot: what is held, what arrives, or both. */
export type ArrivalCell = { slot: Slot; held: HeldFile[]; arrival: Arrival | null };

/** How a slot is drawn: `asks` where a person has to decide, `stays` for what arrives and does not go in. */
export type Ink = "held" | "arrives" | "joins" | "asks" | "stays";

/** What is held and what arrives of a family, slot by slot. */
export function arrivalGrid({ held, arrivals }: Pick<IntakeFamily, "held" | "arrivals">): Grid<ArrivalCell> {
  const cells = new Map<string, ArrivalCell>();
  for (const file of held) {
    const cell = cells.get(file.slot.key) ?? { slot: file.slot, held: [], arrival: null };
    cell.held.push(file);
    cells.set(file.slot.key, cell);
  }
  for (const arrival of arrivals) {
    const cell = cells.get(arrival.slot.key) ?? { slot: arrival.slot, held: [], arrival: null };
    cells.set(arrival.slot.key, { ...cell, arrival });
  }
  return arranged([...cells.values()]);
}

export function inkOf({ held, arrival }: ArrivalCell): Ink {
  if (!arrival) {
    return "held";
  }
  if (arrival.goesIn) {
    return held.length > 0 ? "joins" : "arrives";
  }
  return arrival.asks ? "asks" : "stays";
}

/** What a person may decide on a file: to leave it out, to take it in beside what is held, or in its place. */
export type Choice = "out" | "in" | "replace";

/** The choices that a verdict leaves; a clash and a newer version may take the place of what is held. */
export function choicesOf(verdict: FileRow["verdict"]): Choice[] {
  return verdict === "NEWER_VERSION" || verdict === "CLASH" ? ["out", "in", "replace"] : ["out", "in"];
}

/** Whether a verdict speaks of a held file that is drawn otherwise, or under another name, so that one wants to see both. */
export function comparable(verdict: FileRow["verdict"]): boolean {
  return [
    "NEWER_VERSION",
    "OLDER_VERSION",
    "CLASH",
    "CUT_DOWN_COPY",
    "RENAMED_COPY",
    "SAME_DRAWING",
    "FURTHER_FORMAT",
  ].includes(verdict);
}

/** What stands chosen; null while nobody has decided on a file that asks. */
export function chosenOf(row: Pick<FileRow, "asks" | "included" | "replaces">): Choice | null {
  if (row.asks) {
    return null;
  }
  return row.included ? (row.replaces ? "replace" : "in") : "out";
}

export function correctionFor(choice: Choice): { included: boolean; replaces: boolean } {
  return { included: choice !== "out", replaces: choice === "replace" };
}
