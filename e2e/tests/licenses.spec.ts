import { expect } from "@playwright/test";
import { readFileSync, writeFileSync } from "node:fs";
import { test } from "./inventory";
import { audit, fits, goTo, openRecord, signIn } from "./support";

test.use({ inventory: "work" });

test("coverage is walked by keys, each crossing says why, and its action leads to where it is mended", async ({
  page,
}) => {
  await signIn(page);
  await goTo(page, "Licenses");
  await page.getByRole("link", { name: "Coverage" }).click();
  const grid = page.getByRole("grid", { name: "Coverage" });
  await expect(grid.getByRole("gridcell", { name: "Ostrel on Tidewater Cooperative: allowed, in use" })).toBeVisible();
  await expect(grid.getByRole("gridcell", { name: "Hollin on Copperline: refused, not used" })).toBeVisible();
  await audit(page);
  await grid.focus();
  await page.keyboard.press("o");
  const here = grid.getByRole("gridcell", { selected: true });
  await expect(here).toHaveAccessibleName(/^Ostrel on /);
  await page.getByLabel("Family").fill("marl");
  await expect(grid.getByRole("row")).toHaveCount(2);
  await grid.getByRole("gridcell", { name: "Marl on Marlpit: refused, in use" }).click();
  await expect(page.getByText(/61,300 were read in .*, 11,300 too many: Marlpit 61,300/)).toBeVisible();
  await grid.getByRole("gridcell", { name: "Marl on Fernway: refused, not used" }).click();
  await expect(page.getByText(/fernway\.example is not among its domains/)).toBeVisible();
  await page.getByRole("link", { name: "Add fernway.example to “Marl by page views”" }).click();
  await expect(page.getByText(/Save it only if the vendor permits it/)).toBeVisible();
  await page.setViewportSize({ width: 320, height: 640 });
  await page.goto("/licenses/coverage?name=marl");
  await expect(grid).toBeVisible();
  await fits(page);
});

test("a license is recorded from a PDF: what it seems to say is taken over with its words", async ({
  page,
  browser,
}, info) => {
  const pdf = info.outputPath("terms.pdf");
  const printer = await browser.newPage();
  await printer.setContent(
    "<h1>Web font license</h1><p>Order number: MT-2031-9</p><p>You may use the fonts on websites of up to 4 domains." +
      " Subsetting is not permitted.</p><p>The license expires on March 3, 2031.</p>",
  );
  writeFileSync(pdf, await printer.pdf());
  await printer.close();
  await signIn(page);
  await page.goto("/licenses/new");
  await page.getByLabel("Name", { exact: true }).fill("Read from a PDF");
  await page.getByLabel("Agreement to read").setInputFiles(pdf);
  await expect(page.getByText(/Found \d terms/)).toBeVisible();
  await audit(page);
  await expect(page.getByLabel("Proof of purchase", { exact: true })).toHaveValue("");
  await page.getByRole("button", { name: "Use all" }).click();
  await expect(page.getByLabel("Proof of purchase", { exact: true })).toHaveValue("MT-2031-9");
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Read from a PDF" })).toBeVisible();
  await expect(
    page.getByRole("row", { name: /Subsetting Refused Subsetting is not permitted\. page 1/ }),
  ).toBeVisible();
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Terms" }).click();
  await expect(page.getByRole("link", { name: "terms.pdf" })).toBeVisible();
  await expect(page.getByLabel("Domains permitted")).toHaveValue("4");
});

test("before terms are saved it is said what becomes unlicensed by it", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/licenses", "Penmarrow web license", "Terms");
  await page.getByRole("group", { name: "Use on web pages" }).getByRole("button", { name: "Refused" }).click();
  await page.getByRole("button", { name: "What this would change" }).click();
  const answer = page.getByRole("status").filter({ hasText: "would come up" });
  await expect(answer).toContainText("Penmarrow on Opal Street Books: no web use");
  await page.goto("/flags?group=UNLICENSED");
  await expect(page.getByText("Penmarrow web license refuses use on web pages")).toHaveCount(0);
});

test("a ledger goes in as a whole or not at all, and a statement is printed for the client", async ({ page }, info) => {
  await signIn(page);
  await goTo(page, "Licenses");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Export all licenses: CSV" }).click(),
  ]);
  const ledger = info.outputPath("licenses.csv");
  await download.saveAs(ledger);
  expect(readFileSync(ledger, "utf8")).toContain("Marl by page views,page_views");
  const csv = (text: string) => ({ name: "l.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.getByLabel("Licenses to import").setInputFiles(csv("name,ends\nFirst of two,2031-01-01\nSecond,soon\n"));
  await expect(page.getByText(/Nothing was recorded\. Line 3, ends: “soon” is not a day/)).toBeVisible();
  await expect(page.getByRole("link", { name: "First of two" })).toHaveCount(0);
  await page.getByLabel("Licenses to import").setInputFiles(csv("name,ends\nFirst of two,2031-01-01\n"));
  await expect(page.getByText("Recorded 1 license.")).toBeVisible();
  await expect(page.getByRole("link", { name: "First of two" })).toBeVisible();

  await openRecord(page, "/sites", "Fernway");
  const [statement] = await Promise.all([
    page.waitForEvent("popup"),
    page.getByRole("link", { name: "Statement for the client" }).click(),
  ]);
  await expect(statement.getByRole("heading", { name: "Fonts of Fernway Physiotherapy" })).toBeVisible();
  await expect(
    statement.getByRole("row", { name: /Wendlow Regular .*fernway\.example Wendlow open license/ }),
  ).toBeVisible();
  await expect(statement.getByText(/Wendlow Bold is not held/)).toBeVisible();
});

test("a license starts from a set of terms, and comes in again as an ODRL policy", async ({ page }, info) => {
  await signIn(page);
  await openRecord(page, "/licenses", "Penmarrow web license", "Terms");
  await page.getByRole("button", { name: "Keep as a set of terms" }).click();
  await page.getByLabel("Name of the set").fill("Terms of the year");
  await audit(page);
  await page.getByRole("dialog").getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept as a set of terms.")).toBeVisible();
  await page.goto("/licenses/terms");
  const set = page.getByRole("region", { name: "Terms of the year" });
  await expect(set).toContainText("A family may be served as WOFF or WOFF2 on up to 5 hosts");
  await set.getByRole("link", { name: "Record a license on these terms" }).click();
  await expect(page.getByLabel("Domains permitted")).toHaveValue("5");
  await page.getByLabel("Name", { exact: true }).fill("Started from a set");
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Started from a set" })).toBeVisible();

  const policy = await page.request.get(`/api${new URL(page.url()).pathname}/odrl`);
  const text = await policy.text();
  expect(text).toContain('"unciala:serve"');
  await goTo(page, "Licenses");
  const file = (named: string) => {
    const path = info.outputPath("policy.jsonld");
    writeFileSync(path, text.replaceAll("Started from a set", named));
    return path;
  };
  await page.getByLabel("Licenses to import").setInputFiles(file("Started from a set"));
  await expect(
    page.getByText(/Nothing was recorded\. License 1, name: A license .* is recorded already/),
  ).toBeVisible();
  await page.getByLabel("Licenses to import").setInputFiles(file("Came back"));
  await expect(page.getByText("Recorded 1 license.")).toBeVisible();
  await expect(page.getByRole("link", { name: "Came back" })).toBeVisible();
});

test("what is refused is allowed only after it is recorded who agreed, when and by what that is shown", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/licenses/coverage?name=penmarrow");
  const grid = page.getByRole("grid", { name: "Coverage" });
  await grid.getByRole("gridcell", { name: "Penmarrow on Copperline: refused, not used" }).click();
  await page.getByRole("button", { name: "Extend a license …" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("“Penmarrow web license” is extended by copperline.example");
  await expect(dialog.getByRole("button", { name: "Extend" })).toBeDisabled();
  await dialog.getByLabel("Who at the vendor agreed").fill("Ana Reyes");
  await dialog.getByLabel("What shows it").fill("her mail");
  await audit(page);
  await dialog.getByRole("button", { name: "Extend" }).click();
  await expect(page.getByText("Extended “Penmarrow web license”.")).toBeVisible();
  await expect(grid.getByRole("gridcell", { name: "Penmarrow on Copperline: allowed, not used" })).toBeVisible();
});

test("faces are picked on the grid, costs stand by client, and page views come in by a file", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/licenses", "Hollin for Lantern Row", "Terms");
  await page.getByRole("button", { name: "Some faces only: Hollin" }).click();
  await page.getByRole("region", { name: "Faces of Hollin" }).getByRole("button", { name: /^Bold/ }).click();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "What it allows" }).click();
  await expect(page.getByText(/^The faces named of Hollin/)).toBeVisible();

  await page.goto("/licenses/costs");
  await expect(page.getByRole("row", { name: /^Marlpit Brickworks/ })).toContainText("12");

  await openRecord(page, "/sites", "Marlpit", "Details");
  const csv = (text: string) => ({ name: "views.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await page.getByLabel("Page views to import").setInputFiles(csv("site,month,page_views\nMarlpit,May,7\n"));
  await expect(
    page.getByText("Nothing was recorded. Line 2, month: “May” is not a month such as 2030-04."),
  ).toBeVisible();
  await page
    .getByLabel("Page views to import")
    .setInputFiles(csv("site,month,page_views\nmarlpit.example,2026-05,777\nFernway,2026-05,8\n"));
  await expect(page.getByText("Recorded the page views of 2 months.")).toBeVisible();
  await expect(page.getByRole("row", { name: /May 2026/ })).toContainText("777");
});
