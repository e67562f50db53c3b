import type { FileDetails } from "../shared/api/types";
import { count, listed, number } from "../shared/parts/format";

/** Languages that many sites are in, named first where a font covers them. */
const wanted = [
  "English",
  "German",
  "French",
  "Spanish",
  "Italian",
  "Polish",
  "Czech",
  "Turkish",
  "Greek",
  "Russian",
  "Vietnamese",
  "Arabic",
  "Hebrew",
  "Hindi",
];
const NAMED = 6;

/** How many languages a font covers, and the first of them. */
export function languagesIn({ languages, nearly }: Pick<FileDetails, "languages" | "nearly">): string {
  if (languages.length === 0) {
    return nearly.length === 0 ? "It covers no language." : "It covers no language as a whole.";
  }
  const first = wanted.filter((language) => languages.includes(language)).slice(0, NAMED);
  const all = count(languages.length, "language");
  return first.length === 0 ? `${all}.` : `${all}, ${listed(first)} among them.`;
}

/** How many characters there are, and in which blocks of Unicode. */
export function charactersIn({ characters }: Pick<FileDetails, "characters">): string {
  const total = characters.reduce((sum, block) => sum + [...block.characters].length, 0);
  const names = characters.slice(0, 3).map((block) => block.name);
  const rest = characters.length - names.length;
  const where = rest > 0 ? [...names, count(rest, "more block")] : names;
  return total === 0 ? "None." : `${number(total)} in ${listed(where)}.`;
}

/** How high lines are, and whether on every system. */
export function linesIn({
  lineHeight,
  unitsPerEm,
  metricsAgree,
}: Pick<FileDetails, "lineHeight" | "unitsPerEm" | "metricsAgree">): string {
  const height = `${(lineHeight / unitsPerEm).toFixed(2)} of the font size`;
  return metricsAgree
    ? `${height}, on every system.`
    : `${height} where browsers take hhea; on other systems lines come out higher or lower, since the file’s metrics disagree.`;
}

/** What the file says may be done with it, as far as it says so in a form that is read by programs. */
export function permissionsIn({
  openLicense,
  embedding,
}: Pick<FileDetails, "openLicense" | "embedding">): string {
  return `${openLicense ? `It names the open license ${openLicense}. ` : ""}Embedding: ${embedding}.`;
}
