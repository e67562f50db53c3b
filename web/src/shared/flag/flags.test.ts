import { describe, expect, it } from "vitest";
import type { Flag, FlagCount } from "../api/types";
import { filterOf, gatheredQuery, indexed, insideQuery, openOf, paramsOf, wayOf, placeOnSite } from "./flags";
import { accepted, handed, headingOf, spread } from "./words";

const counts: FlagCount[] = [
  { group: "UNLICENSED", severity: "STOP", open: 3, accepted: 1, causes: 2 },
  { group: "UNLICENSED", severity: "ASK", open: 2, accepted: 0, causes: 1 },
  { group: "MISSING", severity: "STOP", open: 4, accepted: 0, causes: 1 },
];

describe("flags", () => {
  it("adds up what is open", () => {
    expect(openOf(counts)).toBe(9);
    expect(openOf(counts, { severity: "STOP" })).toBe(7);
    expect(openOf(counts, { group: "UNLICENSED", severity: "STOP" })).toBe(3);
    expect(openOf([])).toBe(0);
  });

  it("calls only what may not be used unlicensed", () => {
    expect(headingOf({ kind: "NO_LICENSE", group: "UNLICENSED" })).toBe("Unlicensed");
    expect(headingOf({ kind: "LICENSE_ENDING", group: "UNLICENSED" })).toBe("Ends soon");
    expect(headingOf({ kind: "NO_PROOF", group: "UNLICENSED" })).toBe("No proof");
    expect(headingOf({ kind: null, group: "MISSING" })).toBe("Missing");
  });

  it("keeps its filter in the address and back, without what is usual", () => {
    const filter = filterOf(new URLSearchParams("group=MISSING&by=site&person=priya&state=accepted"));
    expect(paramsOf(filter)).toEqual({ group: "MISSING", by: "site", person: "priya", state: "accepted" });
    expect(paramsOf(filterOf(new URLSearchParams()))).toEqual({});
    expect(filterOf(new URLSearchParams(paramsOf(filter)))).toEqual(filter);
  });

  it("asks for what is inside an entry with the same filter", () => {
    const filter = filterOf(new URLSearchParams("severity=STOP&order=oldest"));
    expect(gatheredQuery(filter, 5)).toEqual({ by: "cause", state: "open", severity: "STOP", limit: 5 });
    expect(insideQuery(filter, { by: "CAUSE", key: "LICENSE_ENDED.k3" })).toEqual({
      state: "open",
      severity: "STOP",
      order: "oldest",
      cause: "LICENSE_ENDED.k3",
      limit: 50,
    });
    expect(insideQuery(filter, { by: "SITE", key: "s1" }).site).toEqual(["s1"]);
    expect(insideQuery(filter, { by: "PERSON", key: "priya" }).person).toBe("priya");
  });

  it("says how far a cause reaches, and what was decided", () => {
    expect(spread({ families: 212, sites: 1, count: 300 })).toBe("212 families");
    expect(spread({ families: 2, sites: 3, count: 6 })).toBe("2 families, 3 sites");
    expect(spread({ families: 1, sites: 1, count: 1 })).toBe("1 flag");
    expect(handed(2, "Priya")).toBe("Assigned 2 flags to Priya.");
    expect(handed(1, undefined)).toBe("Unassigned 1 flag.");
    expect(accepted("2030-05-01", "asked the vendor")).toMatch(/^Accepted until .*2030.*: asked the vendor$/);
  });

  it("are found by their record in the parts in which they were asked for, always as the same list", () => {
    const flag = (id: string, familyId: string) => ({ id, familyId }) as Flag;
    const first = { data: { items: [flag("1", "a"), flag("2", "b"), flag("3", "a")] }, isPending: false };
    const waiting = { isPending: true };
    const before = indexed([first, waiting], "familyId");
    expect(before.ready).toBe(true);
    expect(before.flagsOf("a").map(({ id }) => id)).toEqual(["1", "3"]);
    expect(before.flagsOf("c")).toEqual([]);
    const second = { data: { items: [flag("4", "c")] }, isPending: false };
    const after = indexed([first, second], "familyId");
    expect(after.flagsOf("c")).toHaveLength(1);
    expect(after.flagsOf("a")).toBe(before.flagsOf("a"));
    expect(after.flagsOf("none")).toBe(before.flagsOf("none"));
    expect(indexed([waiting], "familyId").ready).toBe(false);
    expect(indexed([], "familyId").ready).toBe(true);
  });

  it("leads to where each action is done", () => {
    const flag = { id: "flag1", licenseId: "l", familyId: "f", domain: "a.example" } as Flag;
    const way = (action: Flag["action"], change = {}) => wayOf({ ...flag, action, ...change })[1];
    expect(way("RECORD_LICENSE")).toBe("/licenses/new?family=f");
    expect(way("PERMIT_DOMAIN")).toBe("/licenses/l/terms?domain=a.example#domains");
    expect(way("ASK_VENDOR")).toBe("/licenses/l/terms#ask");
    expect(way("ASK_VENDOR", { licenseId: "" })).toBe("/families/f/facts");
    expect(way("RENEW_LICENSE")).toBe("/licenses/l/terms#dates");
    expect(way("ATTACH_AGREEMENT")).toBe("/licenses/l/terms#agreement");
    expect(way("SETTLE_DUPLICATE")).toBe("/families/duplicates");
    expect(way("ADD_FILES")).toBe("/intake?flag=flag1");
    expect(way("EDIT_LICENSE")).toBe("/licenses/l/terms");
  });
});

describe("the leaves of a site", () => {
  it("sends flags to the leaf where they are mended", () => {
    const at = (kind: Parameters<typeof placeOnSite>[0]["kind"], action = "ADD_FILES" as const) =>
      placeOnSite({ kind, action });
    expect(
      ["FACE_NOT_HELD", "LANGUAGE_NOT_COVERED", "OVER_BUDGET"].map((kind) => at(kind as "FACE_NOT_HELD")),
    ).toEqual(["type", "type", "type"]);
    expect(at("PACK_DUE")).toBe("pack");
    expect(at("NO_LICENSE")).toBe("asked");
    expect(at("FOUND_NOT_ALLOWED")).toBe("pages");
  });
});
