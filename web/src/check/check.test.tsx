import { act, screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { beforeEach, describe, expect, it } from "vitest";
import type { CheckedText, CheckLine, CheckPlan, PageCheck, Role, SiteDraft } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { staticSlot } from "../shared/font/slots";
import { site, family, file, role } from "../testing/samples";

const line: CheckLine = {
  id: "c1",
  siteId: "s1",
  state: "DONE",
  askedAt: "2030-05-10T09:00:00Z",
  askedBy: "tomas",
  endedAt: "2030-05-10T09:00:05Z",
  pagesRead: 1,
  pagesKnown: 1,
  page: "",
  failure: null,
  pagesWithErrors: 1,
};

const slot = {
  weight: 400,
  weightMax: 400,
  width: 100,
  widthMax: 100,
  slope: "upright",
  key: "",
  label: "Regular",
};

const found: PageCheck = {
  line,
  tried: null,
  pages: [
    {
      position: 0,
      url: "https://fernway.example/",
      title: "Fernway",
      why: null,
      texts: 3,
      errors: 1,
      warnings: 0,
      notes: 0,
      fontBytes: 20_000,
      requests: 2,
      browser: null,
    },
  ],
  fonts: [
    {
      sha256: "ab",
      name: "Saltern Regular",
      family: "Saltern",
      slot,
      format: "woff2",
      bytes: 20_000,
      urls: ["https://fernway.example/s.woff2"],
      pages: ["https://fernway.example/"],
      texts: 2,
      fromOthers: false,
      inPack: false,
      held: null,
      verdicts: [],
    },
  ],
  thirdParties: [
    {
      host: "letters.example",
      styleSheets: ["https://letters.example/a.css"],
      fonts: [],
      connections: ["https://letters.example/"],
      scripts: [],
      texts: 0,
    },
  ],
  used: [
    {
      role: "PAGE_TITLE",
      label: "Page title",
      faces: ["Saltern Regular"],
      fonts: [],
      texts: 1,
      proposed: null,
    },
  ],
  pack: {
    packId: "p1",
    madeAt: "2030-05-01T09:00:00Z",
    files: [
      {
        path: "fonts/a.woff2",
        state: "WRONG",
        url: "https://fernway.example/a.woff2",
        rules: [],
        found: "Harrow Bold",
      },
      {
        path: "type.css",
        state: "OTHER",
        found: "",
        url: "https://fernway.example/type.css",
        rules: [
          { line: 3, rule: "h1 { font-weight: 700 }", found: "h1 { font-weight: 400 }", foundLine: 12 },
          { line: 4, rule: "p { font-size: 15px }", found: null, foundLine: 0 },
        ],
      },
    ],
  },
  changedSince: "2030-05-09T09:00:00Z",
  changes: {
    appeared: [],
    gone: [
      { page: "https://fernway.example/", kind: "third-party", severity: "warning", message: "It is gone." },
    ],
    newPages: [],
    pagesNotRead: [],
    empty: false,
  },
};

const plan: CheckPlan = {
  addresses: ["https://fernway.example/"],
  follows: true,
  mostPages: 20,
  watched: false,
  connections: [],
  signIns: [{ host: "fernway.example:443", name: "preview", password: null }],
  ownHosts: ["files.example"],
};

beforeEach(() =>
  network.use(
    http.get("*/api/sites/s1", () => HttpResponse.json(site())),
    http.get("*/api/sites/s1/checks", () => HttpResponse.json({ items: [line], next: null })),
    http.get("*/api/sites/s1/check-plan", () => HttpResponse.json({ version: 3, plan })),
    http.get("*/api/checks/c1", () => HttpResponse.json(found)),
  ),
);

describe("the pages of a site", () => {
  it("are told of in one sentence, then page by page and across them", async () => {
    await open("/sites/s1/pages", "Fernway");
    expect(await screen.findByText(/^The page shows some text in another font than asked\./)).toBeVisible();
    const pages = screen.getByRole("list", { name: "Pages" });
    expect(within(pages).getByText("1 error")).toBeInTheDocument();
    expect(within(pages).getByRole("link", { name: "Fernway" })).toHaveAttribute(
      "href",
      "/sites/s1/pages/0?check=c1",
    );
    expect(screen.getByText("letters.example")).toBeInTheDocument();
    expect(
      screen.getByText("1 style sheet · a connection opened in advance · no text shown in its fonts"),
    ).toBeInTheDocument();
    expect(
      screen.getByText("another file is at its address: Harrow Bold (fernway.example/a.woff2)"),
    ).toBeInTheDocument();
    expect(screen.getByText("another version of it is on the host")).toBeInTheDocument();
    expect(screen.getByText("Line 3 of the pack. On the host, line 12 says:")).toBeInTheDocument();
    expect(screen.getByText("Line 4 of the pack is missing there.")).toBeInTheDocument();
    expect(
      within(screen.getByRole("list", { name: "Gone" })).getByText(/Third party: It is gone\./),
    ).toBeVisible();
  });

  it("have their flags beside them, and the overview says only how the last check went", async () => {
    const flag = {
      id: "0123456789abcdef0123",
      kind: "FAKED_ON_PAGE",
      group: "MISSING",
      severity: "STOP",
      title: "Fernway: browsers fake a bold or an italic",
      reason: "The check found it.",
      evidence: [],
      action: "OPEN_CHECK",
      familyId: "",
      familyIds: [],
      fileIds: [],
      siteId: "s1",
      licenseId: "",
      acceptedUntil: null,
      acceptedReason: "",
    };
    const third = {
      ...flag,
      id: "1123456789abcdef0123",
      kind: "THIRD_PARTY",
      group: "PRIVACY",
      title: "Fernway fetches",
    };
    network.use(
      http.get("*/api/flags", () => HttpResponse.json({ items: [flag, third], next: null })),
      http.get("*/api/sites/s1/comparison", () => HttpResponse.json([])),
      http.get("*/api/sites/s1/packs", () => HttpResponse.json({ items: [], next: null })),
    );
    const { router } = await open("/sites/s1/pages", "Fernway");
    const note = await screen.findByRole("group", {
      name: "Missing: Fernway: browsers fake a bold or an italic",
    });
    expect(within(note).queryByRole("link", { name: "See the pages" })).toBeNull();
    expect(screen.getByRole("group", { name: "Privacy: Fernway fetches" })).toBeInTheDocument();
    expect(screen.getByRole("link", { name: /^Pages 2/ })).toHaveAttribute("aria-current", "page");

    await act(() => router.navigate("/sites/s1"));
    expect(await screen.findByText(/^: 1 of 1 page with errors\./)).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Pages checked on May 10, 2030" })).toHaveAttribute(
      "href",
      "/sites/s1/pages",
    );
    expect(screen.queryByRole("group", { name: /browsers fake/ })).toBeNull();
  });

  it("offer the agency’s own copy of what comes from others, where it is held and allowed", async () => {
    const [font] = found.fonts;
    const held = { how: "SAME_DRAWING" as const, familyId: "f1", familyName: "Saltern", fileName: "s.ttf" };
    const verdicts = [{ host: "fernway.example", verdict: "ALLOWED" as const, reason: "" }];
    const answer = { ...found, fonts: [{ ...font!, fromOthers: true, held, verdicts }] };
    network.use(http.get("*/api/checks/c1", () => HttpResponse.json(answer)));
    await open("/sites/s1/pages", "Fernway");
    expect(await screen.findByRole("link", { name: "deliver your own copy" })).toHaveAttribute(
      "href",
      "/sites/s1/delivery",
    );
  });

  it("say why a check failed", async () => {
    const failed: CheckLine = {
      ...line,
      state: "FAILED",
      failure: "The pages could not be read: the disk is full.",
    };
    network.use(http.get("*/api/sites/s1/checks", () => HttpResponse.json({ items: [failed], next: null })));
    await open("/sites/s1/pages", "Fernway");
    expect(await screen.findByRole("alert")).toHaveTextContent("the disk is full");
    expect(screen.getByText("This site’s pages haven’t been checked yet.")).toBeInTheDocument();
  });

  it("are checked on request, with progress and a way to stop it", async () => {
    let items: CheckLine[] = [];
    const stopped: string[] = [];
    network.use(
      http.get("*/api/sites/s1/checks", () => HttpResponse.json({ items, next: null })),
      http.post("*/api/sites/s1/checks", () => {
        items = [
          { ...line, state: "READING", page: "https://fernway.example/visit", pagesRead: 1, pagesKnown: 4 },
        ];
        return HttpResponse.json(items[0], { status: 202 });
      }),
      http.delete("*/api/checks/c1", () => {
        stopped.push("c1");
        items = [{ ...line, state: "STOPPED" }];
        return HttpResponse.json(items[0]);
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    expect(await screen.findByText("This site’s pages haven’t been checked yet.")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Check the pages" }));
    expect(await screen.findByText("Reading fernway.example/visit, 2 of 4")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Check the pages" })).toBeDisabled();
    await user.click(screen.getByRole("button", { name: "Stop" }));
    await waitFor(() => expect(screen.queryByRole("button", { name: "Stop" })).toBeNull());
    expect(stopped).toEqual(["c1"]);
  });

  it("propose a role that they have and the site has not", async () => {
    const proposed: Role = {
      role: "CAPTIONS",
      familyId: "f1",
      generic: "SERIF",
      faces: [slot],
      selector: "",
      size: "",
      lineHeight: "",
      letterSpacing: "",
      fallbacks: [],
      wordSpacing: "",
    };
    const used = [{ role: "CAPTIONS", label: "Captions", faces: ["Wendlow Regular"], texts: 4, proposed }];
    const kept: SiteDraft[] = [];
    network.use(
      http.get("*/api/checks/c1", () => HttpResponse.json({ ...found, used })),
      http.put("*/api/sites/s1", async ({ request }) => {
        kept.push((await request.json()) as SiteDraft);
        return HttpResponse.json(site());
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Add it to the site’s roles" }));
    expect(await screen.findByText("Added to the roles of the site with 1 face.")).toBeInTheDocument();
    expect(kept[0]?.roles).toEqual([...site().roles, proposed]);
    expect(kept[0]?.domains).toEqual(site().domains);
  });

  it("answer a faked bold with the face that is held and cleared, or say who lacks it", async () => {
    const faked = {
      family: "Ostrel",
      weight: 400,
      slope: "upright",
      faked: ["bold"],
      texts: 2,
      page: "https://fernway.example/",
      text: "Move",
      path: "html > body > p > b",
      asAsked: false,
      onPhoneOnly: false,
      measures: [],
      winner: null,
      why: "The page has no file.",
      override: null,
      overrideAnywhere: null,
    };
    const asked = { family: "Ostrel", weight: 400, slope: "upright" };
    const own = role("RUNNING_TEXT", "f1", [staticSlot(400, "upright")]);
    const bold = { ...staticSlot(700, "upright"), label: "Bold" };
    const kept: SiteDraft[] = [];
    network.use(
      http.get("*/api/sites/s1", () => HttpResponse.json(site({ roles: [own] }))),
      http.get("*/api/checks/c1/roles", () =>
        HttpResponse.json({
          items: [
            {
              role: "RUNNING_TEXT",
              label: "Running text",
              selector: "body",
              texts: 2,
              pages: 1,
              verdict: "OTHER",
              asked,
              shown: [faked],
            },
          ],
        }),
      ),
      http.get("*/api/families/f1", () => HttpResponse.json(family({ files: [file({ slot: bold })] }))),
      http.post("*/api/decisions", () =>
        HttpResponse.json({ verdict: "ALLOWED", licenseId: "l1", reasons: [] }),
      ),
      http.put("*/api/sites/s1", async ({ request }) => {
        kept.push((await request.json()) as SiteDraft);
        return HttpResponse.json(site());
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Add Ostrel Bold to the role" }));
    expect(await screen.findByText("Added Bold. Make the pack again, and upload it.")).toBeInTheDocument();
    expect(kept[0]?.roles?.[0]?.faces.map(({ weight }) => weight)).toEqual([400, 700]);
  });

  it("have a font that is not held, which is taken into an intake", async () => {
    const taken: string[] = [];
    network.use(
      http.post("*/api/checks/c1/fonts/ab/intake", () => {
        taken.push("ab");
        return HttpResponse.json({ intakeId: "i1" }, { status: 202 });
      }),
      http.get("*/api/intakes/i1", () => problem(404, "There is no intake “i1”.")),
    );
    const { user, router } = await open("/sites/s1/pages", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Add to an intake" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/intake/i1"));
    expect(taken).toEqual(["ab"]);
  });

  it("are read as the plan says, which is edited in place and keeps a password that is not typed", async () => {
    const kept: { body: unknown; tag: string | null }[] = [];
    network.use(
      http.put("*/api/sites/s1/check-plan", async ({ request }) => {
        const body = (await request.json()) as CheckPlan;
        kept.push({ body, tag: request.headers.get("If-Match") });
        if (body.mostPages === 7) {
          return problem(422, "other.example is not among the site’s domains.");
        }
        return HttpResponse.json({ version: 4, plan: body });
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    expect(
      await screen.findByText(/^fernway\.example and the pages it links to, at most 20 pages\./),
    ).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Edit" }));
    await user.clear(screen.getByLabelText("At most"));
    await user.type(screen.getByLabelText("At most"), "7");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText("other.example is not among the site’s domains.")).toBeVisible();
    expect(screen.getByLabelText("At most")).toHaveValue("7");
    await user.type(screen.getByLabelText("At most"), "5");
    await user.type(screen.getByLabelText("Connect elsewhere"), "fernway.example:443 → 192.0.2.7:8443");
    await user.click(screen.getByRole("checkbox", { name: /^Check daily/ }));
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByText(/at most 75 pages\. Checked daily/)).toBeVisible();
    expect(kept.at(-1)).toEqual({
      tag: '"3"',
      body: {
        ...plan,
        mostPages: 75,
        watched: true,
        connections: [{ host: "fernway.example:443", to: "192.0.2.7:8443" }],
      },
    });
  });
});

describe("a page under check", () => {
  it("shows its text with what is asked and given beside it", async () => {
    const text: CheckedText = {
      url: "https://fernway.example/",
      title: "Fernway",
      allRuns: 1,
      browser: null,
      runs: [
        {
          text: "Move again",
          path: "html > body > h1",
          family: ["Wendlow", "serif"],
          weight: 700,
          slope: "upright",
          width: 100,
          size: 48,
          given: [
            {
              family: "Wendlow",
              weight: 400,
              slope: "upright",
              url: "https://fernway.example/w.woff2",
              sha256: "ab",
              synthesized: ["bold"],
              characters: "Move again",
            },
          ],
          rule: { url: "https://fernway.example/type.css", line: 12, selector: "h1" },
          winners: {
            family: {
              property: "font",
              selector: "h1",
              sheet: "https://fernway.example/type.css",
              line: 12,
              value: "700 3rem var(--display)",
              important: false,
              layer: null,
              via: "--display",
            },
            weight: null,
            slope: null,
            size: null,
          },
          after: {
            weight: 700,
            slope: "upright",
            size: 40,
            given: [
              {
                family: "Ostrel",
                weight: 700,
                slope: "upright",
                url: "/tried-by-unciala/ostrel.woff2",
                sha256: "cd",
                synthesized: [],
                characters: "Move again",
              },
            ],
          },
        },
      ],
      notes: [
        {
          page: "https://fernway.example/",
          kind: "faked-bold",
          severity: "error",
          message: "Wendlow Bold is asked.",
          cause: "Wendlow Bold is asked.",
          text: "Move again",
          path: "html > body > h1",
          fix: "h1 { font-weight: 400 }",
          onPhoneOnly: false,
        },
      ],
    };
    network.use(http.get("*/api/checks/c1/pages/0", () => HttpResponse.json(text)));
    const { user } = await open("/sites/s1/pages/0?check=c1", "Fernway");
    expect(screen.getByText("Move again", { selector: "mark" })).toHaveAttribute(
      "title",
      "Asked for: Wendlow 700",
    );
    const note = screen.getByRole("group", { name: "Faked bold: Wendlow Bold is asked." });
    expect(note).toHaveTextContent("Shown inWendlow 400, bold faked");
    expect(note).toHaveTextContent("h1 (type.css, line 12)");
    expect(within(note).getByText("h1 { font-weight: 400 }")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Move again", pressed: false }));
    const picked = screen.getByRole("status", { name: "This text" });
    expect(picked).toHaveTextContent(
      "Familyh1 sets font: 700 3rem var(--display), which --display sets (type.css, line 12)",
    );
    expect(picked).toHaveTextContent("Weightno rule: the browser’s initial value");
    expect(picked).toHaveTextContent("With the new packOstrel 700");
    await user.click(screen.getByRole("button", { name: "Move again", pressed: true }));
    expect(screen.queryByRole("status", { name: "This text" })).toBeNull();

    expect(screen.getByText("1 text changes with the pack that isn’t deployed yet.")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "With the new pack" }));
    expect(screen.getByText("Move again", { selector: "mark" })).toHaveAttribute("title", "Ostrel 700");
  });

  it("says when there is no such page", async () => {
    network.use(
      http.get("*/api/checks/c1/pages/9", () => problem(404, "There is no page of this check “9”.")),
    );
    await open("/sites/s1/pages/9?check=c1");
    expect(await screen.findByText(/There is no page of this check/)).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "All pages" })).toHaveAttribute("href", "/sites/s1/pages");
  });
});
