import { expect, type Page, test } from "@playwright/test";
import { execFile } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { host } from "./host";
import { numbers } from "./pages";

const run = promisify(execFile);
const root = join(import.meta.dirname, "../..");
const lato = "/usr/share/fonts/truetype/lato";
const SITES = 60;

const roles = [
  { role: "Page title", selector: "h1", family: "Asked", weight: 700, slope: "upright" },
  { role: "Headings", selector: "h2", family: "Asked", weight: 700, slope: "upright" },
  { role: "Running text", selector: "p, li", family: "Asked", weight: 400, slope: "upright" },
  { role: "Buttons", selector: "button, .button", family: "Asked", weight: 700, slope: "upright" },
  { role: "Captions", selector: "figcaption", family: "Asked", weight: 400, slope: "upright" },
  { role: "Quotes", selector: ".pull-quote", family: "Asked", weight: 400, slope: "upright" },
];

/** What a pack brings: its faces, and a rule for each role. */
const faces = `
@font-face { font-family: "Asked"; src: url(regular.ttf) format("truetype"); font-weight: 400 }
@font-face { font-family: "Asked"; src: url(bold.ttf) format("truetype"); font-weight: 700 }
@font-face { font-family: "Theme"; src: url(theme.ttf) format("truetype") }
`;
const packRules = roles
  .map(
    ({ selector, weight }) =>
      `${selector} { font-family: "Asked", sans-serif; font-weight: ${weight}; font-style: normal }`,
  )
  .join("\n");

/** What themes, builders and resets do to headings and texts, of which each page gets some. */
const ingredients = [
  ":root { --heading-font: Theme, Georgia, serif } h1, h2, h3 { font-family: var(--heading-font) }",
  ":root { --preset-serif: Theme; --heading: var(--preset-serif), serif } .site h2 { font-family: var(--heading) }",
  "body.theme { --body-font: Theme } body.theme p { font-family: var(--body-font), serif }",
  ".has-heading-font { font-family: Theme, serif !important }",
  "@layer reset, theme; @layer theme { h1, h2 { font-family: Theme, serif } p { font-family: Theme } }",
  "@layer base { h1 { font-family: Theme !important } figcaption { font: italic 14px/1.4 Theme !important } }",
  "h2 { font: 500 1.5rem/1.2 Theme, serif }",
  "body { font: 16px/1.5 Theme, sans-serif } li, p { font: inherit }",
  "* { font-family: inherit } body { font-family: Theme }",
  ".site :is(h1, h2, #never) { font-weight: 400 }",
  ".site .content :where(h1, h2, p, li) { font-family: Theme }",
  ".content { & h2 { font-family: Theme; & span { font-weight: 400 } } figcaption { font-family: Theme } }",
  "@media (min-width: 1000px) { #main h1 { font-family: Theme, serif; font-weight: 400 } }",
  "@media (max-width: 600px) { h1, p { font-family: Theme } }",
  "@supports (display: grid) { button, .button { font-family: Theme; font-weight: 400 } }",
  "button { font: 400 13px Theme } .button { font-style: italic }",
  ".pull-quote { font-family: Theme; font-style: italic } .pull-quote:not(.x) { font-weight: 700 }",
  "html body div .pull-quote { font-family: Georgia, serif }",
  "p { font-weight: 300 } p.lead { font-family: Theme; font-weight: 700 !important }",
  "@container (min-width: 100px) { h2 { font-family: Theme } }",
];
const inline = [
  "",
  "",
  "",
  ' style="font-family: Theme"',
  ' style="font-family: Theme !important"',
  ' style="font: 700 2em Theme"',
];
const spans = ["", "", ' style="font-weight: 400"', ' class="has-heading-font"', ' style="--heading-font: Theme"'];

function site(seed: number): string {
  const { of, below, chance } = numbers(seed);
  const themes = Array.from({ length: 1 + below(4) }, () => of(ingredients));
  const sheets = chance(0.3) ? [packRules, ...themes] : [...themes, packRules];
  const text = (tag: string, more = "") =>
    `<${tag}${more}${of(inline)}>Wharf <span${of(spans)}>lights</span> at dusk</${tag}>`;
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Site ${seed}</title><style>${faces}</style>
${sheets.map((css) => `<style>${css}</style>`).join("\n")}
<body class="site ${of(["theme", "plain"])}"><main id="main"><div class="content">
${text("h1", chance(0.3) ? ' class="has-heading-font"' : "")}
${text("h2")}${text("h2")}
${text("p", ' class="lead"')}<p>Some <strong>bold</strong> and <em>leaning</em> words, <a href="#">a link</a>.</p>
<ul>${text("li")}</ul>
${chance(0.7) ? text("button") : ""}<a class="button" href="#">Go on</a>
<figure>${text("figcaption")}</figure>
<blockquote class="pull-quote"${of(inline)}>Quoted</blockquote>
</div></main></body></html>`;
}

type Shown = {
  family: string;
  texts: number;
  page: string;
  asAsked: boolean;
  why: string;
  override: string | null;
  overrideAnywhere: string | null;
  measures: { property: string; shown: string }[];
};
type Line = { role: string; selector: string; texts: number; verdict: string; shown: Shown[] };

/** What the command line says of the roles on pages. */
async function checked(pages: string[], options: string[]): Promise<Line[]> {
  const { stdout } = await run(join(root, "bin/unciala"), ["check", ...pages, ...options], {
    maxBuffer: 1 << 28,
  }).catch((error: { stdout: string; stderr: string; code: number }) => {
    expect(error.stderr).toBe("");
    return error;
  });
  return stdout
    .split("\n")
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Line);
}

/** Of every text that has a role, whether Chromium paints it as asked. */
async function paintedAsAsked(page: Page, fakedIsFine = false): Promise<Map<string, boolean[]>> {
  // Each element with a text of its own is marked, so that its texts are found again.
  const texts = await page.evaluate((roles) => {
    let marks = 0;
    const found: { role: string; mark: string; at: number; emphasized: boolean; style: string }[] = [];
    for (const { role, selector } of roles) {
      for (const element of document.querySelectorAll(selector)) {
        const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
          const parent = node.parentElement!;
          if (node.textContent!.trim() !== "") {
            parent.dataset.mark ??= String(marks++);
            const others = [...parent.childNodes].filter((one) => one.nodeType === 3 && one.textContent!.trim() !== "");
            found.push({
              role,
              mark: parent.dataset.mark,
              at: others.indexOf(node as ChildNode),
              emphasized: parent.closest("strong, em") !== null,
              style: getComputedStyle(parent).fontStyle,
            });
          }
        }
      }
    }
    return found;
  }, roles);
  const client = await page.context().newCDPSession(page);
  await client.send("DOM.enable");
  await client.send("CSS.enable");
  const { nodes } = await client.send("DOM.getFlattenedDocument", { depth: -1 });
  const marked = new Map(
    nodes.flatMap(({ nodeId, attributes = [] }) => {
      const at = attributes.indexOf("data-mark");
      return at < 0 ? [] : [[attributes[at + 1], nodeId] as const];
    }),
  );
  const found = new Map<string, boolean[]>(roles.map(({ role }) => [role, []]));
  const main = await Promise.all(
    texts.map(async ({ mark, at }) => {
      const own = nodes.filter(
        (node) => node.nodeType === 3 && node.parentId === marked.get(mark) && node.nodeValue.trim(),
      );
      const { fonts } = await client.send("CSS.getPlatformFontsForNode", { nodeId: own[at]!.nodeId });
      return [...fonts].sort((a, b) => b.glyphCount - a.glyphCount)[0];
    }),
  );
  for (const [i, { role, emphasized, style }] of texts.entries()) {
    const name = main[i]?.isCustomFont ? main[i].postScriptName : "";
    const bold = roles.find((one) => one.role === role)!.weight === 700;
    const asked = bold ? /^Lato-Bold$/ : /^Lato-Regular$/;
    // Emphasis has a weight of its own; a slope that is faked, as no italic is there, is not as asked.
    found
      .get(role)!
      .push((emphasized ? /^Lato-/ : asked).test(name) && (style === "normal" || (emphasized && fakedIsFine)));
  }
  await client.detach();
  return found;
}

test("texts of roles on sixty generated sites are judged as Chromium paints them, and what overrides works there", async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "unciala-roles-"));
  const files = new Map<string, Buffer | string>([
    ["/regular.ttf", readFileSync(`${lato}/Lato-Regular.ttf`)],
    ["/bold.ttf", readFileSync(`${lato}/Lato-Bold.ttf`)],
    ["/theme.ttf", readFileSync("/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf")],
  ]);
  for (let seed = 1; seed <= SITES; seed++) {
    files.set(`/${seed}.html`, site(seed));
  }
  const served = await host(files);
  try {
    writeFileSync(join(folder, "roles.json"), JSON.stringify(roles));
    const pages = Array.from({ length: SITES }, (_, i) => `${served.url}/${i + 1}.html`);
    const options = ["--roles", join(folder, "roles.json"), "--allow-private"];
    const lines = await checked(pages, options);
    expect(lines.map(({ role }) => role)).toEqual(roles.map(({ role }) => role));

    let texts = 0;
    let groups = 0;
    let anywhere = 0;
    const wrong: string[] = [];
    const failed: string[] = [];
    const beyond: string[] = [];
    for (const url of pages) {
      await page.goto(url);
      await page.evaluate(() => document.fonts.ready);
      const before = await paintedAsAsked(page);
      for (const line of lines) {
        const own = line.shown.filter((shown) => shown.page === url);
        const ours = own.filter((shown) => shown.asAsked).reduce((sum, shown) => sum + shown.texts, 0);
        const theirs = before.get(line.role)!;
        texts += theirs.length;
        const all = own.reduce((sum, shown) => sum + shown.texts, 0);
        if (all !== theirs.length || ours !== theirs.filter(Boolean).length) {
          wrong.push(
            `${url} ${line.role}: ${ours} of ${all}, in Chromium ${theirs.filter(Boolean).length} of ${theirs.length}`,
          );
        }
      }
      const others = lines.flatMap((line) =>
        line.shown
          .filter((shown) => shown.page === url && !shown.asAsked)
          .map((shown) => ({ ...shown, role: line.role })),
      );
      beyond.push(...others.filter(({ override }) => override === null).map(({ why }) => why));
      const overrides = others.filter(({ override }) => override !== null);
      groups += overrides.length;
      /** Tries CSS after all style sheets, or before them, and notes the roles that it does not reach. */
      const tried = async (name: "override" | "overrideAnywhere", where: "append" | "prepend") => {
        await page.evaluate(
          ([css, where]) => {
            const style = document.createElement("style");
            style.textContent = css!;
            if (where === "append") {
              document.body.append(style);
            } else {
              document.head.prepend(style);
            }
          },
          [others.map((one) => one[name] ?? "").join("\n"), where] as const,
        );
        await page.evaluate(() => document.fonts.ready);
        const after = await paintedAsAsked(page, true);
        for (const { role, [name]: css } of others.filter((one) => one[name] !== null)) {
          const left = others.filter((one) => one.role === role && one[name] === null);
          const still = after.get(role)!.filter((asAsked) => !asAsked).length;
          if (still > left.reduce((sum, { texts }) => sum + texts, 0)) {
            failed.push(`${url} ${role}: ${css!} leaves ${still}`);
          }
        }
      };
      if (overrides.length > 0) {
        await tried("override", "append");
        anywhere += overrides.filter(({ overrideAnywhere }) => overrideAnywhere !== null).length;
        await page.goto(url);
        await tried("overrideAnywhere", "prepend");
      }
    }
    console.log(
      `${texts} texts, ${wrong.length} sites and roles otherwise; ${groups} overrides, ${anywhere} of them for anywhere, ${failed.length} fail; ${beyond.length} beyond CSS`,
    );
    expect(texts).toBeGreaterThan(1000);
    expect(groups).toBeGreaterThan(150);
    expect(anywhere).toBeGreaterThan(groups * 0.9);
    expect(wrong).toEqual([]);
    expect(failed).toEqual([]);
    expect(beyond.filter((why) => !/!important|has no file (?:of Asked )?for this weight and slope/.test(why))).toEqual(
      [],
    );
  } finally {
    served.close();
    rmSync(folder, { recursive: true, force: true });
  }
});

/** What themes do to sizes and spacings, of which each page gets some. */
const sizes = [
  "h1 { font-size: 2.4rem } p { font-size: 17px; line-height: 1.6 }",
  "html { font-size: 87.5% } body { line-height: 1.4 }",
  ":root { --step: 1.2 } h1 { font-size: calc(1rem * var(--step) + 2vw) } p { letter-spacing: calc(var(--step) * 1px) }",
  ".content h1 { font: 700 clamp(20px, 4vw, 60px)/normal Asked, serif }",
  "h1 { letter-spacing: -0.02em; word-spacing: 2px } button { line-height: 2; letter-spacing: 1px }",
  "@layer theme { p { font-size: 1.3em !important } }",
  "@media (min-width: 1000px) { p { font-size: 1.25rem; line-height: 28px } }",
  "p span { font-size: 120%; letter-spacing: normal } small { letter-spacing: 1px }",
  "body { letter-spacing: .03em; word-spacing: .1em; font-size: 18px }",
  "button { font: inherit }",
];
const sized = [
  { ...roles[0]!, size: "2.4rem", lineHeight: "1.1", letterSpacing: "-0.02em" },
  { ...roles[2]!, size: "clamp(1rem, 1.5vw, 1.2rem)", lineHeight: "160%", wordSpacing: "0.05em" },
  { ...roles[3]!, size: "0.9em", letterSpacing: "1px" },
];

test("sizes, line heights and spacings of roles are those that Chromium computes, and what overrides them works there", async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "unciala-sizes-"));
  const files = new Map<string, Buffer | string>([
    ["/regular.ttf", readFileSync(`${lato}/Lato-Regular.ttf`)],
    ["/bold.ttf", readFileSync(`${lato}/Lato-Bold.ttf`)],
  ]);
  const count = 24;
  for (let seed = 1; seed <= count; seed++) {
    const { of, below } = numbers(seed);
    const themes = Array.from({ length: 1 + below(4) }, () => of(sizes)).join("\n");
    const own = of(["", "", ' style="font-size: 30px"', ' style="letter-spacing: 3px !important"']);
    files.set(
      `/${seed}.html`,
      `<!doctype html><html lang="en"><title>${seed}</title><style>${faces}${packRules}${themes}</style><body><div class="content">
<h1${own}>Wharf lights</h1><p>Quiet <span${own}>water</span> <small>at dusk</small></p><button>Go on</button></div>`,
    );
  }
  const served = await host(files);
  try {
    writeFileSync(join(folder, "roles.json"), JSON.stringify(sized));
    const pages = Array.from({ length: count }, (_, i) => `${served.url}/${i + 1}.html`);
    const lines = await checked(pages, ["--roles", join(folder, "roles.json"), "--allow-private"]);
    const wrong: string[] = [];
    let overrides = 0;
    for (const url of pages) {
      await page.goto(url);
      for (const [place, { selector, size = "", lineHeight = "", letterSpacing = "", wordSpacing = "" }] of (
        sized as {
          selector: string;
          size?: string;
          lineHeight?: string;
          letterSpacing?: string;
          wordSpacing?: string;
        }[]
      ).entries()) {
        const own = lines[place]!.shown.filter((shown) => shown.page === url);
        const said = own.flatMap(({ measures }) => measures.map(({ property }) => property));
        /** The properties of the role that differ from what they are once it wins, on the role's own element. */
        const differing = (css: string) =>
          page.evaluate(
            ([selector, css, stated]) => {
              const style = document.createElement("style");
              style.textContent = css;
              document.body.append(style);
              const element = document.querySelector<HTMLElement>(selector)!;
              const texts = [element, ...element.querySelectorAll<HTMLElement>("span")];
              const names = Object.keys(stated).filter((name) => stated[name] !== "");
              const values = () =>
                texts.map((text) => names.map((name) => getComputedStyle(text).getPropertyValue(name)));
              const before = values();
              const inline = texts.map((text) => text.getAttribute("style"));
              texts.forEach((text) =>
                names.forEach((name) =>
                  text.style.setProperty(name, text === element ? stated[name]! : "inherit", "important"),
                ),
              );
              const wanted = values();
              texts.forEach((text, i) => text.setAttribute("style", inline[i] ?? ""));
              style.remove();
              const pixels = (value: string) => (value === "normal" ? 0 : parseFloat(value));
              return names.filter((_, i) =>
                before.some((all, text) => Math.abs(pixels(all[i]!) - pixels(wanted[text]![i]!)) > 0.05),
              );
            },
            [
              selector.split(",")[0]!,
              css,
              {
                "font-size": size,
                "line-height": lineHeight,
                "letter-spacing": letterSpacing,
                "word-spacing": wordSpacing,
              } as Record<string, string>,
            ] as const,
          );
        const theirs = await differing("");
        if ([...new Set(said)].sort().join() !== [...theirs].sort().join()) {
          wrong.push(`${url} ${selector}: ${said.join()}, in Chromium ${theirs.join()}`);
        }
        const css = own.flatMap(({ override }) => override ?? []);
        overrides += css.length;
        if (css.length > 0 && own.every(({ asAsked, override }) => asAsked || override !== null)) {
          const left = await differing(css.join("\n"));
          if (left.length > 0) {
            wrong.push(`${url} ${selector}: ${css.join(" ")} leaves ${left.join()}`);
          }
        }
      }
    }
    expect(overrides).toBeGreaterThan(30);
    expect(wrong).toEqual([]);
  } finally {
    served.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
