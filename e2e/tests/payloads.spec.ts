import { expect, type Page } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test } from "./inventory";
import { places, settled, signIn } from "./support";

test.use({ inventory: "payloads" });

/** Texts that would run, load or break out, were they taken for anything but texts. */
const payloads = [
  "<script>window.hit=1</script>",
  '<img src=x onerror="window.hit=1">',
  '"><svg onload=window.hit=1>',
  "'-window.hit=1-'",
  "javascript:window.hit=1",
  "</style><script>window.hit=1</script>",
  "</title><script>window.hit=1</script>",
  "</textarea><script>window.hit=1</script>",
  "<iframe srcdoc='<script>parent.hit=1</script>'></iframe>",
  "<link rel=stylesheet href=http://evil.example/a.css>",
  "<a href=http://evil.example/>a</a>",
  "url(http://evil.example/x)",
  "}; @import 'http://evil.example/a.css'; {",
  '"};window.hit=1;//',
  "{{constructor.constructor('window.hit=1')()}}",
  "${window.hit=1}",
  "%3Cscript%3Ewindow.hit=1%3C/script%3E",
  "&lt;script&gt;window.hit=1&lt;/script&gt;",
  "*/window.hit=1/*",
  "\\u003cscript>window.hit=1</script>",
  "‮gnp.tnof <b>bold",
  '=HYPERLINK("http://evil.example")',
];

/** Calls the API as the page does. */
function call(page: Page, method: string, path: string, body?: unknown) {
  return page.evaluate(
    async ([asked, at, sent]) => {
      const token = /XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? "";
      const answer = await fetch(at!, {
        method: asked,
        headers: { "Content-Type": "application/json", "X-XSRF-TOKEN": token },
        body: sent,
      });
      return { status: answer.status, body: (await answer.json().catch(() => null)) as Record<string, unknown> };
    },
    [method, path, body === undefined ? undefined : JSON.stringify(body)],
  );
}

test("texts of strangers stay texts on every screen, in packs, statements and exports", async ({ page, baseURL }) => {
  const wrong: string[] = [];
  page.on("dialog", (dialog) => {
    wrong.push(`a dialog: ${dialog.message()}`);
    void dialog.dismiss();
  });
  page.on("request", (request) => {
    if (/evil/.test(new URL(request.url()).host)) {
      wrong.push(`a request: ${request.url()}`);
    }
  });
  page.on("console", (message) => {
    if (/Content Security Policy|Refused to/.test(message.text())) {
      wrong.push(`stopped by the policy only: ${message.text()}`);
    }
  });
  const look = async (url: string) => {
    await page.goto(url);
    await settled(page);
    expect(await page.evaluate(() => (window as { hit?: number }).hit)).toBeUndefined();
  };

  await signIn(page);
  const families = await call(page, "GET", "/api/families?limit=50");
  const ostrel = (families.body.items as { id: string; name: string }[]).find(({ name }) => name === "Ostrel")!;
  const { body: family } = await call(page, "GET", `/api/families/${ostrel.id}`);
  const slot = (family.files as { slot: unknown }[])[0]!.slot;
  const records: string[] = [];
  let site = "";
  for (const [i, text] of payloads.entries()) {
    const client = await call(page, "POST", "/api/clients", { name: `${text} ${i}` });
    expect(client.status).toBe(201);
    const made = await call(page, "POST", "/api/sites", {
      clientId: client.body.id,
      name: `${text} ${i}`,
      domains: [`site${i}.example`],
      notes: text,
      roles: [{ role: text.slice(0, 40), familyId: ostrel.id, generic: "SERIF", faces: [slot], words: text }],
    });
    const license = await call(page, "POST", "/api/licenses", {
      name: `${text} ${i}`,
      vendor: text,
      notes: text,
      webUse: "GRANTED",
      converting: "GRANTED",
      cutting: "GRANTED",
      anyDomain: true,
      anyFormat: true,
      covers: [{ familyId: ostrel.id, faces: null }],
    });
    for (const [kind, answer] of [
      ["sites", made],
      ["licenses", license],
    ] as const) {
      expect(answer.status, JSON.stringify(answer.body)).toBe(201);
      if (answer.status === 201) {
        records.push(`/${kind}/${String(answer.body.id)}`);
      }
    }
    site = made.status === 201 ? String(made.body.id) : site;
  }
  expect(records.length).toBeGreaterThan(payloads.length);

  for (const at of places) {
    await look(at);
  }
  for (const at of records
    .slice(0, 6)
    .concat(`/sites/${site}/type`, `/sites/${site}/delivery`, `/families/${ostrel.id}`)) {
    await look(at);
  }
  await page.goto("/");
  await page.getByRole("combobox", { name: "Search" }).fill("script");
  await settled(page);

  const pack = await call(page, "POST", `/api/sites/${site}/packs`, {});
  expect(pack.status, JSON.stringify(pack.body)).toBe(201);
  const folder = mkdtempSync(join(tmpdir(), "payloads-"));
  try {
    const zip = await page.request.get(`/api/packs/${String(pack.body.id)}.zip`);
    writeFileSync(join(folder, "pack.zip"), await zip.body());
    execFileSync("unzip", ["-q", "-o", "pack.zip"], { cwd: folder });
    const html = readdirSync(folder, { recursive: true })
      .map(String)
      .filter((name) => name.endsWith(".html"));
    expect(html.length).toBeGreaterThan(0);
    for (const name of html) {
      await page.goto(`file://${join(folder, name)}`);
      expect(await page.evaluate(() => (window as { hit?: number }).hit)).toBeUndefined();
      expect(readFileSync(join(folder, name), "utf8")).not.toMatch(/<img src=x|<iframe srcdoc|href=http:\/\/evil/);
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  const csv = await (await page.request.get(`${baseURL}/api/licenses.csv`)).text();
  expect(csv).toContain("HYPERLINK");
  // What a spreadsheet would take for a formula is written as a text.
  expect(csv).not.toMatch(/(^|,|")=HYPERLINK/m);
  expect(wrong).toEqual([]);
});
