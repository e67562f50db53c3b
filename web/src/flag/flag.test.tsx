import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { flag, gathered } from "../testing/samples";
import { choices, earlier, standing, summary } from "./words";

const two = [
  flag({ id: "a", title: "Ostrel has no license" }),
  flag({ id: "b", title: "Marl has no license", familyId: "f2" }),
];

/** Flags on the mocked network; what was decided is returned. */
function standing2() {
  const sent: unknown[] = [];
  network.use(
    http.get("*/api/flags/counts", () =>
      HttpResponse.json([{ group: "UNLICENSED", severity: "STOP", open: 2, accepted: 0, causes: 1 }]),
    ),
    http.get("*/api/flags/gathered", () =>
      HttpResponse.json([gathered(), gathered({ key: "other", by: "CAUSE" })]),
    ),
    http.get("*/api/flags", () => HttpResponse.json({ items: two, next: null })),
    http.post("*/api/flags/assignment", async ({ request }) => {
      sent.push(await request.json());
      return HttpResponse.json({ flags: 2 });
    }),
    http.post("*/api/flags/acceptance", async ({ request }) => {
      sent.push(await request.json());
      return HttpResponse.json({ flags: 1 });
    }),
  );
  return sent;
}

describe("the words of the Flags place", () => {
  it("count flags, causes and what is stopped", () => {
    expect(summary([])).toBe("Nothing is unlicensed, missing or duplicate.");
    expect(
      summary([
        { group: "MISSING", severity: "STOP", open: 3, accepted: 0, causes: 2 },
        { group: "MISSING", severity: "WARN", open: 1, accepted: 2, causes: 1 },
      ]),
    ).toBe("4 flags from 3 causes; 3 blocking.");
  });

  it("say how long a flag stands or stood", () => {
    expect(standing(flag())).toMatch(/^Open since Oct 2, 2026/);
    expect(standing(flag({ gone: "2026-10-09T10:00:00Z" }))).toMatch(/^Open from .* until Oct 9, 2026/);
    expect(earlier({ since: "2026-03-03T00:00:00Z", gone: "2026-03-09T00:00:00Z" })).toMatch(
      /Mar \d, 2026 to Mar \d, 2026/,
    );
  });

  it("offer each word of the sentence once", () => {
    for (const options of Object.values(choices)) {
      expect(new Set(options.map(([value]) => value)).size).toBe(options.length);
    }
  });
});

describe("the Flags place", () => {
  it("keeps what is looked for in the address", async () => {
    standing2();
    const { user, router } = await open("/flags", "Flags");
    await screen.findByText("2 flags from 1 cause; 2 blocking.");
    await user.click(screen.getByRole("combobox", { name: "Group" }));
    await user.click(await screen.findByRole("option", { name: "missing" }));
    await waitFor(() => expect(router.state.location.search).toBe("?group=MISSING"));
    await user.click(screen.getByRole("combobox", { name: "Person" }));
    await user.click(await screen.findByRole("option", { name: "me" }));
    await waitFor(() => expect(router.state.location.search).toBe("?group=MISSING&person=priya"));
  });

  it("takes an address with words it does not know", async () => {
    standing2();
    await open("/flags?by=weather&state=odd", "Flags");
    expect(screen.getByRole("combobox", { name: "State" })).toHaveTextContent("open");
  });

  it("unfolds an entry, and decides for all or for those marked", async () => {
    const sent = standing2();
    const { user } = await open("/flags?site=s1", "Flags");
    const [unfold] = await screen.findAllByRole("button", { name: "Expand: 2 families have no license" });
    await user.click(unfold!);
    expect(await screen.findByText("For all 2:")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Record one license" })).toHaveAttribute(
      "href",
      "/licenses/new?cause=NO_LICENSE&site=s1",
    );
    await user.click(screen.getByRole("combobox", { name: /Assign to/ }));
    await user.click(await screen.findByRole("option", { name: "Mara Quill" }));
    expect(await screen.findByText("Assigned 2 flags to Mara Quill.")).toBeInTheDocument();
    const nothing = { group: null, severity: null, person: null, family: null, license: null };
    expect(sent, "no more than what is shown").toEqual([
      { ids: null, cause: "NO_LICENSE", within: { ...nothing, state: "open", site: ["s1"] }, name: "demo" },
    ]);
    await user.click(screen.getByRole("checkbox", { name: "Mark Marl has no license" }));
    expect(screen.getByText("For the 1 marked:")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Record one license" })).toHaveAttribute(
      "href",
      "/licenses/new?family=f2",
    );
    await user.click(screen.getByRole("button", { name: "Accept until …" }));
    const dialog = await screen.findByRole("dialog", { name: "Accept 1 flag" });
    await user.click(within(dialog).getByRole("button", { name: "Accept" }));
    expect(await within(dialog).findByText("Say why, for those who look at it later.")).toBeInTheDocument();
    await user.type(within(dialog).getByLabelText("Why"), "The vendor was asked.");
    await user.click(within(dialog).getByRole("button", { name: "Accept" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(sent[1]).toMatchObject({ ids: ["b"], cause: null, reason: "The vendor was asked." });
  });

  it("keeps a dialog open, with what was typed, when the server refuses", async () => {
    standing2();
    network.use(http.post("*/api/flags/acceptance", () => problem(422, "That day is past.")));
    const { user } = await open("/flags", "Flags");
    await user.click((await screen.findAllByRole("button", { name: /^Expand/ }))[0]!);
    await user.click(await screen.findByRole("button", { name: "Accept until …" }));
    const dialog = await screen.findByRole("dialog");
    await user.type(within(dialog).getByLabelText("Why"), "Because.");
    await user.click(within(dialog).getByRole("button", { name: "Accept" }));
    expect(await screen.findByText("That day is past.")).toBeInTheDocument();
    expect(within(dialog).getByLabelText("Why")).toHaveValue("Because.");
  });

  it("shows what an entry of one flag is about, without unfolding", async () => {
    standing2();
    network.use(
      http.get("*/api/flags/gathered", () => HttpResponse.json([gathered({ count: 1, single: two[0] })])),
    );
    await open("/flags", "Flags");
    expect(await screen.findByRole("link", { name: "Ostrel has no license" })).toHaveAttribute(
      "href",
      "/flags/a",
    );
    expect(screen.getByRole("link", { name: "Record a license" })).toHaveAttribute(
      "href",
      "/licenses/new?family=f1",
    );
    expect(screen.queryByRole("button", { name: /^Expand/ })).toBeNull();
  });
});

describe("a flag", () => {
  it("says what was decided and said, opens again, and takes a comment", async () => {
    const accepted = flag({
      id: "a",
      acceptedUntil: "2030-05-01",
      acceptedReason: "asked",
      acceptedBy: "demo",
      assignee: "priya",
    });
    const said = [{ by: "demo", at: "2026-11-01T10:00:00Z", text: "The order is on its way." }];
    const sent: unknown[] = [];
    network.use(
      http.get("*/api/flags/a", () => HttpResponse.json(accepted)),
      http.get("*/api/flags/a/story", () => HttpResponse.json({ periods: [], comments: said })),
      http.post("*/api/flags/acceptance/withdrawal", async ({ request }) => {
        sent.push(await request.json());
        return HttpResponse.json({ flags: 1 });
      }),
      http.post("*/api/flags/a/comments", async ({ request }) => {
        const { text } = (await request.json()) as { text: string };
        said.push({ by: "priya", at: "2026-11-02T10:00:00Z", text });
        return HttpResponse.json({ periods: [], comments: said });
      }),
    );
    const { user } = await open("/flags/a", "Ostrel on Fernway has no license");
    expect(await screen.findByText("The order is on its way.", { exact: false })).toBeInTheDocument();
    expect(screen.getByText("Assigned to Priya Nair.")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Reopen" }));
    expect(await screen.findByText("Reopened.")).toBeInTheDocument();
    expect(sent).toEqual([{ ids: ["a"], cause: null, within: null }]);
    await user.type(screen.getByLabelText("Add a comment"), "It came.");
    await user.click(screen.getByRole("button", { name: "Comment" }));
    expect(await screen.findByText("It came.", { exact: false })).toBeInTheDocument();
    expect(screen.getByLabelText("Add a comment")).toHaveValue("");
  });
});
