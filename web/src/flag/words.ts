import type { Flag, FlagCount, FlagStory } from "../shared/api/types";
import { openOf } from "../shared/flag/flags";
import { groupNames } from "../shared/flag/words";
import type { Option } from "../shared/parts/Choice";
import { count, day, moment, number } from "../shared/parts/format";

/** What the Flags place says. */
export const words = {
  title: "Flags",
  none: "Nothing is unlicensed, missing or duplicate.",
  noneFits: "No flags match.",
  which: "Which flags",
  handedTo: "assigned to",
  gatheredBy: "grouped by",
  narrowed: "about one record only: show all",
  all: "All flags",
  standing: "Status",
  comments: "Comments",
  sayIt: "Add a comment",
  comment: "Comment",
  openAgain: "Reopen",
  opened: "Reopened.",
  toNobody: "Not assigned.",
};

const groups: Option[] = (Object.keys(groupNames) as Flag["group"][]).map((group) => [
  group,
  groupNames[group].toLowerCase(),
]);

/** The words of the sentence that says which flags are shown. */
export const choices: Record<"state" | "group" | "severity" | "by" | "order", Option[]> = {
  state: [
    ["open", "open"],
    ["accepted", "accepted"],
    ["current", "open and accepted"],
    ["gone", "gone"],
  ],
  group: [["", "flags of every group"], ...groups],
  severity: [
    ["", "of any severity"],
    ["STOP", "that are blocking"],
    ["ASK", "that need an answer"],
    ["WARN", "that can wait"],
  ],
  by: ["cause", "site", "family", "license", "person"].map((by): Option => [by, by]),
  order: [
    ["", "most severe first"],
    ["oldest", "oldest first"],
  ],
};

export function summary(counts: FlagCount[]): string {
  const open = openOf(counts);
  if (open === 0) {
    return words.none;
  }
  const causes = counts.reduce((sum, one) => sum + one.causes, 0);
  const stops = number(openOf(counts, { severity: "STOP" }));
  return `${count(open, "flag")} from ${count(causes, "cause")}; ${stops} blocking.`;
}

export function onlyFirst(most: number, flags: number): string {
  return `Showing the first ${most}, with ${number(flags)} flags. Narrow the filter above to see others.`;
}

/** How long a flag stands or stood. */
export function standing(flag: Flag): string {
  return flag.gone
    ? `Open from ${moment(flag.since)} until ${moment(flag.gone)}.`
    : `Open since ${moment(flag.since)}.`;
}

export function earlier(period: FlagStory["periods"][number]): string {
  return `Before that from ${day(period.since)} to ${day(period.gone)}.`;
}
