import type { BrowserReading, FetchedFile } from "./reading";
import { attributesAskedFor, elementsOf } from "./elements";
import { base64, filesOf } from "./files";
import { plainName, sheetsOf, type Sheets } from "./sheets";

export type Collected = { reading: BrowserReading; texts: number };

const fontFile = /\.(?:woff2?|ttf|otf|ttc)(?:[?#]|$)/i;

/** Reads the page that is open. Nothing but type is collected; texts are whole only if the person keeps them. */
export async function collect(page: Document, keepsTexts: boolean): Promise<Collected> {
  const window = page.defaultView!;
  await page.fonts.ready;
  const sheets = sheetsOf(page);
  const { document, styles, texts } = elementsOf(page, attributesAskedFor(sheets.selectors), keepsTexts);
  const files = await filesOf([...sheets.addresses, ...fontsFirst(window, sheets)], window.location.href);
  return {
    texts,
    reading: {
      version: 1,
      page: addressOf(window.location, keepsTexts),
      base: addressOf(new URL(page.baseURI), keepsTexts),
      title: keepsTexts ? page.title : "",
      textKept: keepsTexts,
      quirks: page.compatMode === "BackCompat",
      window: { width: window.innerWidth, height: window.innerHeight },
      document,
      styles,
      sheets: sheets.sheets,
      preloads: [...page.querySelectorAll<HTMLLinkElement>("link[rel~=preload][as=font]")].map((link) => ({
        address: link.href,
        crossOrigin: link.hasAttribute("crossorigin"),
      })),
      scriptFamilies: [...page.fonts]
        .map(({ family }) => plainName(family))
        .filter((family, i, all) => !sheets.families.has(family) && all.indexOf(family) === i),
      files: files.flatMap((file) => shownFile(file, sheets)),
    },
  };
}

/** A file, or the rules of a style sheet that is shown and cannot be fetched; the server asks for it otherwise. */
function shownFile(file: FetchedFile, { addresses, rulesByAddress }: Sheets): FetchedFile[] {
  const rules = rulesByAddress.get(file.address);
  if (file.status !== 0 || !addresses.includes(file.address)) {
    return [file];
  }
  return rules === undefined ? [] : [asFetched(file.address, rules)];
}

/** An address of the page; what stands behind the path may say who is signed in, as texts may. */
export function addressOf(
  { origin, pathname, search }: Pick<Location, "origin" | "pathname" | "search">,
  whole: boolean,
): string {
  return origin + pathname + (whole ? search : "");
}

/** The fonts that the page has fetched, then those that it could. */
function fontsFirst(window: Window, { fonts }: Sheets): string[] {
  const got = window.performance
    .getEntriesByType("resource")
    .map(({ name }) => name)
    .filter((name) => fonts.includes(name) || (/^https?:/.test(name) && fontFile.test(name)));
  return [...got, ...fonts];
}

function asFetched(address: string, rules: string): FetchedFile {
  return {
    address,
    at: address,
    status: 200,
    headers: { "content-type": "text/css" },
    base64: base64(new TextEncoder().encode(rules)),
  };
}
