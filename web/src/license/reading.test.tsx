import { screen, waitFor } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { LicenseDraft, Proposal } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { license } from "../testing/samples";
import { taken, termsOf, valueInWords } from "./proposals";
import { emptyTerms, sent } from "./terms";

const proposal = (term: Proposal["term"], value: string): Proposal => ({
  term,
  value,
  quote: { text: `It says ${value}.`, place: "page 2" },
});

describe("what is proposed from an agreement", () => {
  it.each([
    ["BASIS", "TRIAL", "basis", "TRIAL", "Trial"],
    ["CONVERTING", "REFUSED", "converting", "REFUSED", "✕ Refused"],
    ["DOMAINS", "a.example, b.example", "domains", ["a.example", "b.example"], "a.example, b.example"],
    ["DOMAIN_LIMIT", "3", "domainLimit", 3, "3"],
    ["PAGE_VIEW_LIMIT", "50000", "pageViewLimit", 50000, "50,000"],
    ["FORMATS", "woff2, ttf", "formats", ["woff2", "ttf"], "WOFF2, TTF"],
    ["ENDS", "2031-03-03", "ends", "2031-03-03", "Mar 3, 2031"],
    ["RENEWS", "true", "renews", true, "yes"],
    ["PRICE", "124050", "price", 124050, "1,240.50"],
    ["PROOF", "MT-17", "proof", "MT-17", "MT-17"],
  ] as const)("%s %s fills %s and is shown as people read it", (term, value, field, filled, said) => {
    const changes = new Map(termsOf(proposal(term, value), emptyTerms));
    expect(changes.get(field)).toEqual(filled);
    expect(valueInWords(proposal(term, value))).toBe(said);
    expect(taken(proposal(term, value), { ...emptyTerms, [field]: filled })).toBe(true);
    expect(taken(proposal(term, value), { ...emptyTerms, notes: "else" })).toBe(false);
  });

  it("keeps the sentence as the quoted clause, beside those that are there", () => {
    const terms = { ...emptyTerms, quotes: { CUTTING: { text: "Kept.", place: "" } } };
    const quotes = new Map(termsOf(proposal("CONVERTING", "REFUSED"), terms)).get("quotes");
    expect(quotes).toEqual({
      CUTTING: { text: "Kept.", place: "" },
      CONVERTING: { text: "It says REFUSED.", place: "page 2" },
    });
    expect(termsOf(proposal("PROOF", "MT-17"), terms)).toHaveLength(1);
  });

  it("is taken over by a press and recorded with the agreement that was read", async () => {
    const recorded: LicenseDraft[] = [];
    let attached = "";
    network.use(
      http.get("*/api/clients", () => HttpResponse.json({ items: [], next: null })),
      http.post("*/api/licenses/reading", () =>
        HttpResponse.json({
          pages: [{ number: 1, text: "You may not convert the fonts." }],
          proposals: [proposal("CONVERTING", "REFUSED"), proposal("PROOF", "MT-17")],
        }),
      ),
      http.post("*/api/licenses", async ({ request }) => {
        recorded.push((await request.json()) as LicenseDraft);
        return HttpResponse.json(license(), { status: 201 });
      }),
      http.post("*/api/licenses/l1/agreement", ({ request }) => {
        attached = request.headers.get("If-Match") ?? "";
        return HttpResponse.json(license());
      }),
      http.get("*/api/licenses/l1", () => HttpResponse.json(license())),
    );
    const { user, router } = await open("/licenses/new", "Record a license");
    await user.type(screen.getByLabelText("Name"), "Ostrel web license");
    await user.upload(screen.getByLabelText("Agreement to read"), new File(["%PDF-"], "terms.pdf"));
    expect(await screen.findByText(/Found 2 terms/)).toBeInTheDocument();
    expect(screen.getByText("You may not convert the fonts.")).toBeInTheDocument();
    expect(screen.getByLabelText("Proof of purchase")).toHaveValue("");
    await user.click(screen.getByRole("button", { name: "Use: Proof of purchase" }));
    expect(screen.getByLabelText("Proof of purchase")).toHaveValue("MT-17");
    expect(screen.getByText("used")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Record" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/licenses/l1"));
    expect(recorded[0]).toMatchObject({ proof: "MT-17", converting: "NOT_STATED" });
    expect(attached).toBe('"5"');
  });

  it("says why an agreement cannot be read, and keeps what is typed", async () => {
    network.use(
      http.get("*/api/clients", () => HttpResponse.json({ items: [], next: null })),
      http.post("*/api/licenses/reading", () => problem(422, "“locked.pdf” is encrypted.")),
    );
    const { user } = await open("/licenses/new", "Record a license");
    await user.type(screen.getByLabelText("Vendor"), "Marrow");
    await user.upload(screen.getByLabelText("Agreement to read"), new File(["%PDF-"], "locked.pdf"));
    expect(await screen.findByText("“locked.pdf” is encrypted.")).toBeInTheDocument();
    expect(screen.getByLabelText("Vendor")).toHaveValue("Marrow");
  });
});

describe("terms", () => {
  it("are told with what holds of each act, by which words", async () => {
    network.use(
      http.get("*/api/licenses/l1", () =>
        HttpResponse.json(
          license(
            {
              acts: [
                { act: "SERVE", clause: "REFUSED", source: "BASIS" },
                { act: "CONVERT", clause: "GRANTED", source: "TEXT" },
                { act: "CUT", clause: "REFUSED", source: "TERMS" },
                { act: "RENAME", clause: "NOT_STATED", source: "BASIS" },
              ],
            },
            { quotes: { CUTTING: { text: "No subsetting.", place: "page 3" } } },
          ),
        ),
      ),
    );
    await open("/licenses/l1", "Ostrel web license");
    const row = (name: string) => screen.getByRole("row", { name: new RegExp(`^${name}`) });
    expect(row("Use on web pages")).toHaveTextContent("Refusedpresumed for this license type");
    expect(row("Converting")).toHaveTextContent("Grantedby the text of the license");
    expect(row("Subsetting")).toHaveTextContent("RefusedNo subsetting. page 3");
    expect(row("Renaming")).toHaveTextContent(/Not stated$/);
  });

  it("are sent with numbers as they were typed, without empty quotes, and an open license only on its basis", () => {
    const draft = sent({
      ...emptyTerms,
      basis: "BOUGHT",
      spdx: "OFL-1.1",
      pageViewLimit: "50,000" as never,
      domainLimit: "" as never,
      quotes: { CUTTING: { text: " ", place: "" }, RENAMING: { text: "No.", place: "" } },
    });
    expect(draft).toMatchObject({ spdx: "", pageViewLimit: 50000, domainLimit: null });
    expect(Object.keys(draft.quotes)).toEqual(["RENAMING"]);
  });
});
