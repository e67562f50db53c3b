import { act, screen, waitFor, within } from "@testing-library/react";
import { delay, http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Pack } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { client, headings, recorded } from "../testing/recordedSite";
import { open } from "../testing/render";
import { flag, site } from "../testing/samples";

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

describe("a site", () => {
  it("says that a pack is out of date and why, and makes a new one", async () => {
    const state = recorded();
    state.packs = [pack({ changedSince: ["Ostrel web license ended on Nov 20, 2026"] })];
    network.use(
      http.post("*/api/sites/s1/packs/making", () => {
        // The list is not read again before this test ends.
        network.use(http.get("*/api/sites/s1/packs", () => delay("infinite")));
        state.making = { ...state.making, running: true };
        return HttpResponse.json(state.making, { status: 202 });
      }),
      http.get("*/api/packs/p2", () => HttpResponse.json(pack({ id: "p2" }))),
    );
    const { user } = await open("/sites/s1", "Fernway");
    expect(await screen.findByText("This pack is out of date.")).toBeInTheDocument();
    expect(screen.getByText(/Ostrel web license ended on Nov 20, 2026/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Make a new pack" }));
    expect(screen.getByRole("button", { name: "Making …" })).toBeDisabled();
    state.making = { ...state.making, done: 3, total: 8 };
    expect(await screen.findByText("3 of 8 faces made.")).toBeInTheDocument();
    state.making = { ...state.making, running: false, packId: "p2" };
    expect(await screen.findByText("Made a pack of 23 kB.")).toBeInTheDocument();
    expect(screen.queryByText("This pack is out of date.")).toBeNull();
    expect(screen.getByRole("link", { name: "Download the pack" })).toHaveAttribute(
      "href",
      "/api/packs/p2.zip",
    );
  });

  it("shows a pack that is being made as it is opened, and says why none was made", async () => {
    const state = recorded();
    state.making = { ...state.making, running: true, done: 1, total: 2 };
    await open("/sites/s1", "Fernway");
    expect(await screen.findByText("1 of 2 faces made.")).toBeInTheDocument();
    state.making = { ...state.making, running: false, failure: "Nothing may go into a pack for Fernway." };
    expect(await screen.findByText("Nothing may go into a pack for Fernway.")).toBeInTheDocument();
    expect(screen.queryByText("1 of 2 faces made.")).toBeNull();
    expect(screen.getByRole("button", { name: "Make a pack" })).toBeEnabled();
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
      expect(sent).toEqual([
        { step: "Let in woff2", done: true },
        { step: "Take it back", done: false },
      ]),
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
      http.post("*/api/sites/s1/packs/making", async ({ request }) => {
        reasons.push(await request.json());
        state.packs = [pack({ id: "p2", anyway: "agreed by phone" }), pack()];
        state.making = { ...state.making, packId: "p2" };
        return HttpResponse.json({ ...state.making, running: true }, { status: 202 });
      }),
      http.get("*/api/packs/p2", () => HttpResponse.json(state.packs[0])),
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
    await user.click(await screen.findByText(/^Ostrel Bold isn’t allowed here/));
    await user.click(screen.getByRole("button", { name: "Make it anyway" }));
    expect(await screen.findByText("Say why it’s made anyway.")).toBeInTheDocument();
    expect(reasons).toEqual([]);
    await user.type(screen.getByLabelText("Why"), "agreed by phone");
    await user.click(screen.getByRole("button", { name: "Make it anyway" }));
    expect(
      await screen.findByText("Made with faces that aren’t allowed, because: agreed by phone"),
    ).toBeInTheDocument();
    expect(reasons).toEqual([{ reason: "agreed by phone" }]);
    await user.click(screen.getAllByText("What changed")[0]!);
    expect(await screen.findByText("new, 12 kB")).toBeInTheDocument();
    expect(screen.getByText("+ h1 { font-weight: 700 }")).toBeInTheDocument();
    expect(screen.getByText("Earlier packs")).toBeInTheDocument();
  });

  it("has the values that a host’s form asks for, each copied by a press", async () => {
    const state = recorded();
    state.packs = [pack()];
    network.use(
      http.get("*/api/packs/p1/files", () =>
        HttpResponse.json({
          items: [
            {
              file: "fonts/ostrel-bold.woff2",
              family: "Ostrel",
              weight: "700",
              weightName: "Bold",
              slope: "upright",
              format: "woff2",
              label: "Ostrel Bold",
              fallback: "sans-serif",
              bytes: 11_000,
              sha256: "ab",
            },
          ],
          next: null,
        }),
      ),
    );
    const { user } = await open("/sites/s1", "Fernway");
    await user.click(await screen.findByText("Values to fill in on the host"));
    await user.click(await screen.findByRole("button", { name: "Copy Label: Ostrel Bold" }));
    await waitFor(async () => expect(await navigator.clipboard.readText()).toBe("Ostrel Bold"));
    const done = screen.getByRole("checkbox", { name: "Done: fonts/ostrel-bold.woff2" });
    await user.click(done);
    expect(done).toBeChecked();
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
    await waitFor(() => expect(router.state.location.pathname).toBe("/sites/s1/type"));
    expect(clients.map((one) => one.name)).toEqual(["Fernway Physiotherapy", "Harbor & Rye"]);
  });

  it("lets a reader look and change nothing", async () => {
    recorded(headings);
    network.use(
      http.get("*/api/session", () =>
        HttpResponse.json({ name: "wen", displayName: "Wen", level: "READER", sessions: 1 }),
      ),
    );
    const { router } = await open("/sites/s1/details", "Fernway");
    expect(await screen.findByRole("button", { name: "Save" })).toBeDisabled();
    for (const [place, shown] of [
      ["", "No pack yet. It will contain the faces that are held and allowed on every domain."],
      ["/type", "Headings"],
      ["/details", "Name and domains"],
    ] as const) {
      await act(() => router.navigate(`/sites/s1${place}`));
      await screen.findAllByText(shown);
      for (const name of ["Delete the site", "Add a text role", "Make a pack"]) {
        expect(screen.queryByRole("button", { name })).toBeNull();
      }
    }
  });

  it("has its flags counted alike on whichever leaf one is", async () => {
    recorded(headings);
    const flags = [flag(), flag({ id: "1", kind: "FACE_NOT_HELD", action: "ADD_FILES" })];
    network.use(http.get("*/api/flags", () => HttpResponse.json({ items: flags, next: null })));
    const { router } = await open("/sites/s1", "Fernway");
    for (const place of ["", "/type", "/css", "/details"]) {
      await act(() => router.navigate(`/sites/s1${place}`));
      const leaves = await screen.findByRole("navigation", { name: "Leaves of this site" });
      expect(await within(leaves).findByRole("link", { name: "Overview 1 flag" })).toBeInTheDocument();
      expect(within(leaves).getByRole("link", { name: "Type 1 flag" })).toBeInTheDocument();
      expect(within(leaves).getByRole("link", { name: "Pages" })).toBeInTheDocument();
    }
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
    const { user } = await open("/sites/s1/details", "Fernway");
    await user.click(screen.getByRole("button", { name: "Delete the site" }));
    const question = await screen.findByRole("dialog", { name: "Delete Fernway?" });
    expect(question).toHaveTextContent("Its text role and its packs go with it.");
    await user.click(within(question).getByRole("button", { name: "Delete" }));
    expect(await screen.findByText("Deleted Fernway.")).toBeInTheDocument();
    expect(version).toBe(`"${state.site.version}"`);
  });
});
