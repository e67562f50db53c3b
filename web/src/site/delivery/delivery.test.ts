import { describe, expect, it } from "vitest";
import type { Delivery } from "../../shared/api/types";
import { deliveryInWords } from "./words";
import { usualDelivery } from "../../testing/samples";
import {
  languageIn,
  languageName,
  offeredLanguages,
  sampleLine,
  sampleName,
  sampleUrl,
  treeOf,
} from "./delivery";

const usual = usualDelivery;

describe("how a host takes fonts", () => {
  it.each<[Partial<Delivery>, string]>([
    [{}, 'src: url("fonts/tarnow-bold-1f0c22aa.woff2") format("woff2");'],
    [{ folder: "./assets/" }, 'src: url("assets/tarnow-bold-1f0c22aa.woff2") format("woff2");'],
    [{ kind: "FLAT", digest: false }, 'src: url("tarnow-bold.woff2") format("woff2");'],
    [
      { kind: "BASE_URL", base: "https://cdn.example/f/" },
      'src: url("https://cdn.example/f/tarnow-bold-1f0c22aa.woff2") format("woff2");',
    ],
    [
      { kind: "BASE_URL", base: "//cdn.example/f/old.woff2?v=3", digest: false },
      'src: url("https://cdn.example/f/tarnow-bold.woff2") format("woff2");',
    ],
    [
      { kind: "BASE_URL", base: "/assets", digest: false },
      'src: url("/assets/tarnow-bold.woff2") format("woff2");',
    ],
    [
      { kind: "EXPRESSION", expression: "{{ asset '{file}' }}", digest: false },
      'src: url("{{ asset \'tarnow-bold.woff2\' }}") format("woff2");',
    ],
    [
      { kind: "EXPRESSION", expression: '<%= asset "{file}" %>', digest: false },
      'src: url(\'<%= asset "tarnow-bold.woff2" %>\') format("woff2");',
    ],
    [{ kind: "INLINE" }, 'src: url("data:font/woff2;base64,d09GMgABAAA…") format("woff2");'],
    [
      { kind: "URL_PER_FILE", urls: { "a.woff2": "https://cdn.example/9" } },
      'src: url("https://cdn.example/9") format("woff2");',
    ],
  ])("refers to a file: %j", (change, line) => {
    expect(sampleLine({ ...usual, ...change })).toBe(line);
  });

  it("shows nothing while what was described cannot work", () => {
    expect(sampleUrl({ ...usual, folder: " " })).toBe("");
    expect(sampleUrl({ ...usual, kind: "BASE_URL", base: "http://cdn.example" })).toBe("");
    expect(sampleLine({ ...usual, kind: "EXPRESSION", expression: "{{ asset }}" })).toBe("");
  });

  it("names files as the rule says", () => {
    expect(sampleName({ names: "KEEP", digest: false })).toBe("Tärnow-Bold.woff2");
    expect(sampleName({ names: "LETTERS_AND_DIGITS", digest: true })).toBe("tarnowbold1f0c22aa.woff2");
  });

  it("shows the files of a pack", () => {
    expect(treeOf({ ...usual, shape: "DESIGN_TOKENS" }).slice(0, 3)).toEqual([
      "fonts/tarnow-bold-1f0c22aa.woff2",
      "type.tokens.json",
      "type.css",
    ]);
    expect(treeOf({ ...usual, folder: "../assets" })[0]).toBe("fonts/tarnow-bold-1f0c22aa.woff2");
    expect(treeOf({ ...usual, kind: "FLAT" })[0]).toBe("tarnow-bold-1f0c22aa.woff2");
  });

  it("reads languages by tag and by name", () => {
    expect(languageIn(" polish ")).toBe("pl");
    expect(languageIn("sr-Latn")).toBe("sr-Latn");
    expect(languageName("de")).toBe("German");
    expect(languageName("no tag")).toBe("no tag");
    expect(offeredLanguages()[0]).toBe("af");
  });

  it("says in one sentence how fonts are delivered", () => {
    expect(deliveryInWords(usual)).toBe(
      "Whole fonts, not subset. Files go in a folder next to the style sheet, with lowercase, hyphenated names and a content hash. Rules come as a style sheet.",
    );
    expect(
      deliveryInWords({ ...usual, languages: ["pl", "de"], names: "KEEP", digest: false, kind: "FLAT" }),
    ).toBe(
      "Subset to Polish and German. Files go next to the style sheet, without folders, with names as the family is written. Rules come as a style sheet.",
    );
  });
});
