/** Pages made up at random, to be read by us and by Chromium: elements, style sheets and faces of every kind. */

/** A generator of numbers that gives the same ones for the same seed. */
export function numbers(seed: number) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (n: number) => Math.floor(next() * n);
  return {
    below,
    chance: (p: number) => next() < p,
    of: <T>(all: readonly T[]): T => all[below(all.length)] as T,
  };
}

type Numbers = ReturnType<typeof numbers>;

const tags = [
  ..."div section p h1 h2 h3 h4 h5 h6 b strong i em code pre small sub big span a ul th td button".split(" "),
  ..."article label blockquote dfn cite kbd address mark summary details fieldset legend tt".split(" "),
];
const classes = ["a", "b", "c", "lead", "note"];
const texts = ["Hamburg", "Five 5 wharf", "naïve café", "Ж and и", "x → y", "12:30", "ABC", "quick brown"];
const families = [
  "Face",
  '"Face", serif',
  '"face", Gone, sans-serif',
  "Gone, Face, monospace",
  "monospace",
  "monospace, monospace",
  "Mixed, Face, serif",
  "Broken, Face, sans-serif",
  "Wide, serif",
  "Range, sans-serif",
  "Only Bold, serif",
  "var(--family)",
  "var(--none, Face), serif",
  "var(--loop)",
  "var(--loop2, Mixed), serif",
  "inherit",
  "initial",
  "unset",
  "revert",
  "2 Faces",
  "system-ui",
];
const weights = [
  "400",
  "700",
  "bold",
  "bolder",
  "lighter",
  "normal",
  "550",
  "900",
  "1001",
  "0",
  "var(--weight)",
  "calc(300 + 50)",
];
const sizes = [
  "1em",
  "1.25em",
  "120%",
  "20px",
  "large",
  "x-small",
  "smaller",
  "larger",
  "1.1rem",
  "calc(1em + 2px)",
  "-3px",
  "clamp(12px, 2vw, 30px)",
  "medium",
  "var(--size)",
  "10pt",
  "initial",
  "max(1em, 18px)",
  "xxx-large",
];
const styles = ["italic", "normal", "oblique", "oblique 20deg", "oblique 0deg", "slanted", "inherit"];
const widths = ["condensed", "75%", "normal", "expanded", "110%", "squeezed"];
const shorthands = [
  "italic 700 1.2em/1.4 Face, serif",
  "16px Face",
  "bold 1em/2 var(--family)",
  "condensed oblique 18px/normal Wide, serif",
  "small-caps 500 large Face, sans-serif",
  "inherit",
  "1em",
  "italic Face",
  "300 clamp(10px, 1em, 40px) / 1.2 Mixed",
];
const properties: [string, readonly string[]][] = [
  ["font-family", families],
  ["font-weight", weights],
  ["font-size", sizes],
  ["font-style", styles],
  ["font-stretch", widths],
  ["font", shorthands],
  ["--family", ["Face, serif", "Mixed", "var(--loop)", "initial"]],
  ["--loop", ["var(--family, Mixed)", "var(--loop2, Face)", "Wide, var(--family, var(--loop2))"]],
  ["--loop2", ["var(--loop, Mixed)", "var(--none, var(--loop2, Face))", "Face, serif"]],
  ["--weight", ["700", "var(--none)", "300"]],
  ["--size", ["18px", "2em", "nonsense"]],
  ["visibility", ["hidden", "visible"]],
  ["display", ["block", "inline", "none", "contents"]],
  ["all", ["unset", "initial", "revert"]],
];

function compound(r: Numbers): string {
  const simple = () =>
    r.of([
      () => r.of(tags),
      () => `.${r.of(classes)}`,
      () => `#i${r.below(12)}`,
      () =>
        r.of([":first-child", ":last-child", ":only-child", ":first-of-type", ":empty", ":root", ":hover", ":link"]),
      () => `:nth-child(${r.of(["2n+1", "odd", "3", "-n+2", "2n", "even of .a"])})`,
      () => `:nth-last-of-type(${r.of(["1", "2n", "n+2"])})`,
      () => `[${r.of(["data-x", "data-x=one", 'data-x="ONE" i', "data-x^=o", "class~=a", "title|=en"])}]`,
      () => `:not(${r.of(tags)})`,
      () => `:is(.${r.of(classes)}, ${r.of(tags)}, :unknown)`,
      () => `:where(${r.of(tags)} .${r.of(classes)})`,
      () => `:has(> ${r.of(tags)})`,
      () => `:has(.${r.of(classes)} + *)`,
    ])();
  const first = r.chance(0.5) ? r.of(tags) : r.of(["*", `.${r.of(classes)}`, ""]);
  const rest = simple();
  return /^[a-z]/.test(rest) ? (first.startsWith(".") || first === "" ? rest + first : rest) : first + rest;
}

function selector(r: Numbers): string {
  const parts = [compound(r)];
  while (r.chance(0.4) && parts.length < 4) {
    parts.push(r.of([" ", " > ", " + ", " ~ "]), compound(r));
  }
  return parts.join("");
}

function declarations(r: Numbers): string {
  return Array.from({ length: 1 + r.below(3) }, () => {
    // What takes away whole parts of a page is rare.
    const [name, values] = r.of(r.chance(0.85) ? properties.slice(0, 9) : properties);
    return `${name}: ${r.of(values)}${r.chance(0.08) ? " !important" : ""};`;
  }).join(" ");
}

function rule(r: Numbers, deep = 0): string {
  const selectors = Array.from({ length: 1 + r.below(2) }, () => selector(r)).join(", ");
  const nested =
    deep < 2 && r.chance(0.15)
      ? r.of([
          `& ${r.of(tags)} { ${declarations(r)} }`,
          `> .${r.of(classes)} { ${declarations(r)} }`,
          `&.${r.of(classes)} { ${declarations(r)} }`,
          `@media (min-width: ${r.of(["500px", "2000px"])}) { ${declarations(r)} }`,
          `.${r.of(classes)} & { ${declarations(r)} }`,
        ])
      : "";
  const plain = `${selectors} { ${declarations(r)} ${nested} }`;
  if (deep > 0 || r.chance(0.75)) {
    return plain;
  }
  const inner = rule(r, deep + 1);
  return r.of([
    `@media (min-width: 600px) { ${inner} }`,
    `@media (width < 600px) { ${inner} }`,
    `@media print { ${inner} }`,
    `@media screen and (orientation: landscape), print { ${inner} }`,
    `@media not all and (hover: none) { ${inner} }`,
    `@supports (display: grid) and (not (display: inline-grids-of-old)) { }`,
    `@supports selector(:has(a)) { ${inner} }`,
    `@supports (font-variation-settings: normal) or (-moz-appearance: none) { ${inner} }`,
    `@layer one { ${inner} }`,
    `@layer two.inner { ${inner} }`,
    `@layer { ${inner} }`,
    `@layer two, one;`,
    `@scope (.${r.of(classes)}) { ${inner} }`,
    `@media (400px <= width <= 1400px) { ${inner} }`,
    `:root { ${inner.replace(/[{][^]*/, "")} { } ${declarations(r)} }`,
    `<!-- ${inner}`,
    `broken ${inner.slice(0, 20)} }`,
  ]);
}

export function sheet(r: Numbers, rules: number): string {
  return [
    ":root { --family: Face, serif; --loop: var(--loop2); --loop2: var(--loop); --weight: 600; --size: 1.1em }",
    "body { font-family: Face, sans-serif }",
    ...Array.from({ length: rules }, () => rule(r)),
  ].join("\n");
}

function element(r: Numbers, deep: number): string {
  const tag = r.of(tags);
  const attributes = [
    r.chance(0.5) && `class="${r.of(classes)}${r.chance(0.3) ? ` ${r.of(classes)}` : ""}"`,
    r.chance(0.25) && `id="i${r.below(12)}"`,
    r.chance(0.15) && `data-x="${r.of(["one", "two"])}"`,
    r.chance(0.08) && `style="${declarations(r).replaceAll('"', "'")}"`,
    r.chance(0.03) && "hidden",
    r.chance(0.05) && 'title="en-US"',
    tag === "a" && 'href="#"',
    tag === "details" && r.chance(0.5) && "open",
  ].filter(Boolean);
  const inside = Array.from({ length: deep > 4 ? 0 : r.below(4) }, () =>
    r.chance(0.55) ? element(r, deep + 1) : ` ${r.of(texts)} `,
  ).join("");
  return `<${[tag, ...attributes].join(" ")}>${inside || r.of([...texts, ""])}</${tag}>`;
}

export function body(r: Numbers, elements: number): string {
  return Array.from({ length: elements }, () => element(r, 0)).join("\n");
}
