/** What a change is a change of. */
export type Changed =
  | "family"
  | "license"
  | "terms"
  | "site"
  | "client"
  | "flag"
  | "intake"
  | "accepted intake"
  | "person"
  | "session"
  | "pack"
  | "check"
  | "check plan"
  | "page reading"
  | "private host"
  | "backup"
  | "fixity"
  | "anything";

const inventory = [
  "/api/families",
  "/api/duplicates",
  "/api/licenses",
  "/api/sites",
  "/api/flags",
  "/api/packs",
  "/api/checks",
  "/api/coverage",
];

const follows: Record<Exclude<Changed, "anything">, string[]> = {
  family: [...inventory, "/api/history", "/api/intakes"],
  license: [...inventory, "/api/history", "/api/due", "/api/costs"],
  terms: ["/api/terms", "/api/history"],
  site: [...inventory, "/api/clients", "/api/history", "/api/costs"],
  client: ["/api/clients", "/api/sites", "/api/history"],
  flag: ["/api/flags", "/api/history"],
  intake: ["/api/intakes", "/api/history"],
  "accepted intake": [...inventory, "/api/intakes", "/api/history"],
  person: ["/api/people", "/api/session", "/api/history"],
  session: ["/api/session"],
  pack: ["/api/sites/{id}/packs", "/api/packs", "/api/flags", "/api/history"],
  check: ["/api/sites/{id}/checks", "/api/checks", "/api/families/{id}/pages", "/api/flags"],
  "check plan": ["/api/sites/{id}/check-plan", "/api/history"],
  "page reading": [
    "/api/sites/{id}/page-readings",
    "/api/sites/{id}/checks",
    "/api/checks",
    "/api/flags",
    "/api/history",
  ],
  "private host": ["/api/private-hosts", "/api/history"],
  backup: ["/api/backups"],
  fixity: ["/api/storage", "/api/flags"],
};

/** Whether an answer that was read from an address may differ after a change; searches always may. */
export function mayDiffer(changed: Changed, address: string): boolean {
  return (
    changed === "anything" ||
    address === "/api/search" ||
    follows[changed].some((start) => address === start || address.startsWith(`${start}/`))
  );
}
