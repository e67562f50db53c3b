import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { delay, http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { editor, network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, license } from "../testing/samples";

describe("the frame", () => {
  it("asks to sign in when nobody is, says a wrong password, and goes on where it was asked", async () => {
    let known = false;
    network.use(
      http.get("*/api/session", () => (known ? HttpResponse.json(editor) : problem(401, "Sign in first."))),
      http.post("*/api/session", async ({ request }) => {
        const { password } = (await request.json()) as { password: string };
        known = password === "right";
        return known ? new HttpResponse(null, { status: 204 }) : problem(401, "Name or password is wrong.");
      }),
    );
    const { user } = await open("/families");
    await user.type(await screen.findByLabelText("Name"), "priya");
    await user.type(screen.getByLabelText("Password"), "wrong");
    await user.click(screen.getByRole("button", { name: "Sign in" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Name or password is wrong.");
    await user.clear(screen.getByLabelText("Password"));
    await user.type(screen.getByLabelText("Password"), "right");
    await user.click(screen.getByRole("button", { name: "Sign in" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Families" })).toBeInTheDocument();
  });

  it("tells a server that does not answer from nobody being signed in", async () => {
    network.use(http.get("*/api/session", () => HttpResponse.error()));
    await open("/");
    expect(await screen.findByRole("alert")).toHaveTextContent("The server isn’t responding");
    expect(screen.queryByLabelText("Password")).not.toBeInTheDocument();
    network.use(http.get("*/api/session", () => HttpResponse.json(editor)));
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByRole("navigation", { name: "Places" })).toBeInTheDocument();
  });

  it("signs in again over the page when the session has ended, and keeps what is typed", async () => {
    network.use(
      http.get("*/api/licenses/l1", () => HttpResponse.json(license())),
      http.put("*/api/licenses/l1", () => problem(401, "Sign in first.")),
      http.post("*/api/session", () => new HttpResponse(null, { status: 204 })),
    );
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    const vendor = screen.getByLabelText("Vendor");
    await user.clear(vendor);
    await user.type(vendor, "Another Foundry");
    await user.click(screen.getByRole("button", { name: "Save" }));
    const dialog = await screen.findByRole("dialog", { name: "Your session has ended" });
    expect(within(dialog).getByLabelText("Name")).toHaveValue("priya");
    network.use(
      http.put("*/api/licenses/l1", async ({ request }) =>
        HttpResponse.json(license({ version: 6 }, (await request.json()) as object)),
      ),
    );
    await user.type(within(dialog).getByLabelText("Password"), "long enough");
    await user.click(within(dialog).getByRole("button", { name: "Sign in" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).not.toBeInTheDocument());
    expect(screen.getByLabelText("Vendor")).toHaveValue("Another Foundry");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("Saved.")).toBeInTheDocument();
  });

  it("says over the page that the server is away, and asks again when it is back", async () => {
    const { client } = await open("/families", "Families");
    let asked = 0;
    network.use(
      http.get("*/api/families", () => HttpResponse.error()),
      http.get("*/api/health", () => {
        asked++;
        return asked < 2 ? HttpResponse.error() : HttpResponse.json({ status: "ready" });
      }),
    );
    await client.invalidateQueries({ queryKey: ["/api/families"] });
    expect(
      await screen.findByText(/The server isn’t responding\. Nothing on this page is lost/),
    ).toBeVisible();
    network.use(http.get("*/api/families", () => HttpResponse.json({ items: [family()], next: null })));
    await waitFor(() => expect(screen.queryByText(/it is asked again every few seconds/)).toBeNull(), {
      timeout: 10_000,
    });
  });

  it("keeps the rail when a page breaks, and says so", async () => {
    network.use(http.get("*/api/families/f1", () => HttpResponse.json({ id: "f1", name: "Broken" })));
    await open("/families/f1", "Couldn’t load this page");
    expect(screen.getByRole("navigation", { name: "Places" })).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Try again" })).toBeInTheDocument();
  });

  it("knows no page at an address that leads nowhere", async () => {
    await open("/nowhere/at/all", "Page not found");
    expect(screen.getByRole("link", { name: "Go to Today" })).toHaveAttribute("href", "/");
  });

  it("goes to places by two keys, lists keys and signs, and can be told not to", async () => {
    const { user, router } = await open("/families", "Families");
    await user.keyboard("gs");
    await waitFor(() => expect(router.state.location.pathname).toBe("/sites"));
    const heading = await screen.findByRole("heading", { level: 1, name: "Sites" });
    await waitFor(() => expect(heading).toHaveFocus());
    await user.keyboard("?");
    const dialog = await screen.findByRole("dialog", { name: "Shortcuts and symbols" });
    for (const word of ["Unlicensed", "Missing", "Duplicate", "allowed", "refused"]) {
      expect(within(dialog).getAllByText(new RegExp(word)).length).toBeGreaterThan(0);
    }
    expect(within(dialog).getByText(/one drop of files under review/)).toBeInTheDocument();
    await user.keyboard("gl");
    expect(router.state.location.pathname).toBe("/sites");
    await user.click(within(dialog).getByRole("button", { name: "Close" }));
    await user.click(screen.getByRole("link", { name: "Priya Nair" }));
    await user.click(await screen.findByRole("button", { name: "Off" }));
    await user.click(screen.getByRole("heading", { level: 1 }));
    await user.keyboard("gl");
    expect(router.state.location.pathname).toBe("/settings");
  });

  it("leaves keys to the field they are typed into", async () => {
    const { user, router } = await open("/families", "Families");
    await user.type(screen.getByLabelText("Filter by name"), "gs?");
    expect(router.state.location.pathname).toBe("/families");
    expect(screen.getByLabelText("Filter by name")).toHaveValue("gs?");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("keeps the page when a file is dropped beside every drop area", async () => {
    await open("/families", "Families");
    const drop = new Event("drop", { bubbles: true, cancelable: true });
    Object.assign(drop, { dataTransfer: { types: ["Files"], files: [] } });
    fireEvent(screen.getByRole("main"), drop);
    expect(drop.defaultPrevented).toBe(true);
    expect(await screen.findByText(/Drop files on Intake/)).toBeInTheDocument();
  });

  it("finds what is held by its name, waits until typing rests, and leads there", async () => {
    const asked: string[] = [];
    network.use(
      http.get("*/api/search", ({ request }) => {
        asked.push(new URL(request.url).searchParams.get("q") ?? "");
        const hit = {
          type: "FAMILY",
          id: "f1",
          name: "Ostrel Black",
          face: "900-100-upright",
          detail: "12 files",
        };
        return HttpResponse.json({ held: true, hits: [hit] });
      }),
      http.get("*/api/families/f1", () => HttpResponse.json(family())),
    );
    const { user, router } = await open("/families", "Families");
    await user.type(await screen.findByRole("combobox", { name: "Search" }), "ostrel");
    await waitFor(() => expect(asked.at(-1)).toBe("ostrel"));
    await user.click(await screen.findByRole("option", { name: /Ostrel/ }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/families/f1"));
    expect(router.state.location.search).toBe("?face=900-100-upright");
    expect(asked.length).toBeLessThan("ostrel".length);
  });

  it("opens by Enter what was found for the words as they are, and never a hit of the words before", async () => {
    network.use(
      http.get("*/api/search", async ({ request }) => {
        const q = new URL(request.url).searchParams.get("q") ?? "";
        await delay(q === "ost" ? 0 : 300);
        const [id, name] = q === "ost" ? ["f9", "Ostend"] : ["f1", "Ostrel"];
        return HttpResponse.json({ held: true, hits: [{ type: "FAMILY", id, name, face: "", detail: "" }] });
      }),
      http.get("*/api/families/f1", () => HttpResponse.json(family())),
    );
    const { user, router } = await open("/families", "Families");
    const search = await screen.findByRole("combobox", { name: "Search" });
    await user.type(search, "ost");
    await screen.findByRole("option", { name: /Ostend/ });
    await user.type(search, "rel{Enter}");
    await waitFor(() => expect(router.state.location.pathname).toBe("/families/f1"), { timeout: 5000 });
  });

  it("says that a name is not held, with the nearest that are", async () => {
    const hits = [
      { type: "FAMILY", id: "f1", name: "EB Garamond", face: "", detail: "4 files; no license" },
      { type: "SITE", id: "s1", name: "Garmond & Sons", face: "", detail: "for Garmond" },
    ];
    network.use(http.get("*/api/search", () => HttpResponse.json({ held: false, hits })));
    const { user } = await open("/families", "Families");
    await user.type(await screen.findByRole("combobox", { name: "Search" }), "gramond type");
    // The options of an answer to half the words give way to those of the last answer: wait for what it says.
    const said = await screen.findAllByText(
      "Not in the inventory: “gramond type”. The nearest ones that are:",
    );
    expect(said.length).toBeGreaterThan(0);
    expect(screen.getByRole("option", { name: /EB Garamond/ })).toBeInTheDocument();
    expect(screen.getByRole("option", { name: /Garmond & Sons/ })).toBeInTheDocument();
  });

  it("says that nothing is held under a name, and whether a chosen file is", async () => {
    network.use(
      http.get("*/api/search", () => HttpResponse.json({ held: false, hits: [] })),
      http.post("*/api/search", () => HttpResponse.json({ held: false, hits: [] })),
    );
    const { user } = await open("/families", "Families");
    await user.type(await screen.findByRole("combobox", { name: "Search" }), "garmond");
    expect(await screen.findByText("Not in the inventory: “garmond”.")).toBeInTheDocument();
    await user.upload(
      screen.getByLabelText("Check a font file", { selector: "input" }),
      new File(["x"], "a.ttf"),
    );
    expect(
      await screen.findByText("No, a.ttf isn’t in the inventory, nor is anything like it."),
    ).toBeInTheDocument();
  });
});
