import { expect, type Page, type Request } from "@playwright/test";
import axe, { type RunOptions } from "axe-core";

/** Every place, and some records of each kind that the demonstration has, by the place that lists them. */
export const places = [
  "/",
  "/intake",
  "/families",
  "/families?license=NO&order=NEWEST",
  "/families/duplicates",
  "/licenses",
  "/licenses/new",
  "/licenses/coverage",
  "/licenses/costs",
  "/licenses/terms",
  "/sites",
  "/sites/new",
  "/css",
  "/flags",
  "/flags?by=site",
  "/history",
  "/people",
  "/settings",
];
/** The list, the record, and the leaf of it. */
export const records: [list: string, name: string, leaf?: string][] = [
  ["/families", "Ostrel"],
  ["/families", "Penmarrow", "Files"],
  ["/families", "Penmarrow", "Use"],
  ["/families", "Penmarrow", "Facts"],
  ["/sites", "Fernway"],
  ["/sites", "Fernway", "Type"],
  ["/sites", "Fernway", "Delivery"],
  ["/sites", "Fernway", "Pages"],
  ["/sites", "Fernway", "CSS"],
  ["/sites", "Fernway", "Details"],
  ["/licenses", "Penmarrow web license"],
  ["/licenses", "Ostrel for two sites", "Terms"],
  ["/intake", "Brantle 3.zip"],
];

const open = new WeakMap<Page, Set<Request>>();

/** Counts what a page asks for and has no answer to yet. */
export function watch(page: Page) {
  if (open.has(page)) {
    return;
  }
  const asked = new Set<Request>();
  open.set(page, asked);
  page.on("request", (request) => request.resourceType() !== "eventsource" && asked.add(request));
  page.on("requestfinished", (request) => asked.delete(request));
  page.on("requestfailed", (request) => asked.delete(request));
}

/** Waits until a page has had all its answers for a while, so that nothing moves any more. */
export async function settled(page: Page) {
  watch(page);
  const asked = open.get(page)!;
  await expect(async () => {
    for (let i = 0; i < 6; i++) {
      expect(asked.size).toBe(0);
      await page.waitForTimeout(50);
    }
  }).toPass({ intervals: [50] });
}

/** Follows a link of the page: only when all is read, since the rows of a list move while flags and fonts come in. */
export async function follow(page: Page, name: string) {
  const link = page.getByRole("main").getByRole("link", { name, exact: true }).first();
  await expect(link).toBeVisible();
  await settled(page);
  await link.click();
}

export async function openRecord(page: Page, list: string, name: string, leaf?: string) {
  await page.goto(list);
  await follow(page, name);
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  if (leaf) {
    const to = page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: leaf });
    await to.click();
    await expect(to).toHaveAttribute("aria-current", "page");
  }
}

export async function signIn(page: Page, name = "demo") {
  watch(page);
  await page.goto("/");
  await page.getByLabel("Name").fill(name);
  await page.getByLabel("Password").fill("unciala-demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("navigation", { name: "Places" })).toBeVisible();
}

/** Goes to a place by its name in the rail. */
export async function goTo(page: Page, place: string) {
  await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: place }).click();
  await expect(page.getByRole("heading", { level: 1, name: place })).toBeVisible();
}

/** Nothing but a table or a grid, which moves alone, is wider than the window. */
export async function fits(page: Page) {
  await settled(page);
  const over = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  await expect.poll(over).toBeLessThanOrEqual(0);
}

/** What axe is asked: the rules of WCAG 2.2 A and AA, all or some, and of what it finds only what is wrong. */
function asked(rules: "all" | "colors" | "all but colors"): RunOptions {
  return {
    runOnly: rules === "colors" ? ["color-contrast"] : ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"],
    rules: rules === "all but colors" ? { "color-contrast": { enabled: false } } : {},
    resultTypes: ["violations"],
  };
}

/** The automated audit of WCAG 2.2 A and AA, of the whole page or of a part of it, by all rules or some. */
export async function audit(
  page: Page,
  { part, rules = "all" }: { part?: string; rules?: "all" | "colors" | "all but colors" } = {},
) {
  await settled(page);
  await page.evaluate(() => Promise.allSettled(document.getAnimations().map((running) => running.finished)));
  // Axe runs in the page itself, which takes a third of the time that its own driver needs; frames answer it.
  await Promise.all(page.frames().map((frame) => frame.evaluate(axe.source)));
  const said = await page.evaluate(
    async ({ part, options }) => {
      const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(part ?? document, options);
      return violations.map(({ id, nodes }) => {
        const where = nodes.map(({ target, any }) => `${target.join(" ")} ${any[0]?.message ?? ""}`);
        return `${id}: ${where.join(" | ")}`;
      });
    },
    { part, options: asked(rules) },
  );
  expect(said).toEqual([]);
}

/** The family that Chromium painted most of an element's text in, and whether each font it took came as a file. */
export async function painted(page: Page, selector: string) {
  const client = await page.context().newCDPSession(page);
  await client.send("DOM.enable");
  await client.send("CSS.enable");
  const { root } = await client.send("DOM.getDocument");
  const { nodeId } = await client.send("DOM.querySelector", { nodeId: root.nodeId, selector });
  const { fonts } = await client.send("CSS.getPlatformFontsForNode", { nodeId });
  await client.detach();
  const most = [...fonts].sort((a, b) => b.glyphCount - a.glyphCount)[0];
  return { family: most?.familyName, files: fonts.map((font) => font.isCustomFont) };
}

/** Lets checks connect to a host with its port on this machine. */
export async function allowHost(page: Page, where: string) {
  await page.goto("/settings");
  await page.getByLabel("Host and port").fill(where);
  await page.getByRole("button", { name: "Allow" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: where })).toBeVisible();
}

/** Begins the type of a new site with two families. */
export async function setIn(page: Page, families: { headings: string; text: string }) {
  for (const [field, family] of [
    ["Headings", families.headings],
    ["Running text", families.text],
  ] as const) {
    await page.getByRole("combobox", { name: field, exact: true }).fill(family);
    await page.getByRole("option", { name: family, exact: true }).click();
  }
  await page.getByRole("button", { name: "Use these families" }).click();
  await page.getByRole("button", { name: "Save the type" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
}
