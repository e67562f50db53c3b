import { http, HttpResponse } from "msw";
import type { Pack, PackMaking, Site, SiteDraft } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "./network";
import { family, file, role, site } from "./samples";

export const client = { id: "c1", version: 0, name: "Fernway Physiotherapy" };
export const bold = file({
  id: "file2",
  format: "woff2",
  bytes: 12_000,
  slot: { ...staticSlot(700, "upright"), label: "Bold" },
});
export const regular = file({ format: "woff2", bytes: 11_000 });

const notMaking: PackMaking = { running: false, done: 0, total: 0, packId: null, failure: null };

/** A site on the mocked network, kept as it is saved. */
export function recorded(start = site()) {
  const state = { site: start, saved: 0, packs: [] as Pack[], making: notMaking };
  network.use(
    http.get("*/api/clients", () => HttpResponse.json({ items: [client], next: null })),
    http.get("*/api/sites/s1", () => HttpResponse.json(state.site)),
    http.get("*/api/sites/s1/comparison", () => HttpResponse.json([])),
    http.get("*/api/sites/s1/packs/making", () => HttpResponse.json(state.making)),
    http.get("*/api/sites/s1/packs", () => HttpResponse.json({ items: state.packs, next: null })),
    http.post("*/api/sites/s1/weight", () => problem(500, "Weighed elsewhere.")),
    http.get("*/api/families/f1", () => HttpResponse.json(family({ files: [regular, bold] }))),
    http.put("*/api/sites/s1", async ({ request }) => {
      state.saved++;
      state.site = {
        ...state.site,
        ...((await request.json()) as SiteDraft),
        version: state.site.version + 1,
      } as Site;
      return HttpResponse.json(state.site);
    }),
  );
  return state;
}

export const headings = site({
  roles: [role("HEADINGS", "f1", [regular.slot])],
  familyNames: { f1: "Ostrel" },
  families: { f1: "Ostrel" },
});
