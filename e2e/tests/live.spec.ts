import { expect, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { host } from "./host";
import { test } from "./inventory";
import { audit, fits, openRecord, settled, signIn } from "./support";

test.use({ inventory: "work" });

const font = readFileSync("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf");
const style = `<style>@font-face { font-family: Deja; src: url(d.ttf) } p { font-family: Deja, serif }</style>`;

/** Presses the button that checks, and waits until the check is over. */
async function check(page: Page, name: "Check the pages" | "Check again") {
  await page.getByRole("button", { name }).click();
  await expect(page.getByRole("button", { name: "Check again" })).toBeEnabled();
  await settled(page);
}

test("a check of a stand-in says what its texts are given, and what to change", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", "Northlight Museum", "Pages");
  await expect(page.getByText("The pages of this site were not checked yet.")).toBeVisible();
  await check(page, "Check the pages");
  await expect(page.getByText(/^The page gives its visitors something else than is asked\./)).toBeVisible();
  await expect(page.getByRole("group", { name: /Missing: .*browsers fake a bold/ })).toBeVisible();
  await expect(page.getByRole("cell", { name: /^Ostrel Light/ })).toBeVisible();
  await audit(page);

  await page.getByRole("list", { name: "Pages" }).getByRole("link", { name: "Northlight Museum" }).click();
  const marked = page.locator("mark", { hasText: "Northlight Museum" });
  await expect(marked).toBeVisible();
  const note = page.getByRole("group", { name: /^Faked bold:/ });
  await expect(note).toContainText("Ostrel Bold 700");
  await expect(note).toContainText("style.css, line 4");
  // It is shown as visitors get it: its own file, made bolder by the browser.
  const family = await marked.evaluate((element) => getComputedStyle(element).fontFamily.replaceAll('"', ""));
  const loaded = await page.evaluate(
    (name) => [...document.fonts].some((face) => face.family === name && face.status === "loaded"),
    family,
  );
  expect(loaded).toBe(true);
  await audit(page);
  await page.setViewportSize({ width: 320, height: 800 });
  await fits(page);
});

test("a fault is gone after it was mended and the page checked again", async ({ page }) => {
  const files = new Map<string, Buffer | string>([
    ["/", `<!doctype html><title>Mill</title>${style}<p>Flour <b>today</b></p>`],
    ["/d.ttf", font],
  ]);
  const at = await host(files);
  const where = at.url.replace("http://", "");
  try {
    await signIn(page);
    await page.goto("/settings");
    await page.getByLabel("Host and port").fill(where);
    await page.getByRole("button", { name: "Allow it" }).click();
    await expect(page.getByRole("listitem").filter({ hasText: where })).toBeVisible();

    await page.goto("/sites/new");
    await settled(page);
    await page.getByLabel("Client").fill("Millers");
    await page.getByLabel("Name", { exact: true }).fill("Mill");
    await page.getByLabel("Domains").fill("mill.example");
    await page.getByRole("button", { name: "Add the site" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Mill" })).toBeVisible();
    await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Pages" }).click();
    await page.getByRole("button", { name: "Change it" }).click();
    await page.getByLabel("Pages to read").fill("http://mill.example/");
    await page.getByLabel("Connect elsewhere").fill(`mill.example:80 → ${where}`);
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText(/1 host connected to elsewhere/)).toBeVisible();

    await check(page, "Check the pages");
    await expect(page.getByRole("group", { name: /Not recorded: DejaVu Sans/ })).toBeVisible();
    await expect(page.getByRole("group", { name: /Missing: Mill: browsers fake/ })).toBeVisible();

    files.set("/", `<!doctype html><title>Mill</title>${style}<p>Flour today</p>`);
    await check(page, "Check again");
    await expect(page.getByRole("list", { name: "Gone" })).toContainText("Faked bold");
    await expect(page.getByRole("group", { name: /browsers fake/ })).toBeHidden();

    await page.getByRole("button", { name: "Take it into an intake" }).click();
    await expect(page.getByText(/DejaVu Sans/).first()).toBeVisible();
    await expect(page.getByRole("heading", { level: 1, name: "d.ttf" })).toBeVisible();
  } finally {
    at.close();
  }
});
