import { screen } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { file } from "../testing/samples";
import { comparable } from "./arrivals";

const same = {
  likeness: 1,
  sameDrawing: true,
  facts: [],
  lost: "",
  lostCount: 0,
  added: "",
  addedCount: 0,
  changed: [],
  changedCount: 0,
  kerning: [],
  kerningCount: 0,
  featuresLost: [],
  featuresAdded: [],
};

describe("what arrives, compared with what is held", () => {
  it("is offered where a verdict speaks of a held file", () => {
    expect(comparable("NEWER_VERSION")).toBe(true);
    expect(comparable("CLASH")).toBe(true);
    expect(comparable("NEW_FAMILY")).toBe(false);
    expect(comparable("SAME_BYTES")).toBe(false);
  });

  it("names the held file and answers in one sentence", async () => {
    network.use(
      http.get("*/api/intakes/i1/items/r1/compare", () =>
        HttpResponse.json({
          familyId: "f1",
          family: "Ostrel",
          held: file(),
          difference: { ...same, facts: [{ what: "version", one: "1.0", other: "2.0" }] },
        }),
      ),
    );
    await open("/intake/i1/compare/r1", "Arriving file, compared");
    expect(await screen.findByText("Same outlines; only their metadata differs.")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Ostrel Regular" })).toHaveAttribute(
      "href",
      "/families/f1/files",
    );
    expect(screen.getByRole("row", { name: "version 1.0 2.0" })).toBeInTheDocument();
    expect(screen.getByRole("columnheader", { name: "arriving" })).toBeInTheDocument();
  });

  it("says so when nothing is held to compare with", async () => {
    network.use(
      http.get("*/api/intakes/i1/items/r1/compare", () =>
        problem(409, "Nothing is held yet to compare this file with."),
      ),
    );
    await open("/intake/i1/compare/r1", "Arriving file, compared");
    expect(await screen.findByText("Nothing is held yet to compare this file with.")).toBeInTheDocument();
  });
});
