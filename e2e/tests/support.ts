import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** Every place, and some records of each kind that the demonstration has, by the place that lists them. */
export const places = [
  "/",
  "/intake",
  "/families",
  "/families?license=NO&order=NEWEST",
  "/families/duplicates",
  "/licenses",
  "/licenses/new",
  "/sites",
  "/sites/new",
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
  ["/licenses", "Penmarrow web license"],
  ["/intake", "Brantle 3.zip"],
];

export async function openRecord(page: Page, list: string, name: string, leaf?: string) {
  await page.goto(list);
  // The rows of a list find their heights as fonts and flags come in.
  await page.waitForLoadState("networkidle");
  await page.getByRole("main").getByRole("link", { name, exact: true }).first().click();
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  if (leaf) {
    const to = page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: leaf });
    await to.click();
    await expect(to).toHaveAttribute("aria-current", "page");
  }
}

export async function signIn(page: Page, name = "demo") {
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

/** The automated audit of WCAG 2.2 A and AA, of the whole page or of a part of it. */
export async function audit(page: Page, part?: string) {
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => Promise.allSettled(document.getAnimations().map((running) => running.finished)));
  const all = new AxeBuilder({ page });
  const found = await (part ? all.include(part) : all)
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
    .analyze();
  const said = found.violations.map(
    (v) => `${v.id}: ${v.nodes.map((node) => node.target.join(" ") + " " + (node.any[0]?.message ?? "")).join(" | ")}`,
  );
  expect(said).toEqual([]);
}
