import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { CoverageTable, Crossed, Explained, LicenseDraft } from "../../shared/api/types";
import { network } from "../../testing/network";
import { open } from "../../testing/render";
import { license } from "../../testing/samples";
import { blocksOf } from "./blocks";
import { waysOf } from "./CrossingNote";
import { step } from "./walk";
import { cellInWords } from "./words";

const cell = (siteId: string, verdict: Crossed["verdict"], asked = false): Crossed => ({
  siteId,
  verdict,
  asked,
  licenseId: null,
  partly: false,
});

const explained = (change: Partial<Explained> = {}): Explained => ({
  familyId: "f1",
  familyName: "Ostrel",
  siteId: "s1",
  siteName: "Fernway",
  verdict: "REFUSED",
  faces: [],
  lacking: [],
  licenses: [],
  extensible: [],
  ...change,
});

const says = (point: "ENDS" | "DOMAIN" | "WEB_USE", verdict: "REFUSED" | "NOT_STATED") => ({
  licenseId: "l1",
  licenseName: "Ostrel web",
  verdict,
  reasons: [{ point, verdict, text: "why" }],
  partly: false,
});

describe("walking the table", () => {
  const size = { rows: 30, columns: 5 };
  const names = ["Ostrel", "Penmarrow", "Osier"];
  const name = (row: number) => names[row];
  it.each([
    ["ArrowUp", { row: 0, column: 2 }, { row: 0, column: 2 }],
    ["ArrowDown", { row: 0, column: 2 }, { row: 1, column: 2 }],
    ["ArrowLeft", { row: 1, column: 0 }, { row: 1, column: 0 }],
    ["ArrowRight", { row: 1, column: 3 }, { row: 1, column: 4 }],
    ["ArrowRight", { row: 1, column: 4 }, { row: 1, column: 4 }],
    ["PageDown", { row: 25, column: 1 }, { row: 29, column: 1 }],
    ["PageUp", { row: 5, column: 1 }, { row: 0, column: 1 }],
    ["Home", { row: 3, column: 4 }, { row: 3, column: 0 }],
    ["End", { row: 3, column: 1 }, { row: 3, column: 4 }],
    ["o", { row: 0, column: 1 }, { row: 2, column: 1 }],
    ["O", { row: 2, column: 1 }, { row: 0, column: 1 }],
  ])("%s from %o leads to %o", (key, from, to) => {
    expect(step(key, from, size, name)).toEqual(to);
  });

  it("leaves other keys, and letters that begin no family, alone", () => {
    expect(step("x", { row: 0, column: 0 }, size, name)).toBeNull();
    expect(step("Tab", { row: 0, column: 0 }, size, name)).toBeNull();
    expect(step("/", { row: 0, column: 0 }, size, name)).toBeNull();
  });

  it("reads only the blocks that are in view", () => {
    expect(blocksOf(0, 39)).toEqual([0]);
    expect(blocksOf(39, 40)).toEqual([0, 1]);
    expect(blocksOf(80, 119)).toEqual([2]);
    expect(blocksOf(0, -1)).toEqual([0]);
  });
});

describe("what can be done about a crossing", () => {
  const to = (crossing: Explained) => waysOf(crossing).map((way) => way.to);
  it("is nothing where it is allowed", () => {
    expect(to(explained({ verdict: "ALLOWED", faces: ["Bold"] }))).toEqual([]);
  });

  it("is recording a license, and changing the face where one is asked for", () => {
    expect(to(explained())).toEqual(["/licenses/new?family=f1"]);
    expect(to(explained({ faces: ["Bold"] }))).toEqual(["/licenses/new?family=f1", "/sites/s1"]);
  });

  it("is naming the domain, renewing, or asking, as the license says", () => {
    expect(to(explained({ licenses: [says("DOMAIN", "REFUSED")], lacking: ["fernway.example"] }))).toEqual([
      "/licenses/l1/terms?domain=fernway.example#domains",
      "/licenses/new?family=f1",
    ]);
    expect(to(explained({ licenses: [says("ENDS", "REFUSED")] }))).toContain("/licenses/l1/terms#dates");
    expect(to(explained({ verdict: "NOT_STATED", licenses: [says("WEB_USE", "NOT_STATED")] }))).toEqual([
      "/licenses/l1/terms#ask",
    ]);
  });
});

describe("the coverage page", () => {
  it("says every crossing in words, narrows by its address, and explains what the keys walk to", async () => {
    const asked: string[] = [];
    const table: CoverageTable = {
      sites: [
        { id: "s1", name: "Fernway", clientId: "c1", clientName: "Fernway" },
        { id: "s2", name: "Marlpit", clientId: "c2", clientName: "Marlpit" },
      ],
      nextSites: null,
      items: [
        {
          familyId: "f1",
          familyName: "Ostrel",
          crossings: [cell("s1", "REFUSED", true), cell("s2", "ALLOWED")],
        },
        {
          familyId: "f2",
          familyName: "Penmarrow",
          crossings: [cell("s1", "NOT_STATED"), cell("s2", "ALLOWED", true)],
        },
      ],
      next: null,
    };
    network.use(
      http.get("*/api/clients", () => HttpResponse.json({ items: [], next: null })),
      http.get("*/api/coverage/size", () => HttpResponse.json({ families: 2, sites: 2 })),
      http.get("*/api/coverage", ({ request }) => {
        asked.push(new URL(request.url).searchParams.toString());
        return HttpResponse.json(table);
      }),
      http.get("*/api/coverage/:family/:site", ({ params }) =>
        HttpResponse.json(explained({ familyName: String(params.family), siteName: String(params.site) })),
      ),
    );
    const { user, router } = await open("/licenses/coverage", "Coverage");
    const grid = await screen.findByRole("grid", { name: "Coverage" });
    expect(grid).toHaveAttribute("aria-rowcount", "3");
    expect(cellInWords("Ostrel", "Fernway", table.items[0]!.crossings[0])).toBe(
      "Ostrel on Fernway: refused, in use",
    );
    await waitFor(() => expect(asked.length).toBeGreaterThan(0));
    grid.focus();
    await user.keyboard("{ArrowDown}{ArrowRight}");
    const note = (await screen.findByText("No license covers it.")).parentElement!;
    expect(within(note).getByRole("link", { name: "f2" })).toHaveAttribute("href", "/families/f2");
    expect(within(note).getByRole("link", { name: "s2" })).toHaveAttribute("href", "/sites/s2");
    await user.click(screen.getByRole("checkbox", { name: "in use only" }));
    await waitFor(() => expect(router.state.location.search).toBe("?used=true"));
    await waitFor(() => expect(asked.at(-1)).toContain("used=true"));
  });

  it("extends a license only with who agreed, when and the proof", async () => {
    let sent: LicenseDraft | undefined;
    const crossing = explained({
      extensible: [
        { licenseId: "l1", licenseName: "Ostrel web license", family: false, domains: ["a.example"] },
      ],
    });
    network.use(
      http.get("*/api/clients", () => HttpResponse.json({ items: [], next: null })),
      http.get("*/api/coverage/size", () => HttpResponse.json({ families: 1, sites: 1 })),
      http.get("*/api/coverage", () =>
        HttpResponse.json({
          sites: [{ id: "s1", name: "Fernway", clientId: "c1", clientName: "Fernway" }],
          nextSites: null,
          items: [{ familyId: "f1", familyName: "Ostrel", crossings: [cell("s1", "REFUSED", true)] }],
          next: null,
        }),
      ),
      http.get("*/api/coverage/:family/:site", () => HttpResponse.json(crossing)),
      http.get("*/api/licenses/l1", () => HttpResponse.json(license({}, { notes: "Before." }))),
      http.put("*/api/licenses/l1", async ({ request }) => {
        sent = (await request.json()) as LicenseDraft;
        return HttpResponse.json(license({ version: 6 }, sent));
      }),
    );
    const { user } = await open("/licenses/coverage", "Coverage");
    (await screen.findByRole("grid", { name: "Coverage" })).focus();
    await user.keyboard("{ArrowRight}");
    await user.click(await screen.findByRole("button", { name: "Extend a license …" }));
    const dialog = await screen.findByRole("dialog");
    const record = within(dialog).getByRole("button", { name: "Extend" });
    expect(record).toBeDisabled();
    await user.type(within(dialog).getByLabelText("Who at the vendor agreed"), "Ana Reyes");
    expect(record).toBeDisabled();
    await user.type(within(dialog).getByLabelText("What shows it"), "her mail");
    await user.click(record);
    expect(await screen.findByText("Extended “Ostrel web license”.")).toBeInTheDocument();
    expect(sent).toMatchObject({ domains: ["a.example"], confirmedBy: "Ana Reyes" });
    expect(sent?.notes).toContain("Before.\nAna Reyes agreed to a.example on");
  });
});
