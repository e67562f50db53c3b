import { expect, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { host, type Host } from "./host";
import { test } from "./inventory";
import { audit, fits, openRecord, settled, signIn } from "./support";

test.use({ inventory: "work" });

const regular = readFileSync("/usr/share/fonts/truetype/lato/Lato-Regular.ttf");

/** Behind a form to sign in: without its cookie there is the form. */
const board = `<!doctype html><title>Board</title><link rel=stylesheet href=/board.css>
  <body class=board><h1>Minutes of May</h1><p>Agreed: <b>three</b> boats.</p><input value="my own notes"></body>`;
const boardStyle = `
  @font-face { font-family: "Board Text"; src: url(/lato.ttf) format("truetype"); }
  .board { font-family: "Board Text", sans-serif }
  h1 { font-weight: 400 }`;

/** Built by a script, with a shadow tree, a sheet that only the script knows, and a family that it adds itself. */
const built = `<!doctype html><title>Built</title><body><script>
  const sheet = new CSSStyleSheet();
  sheet.replaceSync('@font-face { font-family: "Built"; src: url(/lato.ttf) } .text { font-family: "Built Sans", serif }');
  document.adoptedStyleSheets = [sheet];
  const text = document.createElement("p");
  text.className = "text";
  text.textContent = "Made here";
  const card = document.createElement("my-card");
  card.attachShadow({ mode: "open" }).innerHTML = "<style>b { font: 700 20px Built, serif }</style><b>In the shade</b>";
  new FontFace("Scripted", "url(/lato.ttf)").load().then((face) => {
    document.fonts.add(face);
    const own = document.createElement("p");
    own.style.fontFamily = "Scripted, serif";
    own.textContent = "Added";
    document.body.append(text, card, own);
    document.body.dataset.ready = "yes";
  });
</script></body>`;

function serve(): Promise<Host> {
  return host(
    new Map<string, Buffer | string>([
      ["/board", board],
      ["/board.css", boardStyle],
      ["/built", built],
      ["/lato.ttf", regular],
    ]),
    { "/board": { cookie: "seat=1", otherwise: "<form>Sign in first</form>" } },
  );
}

/** Opens the leaf and gives the reader as it is copied for the console, with a key for one reading. */
async function copiedReader(page: Page): Promise<string> {
  await openRecord(page, "/sites", "Opal Street Readings", "Pages");
  await page.getByRole("button", { name: "Make a key for sending" }).click();
  await expect(page.getByText(/Good for one reading/)).toBeVisible();
  await page.getByRole("button", { name: "Copy for the console" }).click();
  return page.evaluate(() => navigator.clipboard.readText());
}

test.beforeEach(async ({ context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
});

test("a page behind a sign-in is read in one's own browser and sent with a key", async ({ page, context }) => {
  const at = await serve();
  try {
    await signIn(page);
    const reader = await copiedReader(page);
    await context.addCookies([{ name: "seat", value: "1", url: at.url }]);
    const client = await context.newPage();
    await client.goto(`${at.url}/board`);
    await client.evaluate(reader);
    await client.getByRole("button", { name: "Send" }).click();
    await expect(client.getByText("Sent. The check is starting.")).toBeVisible();

    await page.reload();
    await expect(page.getByRole("button", { name: "Check again" })).toBeEnabled();
    await settled(page);
    const kept = page.getByRole("list", { name: "From your own browser" });
    await expect(kept).toContainText("/board");
    await expect(kept).toContainText("characters only");
    await audit(page);
    await page
      .getByRole("list", { name: "Pages" })
      .getByRole("link", { name: /board$/ })
      .click();
    await expect(page.getByText("Texts are reduced to their characters.")).toBeVisible();
    const note = page.getByRole("group", { name: /^Faked bold:/ });
    await expect(note).toContainText("Board Text 700");
    await expect(note).toContainText("board.css, line 2");
    await expect(page.locator("main")).toContainText("Maefinostuy");
    await expect(page.locator("main")).not.toContainText(/Minutes|notes/);
    await audit(page);
    await page.setViewportSize({ width: 320, height: 800 });
    await fits(page);
    // The key is used up.
    await client.getByRole("button", { name: "Send" }).click();
    await expect(client.getByText(/^Not accepted: There is no such key/)).toBeVisible();
  } finally {
    at.close();
  }
});

test("a page built by script is read, copied and pasted, with its texts", async ({ page, context }) => {
  const at = await serve();
  try {
    await signIn(page);
    await openRecord(page, "/sites", "Opal Street Readings", "Pages");
    const address = await page.getByRole("link", { name: "Read the type of this page" }).getAttribute("href");
    const client = await context.newPage();
    await client.goto(`${at.url}/built`);
    await expect(client.locator("body[data-ready]")).toBeVisible();
    // What pressing the bookmark does.
    await client.evaluate((bookmark) => {
      window.location.href = bookmark!;
    }, address);
    await client.getByRole("checkbox", { name: /Keep the texts/ }).check();
    await client.getByRole("button", { name: "Copy" }).click();
    await expect(client.getByText("Copied. Paste it on the site’s Pages tab.")).toBeVisible();
    const copied = await client.evaluate(() => navigator.clipboard.readText());

    await page.getByRole("button", { name: "Paste a reading" }).click();
    await page.getByLabel("What the reader copied").fill(copied);
    await page.getByRole("button", { name: "Check with this reading" }).click();
    await expect(page.getByRole("button", { name: "Check again" })).toBeEnabled();
    await settled(page);
    await page.getByRole("list", { name: "Pages" }).getByRole("link", { name: "Built" }).click();
    await expect(page.getByText("In the shade")).toBeVisible();
    await expect(page.locator("mark", { hasText: "Made here" })).toBeVisible();
    const undeclared = page.getByRole("group", { name: /“Built Sans” is asked for.*no rule declares it/ });
    await expect(undeclared).toContainText("Declared is “Built”");
    await expect(page.getByRole("group", { name: /^Faked bold:/ })).toContainText("Built 700");
    await expect(page.getByText("Added", { exact: true })).toBeVisible();
    await expect(page.locator("mark", { hasText: "Added" })).toHaveCount(0);
  } finally {
    at.close();
  }
});
