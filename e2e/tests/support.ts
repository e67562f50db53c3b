import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

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
