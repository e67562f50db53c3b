import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Pack, Site, SiteDraft } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, file, role, site } from "../testing/samples";

const client = { id: "c1", version: 0, name: "Fernway Physiotherapy" };
const bold = file({
  id: "file2",
  format: "woff2",
  bytes: 12_000,
  slot: { ...staticSlot(700, "upright"), label: "Bold" },
});
const regular = file({ format: "woff2", bytes: 11_000 });

function pack(change: Partial<Pack> = {}): Pack {
  return {
    id: "p1",
    siteId: "s1",
    madeAt: "2026-11-01T09:00:00Z",
    madeBy: "priya",
    sha256: "d".repeat(64),
    bytes: 23_000,
    contents: [{ path: "fonts/ostrel-400.woff2", bytes: 11_000, leftOut: false }],
    changedSince: [],
    placedOn: null,
    anyway: null,
    checklist: [],
    ...change,
  };
}

/** A site on the mocked network, kept as it is saved. */
function recorded(start = site()) {
  const state = { site: start, saved: 0, packs: [] as Pack[] };
  network.use(
    http.get("*/api/clients", () => HttpResponse.json({ items: [client], next: null })),
    http.get("*/api/sites/s1", () => HttpResponse.json(state.site)),
    http.get("*/api/sites/s1/comparison", () => HttpResponse.json([])),
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

const headings = site({
  roles: [role("HEADINGS", "f1", [regular.slot])],
  familyNames: { f1: "Ostrel" },
});

describe("a site", () => {
  it("picks faces on the grid with bytes adding up, and takes them off again", async () => {
    const state = recorded(headings);
    const { user } = await open("/sites/s1", "Fernway");
    expect(await screen.findByText(/^1 to send, 11 kB; 0\.1 s/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: /^Bold: held as WOFF2/ }));
    expect(await screen.findByText(/^2 to send, 23 kB; 0\.1 s/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: /^Regular: held as WOFF2/ }));
    expect(await screen.findByText(/^1 to send, 12 kB/)).toBeInTheDocument();
    await user.dblClick(screen.getByRole("button", { name: "Save the faces" }));
    await waitFor(() => expect(state.site.roles[0]!.faces.map((face) => face.weight)).toEqual([700]));
    expect(state.saved).toBe(1);
  });

  it("walks its grid by arrow keys, with one Tab stop", async () => {
    recorded(headings);
    const { user } = await open("/sites/s1", "Fernway");
    const first = await screen.findByRole("button", { name: /^Regular: held/ });
    const second = screen.getByRole("button", { name: /^Bold: held/ });
    await waitFor(() => expect([first.tabIndex, second.tabIndex].sort()).toEqual([-1, 0]));
    first.focus();
    await user.keyboard("{ArrowRight}");
    expect(second).toHaveFocus();
    expect(first.tabIndex).toBe(-1);
    await user.keyboard("{ArrowRight}");
    expect(second).toHaveFocus();
    await user.keyboard("{Home}");
    expect(first).toHaveFocus();
  });

  it("keeps typed domains while faces are saved, and the other way round", async () => {
    const state = recorded(headings);
    const { user } = await open("/sites/s1", "Fernway");
    await user.click(screen.getByRole("combobox", { name: "Domains" }));
    await user.paste("www.fernway.example");
    await user.tab();
    await user.click(await screen.findByRole("button", { name: /^Bold: held/ }));
    await user.click(screen.getByRole("button", { name: "Save the faces" }));
    await screen.findByText("Saved.");
    expect(screen.getByRole("button", { name: "www.fernway.example" })).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.site.domains).toEqual(["fernway.example", "www.fernway.example"]));
    expect(state.site.roles[0]!.faces).toHaveLength(2);
  });

  it("says that a pack is out of date and why, and makes a new one", async () => {
    const state = recorded();
    state.packs = [pack({ changedSince: ["Ostrel web license ended on Nov 20, 2026"] })];
    network.use(
      http.post("*/api/sites/s1/packs", () => {
        state.packs = [pack({ id: "p2" })];
        return HttpResponse.json(state.packs[0], { status: 201 });
      }),
    );
    const { user } = await open("/sites/s1", "Fernway");
    expect(await screen.findByText("This pack is out of date.")).toBeInTheDocument();
    expect(screen.getByText(/Ostrel web license ended on Nov 20, 2026/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Make a new pack" }));
    expect(await screen.findByText("Made a pack of 23 kB.")).toBeInTheDocument();
    await waitFor(() => expect(screen.queryByText("This pack is out of date.")).toBeNull());
    expect(screen.getByRole("link", { name: "Download the pack" })).toHaveAttribute(
      "href",
      "/api/packs/p2.zip",
    );
  });

  it("ticks what the host needs by hand", async () => {
    const state = recorded(headings);
    const first = { what: "Let in woff2", done: false };
    state.packs = [pack({ checklist: [first, { what: "Take it back", done: true }] })];
    const sent: unknown[] = [];
    network.use(
      http.put("*/api/packs/p1/checklist", async ({ request }) => {
        sent.push(await request.json());
        state.packs = [
          pack({
            checklist: [
              { ...first, done: true },
              { what: "Take it back", done: true },
            ],
          }),
        ];
        return HttpResponse.json(state.packs[0]);
      }),
    );
    const { user } = await open("/sites/s1", "Fernway");
    await user.click(await screen.findByRole("checkbox", { name: "Let in woff2" }));
    await waitFor(() => expect(screen.getByRole("checkbox", { name: "Let in woff2" })).toBeChecked());
    await waitFor(() => expect(screen.getByRole("checkbox", { name: "Take it back" })).toBeEnabled());
    await user.click(screen.getByRole("checkbox", { name: "Take it back" }));
    await waitFor(() =>
      expect(sent).toEqual([{ done: ["Take it back", "Let in woff2"] }, { done: ["Let in woff2"] }]),
    );
  });

  it("makes a pack with what is not allowed, for a reason, and shows what it changed", async () => {
    const state = recorded(headings);
    const slot = { ...staticSlot(700, "upright"), label: "Bold" };
    const reasons: unknown[] = [];
    network.use(
      http.get("*/api/sites/s1/comparison", () =>
        HttpResponse.json([
          {
            role: "HEADINGS",
            familyId: "f1",
            familyName: "Ostrel",
            slot,
            held: [{ fileId: "x", fileName: "o.ttf", sha256: "d", format: "ttf", slot, madeHere: false }],
            withoutIt: "",
            verdict: "REFUSED",
            domains: [],
          },
        ]),
      ),
      http.post("*/api/sites/s1/packs", async ({ request }) => {
        reasons.push(await request.json());
        state.packs = [pack({ id: "p2", anyway: "agreed by phone" }), pack()];
        return HttpResponse.json(state.packs[0], { status: 201 });
      }),
      http.get("*/api/packs/p2/changes", () =>
        HttpResponse.json({
          since: "2026-11-01T09:00:00Z",
          changed: {
            files: [{ path: "fonts/o.woff2", before: 0, after: 12_000 }],
            came: ["h1 { font-weight: 700 }"],
            went: [],
          },
        }),
      ),
    );
    const { user } = await open("/sites/s1", "Fernway");
    await user.click(await screen.findByText(/^Ostrel Bold is not allowed here/));
    await user.click(screen.getByRole("button", { name: "Make it with them" }));
    expect(await screen.findByText("Say why it is made all the same.")).toBeInTheDocument();
    expect(reasons).toEqual([]);
    await user.type(screen.getByLabelText("Why"), "agreed by phone");
    await user.click(screen.getByRole("button", { name: "Make it with them" }));
    expect(
      await screen.findByText("Made with what is not allowed, because: agreed by phone"),
    ).toBeInTheDocument();
    expect(reasons).toEqual([{ reason: "agreed by phone" }]);
    await user.click(screen.getAllByText("What it changed")[0]!);
    expect(await screen.findByText("new, 12 kB")).toBeInTheDocument();
    expect(screen.getByText("+ h1 { font-weight: 700 }")).toBeInTheDocument();
    expect(screen.getByText("Earlier packs")).toBeInTheDocument();
  });

  it("does not say that no pack was made while it does not know", async () => {
    recorded();
    network.use(http.get("*/api/sites/s1/packs", () => problem(500, "The list of packs broke.")));
    await open("/sites/s1", "Fernway");
    expect(await screen.findByText("The list of packs broke.")).toBeInTheDocument();
    expect(screen.queryByText(/None made yet/)).toBeNull();
  });

  it("adds one client however often a refused site is tried again", async () => {
    recorded();
    const clients = [client];
    let tries = 0;
    network.use(
      http.get("*/api/clients", () => HttpResponse.json({ items: clients, next: null })),
      http.post("*/api/clients", async ({ request }) => {
        const { name } = (await request.json()) as { name: string };
        const added = { id: `c${clients.length + 1}`, version: 0, name };
        clients.push(added);
        return HttpResponse.json(added, { status: 201 });
      }),
      http.post("*/api/sites", () => {
        tries++;
        return tries === 1 ? problem(422, "“a b” is no domain.") : HttpResponse.json(site(), { status: 201 });
      }),
    );
    const { user, router } = await open("/sites/new", "Add a site");
    await user.type(await screen.findByLabelText("Client"), "Harbor & Rye");
    await user.type(screen.getByLabelText("Name"), "Harbor");
    await user.click(screen.getByRole("button", { name: "Add the site" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("“a b” is no domain.");
    expect(screen.getByLabelText("Name")).toHaveValue("Harbor");
    await user.click(screen.getByRole("button", { name: "Add the site" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/sites/s1"));
    expect(clients.map((one) => one.name)).toEqual(["Fernway Physiotherapy", "Harbor & Rye"]);
  });

  it("lets a reader look and change nothing", async () => {
    recorded(headings);
    network.use(
      http.get("*/api/session", () =>
        HttpResponse.json({ name: "wen", displayName: "Wen", level: "READER", sessions: 1 }),
      ),
    );
    await open("/sites/s1", "Fernway");
    await screen.findByText(/^1 to send/);
    for (const name of ["Delete the site", "Add a text role", "Make a pack"]) {
      expect(screen.queryByRole("button", { name })).toBeNull();
    }
    expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
  });

  it("asks before it is deleted, naming what goes with it", async () => {
    const state = recorded(headings);
    let version: string | null = null;
    network.use(
      http.delete("*/api/sites/s1", ({ request }) => {
        version = request.headers.get("If-Match");
        return HttpResponse.json({ historyId: "h1" });
      }),
    );
    const { user } = await open("/sites/s1", "Fernway");
    await user.click(screen.getByRole("button", { name: "Delete the site" }));
    const question = await screen.findByRole("dialog", { name: "Delete Fernway?" });
    expect(question).toHaveTextContent("Its text role and its packs go with it.");
    await user.click(within(question).getByRole("button", { name: "Delete" }));
    expect(await screen.findByText("Deleted Fernway.")).toBeInTheDocument();
    expect(version).toBe(`"${state.site.version}"`);
  });
});
