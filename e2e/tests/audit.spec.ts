import { expect, type Cookie, type Page } from "@playwright/test";
import { test } from "./inventory";
import { audit, fits, openRecord, places, records, signIn } from "./support";

test.use({ inventory: "rules" });

/**
 * The page that is open passes the audit on light and dark paper, and fits and passes it at the two narrow sizes. Colors
 * do not depend on the width, nor anything but colors on the paper, so each is asked about once.
 */
async function passesEverywhere(page: Page) {
  await audit(page);
  await page.emulateMedia({ colorScheme: "dark" });
  await audit(page, { rules: "colors" });
  await page.emulateMedia({ colorScheme: "light" });
  for (const [width, height] of [
    // 400 % and 200 % of 1280 by 800
    [320, 640],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    await fits(page);
    await audit(page, { rules: "all but colors" });
  }
  await page.setViewportSize({ width: 1280, height: 800 });
}

/** Signs in once; later tests go on in the same session. */
let session: Cookie[] = [];
async function signedIn(page: Page) {
  if (session.length > 0) {
    await page.context().addCookies(session);
  } else {
    await signIn(page);
    session = await page.context().cookies();
  }
}

test("the sign-in page passes the audit", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  await passesEverywhere(page);
});

for (const place of places) {
  test(`${place} passes the audit on both papers, and fits at 200 % and 400 %`, async ({ page }) => {
    await signedIn(page);
    await page.goto(place);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await passesEverywhere(page);
  });
}

for (const [list, name, leaf] of records) {
  test(`${name}${leaf ? `, ${leaf},` : ""} passes the audit on both papers, and fits at 200 % and 400 %`, async ({
    page,
  }) => {
    await signedIn(page);
    await openRecord(page, list, name, leaf);
    await passesEverywhere(page);
  });
}

test("the keyboard reaches places, search and help", async ({ page }) => {
  await signIn(page);
  await page.keyboard.press("g");
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { level: 1, name: "Families" })).toBeVisible();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  await page.keyboard.press("/");
  await page.keyboard.type("tidewater");
  await page
    .getByRole("option", { name: /Tidewater Cooperative/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { level: 1, name: "Tidewater Cooperative" })).toBeVisible();
});
