import { expect, type Page } from "@playwright/test";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { host, unpacked } from "./host";
import { test } from "./inventory";
import { allowHost, audit, fits, openRecord, setIn, settled, signIn } from "./support";

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
  await expect(page.getByText("This site’s pages haven’t been checked yet.")).toBeVisible();
  await check(page, "Check the pages");
  await expect(page.getByText(/^The page shows some text in another font than asked\./)).toBeVisible();
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
    await allowHost(page, where);

    await page.goto("/sites/new");
    await settled(page);
    await page.getByLabel("Client").fill("Millers");
    await page.getByLabel("Name", { exact: true }).fill("Mill");
    await page.getByLabel("Domains").fill("mill.example");
    await page.getByRole("button", { name: "Add the site" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Mill" })).toBeVisible();
    await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Pages" }).click();
    await page.getByRole("button", { name: "Edit" }).click();
    await page.getByLabel("Pages to read").fill("http://mill.example/");
    await page.getByLabel("Connect elsewhere").fill(`mill.example:80 → ${where}`);
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText(/Connects elsewhere for 1 host/)).toBeVisible();

    await check(page, "Check the pages");
    await expect(page.getByRole("group", { name: /Not recorded: DejaVu Sans/ })).toBeVisible();
    await expect(page.getByRole("group", { name: /Missing: Mill: browsers fake/ })).toBeVisible();

    files.set("/", `<!doctype html><title>Mill</title>${style}<p>Flour today</p>`);
    await check(page, "Check again");
    await expect(page.getByRole("list", { name: "Gone" })).toContainText("Faked bold");
    await expect(page.getByRole("group", { name: /browsers fake/ })).toBeHidden();

    await page.getByRole("button", { name: "Add to an intake" }).click();
    await expect(page.getByText(/DejaVu Sans/).first()).toBeVisible();
    await expect(page.getByRole("heading", { level: 1, name: "d.ttf" })).toBeVisible();
  } finally {
    at.close();
  }
});

test("from the faces chosen to every role shown as asked, though the theme decides otherwise at first", async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "unciala-circle-"));
  const theme = ":root { --theme-heading: Georgia, serif }\nbody.theme h2 { font-family: var(--theme-heading) }";
  const files = new Map<string, Buffer | string>([
    [
      "/",
      `<!doctype html><html lang="en"><title>Quay</title><link rel="stylesheet" href="type.css">
<link rel="stylesheet" href="theme.css"><body class="theme"><h2>High water</h2><p>The ferry waits.</p></html>`,
    ],
    ["/theme.css", theme],
  ]);
  const at = await host(files);
  const where = at.url.replace("http://", "");
  const leaf = (name: string) =>
    page
      .getByRole("navigation", { name: "Leaves" })
      .getByRole("link", { name: new RegExp(`^${name}`) })
      .click();

  /** Makes a pack on the Overview, and saves it. */
  async function make(button: "Make a pack" | "Make a new pack") {
    await leaf("Overview");
    await settled(page);
    const link = page.getByRole("link", { name: "Download the pack" });
    const before = (await link.count()) > 0 ? await link.getAttribute("href") : "";
    await page.getByRole("button", { name: button }).click();
    await expect(link).not.toHaveAttribute("href", before!, { timeout: 60_000 });
    const [download] = await Promise.all([page.waitForEvent("download"), link.click()]);
    await download.saveAs(join(folder, "pack.zip"));
  }

  /** Puts the files of the saved pack on the host; the theme's own style sheet stays the last. */
  function upload() {
    rmSync(join(folder, "pack"), { recursive: true, force: true });
    unpacked(join(folder, "pack.zip"), join(folder, "pack")).forEach((bytes, path) => files.set(`/${path}`, bytes));
  }

  try {
    await signIn(page);
    await allowHost(page, where);

    await page.goto("/sites/new");
    await page.getByLabel("Client").fill("Harbor masters");
    await page.getByLabel("Name", { exact: true }).fill("Quay");
    await page.getByLabel("Domains").fill("quay.example");
    await page.getByRole("button", { name: "Add the site" }).click();
    await setIn(page, { headings: "Wendlow", text: "Tillet Mono" });

    await leaf("Pages");
    await page.getByRole("button", { name: "Edit" }).click();
    await page.getByLabel("Pages to read").fill("http://quay.example/");
    await page.getByLabel("Connect elsewhere").fill(`quay.example:80 → ${where}`);
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText(/Connects elsewhere for 1 host/)).toBeVisible();

    await make("Make a pack");
    upload();
    await leaf("Pages");
    await check(page, "Check the pages");
    await expect(
      page.getByRole("group", { name: /Missing: Headings on Quay: texts aren’t shown in Wendlow 400/ }),
    ).toBeVisible();
    const roles = page.locator("#roles + dl");
    await expect(roles.getByText("1 of 1 text isn’t shown in Wendlow 400")).toBeVisible();
    await expect(
      roles.getByText(/^body\.theme h2 sets font-family: var\(--theme-heading\), which --theme-heading sets/),
    ).toBeVisible();
    await expect(roles.getByText("Looks like a theme setting: a custom property.")).toBeVisible();
    await audit(page);
    await page.getByRole("button", { name: "Add to the pack’s rules" }).click();
    await expect(page.getByText(/^In the pack’s rules: make the pack again/)).toBeVisible();

    await make("Make a new pack");
    await leaf("Pages");
    await check(page, "Check again");
    await expect(
      page.getByText(/^The pack of .* changes 1 text\. Every role found on the pages will be shown as asked\.$/),
    ).toBeVisible();
    await page.getByRole("link", { name: "Quay", exact: true }).click();
    await page.getByRole("button", { name: "With the new pack" }).click();
    await expect(page.locator("mark", { hasText: "High water" })).toHaveAttribute("title", "Wendlow 400");

    upload();
    // The theme's sheet comes after the pack's, so what overrides it must be stronger, not only later.
    expect(String(files.get("/type.css"))).toContain("/* Overrides of rules that are on this site */");
    await leaf("Pages");
    await check(page, "Check again");
    await expect(page.getByRole("group", { name: /Headings on Quay/ })).toBeHidden();
    await leaf("Overview");
    await expect(
      page.getByRole("link", { name: "Every text role is shown in the face that was chosen." }),
    ).toBeVisible();

    // What Chromium shows on that page is the font of the pack.
    const visitor = await page.context().browser()!.newPage();
    await visitor.goto(at.url);
    await visitor.evaluate(() => document.fonts.ready);
    const client = await visitor.context().newCDPSession(visitor);
    await client.send("DOM.enable");
    await client.send("CSS.enable");
    const { root } = await client.send("DOM.getDocument");
    const { nodeId } = await client.send("DOM.querySelector", { nodeId: root.nodeId, selector: "h2" });
    const { fonts } = await client.send("CSS.getPlatformFontsForNode", { nodeId });
    expect(fonts.map(({ familyName, isCustomFont }) => [familyName, isCustomFont])).toEqual([["Wendlow", true]]);
    await visitor.close();
  } finally {
    at.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
