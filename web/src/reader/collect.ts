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
  const shown = fetchedBefore(window);
  const sheets = sheetsOf(page);
  const { document, styles, texts } = elementsOf(page, attributesAskedFor(sheets.selectors), keepsTexts);
  const files = await filesOf([...sheets.addresses, ...fontsFirst(shown, sheets)], window.location.href);
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
      files: files.flatMap((file) => told(file, sheets, shown)),
    },
  };
}

/**
 * A file as it is told. What the page may not be asked for again (its policy can forbid it to scripts) is not told as
 * missing where the browser shows it: of a style sheet its rules are told, and for the rest the server asks itself.
 */
function told(file: FetchedFile, { addresses, rulesByAddress }: Sheets, shown: Shown): FetchedFile[] {
  const rules = rulesByAddress.get(file.address);
  if (file.status !== 0) {
    return [file];
  }
  if (rules !== undefined) {
    return [asFetched(file.address, rules)];
  }
  return addresses.includes(file.address) || shown.get(file.address) === true ? [] : [file];
}

/** An address of the page; what stands behind the path may say who is signed in, as texts may. */
export function addressOf(
  { origin, pathname, search }: Pick<Location, "origin" | "pathname" | "search">,
  whole: boolean,
): string {
  return origin + pathname + (whole ? search : "");
}

/** What the page has fetched so far, and whether it was given it. */
type Shown = Map<string, boolean>;

function fetchedBefore(window: Window): Shown {
  const entries = window.performance.getEntriesByType("resource") as PerformanceResourceTiming[];
  return new Map(
    entries.map(({ name, responseStatus }) => [name, responseStatus >= 200 && responseStatus < 300]),
  );
}

/** The fonts that the page has fetched, then those that it could. */
function fontsFirst(shown: Shown, { fonts }: Sheets): string[] {
  const got = [...shown.keys()].filter(
    (name) => fonts.includes(name) || (/^https?:/.test(name) && fontFile.test(name)),
  );
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
