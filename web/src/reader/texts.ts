/** Texts as they leave a page: as they are painted, and reduced to their characters unless the person keeps them. */

const wordStart = /(?<![\p{L}\p{N}’'])\p{L}/gu;

/** A text after its `text-transform`. */
export function asPainted(text: string, transform: string): string {
  switch (transform) {
    case "uppercase":
      return text.toUpperCase();
    case "lowercase":
      return text.toLowerCase();
    case "capitalize":
      return text.replace(wordStart, (letter) => letter.toUpperCase());
    default:
      return text;
  }
}

/** The characters of a text, once each, in the order of their code points, without spaces. */
export function charactersOf(text: string): string {
  const codePoints = new Set(Array.from(text.replace(/\s+/gu, ""), (character) => character.codePointAt(0)!));
  return String.fromCodePoint(...[...codePoints].sort((a, b) => a - b));
}
