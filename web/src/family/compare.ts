import type { Family, HeldFile } from "../shared/api/types";
import { serves } from "../shared/font/slots";
import { listed } from "../shared/parts/format";

/** The file that one would compare another with: another drawing for its slot, else another file of its slot, else any. */
export function counterpart(one: HeldFile, all: HeldFile[]): HeldFile | undefined {
  const others = all.filter((file) => file.id !== one.id);
  const inSlot = others.filter((file) => file.slot.key === one.slot.key);
  return inSlot.find((file) => file.drawing !== one.drawing) ?? inSlot[0] ?? others[0];
}

/** Who would get other bytes if another file took the place of this one. */
export function whatASwapChanges({ asks }: Pick<Family, "asks">, one: HeldFile): string {
  const sites = [...new Set(asks.filter((ask) => serves(one.slot, ask.slot)).flatMap((ask) => ask.by))];
  return sites.length === 0
    ? `No site asks for ${one.slot.label}, so replacing its file changes no page.`
    : `Replacing the file of ${one.slot.label} changes what ${listed(sites)} ${sites.length === 1 ? "serves" : "serve"} with the next pack.`;
}
