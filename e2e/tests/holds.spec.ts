import { expect, type Page } from "@playwright/test";
import { gzipSync } from "node:zlib";
import { test } from "./inventory";
import { audit, goTo, openRecord, signIn } from "./support";

test.use({ inventory: "holds" });

test("at 320 px a license is changed and saved, and its flags stand under what they speak of", async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await signIn(page);
  await openRecord(page, "/licenses", "Fenwick for the office", "Terms");
  await page.getByLabel("Proof of purchase").fill(`Receipt ${Date.now()}`);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto("/families");
  const row = page.getByRole("listitem").filter({ hasText: "Brantle" }).first();
  const name = (await row.getByRole("link", { name: "Brantle", exact: true }).boundingBox())!;
  const note = (await row.getByRole("group").first().boundingBox())!;
  expect(note.y).toBeGreaterThan(name.y);
  expect(note.x + note.width).toBeLessThanOrEqual(320);
});

test("from Today a pack is made with fewer than twenty keys", async ({ page }) => {
  await signIn(page);
  await expect(page.getByRole("heading", { level: 2 }).first()).toBeVisible();
  let keys = 0;
  const press = async (key: string) => {
    keys++;
    await page.keyboard.press(key);
  };
  await press("g");
  await press("s");
  const heading = page.getByRole("heading", { level: 1, name: "Sites" });
  await expect(heading).toBeFocused();
  await expect(page.getByRole("listitem").first()).toBeVisible();
  for (let i = 0; i < 5; i++) {
    await press("Tab");
  }
  const focused = () => page.evaluate(() => document.activeElement?.textContent ?? "");
  const first = await page.getByRole("listitem").first().getByRole("link").first().innerText();
  expect(await focused()).toBe(first);
  const names = await page.getByRole("listitem").locator("a.name").allInnerTexts();
  const target = Math.min(4, names.length - 1);
  for (let i = 0; i < target; i++) {
    await press("ArrowDown");
  }
  expect(await focused()).toBe(names[target]);
  await press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: names[target] })).toBeFocused();
  const make = page.getByRole("button", { name: /^Make a( new)? pack$/ });
  await expect(make).toBeVisible();
  for (let i = 0; i < 4 && !(await make.evaluate((node) => node === document.activeElement)); i++) {
    await press("Tab");
  }
  await expect(make).toBeFocused();
  await press("Enter");
  await expect(page.locator(".told", { hasText: /^Made a pack of/ })).toBeVisible();
  expect(keys).toBeLessThan(20);
});

test("the content is reached by one key, lists by one more, and a place begins at its heading", async ({ page }) => {
  await signIn(page);
  await page.goto("/families");
  await expect(page.getByRole("listitem").first()).toBeVisible();
  const make = page.getByRole("button", { name: "Make WOFF2" });
  await expect(make.nth(1)).toBeVisible();
  await expect(page.getByRole("combobox", { name: "Foundry" })).toBeVisible();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Skip to content" })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Duplicates" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByLabel("Filter by name")).toBeFocused();
  // The words of the sentence that narrows the list, one key each.
  for (let word = 0; word < 9; word++) {
    await page.keyboard.press("Tab");
  }
  await expect(page.getByRole("combobox", { name: "Order" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Brantle", exact: true })).toBeFocused();
  await page.keyboard.press("End");
  await page.keyboard.press("Home");
  for (let row = 0; row < 3; row++) {
    await page.keyboard.press("ArrowDown");
  }
  await page.keyboard.press("ArrowRight");
  await expect(make.nth(1)).toBeFocused();
  await page.evaluate(() => window.scrollTo(0, 400));
  await goTo(page, "Licenses");
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  await expect(page.getByRole("heading", { level: 1, name: "Licenses" })).toBeFocused();
});

test("dialogs, menus and failures pass the audit, too", async ({ page }) => {
  for (const colorScheme of ["light", "dark"] as const) {
    await page.emulateMedia({ colorScheme });
    const rules = colorScheme === "light" ? "all" : "colors";
    if (colorScheme === "light") {
      await signIn(page);
    }
    await page.goto("/families");
    await page.getByRole("button", { name: "Shortcuts and symbols" }).click();
    await expect(page.getByRole("dialog", { name: "Shortcuts and symbols" })).toBeVisible();
    await audit(page, { rules });
    await page.keyboard.press("Escape");
    await openRecord(page, "/intake", "Brantle 3.zip");
    await page.getByRole("button", { name: "Files of Brantle" }).click();
    await page
      .getByRole("button", { name: /^Evidence of/ })
      .first()
      .click();
    await page
      .getByRole("button", { name: /^Correct / })
      .first()
      .click();
    await expect(page.getByRole("dialog")).toBeVisible();
    await audit(page, { rules });
    await page.keyboard.press("Escape");
    await openRecord(page, "/licenses", "Penmarrow web license", "Terms");
    await page.getByLabel("License type").click();
    await expect(page.getByRole("listbox")).toBeVisible();
    await audit(page, { rules });
    await page.keyboard.press("Escape");
    await page.getByLabel("Currency").fill("€");
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByText("Three letters, such as EUR")).toBeVisible();
    await audit(page, { rules });
    await page.getByRole("link", { name: "Families", exact: true }).click();
    await expect(page.getByRole("dialog", { name: "Leave without saving?" })).toBeVisible();
    await audit(page, { rules });
    await page.getByRole("button", { name: "Discard changes" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Families" })).toBeVisible();
    await page.goto("/licenses/nowhere");
    await expect(page.getByRole("heading", { level: 1, name: "Not found" })).toBeVisible();
    await audit(page, { rules });
  }
});

test("the page stays while the server is away and while a session has ended", async ({ page, context }) => {
  await signIn(page);
  await openRecord(page, "/licenses", "Hollin for Lantern Row", "Terms");
  await page.getByLabel("Notes").fill("Typed while all was well.");
  await context.setOffline(true);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("alert")).toContainText("The server isn’t responding.");
  await expect(page.getByText(/tries again every few seconds/)).toBeVisible();
  await audit(page);
  await context.setOffline(false);
  await expect(page.getByText(/tries again every few seconds/)).toBeHidden();
  await context.clearCookies({ name: /SESSION/ });
  await page.getByRole("button", { name: "Save" }).click();
  const again = page.getByRole("dialog", { name: "Your session has ended" });
  await expect(again).toBeVisible();
  await audit(page, { part: "[role=dialog]" });
  await again.getByLabel("Password").fill("unciala-demo");
  await again.getByRole("button", { name: "Sign in" }).click();
  await expect(again).toBeHidden();
  await expect(page.getByLabel("Notes")).toHaveValue("Typed while all was well.");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
});

test("the row that has the focus keeps it however far the list is scrolled", async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 300 });
  await signIn(page);
  await page.goto("/families");
  const first = page.getByRole("link", { name: "Brantle", exact: true });
  const second = page.getByRole("link", { name: "Fenwick Grotesk", exact: true });
  await first.focus();
  // Rows are measured once they are drawn, and more come from the server, so the list may become longer while it is
  // scrolled.
  await expect(async () => {
    await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
    await expect(page.getByRole("listitem").last()).toBeInViewport({ timeout: 500 });
    await expect(second).toHaveCount(0, { timeout: 500 });
  }).toPass();
  await expect(first).toBeFocused();
});

test("a family gets another name and its old one back", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/families", "Lanthorn");
  for (const [from, to] of [
    ["Lanthorn", "Lanthorn Uncial"],
    ["Lanthorn Uncial", "Lanthorn"],
  ] as const) {
    await expect(page.getByRole("heading", { level: 1, name: from, exact: true })).toBeVisible();
    await page.getByRole("button", { name: "Edit", exact: true }).click();
    await page.getByLabel("Name of the family").fill(to);
    await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("heading", { level: 1, name: to, exact: true })).toBeVisible();
    // What was done is told in the margin, at the height of where it was done, and over nothing else.
    const told = (await page.locator(".told", { hasText: "Renamed." }).boundingBox())!;
    const head = (await page.locator(".leaf-head").boundingBox())!;
    expect(told.x).toBeGreaterThanOrEqual(head.x + head.width);
    expect(told.y).toBeGreaterThanOrEqual(head.y);
    expect(told.y).toBeLessThan(head.y + head.height);
  }
});

test("paper is the right one from the first moment", async ({ page }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await page.route("**/assets/*.js", (route) => route.abort());
  await page.goto("/");
  const paper = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(paper).toBe("rgb(27, 24, 21)");
});

test("the first script is small, and a place brings its own", async ({ page }) => {
  const html = await (await page.request.get("/")).text();
  const first = [...html.matchAll(/<(?:script|link rel="modulepreload")[^>]* (?:src|href)="([^"]+)"/g)].map(
    (found) => found[1]!,
  );
  expect(first.length).toBeGreaterThan(1);
  let bytes = 0;
  for (const address of first) {
    const answer = await page.request.get(address, { headers: { "Accept-Encoding": "gzip" } });
    expect(answer.ok()).toBe(true);
    bytes += gzipSync(await answer.body()).length;
  }
  expect(bytes).toBeLessThan(200_000);
});
