import type { ImportReport } from "../api/types";
import { count } from "./format";

/** The answer to a file that was read in; a file with problems is a failure that says where the first of them is. */
export function taken(report: ImportReport): ImportReport {
  if (report.problems.length > 0) {
    throw new Error(notTaken(report));
  }
  return report;
}

/** Why a file did not go in, with the place of its first problem. */
export function notTaken({ problems }: ImportReport): string {
  const [first] = problems;
  const place = [first?.place, first?.field].filter(Boolean).join(", ");
  const where = place ? `${place.charAt(0).toUpperCase()}${place.slice(1)}: ` : "";
  const more =
    problems.length > 1 ? ` And ${count(problems.length - 1, "more problem", "more problems")}.` : "";
  return `Nothing was recorded. ${where}${first?.message ?? ""}${more}`;
}
