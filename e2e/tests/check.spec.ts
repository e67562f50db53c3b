import { expect, type Page, test } from "@playwright/test";
import { execFile, execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { host } from "./host";
import { body, numbers, sheet } from "./pages";

const run = promisify(execFile);
const root = join(import.meta.dirname, "../..");
const fonts = "/usr/share/fonts/truetype";

/** The files that pages declare faces of, with what they call themselves. */
const files: Record<string, [path: string, postScript: RegExp]> = {
  "regular.ttf": [`${fonts}/lato/Lato-Regular.ttf`, /^Lato-Regular$/],
  "bold.ttf": [`${fonts}/lato/Lato-Bold.ttf`, /^Lato-Bold$/],
  "italic.ttf": [`${fonts}/lato/Lato-Italic.ttf`, /^Lato-Italic$/],
  "light.ttf": [`${fonts}/lato/Lato-Light.ttf`, /^Lato-Light$/],
  "mono.ttf": [`${fonts}/dejavu/DejaVuSansMono.ttf`, /^DejaVuSansMono$/],
  "serif.ttf": [`${fonts}/dejavu/DejaVuSerif.ttf`, /^DejaVuSerif$/],
  "variable.ttf": [`${fonts}/inter-vf/Inter-italic.var.ttf`, /^Inter/],
};
const faces = `
@font-face { font-family: Face; src: url(regular.ttf) format("truetype") }
@font-face { font-family: "Face"; src: url(bold.ttf); font-weight: 700 }
@font-face { font-family: FACE; src: url(italic.ttf); font-style: italic }
@font-face { font-family: Mixed; src: url(serif.ttf); unicode-range: U+30-39, U+400-4FF }
@font-face { font-family: Mixed; src: url(light.ttf); unicode-range: U+0-2F, U+3A-1FF }
@font-face { font-family: Broken; src: url(gone.ttf), url(regular.ttf#x) format("embedded-opentype") }
@font-face { font-family: Broken; src: url(bold.ttf); font-weight: 800 }
@font-face { font-family: Wide; src: url(mono.ttf); font-stretch: 75% }
@font-face { font-family: Wide; src: url(serif.ttf); font-stretch: 100% 150% }
@font-face { font-family: Range; src: url(variable.ttf); font-weight: 300 600 }
@font-face { font-family: Only Bold; src: local("No Such Face"), url(bold.ttf); font-weight: bold }
`;

type Given = { family: string; url: string | null; synthesized: string[] };
type Ours = {
  page: string;
  text: string;
  path: string;
  family: string[];
  weight: number;
  slope: string;
  width: number;
  size: number;
  given: Given;
};
type Text = { text: string; path: string };
type Theirs = Text & { family: string; weight: number; style: string; width: number; size: number };

/** Style sheets as people publish them. */
const published = [
  "bootstrap/dist/css/bootstrap.css",
  "bulma/css/bulma.css",
  "normalize.css/normalize.css",
  "milligram/dist/milligram.css",
  "purecss/build/pure.css",
  "@picocss/pico/css/pico.css",
  "github-markdown-css/github-markdown.css",
  "water.css/out/water.css",
  "sanitize.css/sanitize.css",
];

/** What we say of every run of text of the pages. */
async function runs(pages: string[], ...options: string[]): Promise<Ours[]> {
  const { stdout } = await run(
    join(root, "bin/unciala"),
    ["check", ...pages, "--runs", "--allow-private", ...options],
    {
      maxBuffer: 1 << 30,
    },
  ).catch((error: Error & { stdout: string; stderr: string }) => {
    throw new Error(`${error.stderr}\n${error.stdout.slice(0, 500)}`);
  });
  return stdout.split("\n").flatMap((line) => (line ? [JSON.parse(line) as Ours] : []));
}

/** What Chromium computes for every text that it renders. */
function computed(page: Page): Promise<Theirs[]> {
  return page.evaluate(() => {
    const found: Theirs[] = [];
    const path = (element: Element): string => {
      const alike = [...(element.parentElement?.children ?? [element])].filter(
        (one) => one.localName === element.localName,
      );
      const own = element.localName + (alike.length > 1 ? `:nth-of-type(${alike.indexOf(element) + 1})` : "");
      return element.parentElement ? `${path(element.parentElement)} > ${own}` : own;
    };
    // What has no box of its own is seen where what is around it is.
    const isSeen = (element: Element | null): boolean =>
      element !== null &&
      (getComputedStyle(element).display === "contents" ? isSeen(element.parentElement) : element.checkVisibility());
    const walker = document.createTreeWalker(document.documentElement, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = (node.textContent ?? "").replace(/[ \t\n\r\f]+/g, " ").replace(/^ | $/g, "");
      const parent = node.parentElement;
      if (parent?.matches("style, script")) {
        continue;
      }
      const range = document.createRange();
      range.selectNodeContents(node);
      const folded = parent?.localName === "details" && !parent.hasAttribute("open");
      if (
        !parent ||
        !isSeen(parent) ||
        folded ||
        !text.replaceAll("\u00a0", "") ||
        range.getClientRects().length === 0
      ) {
        continue;
      }
      const style = getComputedStyle(parent);
      if (style.visibility === "visible" && parseFloat(style.fontSize) > 0) {
        found.push({
          text,
          path: path(parent),
          family: style.fontFamily,
          weight: Number(style.fontWeight),
          style: style.fontStyle,
          width: parseFloat(style.fontStretch),
          size: parseFloat(style.fontSize),
        });
      }
    }
    return found;
  });
}

/** The fonts that painted each text, by the browser's own account, and which of them came with the page. */
async function painted(page: Page) {
  const client = await page.context().newCDPSession(page);
  await client.send("DOM.enable");
  await client.send("CSS.enable");
  const { nodes } = await client.send("DOM.getFlattenedDocument", { depth: -1 });
  const byId = new Map(nodes.map((node) => [node.nodeId, node]));
  /** The elements of one name in the same element, in order. */
  const alike = new Map<string, number[]>();
  const key = ({ parentId, nodeName }: (typeof nodes)[number]) => `${parentId} ${nodeName}`;
  for (const node of nodes) {
    alike.set(key(node), [...(alike.get(key(node)) ?? []), node.nodeId]);
  }
  const path = (node: (typeof nodes)[number]): string => {
    const parent = byId.get(node.parentId ?? 0);
    const others = alike.get(key(node))!;
    const own = node.localName + (others.length > 1 ? `:nth-of-type(${others.indexOf(node.nodeId) + 1})` : "");
    return parent?.nodeType === 1 ? `${path(parent)} > ${own}` : own;
  };
  const found = await Promise.all(
    nodes.map(async (node): Promise<(Text & { custom: boolean; name: string })[]> => {
      const text = node.nodeValue.replace(/[ \t\n\r\f]+/g, " ").replace(/^ | $/g, "");
      const parent = byId.get(node.parentId ?? 0);
      if (node.nodeType !== 3 || !text || !parent) {
        return [];
      }
      const { fonts } = await client.send("CSS.getPlatformFontsForNode", { nodeId: node.nodeId });
      const most = fonts.sort((a, b) => b.glyphCount - a.glyphCount)[0];
      return most ? [{ text, path: path(parent), custom: most.isCustomFont, name: most.postScriptName }] : [];
    }),
  );
  await client.detach();
  return found.flat();
}

const slopes: Record<string, RegExp> = { upright: /^(normal|oblique 0deg)$/, italic: /^italic$/, oblique: /^oblique/ };
const plain = (family: string) => family.replace(/["']/g, "").toLowerCase();

/** How what we say differs from what Chromium says, in words; nothing where it does not. */
function difference(ours: Ours | undefined, theirs: Theirs | undefined): string | undefined {
  if (!ours || !theirs) {
    return ours ? `only ours: ${ours.path} “${ours.text}”` : `only Chromium’s: ${theirs?.path} “${theirs?.text}”`;
  }
  const parts = [
    plain(ours.family.join(", ")) !== plain(theirs.family) && `family ${ours.family.join(", ")} / ${theirs.family}`,
    ours.weight !== theirs.weight && `weight ${ours.weight} / ${theirs.weight}`,
    !slopes[ours.slope]?.test(theirs.style) && `style ${ours.slope} / ${theirs.style}`,
    Math.abs(ours.width - theirs.width) > 0.01 && `width ${ours.width} / ${theirs.width}`,
    Math.abs(ours.size - theirs.size) > 0.02 && `size ${ours.size} / ${theirs.size}`,
  ].filter(Boolean);
  return parts.length > 0 ? `${ours.path}: ${parts.join("; ")}` : undefined;
}

/** Puts together the texts of the same element; what only one side has stands alone. */
function paired<Mine extends Text, Yours extends Text>(mine: Mine[], yours: Yours[]) {
  const key = ({ path, text }: Text) => `${path} ${text}`;
  const waiting = new Map<string, Yours[]>();
  for (const one of yours) {
    waiting.set(key(one), [...(waiting.get(key(one)) ?? []), one]);
  }
  const pairs: [Mine | undefined, Yours | undefined][] = mine.map((one) => [one, waiting.get(key(one))?.shift()]);
  return pairs.concat([...waiting.values()].flat().map((one) => [undefined, one]));
}

/** Compares whole pages; pages whose texts are not the same ones count as one difference for each text. */
async function compared(page: Page, served: Map<string, Buffer | string>, paths: string[], width = 1280) {
  const at = await host(served);
  const differences: string[] = [];
  let texts = 0;
  try {
    const ours = await runs(
      paths.map((path) => at.url + path),
      "--width",
      String(width),
    );
    await page.setViewportSize({ width, height: width < 600 ? 844 : 800 });
    for (const path of paths) {
      await page.goto(at.url + path);
      await page.evaluate(() => document.fonts.ready);
      const theirs = await computed(page);
      const own = ours.filter((one) => one.page === at.url + path && !one.path.includes("::"));
      texts += theirs.length;
      for (const [mine, yours] of paired(own, theirs)) {
        const found = difference(mine, yours);
        if (found) {
          differences.push(`${path}: ${found}`);
        }
      }
      for (const [mine, yours] of paired(own, await painted(page))) {
        const file = mine?.given.url?.split("/").pop() ?? "";
        if (mine && yours && (yours.custom !== (file !== "") || (yours.custom && !files[file]?.[1].test(yours.name)))) {
          differences.push(`${path}: ${mine.path}: given ${file || mine.given.family} / ${yours.name}`);
        }
      }
    }
  } finally {
    at.close();
  }
  return { texts, differences };
}

const known = () => Object.entries(files).map(([name, [path]]) => [`/${name}`, readFileSync(path)] as const);

test("what a page asks and is given is what Chromium computes and paints, on pages made at random", async ({
  page,
}) => {
  test.setTimeout(900_000);
  const served = new Map<string, Buffer | string>(known());
  const paths: string[] = [];
  for (let i = 0; i < Number(process.env.UNCIALA_PAGES ?? 200); i++) {
    const r = numbers(i + 1);
    served.set(`/s${i}.css`, `${faces}\n${sheet(r, 12)}`);
    const inline = `@import "i${i}.css" layer(far) screen;\n${sheet(r, 8)}`;
    served.set(`/i${i}.css`, sheet(r, 4));
    const type = i % 7 === 0 ? "" : "<!doctype html>";
    served.set(
      `/p${i}.html`,
      `${type}<html><head><title>Made up</title><meta charset="utf-8"><link rel="stylesheet" href="s${i}.css"><style>${inline}</style></head><body>${body(r, 8)}</body></html>`,
    );
    paths.push(`/p${i}.html`);
  }
  const { texts, differences } = await compared(page, served, paths);
  agree(texts, differences, 3000);
});

test("documentation pages under published style sheets are read as Chromium reads them, on a laptop and a phone", async ({
  page,
}) => {
  test.setTimeout(900_000);
  const served = new Map<string, Buffer | string>();
  const docs = join(execFileSync("npm", ["root", "--global"], { encoding: "utf8" }).trim(), "npm/docs/output/commands");
  const pages = readdirSync(docs).filter((name) => name.endsWith(".html"));
  const paths = published.map((css, i) => {
    const name = pages[(i * 7) % pages.length] ?? "";
    served.set(`/${i}.css`, readFileSync(join(import.meta.dirname, "../node_modules", css)));
    const html = readFileSync(join(docs, name), "utf8");
    served.set(`/d${i}.html`, html.replace("</head>", `<link rel="stylesheet" href="${i}.css"></head>`));
    return `/d${i}.html`;
  });
  for (const width of [1280, 390]) {
    const { texts, differences } = await compared(page, served, paths, width);
    agree(texts, differences, 1000);
  }
});

/** Every difference is listed; what a page says of fonts is read right in 99.5 of 100 texts at least. */
function agree(texts: number, differences: string[], least: number) {
  console.log([`${texts} texts, ${differences.length} differences`, ...differences.slice(0, 25)].join("\n"));
  expect(texts).toBeGreaterThan(least);
  expect(differences.length / texts).toBeLessThan(0.005);
}

test("a build is stopped by what is wrong with a page, over HTTP and by the site's own name", async () => {
  const css = `
@font-face { font-family: Face; src: url(regular.ttf) }
@font-face { font-family: Gone; src: url(gone.woff2) }
@font-face { font-family: Login; src: url(sign-in) }
body { font-family: Face, serif } .gone { font-family: Gone, serif } .login { font-family: Login, serif }
@media (width < 600px) { p { font-family: Fase, serif } }`;
  const html = (text: string) =>
    `<!doctype html><link rel=stylesheet href=type.css><link rel=stylesheet href=none.css>${text}`;
  const at = await host(
    new Map<string, Buffer | string>([
      ...known(),
      ["/type.css", css],
      ["/sign-in", "<!doctype html><title>Sign in</title>"],
      ["/right.html", "<!doctype html><link rel=stylesheet href=type.css><p>Plain text</p>"],
      ["/wrong.html", html("<p>Plain <b>bold</b> <i>leaning</i></p><p class=gone>x</p><p class=login>y</p>")],
    ]),
  );
  const port = new URL(at.url).port;
  const check = (...options: string[]) =>
    run(join(root, "bin/unciala"), ["check", ...options]).then(
      ({ stdout, stderr }) => ({ code: 0, stdout, stderr }),
      (error: { code: number; stdout: string; stderr: string }) => error,
    );
  const kinds = (stdout: string) =>
    stdout
      .split("\n")
      .filter(Boolean)
      .map((line) => (JSON.parse(line) as { kind: string }).kind);
  const elsewhere = ["--connect-to", `staging.client.example:80=127.0.0.1:${port}`];
  try {
    const guarded = await check("http://staging.client.example/right.html", ...elsewhere);
    expect(guarded.code).toBe(1);
    expect(guarded.stderr).toContain("which is private");

    const right = await check("http://staging.client.example/right.html", ...elsewhere, "--allow-private");
    expect(right.stderr).toBe("");
    expect(right.code).toBe(0);

    const wrong = await check("http://staging.client.example/wrong.html", ...elsewhere, "--allow-private");
    expect(wrong.code).toBe(1);
    expect(new Set(kinds(wrong.stdout))).toEqual(
      new Set(["faked-bold", "faked-italic", "fallback", "unreachable", "not-a-font", "not-compressed", "no-caching"]),
    );

    const phone = ["http://staging.client.example/right.html", ...elsewhere, "--allow-private", "--width", "390"];
    const { stdout } = await check(...phone);
    expect(stdout).toContain("Declared is “Face”");
    expect(kinds(stdout)).toContain("undeclared-family");
  } finally {
    at.close();
  }
});
