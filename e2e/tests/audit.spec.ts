import { expect } from "@playwright/test";
import { test } from "./inventory";
import { audit, openRecord, places, records, signIn } from "./support";

test.use({ inventory: "audit" });

test("the sign-in page passes the audit", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  await audit(page);
});

for (const colorScheme of ["light", "dark"] as const) {
  test(`every place passes the audit on ${colorScheme} paper`, async ({ page }) => {
    test.setTimeout(600_000);
    await page.emulateMedia({ colorScheme });
    await signIn(page);
    for (const place of places) {
      await page.goto(place);
      await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      await page.waitForLoadState("networkidle");
      await audit(page);
    }
    for (const [list, name, leaf] of records) {
      await openRecord(page, list, name, leaf);
      await page.waitForLoadState("networkidle");
      await audit(page);
    }
  });
}

test("the keyboard reaches places, search and help", async ({ page }) => {
  await signIn(page);
  await page.keyboard.press("g");
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { level: 1, name: "Families" })).toBeVisible();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
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
