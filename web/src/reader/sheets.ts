import type { Sheet } from "./reading";

/**
 * What the style sheets of a page say.
 *
 * - `sheets` are those that count, in the order of the cascade
 * - `addresses` those that have one, the imported ones too
 * - `rulesByAddress` their rules as the browser writes them
 * - `fonts` what rules name as sources of fonts
 * - `families` what rules declare
 */
export type Sheets = {
  sheets: Sheet[];
  addresses: string[];
  rulesByAddress: Map<string, string>;
  selectors: string[];
  fonts: string[];
  families: Set<string>;
};

/** Reads the style sheets of a page as far as the browser lets scripts read them. */
export function sheetsOf(page: Document): Sheets {
  const found: Sheets = {
    sheets: [],
    addresses: [],
    rulesByAddress: new Map(),
    selectors: [],
    fonts: [],
    families: new Set(),
  };
  for (const sheet of [...page.styleSheets, ...(page.adoptedStyleSheets ?? [])]) {
    if (!sheet.disabled) {
      found.sheets.push(described(sheet));
      read(sheet, page.baseURI, found);
    }
  }
  return found;
}

function isFetched(address: string | null): address is string {
  return address !== null && /^https?:/.test(address);
}

function described(sheet: CSSStyleSheet): Sheet {
  const media = sheet.media.mediaText;
  return isFetched(sheet.href)
    ? { address: sheet.href, text: null, media }
    : { address: null, text: textOf(sheet), media };
}

/** The text of a sheet in the page, so that its lines can be told; its rules where a script has changed them. */
function textOf(sheet: CSSStyleSheet): string {
  const rules = rulesOf(sheet) ?? [];
  const written = sheet.ownerNode?.textContent ?? "";
  return written.trim() !== "" && countOf(written) === rules.length ? written : textOfRules(rules);
}

function countOf(text: string): number {
  try {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(text);
    return sheet.cssRules.length;
  } catch {
    return -1;
  }
}

function textOfRules(rules: CSSRule[]): string {
  return rules.map(({ cssText }) => cssText).join("\n");
}

/** The rules of a sheet, or nothing where the browser does not let scripts see them. */
function rulesOf(sheet: CSSStyleSheet): CSSRule[] | null {
  try {
    return [...sheet.cssRules];
  } catch {
    return null;
  }
}

function read(sheet: CSSStyleSheet, base: string, found: Sheets) {
  const rules = rulesOf(sheet);
  if (isFetched(sheet.href)) {
    if (found.addresses.includes(sheet.href)) {
      return;
    }
    found.addresses.push(sheet.href);
    if (rules) {
      found.rulesByAddress.set(sheet.href, textOfRules(rules));
    }
  }
  for (const rule of rules ?? []) {
    readRule(rule, sheet.href ?? base, found);
  }
}

function readRule(rule: CSSRule, base: string, found: Sheets) {
  if ("selectorText" in rule) {
    found.selectors.push(String(rule.selectorText));
  }
  if ("styleSheet" in rule && rule.styleSheet) {
    read(rule.styleSheet as CSSStyleSheet, base, found);
  }
  if (rule.constructor.name === "CSSFontFaceRule") {
    const { style } = rule as CSSFontFaceRule;
    found.families.add(plainName(style.getPropertyValue("font-family")));
    found.fonts.push(...addressesIn(style.getPropertyValue("src"), base));
  }
  if ("cssRules" in rule) {
    for (const inner of rule.cssRules as CSSRuleList) {
      readRule(inner, base, found);
    }
  }
}

/** A family's name without its quotes, in lower case. */
export function plainName(family: string): string {
  return family
    .trim()
    .replace(/^(["'])(.*)\1$/, "$2")
    .toLowerCase();
}

/** The addresses that a `src` names and that are fetched. */
export function addressesIn(source: string, base: string): string[] {
  return [...source.matchAll(/url\(\s*(?:"([^"]*)"|'([^']*)'|([^)\s]*))\s*\)/g)]
    .map(([, double, single, bare]) => double ?? single ?? bare ?? "")
    .flatMap((address) => (URL.canParse(address, base) ? [new URL(address, base).href] : []))
    .filter(isFetched);
}
