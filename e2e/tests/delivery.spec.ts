import { expect, type APIRequestContext, type Page } from "@playwright/test";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { host, unpacked } from "./host";
import { test } from "./inventory";
import { audit, fits, openRecord, painted, settled, signIn } from "./support";

test.use({ inventory: "rules" });

const site = "Fernway";
/** A page whose texts stand for the roles of a site. */
const body = "<h1>Title</h1><h2>Heading</h2><p>Running text</p><button>Button</button>";

let folder: string;

test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "unciala-delivery-"));
});

test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

type Delivery = Record<string, unknown>;

/** Describes how a site is delivered, makes its pack, and gives its files. */
async function pack(request: APIRequestContext, page: Page, delivery: Delivery, name: string) {
  const headers = {
    "X-XSRF-TOKEN": (await page.context().cookies()).find((cookie) => cookie.name === "XSRF-TOKEN")?.value ?? "",
  };
  const { items } = (await (await request.get(`/api/sites?name=${site}`)).json()) as { items: { id: string }[] };
  const id = items[0]?.id ?? "";
  const read = await request.get(`/api/sites/${id}`);
  const record = (await read.json()) as Record<string, unknown>;
  const put = await request.put(`/api/sites/${id}`, {
    headers: { ...headers, "If-Match": read.headers().etag ?? "" },
    data: { ...record, delivery },
  });
  expect(put.status(), await put.text()).toBe(200);
  const made = await request.post(`/api/sites/${id}/packs`, { headers });
  expect(made.status(), await made.text()).toBe(201);
  const { id: packId } = (await made.json()) as { id: string };
  const archive = join(folder, `${name}.zip`);
  writeFileSync(archive, await (await request.get(`/api/packs/${packId}.zip`)).body());
  return { id, headers, files: unpacked(archive, join(folder, name)) };
}

/** Opens a page on a host of these files, and expects every role to be painted in its own face and nothing refused. */
async function paints(visitor: Page, served: Map<string, Buffer | string>) {
  const at = await host(served);
  const failed: string[] = [];
  visitor.on("requestfailed", (request) => failed.push(request.url()));
  await visitor.goto(at.url);
  const seen = await visitor.evaluate(async () => {
    await document.fonts.ready;
    const width = (element: Element, family: string) => {
      const span = document.createElement("span");
      const { fontSize, fontWeight, fontStyle } = getComputedStyle(element);
      span.style.cssText = `position: absolute; white-space: nowrap; font-size: ${fontSize}; font-weight: ${fontWeight}; font-style: ${fontStyle}`;
      span.style.fontFamily = family;
      span.textContent = "Five quick wharf cats jumped";
      document.body.append(span);
      return span.getBoundingClientRect().width;
    };
    return [...document.querySelectorAll("h1, h2, p, button")].map((element) => {
      const [own = "", ...rest] = getComputedStyle(element).fontFamily.split(",");
      return {
        element: element.localName,
        family: own,
        differs: Math.abs(width(element, `${own}, monospace`) - width(element, "monospace")) > 3,
        stack: rest.length > 0,
      };
    });
  });
  expect(seen.map(({ element, differs, stack }) => [element, differs, stack])).toEqual(
    ["h1", "h2", "p", "button"].map((element) => [element, true, true]),
  );
  const statuses = await visitor.evaluate(() => [...document.fonts].map((face) => face.status));
  expect(statuses).toContain("loaded");
  expect(statuses).not.toContain("error");
  expect([...failed, ...at.refused.filter((path) => path !== "/favicon.ico")]).toEqual([]);
  at.close();
}

const linked = (css: string) => `<!doctype html><link rel="stylesheet" href="${css}">${body}`;
/** A host that has the page and the style sheet, and no fonts. */
const styled = (files: Map<string, Buffer>) =>
  new Map([
    ["/", linked("/type.css")],
    ["/type.css", files.get("type.css")!.toString()],
  ]);
const fontsOf = (files: Map<string, Buffer>) =>
  [...files]
    .filter(([path]) => /\.woff2?$/.test(path))
    .map(([path, bytes]) => [path.split("/").pop() ?? "", bytes] as const);

test("packs paint on every kind of host", async ({ page, browser }) => {
  await signIn(page);
  const request = page.request;
  const visitor = await browser.newPage();

  await test.step("a folder seen from the style sheet", async () => {
    const { files } = await pack(request, page, { kind: "FOLDER", folder: "../assets/type", digest: true }, "folder");
    const served = new Map<string, Buffer | string>([
      ["/", linked("/css/type.css")],
      ["/css/type.css", files.get("type.css")!],
    ]);
    fontsOf(files).forEach(([name, bytes]) => served.set(`/assets/type/${name}`, bytes));
    await paints(visitor, served);
  });

  await test.step("no folders at all", async () => {
    const { files } = await pack(request, page, { kind: "FLAT", names: "LETTERS_AND_DIGITS", digest: false }, "flat");
    expect(
      [...files.keys()].filter((path) => /\.woff2$/.test(path)).every((path) => /^[a-z0-9]+\.woff2$/.test(path)),
    ).toBe(true);
    const served = new Map<string, Buffer | string>([["/", linked("/type.css")]]);
    files.forEach((bytes, path) => !path.includes("/") && served.set(`/${path}`, bytes));
    await paints(visitor, served);
  });

  await test.step("under a base address", async () => {
    const { files } = await pack(request, page, { kind: "BASE_URL", base: "https://cdn.fernway.example/f" }, "base");
    const fonts = new Map(fontsOf(files));
    await visitor.route("https://cdn.fernway.example/f/*", (route) =>
      route.fulfill({
        body: fonts.get(new URL(route.request().url()).pathname.split("/").pop() ?? ""),
        headers: { "Access-Control-Allow-Origin": "*", "Content-Type": "font/woff2" },
      }),
    );
    await paints(visitor, styled(files));
  });

  await test.step("by an expression that the host replaces, in a style element", async () => {
    const delivery = { kind: "EXPRESSION", expression: "{{ '{file}' | asset }}", shape: "STYLE_BLOCK" };
    const { files } = await pack(request, page, delivery, "expression");
    const head = files
      .get("head.html")!
      .toString()
      .replace(/\{\{ '([^']+)' \| asset \}\}/g, "/store/$1");
    const served = new Map<string, Buffer | string>([["/", `<!doctype html>${head}${body}`]]);
    fontsOf(files).forEach(([name, bytes]) => served.set(`/store/${name}`, bytes));
    await paints(visitor, served);
  });

  await test.step("inside the style sheet", async () => {
    const { files } = await pack(request, page, { kind: "INLINE", languages: ["en"] }, "inline");
    await paints(visitor, styled(files));
  });

  await test.step("each at an address known after its upload, pasted on the screen", async () => {
    const described = { kind: "URL_PER_FILE", names: "LETTERS_AND_DIGITS", digest: false };
    const first = await pack(request, page, described, "urls");
    const fonts = fontsOf(first.files);
    await page.goto(`/sites/${first.id}/delivery`);
    await page
      .getByLabel("Addresses of the files")
      .fill(fonts.map(([name], i) => `${name} https://cdn.fernway.example/up/${i}x`).join("\n"));
    await page.getByRole("button", { name: "Match them to the files" }).click();
    await expect(page.getByText(`${fonts[0]?.[0]}: https://cdn.fernway.example/up/0x`)).toBeVisible();
    await page.getByRole("button", { name: "Save the delivery" }).click();
    await expect(page.getByText("Saved.")).toBeVisible();
    const urls = Object.fromEntries(fonts.map(([name], i) => [name, `https://cdn.fernway.example/up/${i}x`]));
    const { files } = await pack(request, page, { ...described, urls }, "urls2");
    await visitor.route("https://cdn.fernway.example/up/*", (route) =>
      route.fulfill({
        body: fonts[Number(/\/(\d+)x$/.exec(route.request().url())?.[1])]?.[1],
        headers: { "Access-Control-Allow-Origin": "*", "Content-Type": "font/woff2" },
      }),
    );
    await paints(visitor, styled(files));
  });
  await visitor.close();
});

test("a stand-in with matched metrics keeps the text where it is", async ({ page, browser }) => {
  await signIn(page);
  const shifts: number[] = [];
  for (const standIns of [false, true]) {
    const { files } = await pack(page.request, page, { kind: "FLAT", standIns }, `shift-${standIns}`);
    // The Liberation faces have the metrics of those that are stood in for.
    const css = files
      .get("type.css")!
      .toString()
      .replace(/local\("Arial/g, 'local("Liberation Sans')
      .replace(/local\("Times New Roman/g, 'local("Liberation Serif');
    const text = `<p>${"The quick wharf cats jumped over big dozing hulks. ".repeat(30)}</p><footer>End</footer>`;
    const at = await host(
      new Map([
        ["/", `<!doctype html><link rel="stylesheet" href="/type.css"><style>p { width: 500px }</style>${text}`],
        ["/type.css", css],
      ]),
    );
    const visitor = await browser.newPage();
    let release = () => {};
    const released = new Promise<void>((resolve) => (release = resolve));
    await visitor.route("**/*.woff2", async (route) => {
      await released;
      await route.fulfill({ body: files.get(route.request().url().split("/").pop() ?? ""), contentType: "font/woff2" });
    });
    await visitor.goto(at.url, { waitUntil: "domcontentloaded" });
    const end = () => visitor.locator("footer").evaluate((node) => node.getBoundingClientRect().top);
    await visitor.waitForTimeout(300);
    const before = await end();
    release();
    await visitor.evaluate(() => document.fonts.ready);
    await visitor.waitForFunction(() => [...document.fonts].some((face) => face.status === "loaded"));
    shifts.push(Math.abs((await end()) - before));
    await visitor.close();
    at.close();
  }
  const [without = 0, with_ = 0] = shifts;
  expect(without).toBeGreaterThan(40);
  expect(with_).toBeLessThanOrEqual(2);
});

test("a style sheet is proof-read for a site, line by line, and corrected", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", site, "CSS");
  await page
    .getByRole("textbox", { name: /^Paste the CSS/ })
    .fill(
      "@font-face {\n  font-family: “Ostrel”;\n  src: url(ostrel.woff2);\n  font-display: swap;\n}\nbody { font-family: Ostrl }\n",
    );
  await page.getByRole("button", { name: "Check it" }).click();
  await expect(page.locator("mark", { hasText: "“Ostrel”" })).toBeVisible();
  const note = page.getByRole("group", { name: /line 6: Name mismatch/ });
  await expect(note).toContainText('"Ostrel"');
  await audit(page);
  await note.getByRole("button", { name: "Correct it" }).click();
  await expect(note).toBeHidden();
  await page.getByRole("button", { name: "Correct all" }).click();
  await expect(page.getByText(/body \{ font-family: "Ostrel", (sans-)?serif \}/)).toBeVisible();
  await page.setViewportSize({ width: 320, height: 700 });
  await settled(page);
  await fits(page);
});

test("what is not allowed goes into a pack with a reason only, and stays flagged", async ({ page }) => {
  await signIn(page);
  await openRecord(page, "/sites", "Copperline");
  const part = page.locator("#pack");
  await expect(part.getByText("This pack is out of date.")).toBeVisible();
  await part.getByText("aren’t allowed here and stay out of packs").click();
  await part.getByRole("button", { name: "Make it anyway" }).click();
  await expect(part.getByText("Say why it’s made anyway.")).toBeVisible();
  await part.getByLabel("Why").fill("agreed on the phone");
  await part.getByRole("button", { name: "Make it anyway" }).click();
  await expect(part.getByText("Made with faces that aren’t allowed, because: agreed on the phone")).toBeVisible();
  await expect(page.getByText("Copperline delivers what is not allowed")).toBeVisible();
  await expect(page.getByText("Copperline is due a new pack")).toBeHidden();
  await part.getByText("What changed").first().click();
  await expect(part.getByText(/^Compared with the pack of/)).toBeVisible();
  await part.getByText("Earlier packs").click();
  await expect(part.getByRole("link", { name: "Download", exact: true })).toBeVisible();
  await audit(page);
  await fits(page);
});

/** Takes a real font in, licenses it for a domain, and sets the running text of a new site in it. */
async function siteIn(page: Page, font: string, family: string, languages: string[]) {
  const headers = {
    "X-XSRF-TOKEN": (await page.context().cookies()).find((cookie) => cookie.name === "XSRF-TOKEN")?.value ?? "",
  };
  const call = async (method: "POST" | "PATCH" | "GET", path: string, data?: object) => {
    const answer = await page.request.fetch(path, { method, headers, data });
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
    return (await answer.json()) as Record<string, unknown>;
  };
  const dropped = await page.request.post("/api/intakes", {
    headers,
    multipart: { files: { name: "font.ttf", mimeType: "font/ttf", buffer: readFileSync(font) } },
  });
  const { id } = (await dropped.json()) as { id: string };
  let intake: Record<string, unknown> = {};
  await expect
    .poll(async () => (intake = await call("GET", `/api/intakes/${id}`)).state, { timeout: 60_000 })
    .toBe("REVIEW");
  const [row] = intake.rows as { id: string }[];
  await call("PATCH", `/api/intakes/${id}/items/${row!.id}`, { family, included: true });
  const [familyId] = (await call("POST", `/api/intakes/${id}/accept`, {})).familyIds as string[];
  await call("POST", "/api/licenses", {
    name: family,
    kind: "PER_DOMAIN",
    covers: [{ familyId, faces: [] }],
    webUse: "GRANTED",
    converting: "GRANTED",
    cutting: "GRANTED",
    domains: ["scripts.example"],
    anyFormat: true,
    proof: "for a test",
  });
  const client = await call("POST", "/api/clients", { name: family });
  const slot = { weight: 400, weightMax: 400, width: 100, widthMax: 100, slope: "upright" };
  const site = await call("POST", "/api/sites", {
    clientId: client.id,
    name: family,
    domains: ["scripts.example"],
    roles: [{ role: "RUNNING_TEXT", familyId, generic: "SANS_SERIF", faces: [slot] }],
    delivery: { languages },
  });
  const pack = await call("POST", `/api/sites/${site.id as string}/packs`);
  const archive = join(folder, "scripts.zip");
  writeFileSync(archive, await (await page.request.get(`/api/packs/${pack.id as string}.zip`)).body());
  return unpacked(archive, join(folder, "scripts"));
}

test("a page fetches of a face the files of the scripts that its text is in", async ({ page, browser }) => {
  await signIn(page);
  const files = await siteIn(page, "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf", "Three scripts", [
    "en",
    "el",
    "uk",
  ]);
  const text = (words: string) =>
    `<!doctype html><meta charset="utf-8"><link rel="stylesheet" href="/type.css"><p>${words}`;
  const at = await host(
    new Map<string, Buffer | string>([
      ...[...files].map(([path, bytes]) => [`/${path}`, bytes] as const),
      ["/latin.html", text("Five quick cats, 12 of them")],
      ["/greek.html", text("Ταχεία γάτα, 12")],
      ["/all.html", text("Cats, γάτες, коти")],
    ]),
  );
  for (const [name, scripts] of [
    ["latin", [""]],
    ["greek", ["", "-greek"]],
    ["all", ["", "-cyrillic", "-greek"]],
  ] as const) {
    const visitor = await browser.newPage();
    const fetched: string[] = [];
    visitor.on("requestfinished", (request) => fetched.push(new URL(request.url()).pathname));
    await visitor.goto(`${at.url}/${name}.html`);
    await visitor.evaluate(() => document.fonts.ready);
    const fonts = fetched.filter((path) => path.endsWith(".woff2")).map((path) => path.replace(/-[0-9a-f]{8}/, ""));
    expect(fonts.sort()).toEqual(scripts.map((script) => `/fonts/three-scripts-regular${script}.woff2`).sort());
    expect(new Set((await painted(visitor, "p")).files)).toEqual(new Set([true]));
    await visitor.close();
  }
  at.close();
});
