import type { Site } from "../shared/api/types";
import type { Ask } from "./slots";

/** What the sites ask of a family. */
export function asksOf(sites: Site[], familyId: string): Ask[] {
  const asks = new Map<string, Ask>();
  for (const site of sites) {
    for (const role of site.roles.filter((r) => r.familyId === familyId)) {
      for (const slot of role.faces) {
        const ask = asks.get(slot.key) ?? { slot, by: [] };
        if (!ask.by.includes(site.name)) {
          ask.by.push(site.name);
        }
        asks.set(slot.key, ask);
      }
    }
  }
  return [...asks.values()];
}
