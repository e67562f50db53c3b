import { chromium } from "@playwright/test";

/** Takes the pictures of docs/screenshots from the demo data of a running server. */
const url = process.env.UNCIALA_URL ?? "http://localhost:8600";
const folder = "../docs/screenshots";

const views = [
  ["today", "/"],
  ["intake", "/intake", "Brantle 3.zip"],
  ["families", "/families"],
  ["family", "/families", "Ostrel"],
  ["licenses", "/licenses"],
  ["license", "/licenses", "Penmarrow web license"],
  ["sites", "/sites"],
  ["site", "/sites", "Fernway"],
  ["flags", "/flags"],
];

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});

async function take(colorScheme, wanted, suffix = "") {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme, locale: "en-US" });
  const page = await context.newPage();
  await page.goto(url);
  await page.getByLabel("Name").waitFor();
  if (!suffix) {
    await page.screenshot({ path: `${folder}/sign-in.png` });
  }
  await page.getByLabel("Name").fill("demo");
  await page.getByLabel("Password").fill("unciala-demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("navigation", { name: "Places" }).waitFor();
  for (const [picture, list, name] of wanted) {
    await page.goto(url + list);
    if (name) {
      await page.getByRole("main").getByRole("link", { name, exact: true }).first().click();
    }
    await page.waitForLoadState("networkidle");
    await page.waitForTimeout(500);
    await page.screenshot({ path: `${folder}/${suffix || picture}.png` });
  }
  await context.close();
}

await take("light", views);
await take("dark", [["family", "/families", "Ostrel"]], "dark");
await browser.close();
