import { describe, expect, it } from "vitest";
import { mayDiffer, type Changed } from "./touched";

const addresses = [
  "/api/families",
  "/api/families/{id}",
  "/api/licenses/{id}",
  "/api/sites/{id}/comparison",
  "/api/sites/{id}/packs",
  "/api/flags/gathered",
  "/api/flags/counts",
  "/api/history",
  "/api/intakes/waiting",
  "/api/people",
  "/api/session",
  "/api/backups",
  "/api/clients",
];
const after = (changed: Changed) => addresses.filter((address) => mayDiffer(changed, address));

describe("what is asked again after a change", () => {
  it("is everything that shows what a license decides, and neither people nor backups", () => {
    expect(after("license")).toEqual([
      "/api/families",
      "/api/families/{id}",
      "/api/licenses/{id}",
      "/api/sites/{id}/comparison",
      "/api/sites/{id}/packs",
      "/api/flags/gathered",
      "/api/flags/counts",
      "/api/history",
    ]);
  });

  it("is little when little was changed", () => {
    expect(after("flag")).toEqual(["/api/flags/gathered", "/api/flags/counts", "/api/history"]);
    expect(after("backup")).toEqual(["/api/backups"]);
    expect(after("person")).toEqual(["/api/history", "/api/people", "/api/session"]);
    expect(after("pack")).toEqual([
      "/api/sites/{id}/packs",
      "/api/flags/gathered",
      "/api/flags/counts",
      "/api/history",
    ]);
  });

  it("is everything after something was taken back", () => {
    expect(after("anything")).toEqual(addresses);
  });

  it("takes an address for itself only, not for one that begins alike", () => {
    expect(mayDiffer("client", "/api/clientsupplied")).toBe(false);
    expect(mayDiffer("client", "/api/clients")).toBe(true);
  });
});
