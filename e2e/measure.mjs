// Measures what a person waits for at the largest size: an intake of real fonts, the nearest of all held drawings, the first
// screen of families, scrolling, and a pack of eight faces. Start "bin/demo --large" first, on a machine that does nothing else.
// Usage: bin/measure-work FOLDER-OF-FONTS [http://localhost:8600]
import { chromium } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";

const [, , fonts, url = "http://localhost:8600"] = process.argv;
if (!fonts) {
  console.error("Say which folder has the fonts: bin/measure-work /usr/share/fonts");
  process.exit(1);
}
const MOST = 500;
const ASKED = 25;
const scratch = mkdtempSync(join(tmpdir(), "unciala-measure-"));
const say = (what, value, wanted) => console.log(`${what.padEnd(62)} ${value.padStart(16)}   wanted ${wanted}`);

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-background-networking"],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-US" });
try {
  await page.goto(url);
  await page.getByLabel("Name").fill("demo");
  await page.getByLabel("Password").fill(process.env.UNCIALA_PASSWORD ?? "unciala-demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("navigation", { name: "Places" }).waitFor();
  await families();
  await scrolling();
  await coverage();
  const found = readdirSync(fonts, { recursive: true })
    .map((name) => join(fonts, name))
    .filter((name) => /\.(ttf|otf|woff2?)$/.test(name) && statSync(name).isFile());
  await nearest(found.filter((_, i) => i % Math.ceil(found.length / ASKED) === 0));
  await intake(found.slice(0, MOST));
  await pack(found);
} finally {
  await browser.close();
  rmSync(scratch, { recursive: true, force: true });
}

/** From the address to the first name set in its own font, and how many bytes of fonts a screen takes. */
async function families() {
  let bytes = 0;
  page.on("response", async (answer) => {
    if (/\/letters\?/.test(answer.url())) {
      bytes += Number(answer.headers()["content-length"] ?? 0);
    }
  });
  for (const which of ["first time", "again"]) {
    bytes = 0;
    const began = Date.now();
    await page.goto(`${url}/families`);
    await page.waitForFunction(() =>
      [...document.querySelectorAll(".family-row .name")].some((name) =>
        /stored-/.test(getComputedStyle(name).fontFamily),
      ),
    );
    const first = Date.now() - began;
    await page.waitForLoadState("networkidle");
    say(`first row of families set in its font, ${which}`, `${first} ms`, "< 1,000 ms");
    say("fonts of the screen", `${(bytes / 1000).toFixed(0)} kB`, "< 150 kB");
  }
}

/** Tasks longer than 50 ms, and frames that came late, while a list of thousands is scrolled. */
async function scrolling() {
  await page.evaluate(() => {
    window.seen = { tasks: [], frames: [] };
    new PerformanceObserver((list) =>
      list.getEntries().forEach((entry) => window.seen.tasks.push(entry.duration)),
    ).observe({
      type: "longtask",
    });
    let last = performance.now();
    const frame = (now) => {
      window.seen.frames.push(now - last);
      last = now;
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  await page.mouse.move(600, 500);
  for (let i = 0; i < 150; i++) {
    await page.mouse.wheel(0, 240);
    await page.waitForTimeout(30);
  }
  await page.waitForLoadState("networkidle");
  const { tasks, frames } = await page.evaluate(() => window.seen);
  const late = frames.filter((time) => time > 34).length;
  say("scrolling 36,000 px: tasks over 50 ms", String(tasks.length), "0");
  say("  the longest task", `${Math.max(0, ...tasks).toFixed(0)} ms`, "< 50 ms");
  say("  frames that came late", `${late} of ${frames.length}`, "0");
}

/** From the address to the first crossing decided, of all families against all sites. */
async function coverage() {
  for (const which of ["first time", "again"]) {
    const began = Date.now();
    await page.goto(`${url}/licenses/coverage`);
    await page.locator(".coverage-row [role=gridcell]:not([aria-label*='…'])").first().waitFor();
    await page.waitForFunction(() =>
      [...document.querySelectorAll(".coverage-row .coverage-name a")].some((name) => name.textContent),
    );
    say(`first crossings of the coverage, ${which}`, `${Date.now() - began} ms`, "< 1,000 ms");
  }
}

/** What a dropped font is answered by: reading it, and finding the nearest of all held drawings. */
async function nearest(some) {
  const times = [];
  for (const font of some) {
    const bytes = [...readFileSync(font)];
    times.push(
      await page.evaluate(
        async ([name, data]) => {
          const form = new FormData();
          form.append("file", new File([new Uint8Array(data)], name));
          const token = /XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? "";
          const began = performance.now();
          const answer = await fetch("/api/search", { method: "POST", body: form, headers: { "X-XSRF-TOKEN": token } });
          await answer.json();
          return performance.now() - began;
        },
        [basename(font), bytes],
      ),
    );
  }
  times.sort((a, b) => a - b);
  say(
    `a dropped font answered (median of ${times.length}, reading included)`,
    `${times[times.length >> 1].toFixed(0)} ms`,
    "< 300 ms",
  );
}

/** An archive of real fonts until its families are shown, beside unzipping and hashing it. */
async function intake(some) {
  const folder = join(scratch, "fonts");
  mkdirSync(folder);
  some.forEach((font, i) => copyFileSync(font, join(folder, `${i}-${basename(font)}`)));
  const archive = join(scratch, "fonts.zip");
  execFileSync("zip", ["-q", "-r", archive, "fonts"], { cwd: scratch });
  const began = Date.now();
  execFileSync("unzip", ["-q", archive, "-d", join(scratch, "again")]);
  let total = 0;
  for (const name of readdirSync(join(scratch, "again", "fonts"))) {
    const bytes = readFileSync(join(scratch, "again", "fonts", name));
    createHash("sha256").update(bytes).digest();
    total += bytes.length;
  }
  const baseline = Date.now() - began;
  await page.goto(`${url}/intake`);
  const dropped = Date.now();
  await page.getByLabel("Choose files").setInputFiles(archive);
  await page.waitForURL(/\/intake\/\w+/, { timeout: 300_000 });
  await page.getByText(/to take in as|to decide on|brings nothing new/).waitFor({ timeout: 600_000 });
  const took = Date.now() - dropped;
  say(`${some.length} fonts, ${(total / 1e6).toFixed(0)} MB: unzip and hash`, `${baseline} ms`, "the baseline");
  say("  dropped, read, compared with all that is held, and shown", `${took} ms`, `< 3 x`);
  say("  ratio", (took / baseline).toFixed(1), "< 3");
}

/** Eight faces of one family, taken in, licensed and chosen for a site: what they weigh, and a pack of them, twice. */
async function pack(found) {
  const faces = found.filter((font) => /DejaVuSans(Condensed)?(-|\.)(?!ExtraLight)/.test(font)).slice(0, 8);
  if (faces.length < 8) {
    say("a pack of eight faces", "not measured", "DejaVu Sans in the folder");
    return;
  }
  const began = await page.evaluate(
    async (files) => {
      const call = async (method, path, body) => {
        const token = /XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? "";
        const isForm = body instanceof FormData;
        const answer = await fetch(path, {
          method,
          body: isForm ? body : body && JSON.stringify(body),
          headers: { "X-XSRF-TOKEN": token, ...(isForm || !body ? {} : { "Content-Type": "application/json" }) },
        });
        if (!answer.ok) {
          throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
        }
        return answer.json();
      };
      const form = new FormData();
      files.forEach(([name, bytes]) => form.append("files", new File([new Uint8Array(bytes)], name)));
      const { id } = await call("POST", "/api/intakes", form);
      let intake;
      do {
        await new Promise((resolve) => setTimeout(resolve, 200));
        intake = await call("GET", `/api/intakes/${id}`);
      } while (intake.state === "READING");
      const family = `Measured ${Date.now()}`;
      for (const row of intake.rows) {
        await call("PATCH", `/api/intakes/${id}/items/${row.id}`, { family, included: true });
      }
      const familyId = (await call("POST", `/api/intakes/${id}/accept`, {})).familyIds[0];
      const domain = `measured-${Date.now()}.example`;
      await call("POST", "/api/licenses", {
        name: family,
        kind: "PER_DOMAIN",
        covers: [{ familyId, faces: [] }],
        webUse: "GRANTED",
        converting: "GRANTED",
        cutting: "GRANTED",
        domains: [domain],
        anyFormat: true,
        proof: "measured",
      });
      const held = await call("GET", `/api/families/${familyId}`);
      const slots = [...new Map(held.files.map((file) => [file.slot.key, file.slot])).values()];
      const client = await call("POST", "/api/clients", { name: family });
      const site = await call("POST", "/api/sites", {
        clientId: client.id,
        name: family,
        domains: [domain],
        roles: [{ role: "RUNNING_TEXT", familyId, generic: "SANS_SERIF", faces: slots }],
        delivery: { languages: ["en", "de", "fr", "pl", "tr"], words: "" },
      });
      const timed = async (what) => {
        const start = performance.now();
        await what();
        return performance.now() - start;
      };
      const make = () => call("POST", `/api/sites/${site.id}/packs`);
      const weigh = () =>
        call("POST", `/api/sites/${site.id}/weight`, { faces: slots.map((slot) => ({ familyId, slot })) });
      return { faces: slots.length, first: await timed(make), again: await timed(make), weighed: await timed(weigh) };
    },
    faces.map((font) => [basename(font), [...readFileSync(font)]]),
  );
  say(`a pack of ${began.faces} faces cut to five Latin languages`, `${began.first.toFixed(0)} ms`, "< 5,000 ms");
  say("  made again", `${began.again.toFixed(0)} ms`, "< 500 ms");
  say("  what its faces weigh, asked again", `${began.weighed.toFixed(0)} ms`, "while picking");
}
