import { chromium } from "@playwright/test";
// node shot.mjs width height scheme name=path ...   ("path>text" clicks a link)
const [w, h, scheme, ...views] = process.argv.slice(2);
const url = process.env.UNCIALA_URL ?? "http://localhost:8600";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"] });
const page = await (await browser.newContext({ viewport: { width: +w, height: +h }, colorScheme: scheme, locale: "en-US" })).newPage();
page.on("console", (m) => m.type() === "error" && console.log("console:", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("error:", e.message.slice(0, 300)));
await page.goto(url);
await page.getByLabel("Name").fill("demo");
await page.getByLabel("Password").fill("unciala-demo");
await page.getByRole("button", { name: "Sign in" }).click();
await page.getByRole("navigation", { name: "Places" }).waitFor();
for (const view of views) {
  const [name, where] = view.split("=");
  const [path, ...clicks] = where.split(">");
  await page.goto(url + path);
  await page.waitForLoadState("networkidle");
  for (const click of clicks) {
    const [role, label] = click.includes(":") ? click.split(":") : ["link", click];
    await page.getByRole(role, { name: label }).first().click();
    await page.waitForLoadState("networkidle");
  }
  await page.waitForTimeout(400);
  await page.screenshot({ path: `/tmp/shots/${name}.png` });
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  if (overflow > 0) console.log(name, "overflows by", overflow);
}
await browser.close();
