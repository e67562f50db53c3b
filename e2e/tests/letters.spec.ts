import { expect } from "@playwright/test";
import { readdirSync } from "node:fs";
import { join } from "node:path";
import { test } from "./inventory";
import { goTo, signIn } from "./support";

test.use({ inventory: "letters" });

/** What the Java tests cut and damaged, out of the fonts of Debian packages. */
const target = join(import.meta.dirname, "../../font/target");

test("a font is shown by letters it has, and damage that browsers do not take is named", async ({ page }) => {
  const damaged = readdirSync(join(target, "damaged")).find((name) => name.startsWith("post-34"))!;
  await signIn(page);
  await goTo(page, "Intake");
  await page
    .getByLabel("Choose files")
    .setInputFiles([join(target, "samples/emoji-cut.woff2"), join(target, "damaged", damaged)]);
  await expect(page.getByText(/^2 families ready to accept/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Files of / })).toHaveCount(2);
  for (const files of await page.getByRole("button", { name: /^Files of / }).all()) {
    await files.click();
  }
  const emoji = page.getByRole("group", { name: /emoji-cut\.woff2/ });
  await expect(emoji.getByText("👍")).toBeVisible();
  await expect(emoji.getByText("Ag")).toBeHidden();
  const broken = page.getByRole("group", { name: new RegExp(damaged.replace(".", "\\.")) });
  await expect(broken.getByText(/^post gives glyph 0 the name 65000 .*; browsers refuse the file$/)).toBeVisible();
  await page.getByRole("button", { name: "Discard intake" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Discard intake" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Intake" })).toBeVisible();
});
