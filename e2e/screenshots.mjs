import { chromium } from "@playwright/test";

/** Takes the pictures of docs/screenshots from the demo data of a running server. */
const url = process.env.UNCIALA_URL ?? "http://localhost:8600";
const folder = "../docs/screenshots";

const views = [
  ["today", "/"],
  ["intake", "/intake", "Brantle 3.zip"],
  ["families", "/families"],
  ["family", "/families", "Ostrel"],
  ["compare", "/families", "Penmarrow", "Files"],
  ["duplicates", "/families/duplicates"],
  ["licenses", "/licenses"],
  ["license", "/licenses", "Ostrel for two sites"],
  ["reading", "/licenses", "Penmarrow web license", "Terms"],
  ["coverage", "/licenses/coverage"],
  ["site", "/sites", "Fernway"],
  ["type", "/sites", "Opal Street Books", "Type"],
  ["delivery", "/sites", "Fernway", "Delivery"],
  ["pages", "/sites", "Lantern Row", "Pages"],
  ["page", "/sites", "Northlight Museum", "Pages"],
  ["proof", "/sites", "Fernway", "Proof"],
  ["flags", "/flags"],
];

/** A style sheet as people paste it. */
const pasted = `@font-face {
  font-family: “Ostrel”;
  src: url("//cdn.fernway.example/ostrel.woff") format("woff"),
    url(ostrel.woff2) format("woff2");
  font-display: swap;
}
@font-face {
  font-family: "Ostrel Bold";
  src: url(ostrel-bold.woff2) format("woff2");
  font-display: swap;
}
body { font-family: Ostrl, Georgia }
h1, h2 { font-family: "Ostrel Bold", serif }
`;

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});

async function take(colorScheme, wanted, suffix = "") {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme, locale: "en-US" });
  const page = await context.newPage();
  await page.goto(url);
  await page.getByLabel("Name").waitFor();
  await page.getByLabel("Name").fill("demo");
  await page.getByLabel("Password").fill("unciala-demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("navigation", { name: "Places" }).waitFor();
  for (const [picture, list, name, leaf] of wanted) {
    await page.goto(url + list);
    if (name) {
      await page.getByRole("main").getByRole("link", { name, exact: true }).first().click();
    }
    if (leaf) {
      // The list has leaves of its own.
      await page.getByRole("heading", { level: 1, name }).waitFor();
      await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: leaf }).click();
    }
    if (picture === "compare") {
      await page.getByText("Bold TTF WOFF2").first().click();
      await page.getByRole("link", { name: "Compare Penmarrow-Bold.ttf" }).click();
      await page.getByRole("combobox", { name: "Second file" }).click();
      await page.getByRole("option", { name: "Regular: Penmarrow-Regular.ttf, TTF" }).click();
      await page
        .getByRole("img", { name: /alike to/ })
        .first()
        .waitFor();
    }
    if (picture === "reading") {
      await page.getByRole("button", { name: "Read the attached one" }).click();
      await page.getByText(/It seems to say/).waitFor();
    }
    if (picture === "delivery") {
      for (const language of ["English", "Polish"]) {
        await page.getByRole("combobox", { name: "Languages" }).fill(language);
        await page.keyboard.press("Enter");
      }
    }
    if (picture === "page") {
      await page.getByRole("button", { name: "Check the pages" }).click();
      const pages = page.getByRole("list", { name: "Pages" });
      await pages.getByRole("link", { name, exact: true }).click();
      await page.locator(".checked-page").waitFor();
    }
    if (picture === "type") {
      // What the faces weigh is known once the server has made them.
      await page.getByText(/^\d+ fonts? to send, \d+ kB/).waitFor();
    }
    if (picture === "proof") {
      await page.getByRole("textbox", { name: /^Paste the CSS/ }).fill(pasted);
      await page.getByRole("button", { name: "Read it" }).click();
      await page.locator(".proof-lines").waitFor();
    }
    await page.waitForLoadState("networkidle");
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/${suffix || picture}.png` });
  }
  await context.close();
}

/** Two people at one license: the other one saved first. */
async function conflict() {
  const pages = [];
  for (const name of ["demo", "priya"]) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: "en-US" });
    const page = await context.newPage();
    await page.goto(url);
    await page.getByLabel("Name").fill(name);
    await page.getByLabel("Password").fill("unciala-demo");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("navigation", { name: "Places" }).waitFor();
    await page.goto(`${url}/licenses`);
    await page.getByRole("main").getByRole("link", { name: "Marl by page views", exact: true }).first().click();
    await page.getByRole("heading", { level: 1, name: "Marl by page views" }).waitFor();
    await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "Terms" }).click();
    await page.getByLabel("Vendor").waitFor();
    pages.push(page);
  }
  const [mine, theirs] = pages;
  await mine.getByLabel("Vendor").fill("Pit and Quarry Ltd");
  await mine.getByLabel("Notes").fill("Renewal goes through the client.");
  await theirs.getByLabel("Vendor").fill("Pit & Quarry Type");
  await theirs.getByLabel("Proof of purchase").fill("Invoice 2211");
  await theirs.getByRole("button", { name: "Save" }).click();
  await theirs.getByText("Saved.").waitFor();
  await mine.getByRole("button", { name: "Save" }).click();
  await mine.getByRole("alertdialog").waitFor();
  await mine.evaluate(() => window.scrollTo(0, 0));
  await mine.waitForTimeout(500);
  await mine.screenshot({ path: `${folder}/conflict.png` });
}

await take("light", views);
await conflict();
await take("dark", [["family", "/families", "Ostrel"]], "dark");
await browser.close();
