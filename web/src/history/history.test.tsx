import { screen, waitFor } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { HistoryEntry } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { license } from "../testing/samples";

function entry(change: Partial<HistoryEntry> = {}): HistoryEntry {
  return {
    id: "1",
    at: "2026-11-20T09:30:00Z",
    by: "demo",
    subjectType: "license",
    subjectId: "l1",
    subjectName: "Ostrel web license",
    text: "Changed license “Ostrel web license”",
    changes: [],
    undoable: false,
    undone: false,
    ...change,
  };
}

describe("History", () => {
  it("asks for what its address says, and keeps the choice in the address", async () => {
    const asked: string[] = [];
    network.use(
      http.get("*/api/history", ({ request }) => {
        asked.push(new URL(request.url).search);
        return HttpResponse.json({ items: [], next: null });
      }),
    );
    const { user, router } = await open("/history?by=demo", "History");
    expect(await screen.findByText("Nothing matches.")).toBeInTheDocument();
    expect(asked.at(-1)).toContain("by=demo");
    await user.click(screen.getByRole("combobox", { name: "About" }));
    await user.click(await screen.findByRole("option", { name: "Licenses" }));
    await waitFor(() => expect(asked.at(-1)).toContain("type=license"));
    expect(router.state.location.search).toBe("?by=demo&type=license");
    await user.click(screen.getByRole("combobox", { name: "By" }));
    await user.click(await screen.findByRole("option", { name: "Anyone" }));
    await waitFor(() => expect(router.state.location.search).toBe("?type=license"));
  });

  it("says why it cannot be read, and reads it at another try", async () => {
    network.use(http.get("*/api/history", () => problem(500, "The history is locked.")));
    const { user } = await open("/history", "History");
    expect(await screen.findByText("The history is locked.")).toBeInTheDocument();
    network.use(http.get("*/api/history", () => HttpResponse.json({ items: [], next: null })));
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("Nothing matches.")).toBeInTheDocument();
  });

  it("stands on a record's own page: who, when, what was and is, and what was taken back", async () => {
    const change = (field: string) => ({ field, before: "", after: "something" });
    network.use(
      http.get("*/api/licenses/l1", () => HttpResponse.json(license())),
      http.get("*/api/history", () =>
        HttpResponse.json({
          items: [
            entry({ changes: [{ field: "ends", before: "2026-10-23", after: "2027-10-23" }] }),
            entry({ id: "2", by: "unciala", text: "Read the stored files again" }),
            entry({ id: "3", by: "long-gone", undone: true, text: "Attached “terms.pdf”" }),
            entry({ id: "4", changes: ["name", "vendor", "proof", "notes"].map(change) }),
          ],
          next: null,
        }),
      ),
    );
    await open("/licenses/l1/history", "Ostrel web license");
    expect(await screen.findByText("Ends: Oct 23, 2026 → Oct 23, 2027")).toBeInTheDocument();
    expect(await screen.findAllByText("Mara Quill")).toHaveLength(2);
    expect(screen.getByText("Unciala")).toBeInTheDocument();
    expect(screen.getByText("long-gone")).toBeInTheDocument();
    expect(screen.getByText("(undone)")).toBeInTheDocument();
    expect(screen.getByText("4 fields")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "All of it" })).toHaveAttribute(
      "href",
      "/history?type=license&subject=l1",
    );
  });
});
