import type { FlagCount } from "../shared/api/types";
import { openOf } from "../shared/flag/flags";
import { count } from "../shared/parts/format";

/** What the Today place says. */
export const words = {
  mine: "Handed to you",
  stops: "Must not go out like this",
  asks: "Needs an answer",
  waits: "can wait: formats to make, files held twice, proof to attach.",
  anIntake: "An intake waits",
  ending: "Ends soon",
  empty: "Nothing is held yet. Begin with the fonts of one client:",
  begin: "Drop an archive on Intake",
};

/** The day in one sentence. */
export function inWords(counts: FlagCount[], waiting: number): string {
  const stops = openOf(counts, { severity: "STOP" });
  const asks = openOf(counts, { severity: "ASK" });
  const parts = [
    stops && `${count(stops, "thing")} must not go out as ${stops === 1 ? "it is" : "they are"}`,
    asks && `${count(asks, "question")} to a vendor ${asks === 1 ? "is" : "are"} open`,
    waiting && `${count(waiting, "intake")} ${waiting === 1 ? "waits" : "wait"} for you`,
  ].filter(Boolean);
  return parts.length === 0 ? "Nothing needs you today." : `${parts.join("; ")}.`;
}
