import type { FlagCount } from "../shared/api/types";
import { openOf } from "../shared/flag/flags";
import { count, number } from "../shared/parts/format";

/** What the Today place says. */
export const words = {
  mine: "Assigned to you",
  stops: "Blocking",
  asks: "Needs an answer",
  waits: "can wait: formats to make, files held twice, proof to attach.",
  anIntake: "Intake to review",
  ending: "Ends soon",
  empty: "The inventory is empty. Start with the fonts of one client:",
  begin: "Drop an archive on Intake",
};

/** The day in one sentence. */
export function inWords(counts: FlagCount[], waiting: number): string {
  const stops = openOf(counts, { severity: "STOP" });
  const asks = openOf(counts, { severity: "ASK" });
  const parts = [
    stops && count(stops, "blocking flag"),
    asks && `${number(asks)} waiting for a vendor`,
    waiting && `${count(waiting, "intake")} to review`,
  ].filter(Boolean);
  return parts.length === 0 ? "You’re all caught up." : `${parts.join(", ")}.`;
}
