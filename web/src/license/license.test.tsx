import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { LicenseDraft, TermsSet } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, file, flag, license } from "../testing/samples";
import { emptyTerms } from "./terms";

/** A license on the mocked network, kept as it is saved; what was sent is returned. */
function recorded(start = license()) {
  const state = { license: start, sent: [] as { draft: LicenseDraft; version: string | null }[] };
  network.use(
    http.get("*/api/licenses/l1", () => HttpResponse.json(state.license)),
    http.put("*/api/licenses/l1", async ({ request }) => {
      const draft = (await request.json()) as LicenseDraft;
      const version = request.headers.get("If-Match");
      state.sent.push({ draft, version });
      if (version !== `"${state.license.version}"`) {
        return problem(412, "Somebody else changed it meanwhile.");
      }
      state.license = { ...state.license, version: state.license.version + 1, terms: draft };
      return HttpResponse.json(state.license);
    }),
  );
  return state;
}

describe("a license", () => {
  it("is saved once however often the button is pressed, with the version it was read in", async () => {
    const state = recorded();
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
    await user.type(screen.getByLabelText("Proof of purchase"), "Order 17");
    await user.dblClick(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("Saved.")).toBeInTheDocument();
    expect(state.sent).toHaveLength(1);
    expect(state.sent[0]!.version).toBe('"5"');
    expect(state.sent[0]!.draft.proof).toBe("Order 17");
    expect(screen.queryByText("Not saved yet.")).toBeNull();
  });

  it("says of each thing that may be done with a file whether it is granted, and is silent on the rest", async () => {
    const state = recorded(license({}, { webUse: "GRANTED" }));
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    const says = (right: string, clause: string) =>
      within(screen.getByRole("group", { name: right })).getByRole("button", { name: clause });
    await user.click(says("Third-party hosting", "✕ Refused"));
    await user.click(says("Inlining (data: URL)", "✓ Granted"));
    await user.click(says("Subsetting", "✓ Granted"));
    expect(says("Renaming", "? Not stated")).toHaveAttribute("aria-pressed", "true");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(state.license.terms).toMatchObject({
        webUse: "GRANTED",
        thirdParty: "REFUSED",
        inlining: "GRANTED",
        cutting: "GRANTED",
        renaming: "NOT_STATED",
      }),
    );
  });

  it("takes the domain that a flag asks for into the form, says that it is not saved, and saves it", async () => {
    const state = recorded(license({}, { domains: ["fernway.example"] }));
    const { user } = await open(
      "/licenses/l1/terms?domain=shop.fernway.example#domains",
      "Ostrel web license",
    );
    expect(
      await screen.findByText(/shop\.fernway\.example is added below, not saved yet/),
    ).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(state.license.terms.domains).toEqual(["fernway.example", "shop.fernway.example"]),
    );
  });

  it("counts a domain that is typed without Enter, and several pasted at once", async () => {
    const state = recorded();
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.click(screen.getByRole("combobox", { name: "Domains" }));
    await user.paste("a.example, b.example");
    await user.tab();
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.license.terms.domains).toEqual(["a.example", "b.example"]));
  });

  it("reads a price as it is typed and refuses what is none, and a currency that has no code", async () => {
    const state = recorded(license({}, { price: 12_000 }));
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    const price = screen.getByLabelText("Price");
    expect(price).toHaveValue("120");
    await user.clear(price);
    await user.type(price, "about 50");
    await user.clear(screen.getByLabelText("Currency"));
    await user.type(screen.getByLabelText("Currency"), "€");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("Write an amount, such as 1,234.50.")).toBeInTheDocument();
    expect(await screen.findByText("Three letters, such as EUR")).toBeInTheDocument();
    expect(state.sent).toHaveLength(0);
    await user.clear(price);
    await user.type(price, "0.5");
    expect(price).toHaveValue("0.5");
    await user.clear(screen.getByLabelText("Currency"));
    await user.type(screen.getByLabelText("Currency"), "usd");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.license.terms).toMatchObject({ price: 50, currency: "USD" }));
  });

  it("refuses a limit that cannot be read at its field, and never takes it for none", async () => {
    const state = recorded();
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    const views = screen.getByLabelText(/page views/i);
    const notice = screen.getByLabelText("Notice period, days");
    await user.clear(views);
    await user.type(views, "half a million");
    await user.clear(notice);
    await user.type(notice, "1.5");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText(/Write a whole number, such as 50,000 or 500k/)).toBeInTheDocument();
    expect(screen.getByText(/Write a number of days/)).toBeInTheDocument();
    expect(state.sent).toHaveLength(0);
    await user.clear(views);
    await user.type(views, "500k");
    await user.clear(notice);
    await user.type(notice, "90");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(state.license.terms).toMatchObject({ pageViewLimit: 500_000, noticeDays: 90 }),
    );
  });

  it("says that an end is past, without refusing it", async () => {
    recorded(license({}, { ends: "2020-01-31" }));
    await open("/licenses/l1/terms", "Ostrel web license");
    expect(screen.getByText(/This day is in the past/)).toBeInTheDocument();
  });

  it("shows what a colleague changed, takes it with one press, and leaves a choice where both did", async () => {
    const state = recorded();
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    const vendor = screen.getByLabelText("Vendor");
    await user.clear(vendor);
    await user.type(vendor, "Mine");
    state.license = license({ version: 6 }, { vendor: "Theirs", notes: "Asked on Monday" });
    await user.click(screen.getByRole("button", { name: "Save" }));
    const conflict = await screen.findByRole("alertdialog");
    expect(conflict).toHaveTextContent("Changed there and not by you: Notes.");
    expect(screen.getByLabelText("Vendor")).toHaveValue("Mine");
    const merge = within(conflict).getByRole("button", { name: "Merge, then save" });
    expect(merge).toBeDisabled();
    await user.click(within(conflict).getByRole("radio", { name: /Yours/ }));
    await user.click(merge);
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.license.version).toBe(7));
    expect(state.license.terms).toMatchObject({ vendor: "Mine", notes: "Asked on Monday" });
  });

  it("asks before unsaved edits are left, stays, and leaves when told to", async () => {
    recorded();
    const { user, router } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.type(screen.getByLabelText("Notes"), "half a thought");
    await user.click(screen.getByRole("link", { name: "Families" }));
    const question = await screen.findByRole("dialog", { name: "Leave without saving?" });
    await user.click(within(question).getByRole("button", { name: "Cancel" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(screen.getByLabelText("Notes")).toHaveValue("half a thought");
    await user.click(screen.getByRole("link", { name: "Families" }));
    await user.click(await screen.findByRole("button", { name: "Discard changes" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/families"));
  });

  it("keeps what is typed while an agreement is attached", async () => {
    const state = recorded();
    network.use(
      http.post("*/api/licenses/l1/agreement", () => {
        const agreement = {
          id: "a1",
          kind: "AGREEMENT" as const,
          fileName: "terms.pdf",
          sha256: "c".repeat(64),
          bytes: 5_000,
          addedAt: "2026-11-01T08:00:00Z",
          addedBy: "priya",
        };
        state.license = { ...state.license, version: 6, agreement: [agreement] };
        return HttpResponse.json(state.license);
      }),
    );
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.type(screen.getByLabelText("Notes"), "typed before");
    await user.upload(screen.getByLabelText("Document file"), new File(["terms"], "terms.pdf"));
    expect(await screen.findByRole("link", { name: "terms.pdf" })).toBeInTheDocument();
    expect(screen.getByLabelText("Notes")).toHaveValue("typed before");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.license.terms.notes).toBe("typed before"));
  });

  it("says why a record is not here, and offers another try when it only failed", async () => {
    network.use(http.get("*/api/licenses/l1", () => problem(404, "There is no license “l1”.")));
    await open("/licenses/l1", "Not found");
    expect(screen.getByText("There is no license “l1”.")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Try again" })).toBeNull();
  });

  it("offers another try when a record could not be read", async () => {
    network.use(http.get("*/api/licenses/l1", () => problem(500, "It broke.")));
    const { user } = await open("/licenses/l1", "Couldn’t load this");
    recorded();
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Ostrel web license" })).toBeInTheDocument();
  });

  it("writes one letter for all questions that are open", async () => {
    recorded();
    const open1 = { kind: "NOT_STATED", severity: "ASK", licenseId: "l1" } as const;
    network.use(
      http.get("*/api/flags", () =>
        HttpResponse.json({
          items: [
            flag({ ...open1, id: "1", point: "WEB_USE", question: "use on web pages" }),
            flag({ ...open1, id: "2", point: "WEB_USE", question: "use on web pages" }),
            flag({ ...open1, id: "3", point: "DOMAIN", question: "use on shop.fernway.example" }),
          ],
          next: null,
        }),
      ),
    );
    await open("/licenses/l1/terms", "Ostrel web license");
    const letter = (await screen.findByText(/^Dear Marrow Type,/)).textContent;
    expect(letter.match(/use on web pages/g)).toHaveLength(1);
    expect(letter).toContain("use on shop.fernway.example");
  });

  it("says what a license would leave behind before it is deleted, and can be taken back", async () => {
    recorded();
    let undone = "";
    network.use(
      http.get("*/api/licenses/l1/dependents", () => HttpResponse.json(["s1", "s2"])),
      http.delete("*/api/licenses/l1", () => HttpResponse.json({ historyId: "h9" })),
      http.post("*/api/history/:id/undo", ({ params }) => {
        undone = String(params.id);
        return new HttpResponse(null, { status: 204 });
      }),
    );
    const { user, router } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.click(screen.getByRole("button", { name: "Delete the license" }));
    const question = await screen.findByRole("dialog");
    expect(question).toHaveTextContent("2 sites rely on it");
    await user.click(within(question).getByRole("button", { name: "Delete" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/licenses"));
    // The message moves to the page that was gone to; it is pressed once that page stands.
    await screen.findByText(/No licenses yet/);
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    expect(await screen.findByText("Undone.")).toBeInTheDocument();
    expect(undone).toBe("h9");
  });
});

describe("what a license covers", () => {
  it("is a whole family, or the faces that are picked on its grid", async () => {
    const state = recorded(license({}, { covers: [{ familyId: "f1", faces: [] }] }));
    network.use(
      http.get("*/api/families/f1", () =>
        HttpResponse.json(
          family({
            files: [file(), file({ id: "file2", slot: { ...staticSlot(700, "upright"), label: "Bold" } })],
          }),
        ),
      ),
    );
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.click(screen.getByRole("button", { name: "Some faces only: Ostrel" }));
    await user.click(await screen.findByRole("button", { name: /^Bold/ }));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(state.sent[0]?.draft.covers[0]?.faces.map((face) => face.weight)).toEqual([700]),
    );
    await screen.findByText("Saved.");
    await user.click(screen.getByRole("button", { name: "The whole family: Ostrel" }));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.sent[1]?.draft.covers[0]?.faces).toEqual([]));
  });
});

describe("the documents of a license", () => {
  it("say what they are, and are shown in place as pictures of pages or as text", async () => {
    const document = (id: string, kind: "INVOICE" | "CORRESPONDENCE", fileName: string) => ({
      id,
      kind,
      fileName,
      sha256: "c".repeat(64),
      bytes: 5_000,
      addedAt: "2026-11-01T08:00:00Z",
      addedBy: "priya",
    });
    recorded(
      license({
        agreement: [document("a1", "INVOICE", "bill.pdf"), document("a2", "CORRESPONDENCE", "mail.txt")],
      }),
    );
    network.use(
      http.get("*/api/licenses/l1/documents/a1", () => HttpResponse.json({ pages: 2, text: "" })),
      http.get("*/api/licenses/l1/documents/a2", () =>
        HttpResponse.json({ pages: 0, text: "Yes, you may." }),
      ),
    );
    const { user } = await open("/licenses/l1/terms", "Ostrel web license");
    expect(screen.getByText("Invoice")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Show bill.pdf" }));
    expect(await screen.findByRole("img", { name: "Page 2" })).toHaveAttribute(
      "src",
      "/api/licenses/l1/documents/a1/pages/2",
    );
    await user.click(screen.getByRole("button", { name: "Hide bill.pdf" }));
    expect(screen.queryByRole("img", { name: "Page 2" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Show mail.txt" }));
    expect(await screen.findByText("Yes, you may.")).toBeInTheDocument();
  });
});

describe("sets of terms", () => {
  const set: TermsSet = {
    id: "t1",
    version: 2,
    terms: { ...emptyTerms, name: "Marrow terms", vendor: "Marrow Type", webUse: "GRANTED", domainLimit: 3 },
    allows: ["A family may be served on 3 domains."],
  };

  it("start a license, which keeps its own name and families", async () => {
    let sent: LicenseDraft | undefined;
    network.use(
      http.get("*/api/terms", () => HttpResponse.json([set])),
      http.get("*/api/families/f1", () => HttpResponse.json(family())),
      http.post("*/api/licenses", async ({ request }) => {
        sent = (await request.json()) as LicenseDraft;
        return HttpResponse.json(license(), { status: 201 });
      }),
    );
    recorded();
    const { user } = await open("/licenses/new?family=f1&terms=t1", "Record a license");
    expect(screen.getByLabelText("Vendor")).toHaveValue("Marrow Type");
    expect(screen.getByLabelText("Name")).toHaveValue("Ostrel license");
    await user.click(screen.getByRole("button", { name: "Record" }));
    await waitFor(() =>
      expect(sent).toMatchObject({ webUse: "GRANTED", domainLimit: 3, name: "Ostrel license" }),
    );
    expect(sent?.covers).toEqual([{ familyId: "f1", faces: [] }]);
  });

  it("are kept from the terms of a license, and deleted with the way back", async () => {
    const kept: LicenseDraft[] = [];
    recorded(license({}, { webUse: "GRANTED", covers: [{ familyId: "f1", faces: [] }] }));
    network.use(
      http.post("*/api/terms", async ({ request }) => {
        kept.push((await request.json()) as LicenseDraft);
        return HttpResponse.json(set, { status: 201 });
      }),
      http.get("*/api/terms", () => HttpResponse.json([set])),
      http.delete("*/api/terms/t1", () => HttpResponse.json({ historyId: "h3" })),
    );
    const { user, router } = await open("/licenses/l1/terms", "Ostrel web license");
    await user.click(screen.getByRole("button", { name: "Keep as a set of terms" }));
    const dialog = await screen.findByRole("dialog");
    expect(within(dialog).getByLabelText("Name of the set")).toHaveValue(
      `Marrow Type: web terms, ${new Date().getFullYear()}`,
    );
    await user.click(within(dialog).getByRole("button", { name: "Keep" }));
    expect(await screen.findByText("Kept as a set of terms.")).toBeInTheDocument();
    expect(kept[0]).toMatchObject({ webUse: "GRANTED", vendor: "Marrow Type" });
    await router.navigate("/licenses/terms");
    expect(await screen.findByText("A family may be served on 3 domains.")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Record a license on these terms" })).toHaveAttribute(
      "href",
      "/licenses/new?terms=t1",
    );
    await user.click(screen.getByRole("button", { name: "Delete the set “Marrow terms”" }));
    expect(await screen.findByText("Deleted “Marrow terms”.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
  });
});

describe("what licenses cost", () => {
  it("stands by client and month, each currency by itself", async () => {
    network.use(
      http.get("*/api/costs", () =>
        HttpResponse.json({
          months: ["2030-12", "2031-01"],
          rows: [
            { clientId: null, clientName: "", currency: "EUR", months: [0, 700], total: 700 },
            { clientId: "c1", clientName: "Fernway", currency: "EUR", months: [12050, 0], total: 12050 },
            { clientId: "c1", clientName: "Fernway", currency: "USD", months: [100, 0], total: 100 },
          ],
          totals: [
            { currency: "EUR", months: [12050, 700], total: 12750, payments: 2 },
            { currency: "USD", months: [100, 0], total: 100, payments: 1 },
          ],
        }),
      ),
    );
    await open("/licenses/costs", "Costs");
    const euro = await screen.findByRole("region", { name: "Costs, EUR" });
    const row = (name: string) => within(euro).getByRole("row", { name: new RegExp(`^${name}`) });
    expect(row("Fernway")).toHaveTextContent("Fernway120.50–120.50");
    expect(row("not used by any site")).toHaveTextContent("–77");
    expect(row("All together")).toHaveTextContent("120.507127.50");
    expect(screen.getByRole("region", { name: "Costs, USD" })).toHaveTextContent("Fernway1–1");
  });
});

describe("a list of licenses", () => {
  it("says what failed and tries again, and what is empty only when it is", async () => {
    network.use(http.get("*/api/licenses", () => problem(500, "The database is busy.")));
    const { user } = await open("/licenses", "Licenses");
    expect(await screen.findByText("The database is busy.")).toBeInTheDocument();
    expect(screen.queryByText(/No licenses yet/)).toBeNull();
    network.use(http.get("*/api/licenses", () => HttpResponse.json({ items: [], next: null })));
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText(/No licenses yet/)).toBeInTheDocument();
  });
});
