import { http, HttpResponse } from "msw";
import { setupServer } from "msw/node";
import { details } from "./samples";
import type { Who } from "../shared/api/types";

const page = { items: [], next: null };

export const editor: Who = { name: "priya", displayName: "Priya Nair", level: "EDITOR", sessions: 1 };

/** What an empty inventory answers; a test puts its own answers in front. */
export const network = setupServer(
  http.get("*/api/session", () => HttpResponse.json(editor)),
  http.get("*/api/people", () =>
    HttpResponse.json([
      { name: "priya", version: 0, displayName: "Priya Nair", level: "EDITOR", removed: false, joined: true },
      {
        name: "demo",
        version: 0,
        displayName: "Mara Quill",
        level: "ADMINISTRATOR",
        removed: false,
        joined: true,
      },
    ]),
  ),
  http.get("*/api/flags/counts", () => HttpResponse.json([])),
  http.get("*/api/flags/gathered", () => HttpResponse.json([])),
  http.get("*/api/flags", () => HttpResponse.json(page)),
  http.get("*/api/intakes/waiting", () => HttpResponse.json({ intakes: 0 })),
  http.get("*/api/intakes", () => HttpResponse.json(page)),
  http.get("*/api/families/foundries", () => HttpResponse.json([])),
  http.get("*/api/families/:id/pages", () => HttpResponse.json([])),
  http.get("*/api/families/:id/origins", () => HttpResponse.json({})),
  http.get("*/api/families/:id/superseded", () => HttpResponse.json([])),
  http.get("*/api/families", () => HttpResponse.json(page)),
  http.get("*/api/licenses", () => HttpResponse.json(page)),
  http.get("*/api/sites", () => HttpResponse.json(page)),
  http.get("*/api/sites/:id/checks", () => HttpResponse.json(page)),
  http.get("*/api/checks/:id/roles", () => HttpResponse.json({ items: [] })),
  http.get("*/api/sites/:id/page-readings", () => HttpResponse.json([])),
  http.get("*/reader.js", () => HttpResponse.text("var readPage=()=>{}")),
  http.get("*/api/private-hosts", () => HttpResponse.json([])),
  http.get("*/api/sites/:id/page-views", () => HttpResponse.json([])),
  http.get("*/api/session/calendar", () => HttpResponse.json({ open: false })),
  http.get("*/api/due", () => HttpResponse.json([])),
  http.get("*/api/costs", () => HttpResponse.json({ months: [], rows: [], totals: [] })),
  http.get("*/api/terms", () => HttpResponse.json([])),
  http.get("*/api/licenses/:id/standing", () =>
    HttpResponse.json({ named: [], others: [], freePlaces: null }),
  ),
  http.get("*/api/clients", () => HttpResponse.json(page)),
  http.get("*/api/history", () => HttpResponse.json(page)),
  http.get("*/api/intakes/:id/items/:item/letters", () => HttpResponse.arrayBuffer(new ArrayBuffer(8))),
  http.get("*/api/families/:id/formats/:format", () =>
    HttpResponse.json({
      faces: [],
      making: { running: false, done: 0, total: 0, failures: [] },
    }),
  ),
  http.get("*/api/files/:digest/details", () => HttpResponse.json(details())),
  http.get("*/api/files/:digest/letters", () => HttpResponse.arrayBuffer(new ArrayBuffer(8))),
  http.get("*/api/files/:digest", () => HttpResponse.arrayBuffer(new ArrayBuffer(8))),
);

export function problem(status: number, detail: string, errors: { field: string; message: string }[] = []) {
  return HttpResponse.json({ status, detail, errors }, { status });
}
