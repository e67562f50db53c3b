import { expect, test } from "@playwright/test";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/** What the Java tests wrote from the fonts of three Debian packages. */
const folder = join(import.meta.dirname, "../../font/target/woff2");

test("Chromium loads every WOFF2 that we write", async ({ page }) => {
  const names = readdirSync(folder).filter((name) => name.endsWith(".woff2"));
  expect(names.length).toBeGreaterThan(15);
  await page.goto("about:blank");
  const refused: string[] = [];
  for (const name of names) {
    const bytes = readFileSync(join(folder, name)).toString("base64");
    const status = await page.evaluate(async (base64) => {
      const data = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
      const face = new FontFace("sample", data);
      return face.load().then(
        (loaded) => loaded.status,
        (error: Error) => error.message,
      );
    }, bytes);
    if (status !== "loaded") {
      refused.push(`${name}: ${status}`);
    }
  }
  expect(refused).toEqual([]);
});
