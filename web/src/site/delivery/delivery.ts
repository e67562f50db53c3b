import type { Delivery } from "../../shared/api/types";

/** Languages offered first; any tag that CLDR knows can be typed. */
const offered =
  "af ar az be bg bn bs ca cs cy da de el en eo es et eu fa fi fil fo fr ga gl gu he hi hr hu hy id is it ja ka kk km kn ko lt lv mk ml mr ms mt nb ne nl nn pa pl pt ro ru si sk sl sq sr sv sw ta te th tr uk ur uz vi zh zu";

/** The name of a language in English, such as Polish for `pl`; the tag itself for one without a name. */
export function languageName(tag: string): string {
  try {
    return new Intl.DisplayNames("en", { type: "language" }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}

export function offeredLanguages(): string[] {
  return offered.split(" ").sort((a, b) => languageName(a).localeCompare(languageName(b)));
}

/** What was typed as a language: a tag, or the English name of one that is offered. */
export function languageIn(typed: string): string {
  const text = typed.trim();
  return offeredLanguages().find((tag) => languageName(tag).toLowerCase() === text.toLowerCase()) ?? text;
}

/** A sample file as the rule names it, and with a part of its digest where that is wanted. */
export function sampleName({ names, digest }: Pick<Delivery, "names" | "digest">): string {
  const stem = { KEEP: "Tärnow-Bold", HYPHENS: "tarnow-bold", LETTERS_AND_DIGITS: "tarnowbold" }[names];
  const gap = names === "LETTERS_AND_DIGITS" ? "" : "-";
  return `${stem}${digest ? `${gap}1f0c22aa` : ""}.woff2`;
}

/** What stands before the names of files under a base address, or the address of any one of them; empty for none. */
function baseOf(typed: string): string {
  const text = typed
    .trim()
    .replace(/^url\((.*)\)$/, "$1")
    .replace(/^(["'])(.*)\1$/, "$2");
  const address = text.startsWith("//") ? `https:${text}` : text;
  if (!/^(https:\/\/[^/\s]+|\/|\.{1,2}\/)/.test(address)) {
    return "";
  }
  const path = address.replace(/[?#].*$/, "");
  return /\.(woff2?|ttf|otf|eot|svg)$/i.test(path)
    ? path.slice(0, path.lastIndexOf("/") + 1)
    : address.replace(/([^/=])$/, "$1/");
}

/** How the style sheet would refer to a sample file; empty while what was described cannot work. */
export function sampleUrl(delivery: Delivery): string {
  const name = sampleName(delivery);
  switch (delivery.kind) {
    case "FOLDER":
      return delivery.folder.trim() ? `${delivery.folder.trim().replace(/^(\.\/)+|\/+$/g, "")}/${name}` : "";
    case "FLAT":
      return name;
    case "BASE_URL":
      return baseOf(delivery.base) && `${baseOf(delivery.base)}${name}`;
    case "EXPRESSION":
      return delivery.expression.includes("{file}")
        ? delivery.expression.trim().replaceAll("{file}", name)
        : "";
    case "URL_PER_FILE":
      return delivery.urls[name] ?? Object.values(delivery.urls)[0] ?? name;
    case "INLINE":
      return "data:font/woff2;base64,d09GMgABAAA…";
  }
}

/** The files of a pack as a tree: folders once, what stands in them below. */
export function treeOf(delivery: Delivery): string[] {
  const url = sampleUrl(delivery);
  const output = outputs[delivery.shape];
  const below = delivery.kind === "FOLDER" && !url.startsWith("..") ? url : `fonts/${sampleName(delivery)}`;
  return [
    ...(delivery.kind === "FLAT" ? [sampleName(delivery)] : [below]),
    output,
    ...(output.endsWith(".css") || output === "head.html" ? [] : ["type.css"]),
    "specimen.html",
    "instructions.html",
    "files.csv",
    "LICENSES.txt",
    "manifest.json",
  ];
}

const outputs: Record<Delivery["shape"], string> = {
  STYLE_SHEET: "type.css",
  STYLE_BLOCK: "head.html",
  APPENDED: "append.css",
  CUSTOM_PROPERTIES: "properties.css",
  DESIGN_TOKENS: "type.tokens.json",
  MENU: "menu.txt",
};

/** The `src` line that a style sheet would have for a sample file. */
export function sampleLine(delivery: Delivery): string {
  const url = sampleUrl(delivery);
  if (!url) {
    return "";
  }
  const quote = delivery.kind === "EXPRESSION" && url.includes('"') ? (url.includes("'") ? "" : "'") : '"';
  return `src: url(${quote}${url}${quote}) format("woff2");`;
}
