import { expect, type Page } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { host, unpacked } from "./host";
import { test } from "./inventory";
import { follow, goTo, settled, signIn } from "./support";

test.use({ inventory: "path" });

/** Real fonts that a Debian package installed. */
const real = "/usr/share/fonts/truetype/dejavu";
const family = "DejaVu Sans";

let folder: string;

test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "unciala-e2e-"));
});

test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

test("from a dropped archive to a pack that paints in a browser", async ({ page, browser }) => {
  await signIn(page);

  await test.step("drop an archive, see verdicts, correct, accept", async () => {
    const archive = join(folder, "dejavu.zip");
    writeFileSync(join(folder, "broken.ttf"), "this is no font");
    execFileSync("zip", [
      "-qj",
      archive,
      `${real}/DejaVuSans.ttf`,
      `${real}/DejaVuSans-Bold.ttf`,
      join(folder, "broken.ttf"),
    ]);
    await goTo(page, "Intake");
    await page.getByLabel("Choose files").setInputFiles(archive);
    await expect(page.getByRole("heading", { level: 1, name: "dejavu.zip" })).toBeVisible();
    await expect(page.getByText("1 family ready to accept.")).toBeVisible();
    await expect(page.getByText("New family: 2 files")).toBeVisible();
    await page.getByRole("button", { name: `Files of ${family}` }).click();
    await expect(page.getByText("New family", { exact: true })).toHaveCount(2);
    await expect(page.getByRole("listitem").filter({ hasText: /Damaged\s*broken\.ttf.*plain text/ })).toBeVisible();
    await page.getByRole("button", { name: "Evidence" }).first().click();
    await expect(page.getByText("OS/2 usWeightClass", { exact: true })).toBeVisible();
    await page.getByRole("button", { name: "Correct DejaVuSans-Bold.ttf" }).click();
    await page.getByLabel("Weight").fill("800");
    await page.getByRole("button", { name: "Correct", exact: true }).click();
    await expect(page.getByText(/Extra Bold\s*800/)).toBeVisible();
    await page.getByRole("button", { name: "Correct DejaVuSans-Bold.ttf" }).click();
    await page.getByLabel("Weight").fill("700");
    await page.getByRole("button", { name: "Correct", exact: true }).click();
    // Its records name an open license; here somebody records the license of another agreement.
    await page.getByRole("checkbox", { name: /^One license, Bitstream Vera License, for 1 family/ }).uncheck();
    await page.getByRole("button", { name: "Accept 2 files" }).click();
  });

  await test.step("the family stands in the inventory, set in its files", async () => {
    await expect(page.getByRole("heading", { level: 1, name: family })).toBeVisible();
    await expect(page.getByRole("button", { name: /^Regular: held as TTF, no license/ })).toBeVisible();
    await expect(page.getByRole("group", { name: /Unlicensed: DejaVu Sans has no license/ })).toBeVisible();
    const title = page.getByRole("heading", { level: 1, name: family });
    await expect.poll(() => title.evaluate((node) => getComputedStyle(node).fontFamily)).toMatch(/^"?stored-/);
  });

  await test.step("record a license, for the wrong domain first", async () => {
    await page.getByRole("link", { name: "Record a license" }).click();
    await expect(page.getByLabel("Name", { exact: true })).toHaveValue(`${family} license`);
    await page.getByRole("group", { name: "Use on web pages" }).getByRole("button", { name: "Granted" }).click();
    await page.getByRole("group", { name: "Converting" }).getByRole("button", { name: "Granted" }).click();
    await page.getByLabel("any format").check();
    await addDomain(page, "wrong.example");
    await page.getByRole("button", { name: "Record", exact: true }).click();
    await expect(page.getByRole("heading", { level: 1, name: `${family} license` })).toBeVisible();
    await expect(page.getByText(`${family} may be served in any format on wrong.example.`)).toBeVisible();
    await expect(page.getByText("has no proof")).toBeVisible();
    await page.getByRole("link", { name: "Attach the agreement" }).click();
    await page
      .getByLabel("Document file")
      .setInputFiles({ name: "agreement.txt", mimeType: "text/plain", buffer: Buffer.from("granted") });
    await expect(page.getByRole("link", { name: "agreement.txt" })).toBeVisible();
    await expect(page.getByText("has no proof")).toBeHidden();
  });

  await test.step("create a client and a site, choose its faces", async () => {
    await goTo(page, "Sites");
    await page.getByRole("link", { name: "Add a site" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Add a site" })).toBeVisible();
    await page.getByLabel("Client").fill("Quayside Press");
    await page.getByLabel("Name", { exact: true }).fill("Quayside");
    await page.getByLabel("Domains").fill("quayside.example");
    await page.getByLabel("Domains").press("Enter");
    await page.getByRole("button", { name: "Add the site" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Quayside" })).toBeVisible();
    for (const [role, face] of [
      ["Headings", "Bold"],
      ["Running text", "Regular"],
    ] as const) {
      await page.getByRole("button", { name: "Add a text role" }).click();
      await page.getByRole("menuitem", { name: role, exact: true }).click();
      await choose(page, `${role}: family`, family);
      await page.getByRole("button", { name: new RegExp(`^${face}: held`) }).click();
    }
    await page.getByRole("button", { name: "Save the type" }).click();
    await expect(page.getByText("Saved.")).toBeVisible();
    await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Overview" }).click();
    await expect(page.getByRole("row", { name: /Headings DejaVu Sans Bold/ })).toBeVisible();
  });

  await test.step("flags say what is wrong, and solving the cause makes them go", async () => {
    const flag = page.getByRole("group", { name: /quayside\.example is not permitted/ });
    await expect(flag).toBeVisible();
    await flag.getByRole("link", { name: "Add the domain" }).click();
    await expect(page).toHaveURL(/\/licenses\/\w+\/terms\?domain=/);
    // The message of the site, which was saved before, may still be there.
    const saved = page.waitForResponse((answer) => answer.request().method() === "PUT" && answer.ok());
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await saved;
    await page.goto("/flags?group=MISSING");
    await settled(page);
    await page.getByRole("button", { name: /^Expand: .* have no WOFF2/ }).click();
    await expect(page.getByText("quayside.example is not permitted")).toBeHidden();
    const woff2 = page.locator(".home-row", { hasText: `${family} Bold has no WOFF2` });
    // Rows move while the flags of the entry come in.
    await settled(page);
    await woff2.getByRole("button", { name: "Make WOFF2" }).click();
    await expect(woff2).toBeHidden();
  });

  const pack = await test.step("make a pack and download it", async () => {
    await goTo(page, "Sites");
    await follow(page, "Quayside");
    await expect(page.getByText("Allowed", { exact: true }).first()).toBeVisible();
    await page.getByRole("button", { name: "Make a pack" }).click();
    const link = page.getByRole("link", { name: "Download the pack" });
    await expect(link).toBeVisible();
    const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
    const archive = join(folder, "pack.zip");
    await download.saveAs(archive);
    return new Map([...unpacked(archive, join(folder, "pack"))].map(([path, bytes]) => [`/${path}`, bytes]));
  });

  await test.step("the pack's page paints its faces over HTTP", async () => {
    const at = await host(pack);
    const visitor = await browser.newPage();
    await visitor.goto(`${at.url}/specimen.html`);
    const faces = await visitor.evaluate(async () => {
      await document.fonts.ready;
      return [...document.fonts].map((face) => ({
        family: face.family.replace(/"/g, ""),
        weight: face.weight,
        status: face.status,
      }));
    });
    expect(faces.sort((a, b) => a.weight.localeCompare(b.weight))).toEqual([
      { family, weight: "400", status: "loaded" },
      { family, weight: "700", status: "loaded" },
    ]);
    for (const weight of ["400", "700"]) {
      const widths = await visitor.evaluate(
        ([name, heavy]) => {
          const width = (font: string) => {
            const span = document.createElement("span");
            span.style.cssText = `position:absolute; white-space:nowrap; font: ${heavy} 40px ${font}`;
            span.textContent = "Five quick wharf cats";
            document.body.append(span);
            return span.getBoundingClientRect().width;
          };
          return { own: width(`"${name}", monospace`), fallback: width("monospace") };
        },
        [family, weight] as const,
      );
      expect(Math.abs(widths.own - widths.fallback)).toBeGreaterThan(5);
    }
    await visitor.close();
    at.close();
  });
});

test("dropping the same file again says that it is held, and an intake can be thrown away", async ({ page }) => {
  await signIn(page);
  await goTo(page, "Intake");
  await page.getByLabel("Choose files").setInputFiles(`${real}/DejaVuSans.ttf`);
  await expect(page.getByText("Nothing new in this drop: its font is already held or left out.")).toBeVisible();
  await page.getByRole("button", { name: "Files of DejaVu Sans" }).click();
  await expect(page.getByText("Same bytes", { exact: true })).toBeVisible();
  await expect(page.getByText("Mark at least one file to add.")).toBeVisible();
  await page.getByRole("button", { name: "Discard intake" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Discard intake" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Intake" })).toBeVisible();
  await expect(page.getByRole("row", { name: /DejaVuSans\.ttf discarded/ })).toBeVisible();
});

test("a domain with a typing error is refused with the reason", async ({ page }) => {
  await signIn(page);
  await page.goto("/sites/new");
  await page.getByLabel("Client").fill("Quayside Press");
  await page.getByLabel("Name", { exact: true }).fill("Typo");
  await page.getByLabel("Domains").fill("quay side.example");
  await page.getByLabel("Domains").press("Enter");
  await page.getByRole("button", { name: "Add the site" }).click();
  await expect(page.getByRole("alert")).toContainText("“quay” is not a domain");
});

test("from an archive to a placed pack takes fewer than twenty clicks", async ({ page }) => {
  await page.addInitScript(() =>
    window.addEventListener(
      "click",
      (event) => event.isTrusted && sessionStorage.setItem("clicks", String(Number(sessionStorage.clicks ?? 0) + 1)),
      true,
    ),
  );
  const clicks = () => page.evaluate(() => Number(sessionStorage.clicks ?? 0));
  const archive = join(folder, "serif.zip");
  execFileSync("zip", ["-qj", archive, `${real}/DejaVuSerif.ttf`, `${real}/DejaVuSerif-Bold.ttf`]);
  await signIn(page);
  await page.evaluate(() => sessionStorage.removeItem("clicks"));

  await goTo(page, "Intake");
  await page.getByLabel("Choose files").setInputFiles(archive);
  // The license that the fonts name is recorded with them.
  await expect(
    page.getByRole("checkbox", { name: /^One license, Bitstream Vera License, for 1 family/ }),
  ).toBeChecked();
  await page.getByRole("button", { name: "Accept 2 files" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "DejaVu Serif" })).toBeVisible();

  await goTo(page, "Sites");
  await page.getByRole("link", { name: "Add a site" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Add a site" })).toBeVisible();
  await page.getByLabel("Client").fill("Saltmarsh Press");
  await page.getByLabel("Name", { exact: true }).fill("Saltmarsh");
  await page.getByLabel("Domains").fill("saltmarsh.example");
  await page.getByRole("button", { name: "Add the site" }).click();
  for (const field of ["Headings", "Running text"]) {
    await page.getByRole("combobox", { name: field, exact: true }).fill("DejaVu Serif");
    await page.getByRole("option", { name: "DejaVu Serif", exact: true }).click();
  }
  await page.getByRole("button", { name: "Use these families" }).click();
  await page.getByRole("button", { name: "Save the type" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();

  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Overview" }).click();
  await page.getByRole("button", { name: "Make a pack" }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Download the pack" }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^saltmarsh-type-.*\.zip$/);
  await page.getByRole("button", { name: "Mark as deployed" }).click();
  await expect(page.getByText(/Deployed on /)).toBeVisible();
  const made = await clicks();
  console.log(`from an archive to a placed pack: ${made} clicks, 5 fields typed`);
  expect(made).toBeGreaterThan(8);
  expect(made).toBeLessThan(20);
});

async function addDomain(page: Page, domain: string) {
  const field = page.getByRole("combobox", { name: "Domains" });
  await field.fill(domain);
  await field.press("Enter");
}

async function choose(page: Page, label: string, option: string) {
  await page.getByRole("combobox", { name: label }).click();
  await page.getByRole("option", { name: option, exact: true }).click();
}
