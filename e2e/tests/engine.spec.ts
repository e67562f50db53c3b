import { expect, type Page, test } from "@playwright/test";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

/** What the Java tests made of the fonts of several Debian packages. */
const folder = join(import.meta.dirname, "../../font/target/samples");

const fallback = join(import.meta.dirname, "../../core/target/samples");

const dataUrl = (name: string, from = folder) =>
  `data:font/${name.split(".").pop()};base64,${readFileSync(join(from, name)).toString("base64")}`;

/** A picture of the text in a font, or the reason why the browser refused the font. */
async function picture(page: Page, font: string, text: string, variation: string) {
  await page.setContent(
    `<style>@font-face{font-family:f;src:url(${dataUrl(font)});font-weight:1 1000}
     body{margin:0;background:#fff} p{margin:0;padding:30px;width:max-content;font:400 64px/2 f;
     font-variation-settings:${variation || "normal"}}</style><p dir="auto"></p>`,
  );
  await page.locator("p").evaluate((p, words) => (p.textContent = words), text);
  const status = await page.evaluate(() =>
    document.fonts.load("64px f", document.querySelector("p")?.textContent ?? "").then(
      (faces) => faces[0]?.status ?? "not asked for",
      (error: Error) => error.message,
    ),
  );
  expect(`${font}: ${status}`).toBe(`${font}: loaded`);
  return page.locator("p").screenshot();
}

test("text paints the same pixels in what we write as in the source", async ({ page }) => {
  test.setTimeout(300_000);
  const outputs = readdirSync(folder).filter((name) => name.endsWith(".txt"));
  expect(outputs.length).toBeGreaterThan(30);
  const different: string[] = [];
  for (const output of outputs) {
    const [source = "", variation = "", text = ""] = readFileSync(join(folder, output), "utf8").split("\n");
    const made = output.replace(/\.txt$/, "");
    const expected = await picture(page, source, text, variation);
    const settled = made.includes("-650") ? "" : variation;
    if (!expected.equals(await picture(page, made, text, settled))) {
      different.push(made);
    }
  }
  expect(different).toEqual([]);
  // The comparison tells fonts apart.
  const one = await picture(page, "DejaVuSans.woff2", "AVATAR", "");
  expect(one.equals(await picture(page, "Lato-Italic.woff2", "AVATAR", ""))).toBe(false);
});

for (const name of ["Cantarell-Regular", "EBGaramond12-Regular"]) {
  test(`CFF outlines that became TrueType are painted alike: ${name}`, async ({ page }) => {
    await page.setContent(
      `<style>@font-face{font-family:cff;src:url(${dataUrl(`${name}-source.otf`)})}
       @font-face{font-family:truetype;src:url(${dataUrl(`${name}-truetype.ttf`)})}</style>`,
    );
    const { ink, otherwise, widths } = await page.evaluate(async () => {
      const text = "Quick & øßé ffi @ 3890 {§}";
      const painted = async (family: string) => {
        const font = `160px ${family}`;
        const [face] = await document.fonts.load(font, text);
        const canvas = document.createElement("canvas");
        canvas.width = 2400;
        canvas.height = 260;
        const context = canvas.getContext("2d", { willReadFrequently: true })!;
        context.font = font;
        // Text that leans is not hinted, which is done otherwise for each kind of outlines.
        context.rotate(0.01);
        context.fillText(text, 20, 190);
        const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
        return { status: face?.status, data, width: context.measureText(text).width };
      };
      const cff = await painted("cff");
      const truetype = await painted("truetype");
      let ink = 0;
      let otherwise = 0;
      for (let at = 3; at < cff.data.length; at += 4) {
        ink += cff.data[at]! > 127 ? 1 : 0;
        otherwise += Math.abs(cff.data[at]! - truetype.data[at]!) > 96 ? 1 : 0;
      }
      return { ink, otherwise, widths: [cff.width, truetype.width], status: [cff.status, truetype.status] };
    });
    expect(ink).toBeGreaterThan(20_000);
    expect(otherwise / ink).toBeLessThan(0.005);
    expect(widths[1]).toBeCloseTo(widths[0]!, 3);
  });
}

test("a formula is set the same in a cut as in the mathematical font", async ({ page }) => {
  const formula = `<math display="block"><mrow><mo>(</mo><mfrac><mrow><mi>x</mi><mo>+</mo><mn>1</mn></mrow>
    <mfrac><mn>2</mn><mfrac><mn>3</mn><mn>4</mn></mfrac></mfrac></mfrac><mo>)</mo></mrow>
    <msqrt><mfrac><mi>a</mi><mfrac><mi>b</mi><mn>5</mn></mfrac></mfrac></msqrt>
    <mrow><mo>[</mo><mrow><mo>{</mo><mfrac><mn>6</mn><mn>7</mn></mfrac><mo>}</mo></mrow><mo>]</mo></mrow>
    <munderover><mo>∑</mo><mrow><mi>i</mi><mo>=</mo><mn>0</mn></mrow><mo>∞</mo></munderover>
    <msubsup><mo>∫</mo><mn>0</mn><mi>n</mi></msubsup></math>`;
  const set = async (font: string) => {
    await page.setContent(
      `<style>@font-face{font-family:f;src:url(${dataUrl(font)})} body{margin:0;background:#fff}
       math{font:48px f;padding:20px;width:max-content}</style>${formula}`,
    );
    await page.evaluate(() => document.fonts.load("48px f"));
    expect(await page.evaluate(() => document.fonts.size === 1 && [...document.fonts][0]?.status)).toBe("loaded");
    // Brackets that are pieced together are taller than a letter.
    const height = await page
      .locator("mo")
      .first()
      .evaluate((mo) => mo.getBoundingClientRect().height);
    expect(height).toBeGreaterThan(120);
    return page.locator("math").screenshot();
  };
  expect(await set("mathematics-cut.woff2")).toEqual(await set("mathematics-source.ttf"));
});

test("a paragraph takes the same room in the fallback as in the font", async ({ page }) => {
  const css = readFileSync(join(fallback, "fallback.css"), "utf8").replace(
    /local\("[^"]*"\)/,
    `url(${dataUrl("fallback-stand.ttf", fallback)})`,
  );
  const words =
    "The inventory keeps every family a client has paid for, with the license that came along and the sites that may " +
    "use it, so that nobody has to ask twice or buy again what is already there. ";
  await page.setContent(
    `<style>${css} @font-face{font-family:Own;src:url(${dataUrl("fallback-font.woff2", fallback)})}
     p{margin:0;width:560px;font:18px/normal Own} p+p{font-family:Stand} p+p+p{font-family:Plain}
     @font-face{font-family:Plain;src:url(${dataUrl("fallback-stand.ttf", fallback)})}
     span{white-space:nowrap}</style>${`<p><span>${words}</span><br>${words.repeat(3)}</p>`.repeat(3)}`,
  );
  await page.evaluate(() => Promise.all(["Own", "Stand", "Plain"].map((f) => document.fonts.load(`18px ${f}`))));
  const sizes = await page
    .locator("p")
    .evaluateAll((all) =>
      all.map((p) => ({ height: p.getBoundingClientRect().height, line: p.querySelector("span")?.offsetWidth ?? 0 })),
    );
  const [own, stand, plain] = sizes;
  expect(stand?.height).toBe(own?.height);
  expect(plain?.height).not.toBe(own?.height);
  const off = Math.abs((stand?.line ?? 0) / (own?.line ?? 1) - 1);
  expect(off).toBeLessThan(0.02);
});

test("what we say browsers refuse, the browser refuses", async ({ page }) => {
  test.setTimeout(300_000);
  const damaged = join(import.meta.dirname, "../../font/target/damaged");
  const names = readdirSync(damaged);
  expect(names.length).toBeGreaterThan(150);
  await page.setContent("<p>");
  const falseAlarms: string[] = [];
  const unnoticed: string[] = [];
  let refused = 0;
  for (const name of names) {
    const loads = await page.evaluate(
      (data) =>
        new FontFace("f", Uint8Array.from(atob(data), (c) => c.charCodeAt(0)).buffer).load().then(
          () => true,
          () => false,
        ),
      readFileSync(join(damaged, name)).toString("base64"),
    );
    const sound = name.endsWith(".sound");
    refused += loads ? 0 : 1;
    if (loads && !sound) {
      falseAlarms.push(name);
    } else if (!loads && sound) {
      unnoticed.push(name);
    }
  }
  expect(falseAlarms).toEqual([]);
  expect(unnoticed.length / refused, unnoticed.join(", ")).toBeLessThan(0.1);
});
