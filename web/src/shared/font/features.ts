import { tenths } from "../parts/format";

/** Layout features that a reader would want to try, with their names as OpenType registers them, in short. */
const names: Record<string, string> = {
  liga: "Ligatures",
  clig: "Contextual ligatures",
  dlig: "Discretionary ligatures",
  hlig: "Historical ligatures",
  calt: "Contextual alternates",
  kern: "Kerning",
  smcp: "Small capitals",
  c2sc: "Capitals to small capitals",
  case: "Case-sensitive forms",
  lnum: "Lining figures",
  onum: "Old-style figures",
  tnum: "Tabular figures",
  pnum: "Proportional figures",
  zero: "Slashed zero",
  frac: "Fractions",
  ordn: "Ordinals",
  sups: "Superscript",
  subs: "Subscript",
  sinf: "Scientific inferiors",
  swsh: "Swash",
  cswh: "Contextual swash",
  salt: "Stylistic alternates",
  titl: "Titling",
  hist: "Historical forms",
};

/** What browsers apply without being asked. */
const applied = new Set(["liga", "clig", "calt", "kern"]);

export type Feature = { tag: string; name: string; on: boolean };

/** The name of a feature; one that is not known has its tag for it. */
export function featureName(tag: string): string {
  const set = /^(ss|cv)(\d\d)$/.exec(tag);
  if (set) {
    return `${set[1] === "ss" ? "Stylistic set" : "Character variant"} ${Number(set[2])}`;
  }
  return names[tag] ?? tag;
}

/** Whether it is one of the many that a foundry numbers and means what it likes by: stylistic sets, character variants. */
export function isNumbered(tag: string): boolean {
  return /^(ss|cv)\d\d$/.test(tag);
}

/** The features of a font that can be switched, with whether browsers have them on. */
export function switchable(tags: string[]): Feature[] {
  return tags
    .filter((tag) => featureName(tag) !== tag)
    .map((tag) => ({ tag, name: featureName(tag), on: applied.has(tag) }));
}

/** The value of `font-feature-settings` for what differs from what browsers do. */
export function featureSettings(features: Feature[], switched: Record<string, boolean>): string {
  const settings = features
    .filter(({ tag, on }) => switched[tag] !== undefined && switched[tag] !== on)
    .map(({ tag }) => `"${tag}" ${switched[tag] ? 1 : 0}`);
  return settings.length > 0 ? settings.join(", ") : "normal";
}

const axisNames: Record<string, string> = {
  wght: "Weight",
  wdth: "Width",
  ital: "Italic",
  slnt: "Slant",
  opsz: "Optical size",
};

/** The name of an axis; a foundry's own axis has its tag for it. */
export function axisName(tag: string): string {
  return axisNames[tag] ?? tag;
}

/** The value of `font-variation-settings` for places on axes. */
export function variationSettings(at: Record<string, number>): string {
  const settings = Object.entries(at).map(([tag, value]) => `"${tag}" ${value}`);
  return settings.length > 0 ? settings.join(", ") : "normal";
}

/** A place on an axis as it is shown. */
export function placeOn(value: number): string {
  return Number.isInteger(value) ? String(value) : tenths(value);
}
