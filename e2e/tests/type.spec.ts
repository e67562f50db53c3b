import { expect } from "@playwright/test";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test } from "./inventory";
import { unpacked } from "./host";
import { audit, fits, openRecord, painted, setIn, settled, signIn } from "./support";

test.use({ inventory: "people" });

test("the type of a site is seen as packs deliver it, until it arrives, and as the pages have it", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", "Opal Street Books", "Type");
  await expect(page.getByText(/^4 fonts to send, \d+ kB/)).toBeVisible();
  await settled(page);
  const heading = '[aria-label="Headings: words"]';
  await expect.poll(() => painted(page, heading)).toEqual({ family: "Vellumine", files: [true] });
  await expect
    .poll(() => painted(page, '[aria-label="Code: words"]'))
    .toEqual({ family: "Tillet Mono", files: [true] });

  await page.getByRole("button", { name: "what’s shown until fonts load" }).click();
  await expect.poll(() => painted(page, heading)).toMatchObject({ files: [false] });
  await page.getByRole("button", { name: "what the pages show now" }).click();
  await expect.poll(() => painted(page, heading)).toEqual({ family: "Vellumine", files: [true] });
  await page.getByRole("button", { name: "what packs deliver" }).click();

  await expect(page.getByText(/^This page becomes \d+ px (longer|shorter) when the fonts arrive/)).toBeVisible();
  const text = page.getByRole("textbox", { name: "Headings: words" });
  await text.fill("Books, bought by weight");
  await expect(text).toHaveText("Books, bought by weight");
  await expect(page.getByRole("button", { name: "Close Headings" })).toBeVisible();
  await audit(page);
  await fits(page);
  // What was only typed over asks nothing when one leaves.
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Overview" }).click();
  await expect(page.getByRole("heading", { name: "Asked, held, allowed" })).toBeVisible();
});

test("a bold that nobody supplied is faked before it is delivered, as it will be on the site", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", "Fernway", "Type");
  await settled(page);
  await expect
    .poll(() => painted(page, '[aria-label="Headings: words"]'))
    .toEqual({ family: "Wendlow", files: [true] });
  const text = page.getByRole("textbox", { name: "Headings: words" });
  const faked = await text.screenshot();
  await text.evaluate((element) => (element.style.fontSynthesis = "none"));
  expect(faked.equals(await text.screenshot())).toBe(false);
  await expect(page.getByRole("group", { name: /Missing: Wendlow Bold is not held/ })).toBeVisible();
});

test("a text role of the site’s own is named, set, and in the pack", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", "Opal Street Books", "Type");
  await page.getByRole("button", { name: "Add a text role" }).click();
  await page.getByRole("menuitem", { name: "Custom role …" }).click();
  await audit(page, { part: "[role=dialog]" });
  await page.getByLabel("Name of the text role").fill("Pull quote");
  await page.getByRole("button", { name: "Add it" }).click();
  await page.getByRole("combobox", { name: "Pull quote: family" }).fill("Penmarrow");
  await page.getByRole("option", { name: "Penmarrow", exact: true }).click();
  await page.getByRole("button", { name: /^Italic: held/ }).click();
  await page.getByText("Usual elements, size and spacing").click();
  await page.getByLabel("Pull quote: selector").fill("blockquote p");
  await page.getByLabel("Pull quote: size").fill("1.6rem");
  await page.getByRole("button", { name: "Save the type" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Overview" }).click();
  await expect(page.getByRole("row", { name: /Pull quote Penmarrow Italic/ })).toContainText("Allowed");
  await page.getByRole("button", { name: /^Make a( new)? pack$/ }).click();
  await expect(page.locator(".told", { hasText: /^Made a pack of/ })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Download the pack" }).click(),
  ]);
  const folder = mkdtempSync(join(tmpdir(), "unciala-type-"));
  await download.saveAs(join(folder, "pack.zip"));
  const files = new Map([...unpacked(join(folder, "pack.zip"), join(folder, "pack"))]);
  expect(files.get("type.css")!.toString()).toMatch(
    /blockquote p,\n\.type-pull-quote \{\n  font-family: var\(--type-pull-quote\);\n  font-weight: 400;\n  font-style: italic;[^}]*font-size: 1\.6rem;/,
  );
});

test("a new site begins with two families that are seen together first", async ({ page }) => {
  await signIn(page);
  await page.goto("/sites/new");
  await page.getByLabel("Client").fill("Northlight Museum");
  await page.getByLabel("Name", { exact: true }).fill("Night at the museum");
  await page.getByRole("button", { name: "Add the site" }).click();
  await expect(page.getByText("Start with two families: one for headings, one for running text.")).toBeVisible();
  await setIn(page, { headings: "Vellumine", text: "Penmarrow" });
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Overview" }).click();
  await expect(page.getByRole("row", { name: /Headings Vellumine Regular/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /Running text Penmarrow Regular/ })).toBeVisible();
});
