import type { BrowserReading, TextStyle } from "./reading";
import { asPainted, charactersOf } from "./texts";

export type Elements = Pick<BrowserReading, "document" | "styles"> & { texts: number };

/** Says which of the styles the texts of an element have. */
export const styleAttribute = "data-unciala-style";

/** The element that the reader itself is shown in. */
export const ownElement = "unciala-reader";

const mostElements = 50_000;
const deepest = 400;

/** Elements that count for selectors and of which nothing inside is collected. */
const closed = new Set(
  "audio canvas head iframe noscript object script select style svg template textarea title video".split(" "),
);

/** Attributes that selectors often ask about and that say nothing of a person. */
const plain = "class dir hidden id lang multiple open size type".split(" ");

/** Attributes of which only their presence is told, though selectors ask about them. */
const hushed = new Set(
  "action alt aria-label content data href placeholder poster src srcdoc srcset title value".split(" "),
);

const ownValue = new Set(["button", "reset", "submit"]);

/** The attributes that the selectors of style sheets ask about, in lower case. */
export function attributesAskedFor(selectors: string[]): string[] {
  const names = new Set<string>();
  for (const selector of selectors) {
    for (const [, name] of selector.matchAll(/\[\s*(?:[\w*]*\|)?([\w-]+)/g)) {
      names.add(name!.toLowerCase());
    }
  }
  return [...names].sort();
}

/** Of a style attribute what can bear on type. */
export function typeOnly(style: CSSStyleDeclaration): string {
  return Array.from(style)
    .filter((name) => /^(?:font|--|all$|display$|text-transform$|visibility$)/.test(name))
    .map((name) => [name, style.getPropertyValue(name), style.getPropertyPriority(name)] as const)
    .filter(([, value]) => !/url\(/i.test(value))
    .map(([name, value, priority]) => `${name}: ${value}${priority && ` !${priority}`}`)
    .join("; ");
}

/** Walks through a page as it is shown now, shadow trees among it, and takes down its elements and texts. */
export function elementsOf(page: Document, asked: string[], keepsTexts: boolean): Elements {
  const copy = page.implementation.createDocument(null, "html");
  const styles: TextStyle[] = [];
  const known = new Map<string, number>();
  const names = new Set([...plain, ...asked]);
  const window = page.defaultView!;
  let elements = 0;
  let texts = 0;

  function said(text: string): string {
    return keepsTexts ? text : charactersOf(text);
  }

  function styleOf(style: CSSStyleDeclaration): number {
    const found: TextStyle = {
      family: style.fontFamily,
      weight: Number(style.fontWeight) || 400,
      slope: style.fontStyle || "normal",
      width: parseFloat(style.fontStretch) || 100,
      size: parseFloat(style.fontSize) || 0,
    };
    const key = JSON.stringify(found);
    const place = known.get(key) ?? styles.push(found) - 1;
    known.set(key, place);
    return place;
  }

  function describe(from: Element, to: Element) {
    for (const name of names) {
      const value = from.getAttribute(name);
      if (value !== null && name !== "style") {
        set(to, name, hushed.has(name) ? "" : value);
      }
    }
    const style = "style" in from ? typeOnly(from.style as CSSStyleDeclaration) : "";
    if (style !== "") {
      to.setAttribute("style", style);
    }
    if (from instanceof window.HTMLInputElement && ownValue.has(from.type) && isShown(from)) {
      field(from, to, "value", from.value);
    } else if ("placeholder" in from && "value" in from && from.value === "" && isShown(from)) {
      field(from, to, "placeholder", String(from.placeholder));
    } else {
      to.removeAttribute("placeholder");
      to.removeAttribute("value");
    }
  }

  /** A text that stands in an attribute. */
  function field(from: Element, to: Element, name: string, text: string) {
    const style = window.getComputedStyle(from);
    to.setAttribute(name, said(asPainted(text, style.textTransform)));
    to.setAttribute(styleAttribute, String(styleOf(style)));
    texts += text.trim() === "" ? 0 : 1;
  }

  function walk(from: Element, to: Element, depth: number) {
    describe(from, to);
    if (closed.has(from.localName) || depth > deepest) {
      return;
    }
    const shown = isShown(from);
    const style = window.getComputedStyle(from);
    for (const node of shownChildren(from)) {
      if (node instanceof window.Element && node.localName !== ownElement && elements < mostElements) {
        elements += 1;
        const child = create(copy, node.localName);
        to.append(child);
        walk(node, child, depth + 1);
      } else if (node instanceof window.Text && node.data.trim() !== "" && shown) {
        to.append(said(asPainted(node.data, style.textTransform)));
        to.setAttribute(styleAttribute, String(styleOf(style)));
        texts += 1;
      }
    }
  }

  walk(page.documentElement, copy.documentElement, 0);
  return { document: new window.XMLSerializer().serializeToString(copy), styles, texts };
}

/** What is shown of an element: its shadow tree if it has an open one, and in a slot what is assigned to it. */
function shownChildren(element: Element): Iterable<Node> {
  if (element.shadowRoot) {
    return element.shadowRoot.childNodes;
  }
  const assigned = element.localName === "slot" ? (element as HTMLSlotElement).assignedNodes() : [];
  return assigned.length > 0 ? assigned : element.childNodes;
}

function isShown(element: Element): boolean {
  return element.checkVisibility({ visibilityProperty: true });
}

/** Pages may have elements of names that XML does not take. */
function create(copy: Document, name: string): Element {
  try {
    return copy.createElement(name);
  } catch {
    return copy.createElement("unknown");
  }
}

function set(element: Element, name: string, value: string) {
  try {
    element.setAttribute(name, value);
  } catch {
    // No selector can ask about an attribute of a name that XML does not take.
  }
}
