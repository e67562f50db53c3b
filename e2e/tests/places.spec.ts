import { expect } from "@playwright/test";
import { readFileSync } from "node:fs";
import { test } from "./inventory";
import { follow, goTo, openRecord, signIn } from "./support";

test.use({ inventory: "people" });

test.beforeEach(async ({ page }) => signIn(page));

test("today says what must not go out, with the step that solves it", async ({ page }) => {
  const main = page.getByRole("main");
  await expect(main.getByText(/blocking flags/)).toBeVisible();
  const ended = main.locator(".home-row", { hasText: "Brantle on Copperline: license ended" }).first();
  await expect(ended).toContainText("Unlicensed");
  await ended.getByRole("link", { name: "Renew" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Brantle yearly" })).toBeVisible();
  await expect(page.getByLabel("Ends")).not.toHaveValue("");
  await expect(page.getByRole("group", { name: /Brantle on Copperline: license ended/ })).toBeVisible();
});

test("the slot grid shows what is held, asked for and in conflict", async ({ page }) => {
  await goTo(page, "Families");
  await expect(
    page.getByRole("img", { name: "Bold: held as TTF WOFF2, 2 files in conflict; asked for by Tidewater Cooperative" }),
  ).toBeVisible();
  await expect(
    page.getByRole("img", { name: /^Regular: held as TTF, no license; asked for by Gannet Ferries/ }),
  ).toBeVisible();
  // The last family is drawn once it comes near.
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
  await expect(page.getByRole("img", { name: "Bold: not held; asked for by Fernway" })).toBeVisible();
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.getByLabel("Filter by name").fill("ostr");
  await expect(page.getByRole("main").getByRole("link", { name: "Penmarrow", exact: true })).toBeHidden();
  await follow(page, "Ostrel");
  await page.getByRole("button", { name: /^Black: held as TTF/ }).click();
  const specimen = page.getByRole("region", { name: "Specimen of Black" });
  await expect(specimen).toBeVisible();
  await specimen.getByLabel("Your own words").fill("Quayside 1904");
  await expect(specimen.getByText("Quayside 1904").first()).toBeVisible();
  await specimen.getByRole("button", { name: "Fallback" }).click();
  await expect(specimen.getByText("Quayside 1904")).toHaveCount(2);
});

test("a specimen is set in the stored file, wider than in the fallback", async ({ page }) => {
  await page.goto("/families");
  await follow(page, "Tillet Mono");
  await page.getByRole("button", { name: "Sizes" }).click();
  const line = page.locator(".specimen-line .text").first();
  await expect(line).toBeVisible();
  const widths = await line.evaluate((node) => {
    const range = document.createRange();
    range.selectNodeContents(node);
    const own = range.getBoundingClientRect().width;
    (node as HTMLElement).style.fontFamily = "serif";
    return [own, range.getBoundingClientRect().width];
  });
  expect(Math.abs(widths[0]! - widths[1]!)).toBeGreaterThan(10);
});

test("a file in use stays, and says who uses it", async ({ page }) => {
  await openRecord(page, "/families", "Tillet Mono", "Files");
  await page.getByRole("button", { name: "Remove TilletMono-Regular.ttf" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByRole("alert")).toContainText("Opal Street Books asks for");
  await expect(page.getByRole("link", { name: "TilletMono-Regular.ttf", exact: true })).toBeVisible();
});

test("one of two equal files is removed, taken back, and retired as a duplicate", async ({ page }) => {
  await openRecord(page, "/families", "Penmarrow", "Files");
  const twice = page.getByRole("group", { name: "Duplicate: Penmarrow Regular is recorded twice" });
  await expect(twice).toBeVisible();
  await page.getByRole("button", { name: "Remove body-font.ttf" }).click();
  await expect(page.getByRole("dialog")).toContainText("Regular is still held in another file.");
  await page.getByRole("dialog").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("Removed body-font.ttf.")).toBeVisible();
  await expect(twice).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await twice.getByRole("link", { name: "Choose which to keep" }).click();
  const group = page.locator(".line", { hasText: "Penmarrow Regular: the same outlines in 2 files" });
  await group.getByRole("button", { name: "Keep this, retire the others" }).click();
  await expect(page.getByText("Retired 1 file.")).toBeVisible();
  await expect(group).toBeHidden();
  await page.getByRole("navigation", { name: "More" }).getByRole("link", { name: "History" }).click();
  await expect(page.getByText(/^Kept .* and retired 1 duplicate/).first()).toBeVisible();
});

test("a family is compared, its faces move, and all characters are shown", async ({ page }) => {
  await openRecord(page, "/families", "Penmarrow", "Files");
  await page.getByText("Bold TTF WOFF2").first().click();
  await page.getByRole("link", { name: "Compare Penmarrow-Bold.ttf" }).click();
  await page.getByRole("combobox", { name: "Second file" }).click();
  await page.getByRole("option", { name: "Regular: Penmarrow-Regular.ttf, TTF" }).click();
  await expect(page.getByText(/^\d+% similar: \d+ characters with different outlines/)).toBeVisible();
  const overlay = page.getByRole("img", { name: /^i, \d+% similar/ });
  await expect(overlay.locator("path")).toHaveCount(2);
  const box = await overlay.locator("path").first().boundingBox();
  expect(box!.height).toBeGreaterThan(15);
  await follow(page, "Penmarrow");
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Faces" }).click();
  await page.getByRole("button", { name: "Characters" }).click();
  await expect(page.getByTitle("U+0041")).toHaveText("A");
  await openRecord(page, "/families", "Fenwick Grotesk", "Files");
  const face = page.locator("details.face-files").first();
  if (!(await face.evaluate((node) => (node as HTMLDetailsElement).open))) {
    await face.locator("summary").click();
  }
  await face.getByRole("button", { name: /^Move / }).click();
  const dialog = page.getByRole("dialog", { name: /^Move Fenwick Grotesk/ });
  await dialog.getByLabel("Weight").fill("950");
  await dialog.getByRole("button", { name: "Move" }).click();
  await expect(page.getByText(/^Moved \d+ files?\.$/)).toBeVisible();
  await expect(page.getByText(/ExtraBlack|Extra Black|950/).first()).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/ExtraBlack|Extra Black|950/)).toHaveCount(0);
});

test("what a license does not state becomes a letter to the vendor", async ({ page }) => {
  await openRecord(page, "/licenses", "Penmarrow web license", "Terms");
  await expect(page.getByText("– use on shop.harborandrye.example")).toBeVisible();
  await page.getByRole("group", { name: "Subdomains" }).getByRole("button", { name: "Granted" }).click();
  await expect(page.getByText("Not saved yet.")).toBeVisible();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText("– use on shop.harborandrye.example")).toBeHidden();
  await openRecord(page, "/sites", "Harbor & Rye");
  await expect(page.getByRole("row", { name: /Running text Penmarrow Regular/ })).toContainText("Allowed");
});

test("a font dropped on the search says whether it is held", async ({ page }) => {
  await page.goto("/families");
  const sha256 = await page.evaluate(async () => {
    const { items } = await (await fetch("/api/families")).json();
    return items.find((family: { name: string }) => family.name === "Wendlow").files[0].sha256 as string;
  });
  const dropped = async (name: string, bytes: number[]) => {
    const transfer = await page.evaluateHandle(
      ([fileName, data]) => {
        const result = new DataTransfer();
        result.items.add(new File([new Uint8Array(data as number[])], fileName as string));
        return result;
      },
      [name, bytes] as const,
    );
    await page.dispatchEvent(".rail-search", "drop", { dataTransfer: transfer });
  };
  const held = await (await page.request.get(`/api/files/${sha256}`)).body();
  await dropped("unknown-name.bin", [...held]);
  await expect(page.getByText(/^Yes: Wendlow .*the same file\.$/)).toBeVisible();
  await expect(page.getByRole("heading", { level: 1, name: "Wendlow" })).toBeVisible();
  await dropped("mono.ttf", [...readFileSync("/usr/share/fonts/truetype/dejavu/DejaVuSansMono.ttf")]);
  await expect(page.getByText(/^No, mono\.ttf isn’t in the inventory/)).toBeVisible();
  await dropped("notes.txt", [104, 101, 108, 108, 111]);
  await expect(page.getByRole("alert")).toContainText("Couldn’t read “notes.txt”: is not a font: it is plain text.");
});

test("paper is chosen in the settings and stays, and signing out ends the session", async ({ page }) => {
  await page.getByRole("navigation", { name: "More" }).getByRole("link", { name: "Mara Quill" }).click();
  await page.getByRole("button", { name: "Dark" }).click();
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  await expect.poll(paper).toBe("rgb(27, 24, 21)");
  await page.reload();
  await expect.poll(paper).toBe("rgb(27, 24, 21)");
  await page.getByRole("button", { name: "Light" }).click();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  expect((await page.request.get("/api/families")).status()).toBe(401);
});
