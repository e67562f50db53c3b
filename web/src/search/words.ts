import type { Found, Hit } from "../shared/api/types";
import { listed } from "../shared/parts/format";

/** What the search says. */
export const words = {
  search: "Search",
  hint: "Search  /",
  dropHint: "Do we hold this?",
  ask: "Check a font file",
  notHeld: "Not in the inventory",
  nearest: "The nearest ones that are:",
};

/** Where a hit leads, and what it is called. */
export const kinds: Record<Hit["type"], { to: string; name: string }> = {
  VERDICT: { to: "/families/", name: "May we use it there" },
  FAMILY: { to: "/families/", name: "Family" },
  FILE: { to: "/families/", name: "File" },
  SITE: { to: "/sites/", name: "Site" },
  LICENSE: { to: "/licenses/", name: "License" },
};

/** Where a hit leads: to the face that was asked for, where it is one. */
export function placeOf({ type, id, face }: Hit): string {
  if (type === "VERDICT") {
    return `${kinds[type].to}${id}/use`;
  }
  return `${kinds[type].to}${id}${face && `?face=${encodeURIComponent(face)}`}`;
}

/** The answer to a file: whether it is held, or what has the most similar outlines. */
export function answerTo(fileName: string, { held, hits }: Found): string {
  const [first] = hits;
  if (held && first) {
    return `Yes: ${first.name} ${first.detail}.`;
  }
  const near = hits.map((hit) => `${hit.name} (${hit.detail})`);
  return near.length > 0
    ? `No, ${fileName} isn’t in the inventory. Nearest: ${listed(near)}.`
    : `No, ${fileName} isn’t in the inventory, nor is anything like it.`;
}

/** What is said under the field of words by which no family is meant. */
export function notHeldAs(typed: string, { hits }: Found): string {
  const families = hits.some((hit) => hit.type === "FAMILY");
  return `${words.notHeld}: “${typed}”.${families ? ` ${words.nearest}` : ""}`;
}
