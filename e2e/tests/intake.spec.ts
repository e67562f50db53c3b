import { expect } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test } from "./inventory";
import { audit, follow, goTo, signIn } from "./support";

test.use({ inventory: "work" });

test("an archive as vendors pack it is sorted, decided on, accepted with its license, and taken back", async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "unciala-vendor-"));
  const fonts = "/usr/share/fonts/truetype";
  try {
    mkdirSync(join(folder, "Lato/desktop"), { recursive: true });
    mkdirSync(join(folder, "Lato/web"));
    for (const face of ["Regular", "Bold", "Italic"]) {
      copyFileSync(`${fonts}/lato/Lato-${face}.ttf`, join(folder, `Lato/desktop/Lato-${face}.ttf`));
    }
    execFileSync("woff2_compress", [join(folder, "Lato/desktop/Lato-Regular.ttf")]);
    renameSync(join(folder, "Lato/desktop/Lato-Regular.woff2"), join(folder, "Lato/web/Lato-Regular.woff2"));
    writeFileSync(join(folder, "Lato/OFL.txt"), "SIL OPEN FONT LICENSE Version 1.1");
    writeFileSync(join(folder, "Lato/Read me.txt"), "For trial purposes only.");
    writeFileSync(join(folder, "Lato/.DS_Store"), "left");
    // Two drawings for one slot, of which somebody has to choose.
    mkdirSync(join(folder, "Inter"));
    for (const name of ["Inter.var.ttf", "Inter-roman.var.ttf"]) {
      copyFileSync(`${fonts}/inter-vf/${name}`, join(folder, "Inter", name));
    }
    execFileSync("zip", ["-qr", "vendor.zip", "."], { cwd: folder });
    await signIn(page);
    await goTo(page, "Intake");
    await page.getByLabel("Choose files").setInputFiles(join(folder, "vendor.zip"));
    await expect(page.getByText("1 family needs a decision; 1 family ready to accept.")).toBeVisible();
    const lato = page.getByRole("group", { name: "Lato", exact: true });
    await expect(lato).toContainText("New family: 3 files, 1 additional format");
    await expect(lato).toContainText("SIL Open Font License 1.1 · sans serif");
    await expect(page.getByText(/Read me\.txt says it is a trial/)).toBeVisible();
    await page.getByRole("button", { name: "Read OFL.txt" }).click();
    await expect(page.getByRole("dialog")).toContainText("SIL OPEN FONT LICENSE");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Files of Inter" }).click();
    await page
      .getByRole("group", { name: /^Decide: Inter/ })
      .getByRole("button", { name: "Leave out" })
      .click();
    await expect(page.getByText("2 families ready to accept.")).toBeVisible();
    await audit(page);
    await page.getByRole("button", { name: /^Accept 5 files/ }).click();
    await expect(page.getByText("5 files added, 1 license recorded.")).toBeVisible();
    await goTo(page, "Licenses");
    await follow(page, "SIL Open Font License 1.1");
    await expect(page.getByRole("link", { name: "OFL.txt" })).toBeVisible();
    await goTo(page, "Families");
    await page.getByLabel("Filter by name").fill("lato");
    await follow(page, "Lato");
    await expect(page.getByRole("button", { name: /^Bold: held as TTF/ })).toBeVisible();

    // The same archive again brings nothing.
    await goTo(page, "Intake");
    await page.getByLabel("Choose files").setInputFiles(join(folder, "vendor.zip"));
    await expect(page.getByText("1 family needs a decision; 1 family with nothing new.")).toBeVisible();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
