import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { LicenseDraft } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { flag, license } from "../testing/samples";

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
    await user.click(says("By a third party", "✕ Refused"));
    await user.click(says("Embedding inline", "✓ Granted"));
    await user.click(says("Cutting", "✓ Granted"));
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
    expect(await screen.findByText("An amount such as 120 or 120.50")).toBeInTheDocument();
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

  it("says that an end is past, without refusing it", async () => {
    recorded(license({}, { ends: "2020-01-31" }));
    await open("/licenses/l1/terms", "Ostrel web license");
    expect(screen.getByText(/This day is past/)).toBeInTheDocument();
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
    await user.click(within(question).getByRole("button", { name: "Stay here" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(screen.getByLabelText("Notes")).toHaveValue("half a thought");
    await user.click(screen.getByRole("link", { name: "Families" }));
    await user.click(await screen.findByRole("button", { name: "Leave, and drop the changes" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/families"));
  });

  it("keeps what is typed while an agreement is attached", async () => {
    const state = recorded();
    network.use(
      http.post("*/api/licenses/l1/agreement", () => {
        const agreement = {
          id: "a1",
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
    await user.upload(screen.getByLabelText("Agreement file"), new File(["terms"], "terms.pdf"));
    expect(await screen.findByRole("link", { name: "terms.pdf" })).toBeInTheDocument();
    expect(screen.getByLabelText("Notes")).toHaveValue("typed before");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(state.license.terms.notes).toBe("typed before"));
  });

  it("says why a record is not here, and offers another try when it only failed", async () => {
    network.use(http.get("*/api/licenses/l1", () => problem(404, "There is no license “l1”.")));
    await open("/licenses/l1", "Not here");
    expect(screen.getByText("There is no license “l1”.")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Try again" })).toBeNull();
  });

  it("offers another try when a record could not be read", async () => {
    network.use(http.get("*/api/licenses/l1", () => problem(500, "It broke.")));
    const { user } = await open("/licenses/l1", "Not to be read");
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
    expect(question).toHaveTextContent("2 sites stand on it");
    await user.click(within(question).getByRole("button", { name: "Delete" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/licenses"));
    // The message moves to the page that was gone to; it is pressed once that page stands.
    await screen.findByText(/No license is recorded yet/);
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    expect(await screen.findByText("Taken back.")).toBeInTheDocument();
    expect(undone).toBe("h9");
  });
});

describe("a list of licenses", () => {
  it("says what failed and tries again, and what is empty only when it is", async () => {
    network.use(http.get("*/api/licenses", () => problem(500, "The database is busy.")));
    const { user } = await open("/licenses", "Licenses");
    expect(await screen.findByText("The database is busy.")).toBeInTheDocument();
    expect(screen.queryByText(/No license is recorded yet/)).toBeNull();
    network.use(http.get("*/api/licenses", () => HttpResponse.json({ items: [], next: null })));
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText(/No license is recorded yet/)).toBeInTheDocument();
  });
});
