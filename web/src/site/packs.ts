import type { AskedRow, RoleOnPages } from "../shared/api/types";
import { count, day, kB, listed } from "../shared/parts/format";

type Decided = Pick<AskedRow, "familyName" | "verdict"> & { slot: { label: string }; held: unknown[] };

/** The held faces that may not go out on every domain, each once, by name. */
export function notAllowed(rows: Decided[]): string[] {
  const names = rows
    .filter((row) => row.held.length > 0 && row.verdict !== "ALLOWED")
    .map((row) => `${row.familyName} ${row.slot.label}`);
  return [...new Set(names)];
}

/** What became of a file, in bytes. */
export function fileChangeInWords({ before, after }: { before: number; after: number }): string {
  return before === 0
    ? `new, ${kB(after)}`
    : after === 0
      ? `gone, ${kB(before)}`
      : `${kB(before)} → ${kB(after)}`;
}

/** How many of the faces that are asked for may go out, in a sentence, each face counted once. */
export function standing(rows: Decided[]): string {
  const faces = new Map(rows.map((row) => [`${row.familyName} ${row.slot.label}`, row]));
  const notHeld = [...faces].filter(([, row]) => row.held.length === 0).map(([name]) => name);
  const barred = notAllowed(rows).length;
  const good = faces.size - notHeld.length - barred;
  if (good === faces.size) {
    return faces.size === 1
      ? "The one face it asks for is in the inventory and cleared on every domain."
      : `All ${faces.size} faces it asks for are in the inventory and cleared on every domain.`;
  }
  if (barred === faces.size) {
    return barred === 1
      ? "The one face it asks for isn’t cleared on every domain."
      : `None of the ${barred} faces it asks for is cleared on every domain.`;
  }
  const but = [
    barred > 0 && `${barred} ${barred === 1 ? "isn’t" : "aren’t"}`,
    notHeld.length > 0 && `${listed(notHeld)} ${notHeld.length === 1 ? "isn’t" : "aren’t"} in the inventory`,
  ].filter((part) => part !== false);
  return `${good} of ${count(faces.size, "face")} ${good === 1 ? "is" : "are"} cleared on every domain; ${but.join(", and ")}.`;
}

/** Whether the text roles are shown as asked on the pages, with the pack that is deployed there. */
export function rolesInWords(
  roles: readonly { label: string; verdict: RoleOnPages["verdict"] }[],
  deployedOn: string | null,
): string {
  const found = roles.filter(({ verdict }) => verdict !== "NOT_FOUND");
  const others = found.filter(({ verdict }) => verdict === "OTHER").map(({ label }) => label);
  if (found.length === 0) {
    return "";
  }
  if (others.length > 0) {
    return `${listed(others)} ${others.length === 1 ? "isn’t" : "aren’t"} shown in the face that was chosen.`;
  }
  return deployedOn === null
    ? "Every text role is shown in the face that was chosen."
    : `The pack deployed on ${day(deployedOn)} is in effect: every text role is shown in the face that was chosen.`;
}

/** For each of these texts, how many in sequence it stands for: 0 where the one before stands for it. */
export function saidOnce(texts: string[]): number[] {
  return texts.map((text, i) => {
    if (text === texts[i - 1]) {
      return 0;
    }
    const rest = texts.slice(i);
    const other = rest.findIndex((next) => next !== text);
    return other < 0 ? rest.length : other;
  });
}
