import type { Hit } from "../shared/api/types";

/** What the search says. */
export const words = {
  search: "Search",
  hint: "Search  /",
  dropHint: "Do we hold this?",
  ask: "Ask by a font file",
  nothing: "Nothing held or recorded has this in its name",
};

/** Where a hit leads, and what it is called. */
export const kinds: Record<Hit["type"], { to: string; name: string }> = {
  FAMILY: { to: "/families/", name: "Family" },
  FILE: { to: "/families/", name: "File" },
  SITE: { to: "/sites/", name: "Site" },
  LICENSE: { to: "/licenses/", name: "License" },
};

export function held(hit: Hit): string {
  return `Yes: ${hit.name} ${hit.detail}.`;
}

export function notHeld(fileName: string): string {
  return `No, ${fileName} is not held under any name.`;
}
