import { expect, type Browser, type Page } from "@playwright/test";
import { test } from "./inventory";
import { audit, goTo, openRecord, signIn } from "./support";

test.use({ inventory: "people" });

/** A page of another person, in a browser of its own. */
async function another(browser: Browser, name: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: "en-US" });
  const page = await context.newPage();
  await signIn(page, name);
  return page;
}

const openLicense = (page: Page, name: string) => openRecord(page, "/licenses", name, "Terms");

test("two people at one license: what does not collide is merged, what does is chosen, nothing typed is lost", async ({
  page,
  browser,
}) => {
  await signIn(page);
  const other = await another(browser, "priya");
  await openLicense(page, "Marl by page views");
  await openLicense(other, "Marl by page views");

  await page.getByLabel("Notes").fill("Renewal goes through the client.");
  await page.getByLabel("Vendor").fill("Pit and Quarry Ltd");

  await other.getByLabel("Proof of purchase").fill("Invoice 2211");
  await other.getByLabel("Vendor").fill("Pit & Quarry Type");
  await other.getByRole("button", { name: "Save" }).click();
  await expect(other.getByText("Saved.")).toBeVisible();

  await page.getByRole("button", { name: "Save" }).click();
  const conflict = page.getByRole("alertdialog");
  await expect(conflict).toContainText("Priya Okonjo changed this while you were editing");
  await expect(conflict).toContainText("Changed there and not by you: Proof of purchase");
  await expect(page.getByLabel("Notes")).toHaveValue("Renewal goes through the client.");
  await expect(conflict.getByRole("button", { name: "Merge, then save" })).toBeDisabled();
  await audit(page);
  await conflict.getByRole("radio", { name: /Theirs Pit & Quarry Type/ }).check();
  await conflict.getByRole("button", { name: "Merge, then save" }).click();
  await expect(conflict).toBeHidden();
  await expect(page.getByLabel("Proof of purchase")).toHaveValue("Invoice 2211");
  await expect(page.getByLabel("Vendor")).toHaveValue("Pit & Quarry Type");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Notes")).toHaveValue("Renewal goes through the client.");
  await expect(page.getByLabel("Proof of purchase")).toHaveValue("Invoice 2211");
  await page.getByRole("navigation", { name: "Leaves" }).getByRole("link", { name: "History" }).click();
  await expect(page.getByText(/Changed license “Marl by page views”/).first()).toBeVisible();
  await other.context().close();
});

test("attaching an agreement keeps what is typed and not saved", async ({ page }) => {
  await signIn(page);
  await openLicense(page, "Vellumine donation");
  await page.getByLabel("Notes").fill("Thank them once a year.");
  await page
    .getByLabel("Document file")
    .setInputFiles({ name: "thanks.txt", mimeType: "text/plain", buffer: Buffer.from("with thanks") });
  await expect(page.getByRole("link", { name: "thanks.txt" })).toBeVisible();
  await expect(page.getByLabel("Notes")).toHaveValue("Thank them once a year.");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
});

test("the domain that a flag asks for is added by its action and saved", async ({ page }) => {
  await signIn(page);
  await goTo(page, "Sites");
  await page.getByRole("link", { name: "Northlight Museum" }).first().click();
  const flag = page.getByRole("group", { name: /Penmarrow: tickets-northlight\.example is not permitted/ });
  await flag.getByRole("link", { name: "Add the domain" }).click();
  await expect(page.getByRole("button", { name: "tickets-northlight.example" })).toBeVisible();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText("tickets-northlight.example is not permitted")).toBeHidden();
});

test("what is deleted says what stands on it, and is taken back from its message", async ({ page }) => {
  await signIn(page);
  await openLicense(page, "Wendlow open license");
  await page.getByRole("button", { name: "Delete the license" }).click();
  await expect(page.getByRole("dialog")).toContainText("1 site relies on it");
  await page.getByRole("dialog").getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Licenses" })).toBeVisible();
  await expect(page.getByRole("main").getByRole("link", { name: "Wendlow open license" })).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Undone.")).toBeVisible();
  await expect(page.getByRole("main").getByRole("link", { name: "Wendlow open license" })).toBeVisible();
});

test("a flag is accepted until a day, with a reason, and stands aside", async ({ page }) => {
  await signIn(page);
  await goTo(page, "Flags");
  const row = page.locator(".home-row", { hasText: "Lanthorn on Lantern Row: no web use" });
  await row.getByRole("link", { name: "Lanthorn on Lantern Row: no web use" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Lanthorn on Lantern Row: no web use" })).toBeVisible();
  await audit(page);
  await page.getByRole("button", { name: "Accept until …" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Accept" }).click();
  await expect(page.getByText("Say why, for those who look at it later.")).toBeVisible();
  await page.getByLabel("Why").fill("The author answered by mail.");
  await page.getByRole("dialog").getByRole("button", { name: "Accept" }).click();
  await expect(page.getByText(/Accepted until .* by Mara Quill: The author answered by mail\./)).toBeVisible();
  await goTo(page, "Flags");
  await expect(page.getByText("Lanthorn on Lantern Row: no web use")).toBeHidden();
  await page.goto("/flags?state=accepted");
  await expect(page.getByText("Lanthorn on Lantern Row: no web use")).toBeVisible();
});

test("flags of one cause are one entry, unfolded to its subjects, and handed over together", async ({ page }) => {
  await signIn(page);
  await page.goto("/flags?group=UNLICENSED");
  await page.getByRole("button", { name: /^Expand: 3 families have no license/ }).click();
  await expect(page.getByRole("link", { name: "Osier on Opal Street Readings has no license" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Record one license" })).toBeVisible();
  await page.getByLabel("Mark Osier on Opal Street Readings has no license").check();
  await page.getByLabel("Assign to").first().click();
  await page.getByRole("option", { name: "Tomás Redler" }).click();
  await expect(page.getByText("Assigned 1 flag to Tomás Redler.")).toBeVisible();
  await page.goto("/flags?person=tomas");
  await expect(page.getByText("Osier on Opal Street Readings has no license")).toBeVisible();
});

test("a person is added with a link, joins by it, and a reader changes nothing", async ({ page, browser }) => {
  await signIn(page);
  await page.goto("/people");
  await page.getByLabel("Name", { exact: true }).fill("Odile Kern");
  await page.getByLabel("Signs in as").fill("odile");
  await page.getByLabel("Level", { exact: true }).click();
  await page.getByRole("option", { name: /^Reader/ }).click();
  await page.getByRole("button", { name: "Add, and make a link" }).click();
  const link = await page.locator(".handover code").innerText();
  const context = await browser.newContext({ locale: "en-US" });
  const joining = await context.newPage();
  await joining.goto(link);
  await expect(joining.getByText("Welcome, Odile Kern.")).toBeVisible();
  await audit(joining);
  await joining.getByLabel("Choose a password").fill("a long password");
  await joining.getByLabel("Repeat the password").fill("a long password");
  await joining.getByRole("button", { name: "Join" }).click();
  await expect(joining.getByRole("navigation", { name: "Places" })).toBeVisible();
  await joining.goto("/licenses");
  await expect(joining.getByRole("link", { name: "Wendlow open license" })).toBeVisible();
  await expect(joining.getByRole("link", { name: "Record a license" })).toBeHidden();
  await page.reload();
  await page.getByRole("button", { name: "Remove Odile Kern" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("Removed Odile Kern.")).toBeVisible();
  await joining.reload();
  await expect(joining.getByRole("button", { name: "Sign in" })).toBeVisible();
  await context.close();
});

test("a wrong password is refused, and a backup is made from the settings", async ({ page }) => {
  await page.goto("/");
  await page.getByLabel("Name").fill("demo");
  await page.getByLabel("Password").fill("not this one");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toContainText("Wrong name or password");
  await signIn(page);
  await page.goto("/settings");
  await page.getByRole("button", { name: "Make a backup" }).click();
  await expect(page.getByRole("link", { name: /^unciala-.*\.zip$/ })).toBeVisible({ timeout: 60_000 });
});

test("what others made is named with its licenses", async ({ page, request }) => {
  await signIn(page);
  await page.goto("/settings");
  for (const [link, words] of [
    ["Libraries of the server", "Apache License"],
    ["Packages of the interface", "Name: react"],
    ["Typefaces", "SIL OPEN FONT LICENSE"],
  ] as const) {
    const address = await page.getByRole("link", { name: link }).getAttribute("href");
    const answer = await request.get(address!);
    expect(answer.status(), link).toBe(200);
    expect(answer.headers()["content-type"]).toContain("text/plain");
    expect((await answer.text()).toUpperCase()).toContain(words.toUpperCase());
  }
});
