import { describe, expect, it } from "vitest";
import type { RoleOnPages, ShownInRole } from "../shared/api/types";
import { usualDelivery } from "../testing/samples";
import { deciders, faceShown, hasOverride, looksLike, otherwise, withOverride } from "./roles";
import { measureInWords, roleInWords, triedInWords, whatDecides } from "./words";

const winner = {
  property: "font-family",
  selector: "h1",
  sheet: "https://fernway.example/theme/style.css",
  line: 12,
  value: "var(--heading)",
  important: false,
  layer: null,
  via: "--heading",
};
describe("what decides on a role", () => {
  it.each([
    [{}, /^Looks like a theme setting/],
    [{ via: null, selector: "style" }, /^Looks like an editor’s setting/],
    [{ via: null, selector: ".has-serif", important: true }, /^Looks like a preset class/],
    [{ via: null, layer: "theme" }, /^In the cascade layer theme\.$/],
    [{ via: null, selector: ".card h1", important: true }, /^$/],
  ])("is told in general words: %o", (change, said) => {
    expect(looksLike({ ...winner, ...change })).toMatch(said);
  });

  it("is overridden by rules that the site keeps once", () => {
    const once = withOverride(usualDelivery, ":root { --heading: Ostrel }\n");
    expect(once.overrides).toBe(":root { --heading: Ostrel }");
    expect(hasOverride(once, ":root { --heading: Ostrel }")).toBe(true);
    expect(hasOverride(once, "h1 { font-family: Ostrel }")).toBe(false);
    expect(withOverride(once, "h1 {}").overrides).toBe(":root { --heading: Ostrel }\nh1 {}");
  });
});

const shown: ShownInRole = {
  family: "Georgia",
  weight: 700,
  slope: "upright",
  faked: [],
  texts: 2,
  page: "https://fernway.example/",
  text: "Wharf",
  path: "html > body > h1",
  asAsked: false,
  onPhoneOnly: false,
  measures: [],
  winner,
  why: "",
  override: ":root { --heading: Ostrel, Georgia; }",
  overrideAnywhere: ":root:root { --heading: Ostrel, Georgia; }",
};
const role: RoleOnPages = {
  role: "PAGE_TITLE",
  label: "Page title",
  selector: "h1",
  texts: 5,
  pages: 2,
  verdict: "OTHER",
  asked: { family: "Ostrel", weight: 700, slope: "upright" },
  shown: [shown],
};

describe("roles on pages", () => {
  it("are gathered over pages by what they are shown in and why", () => {
    const other = { ...shown, page: "https://fernway.example/visit", texts: 3 };
    const phone = { ...shown, onPhoneOnly: true, texts: 9 };
    const right = { ...shown, asAsked: true };
    expect(otherwise([shown, right, other, shown, phone])).toEqual([
      { key: expect.any(String) as string, shown: phone, texts: 9, pages: [shown.page] },
      { key: expect.any(String) as string, shown, texts: 7, pages: [shown.page, other.page] },
    ]);
  });

  it("say what is faked, and where only a phone shows it", () => {
    expect(faceShown({ ...shown, faked: ["bold", "oblique"], slope: "italic", onPhoneOnly: true })).toBe(
      "Georgia 700 italic, faked bold, faked italic, on a phone",
    );
  });

  it("say the verdict with how many texts there are", () => {
    expect(roleInWords({ ...role, verdict: "AS_ASKED" })).toBe("As asked: 5 texts on 2 pages");
    expect(roleInWords(role)).toBe("2 of 5 texts aren’t shown in Ostrel 700");
    expect(roleInWords({ ...role, texts: 0, verdict: "NOT_FOUND" })).toBe("Not found on these pages (h1)");
    const onPhone = { ...role, shown: [{ ...shown, onPhoneOnly: true }] };
    expect(roleInWords(onPhone)).toBe("Not shown in Ostrel 700 on a phone");
  });

  it("say what a pack that isn’t deployed yet would change, and which roles it would not reach", () => {
    const tried = { packId: "p1", madeAt: "2026-11-29T10:00:00Z", texts: 3, roles: [role] };
    expect(triedInWords(tried)).toBe(
      "The pack of Nov 29, 2026 changes 3 texts. Page title still won’t be shown as asked.",
    );
    const reached = { ...role, verdict: "AS_ASKED" as const };
    expect(triedInWords({ ...tried, texts: 0, roles: [reached] })).toBe(
      "The pack of Nov 29, 2026 changes no text. Every role found on the pages will be shown as asked.",
    );
    const absent = { ...role, verdict: "NOT_FOUND" as const };
    expect(triedInWords({ ...tried, roles: [absent] })).toBe("The pack of Nov 29, 2026 changes 3 texts.");
  });

  it("tell a size that is otherwise from a face that is, with each declaration once", () => {
    const size = { property: "font-size", asked: "2rem (32px)", shown: "28px", winner };
    const tracking = { ...size, property: "letter-spacing", winner: { ...winner, selector: ".hero h1" } };
    const sized = { ...shown, family: "ostrel", measures: [size, tracking] };
    expect(measureInWords(size)).toBe("font-size is 28px, not 2rem (32px)");
    expect(deciders(sized)).toEqual([winner, tracking.winner]);
    expect(roleInWords({ ...role, shown: [sized] })).toBe(
      "2 of 5 texts have another size or spacing than chosen",
    );
    expect(roleInWords({ ...role, shown: [sized, shown] })).toContain("aren’t shown in");
    expect(roleInWords({ ...role, shown: [{ ...sized, onPhoneOnly: true }] })).toContain("on a phone");
  });

  it("name the declaration that decides, and the custom property behind it", () => {
    expect(whatDecides(winner)).toBe(
      "h1 sets font-family: var(--heading), which --heading sets (style.css, line 12)",
    );
    expect(whatDecides({ ...winner, selector: "style", via: null, value: "Georgia", important: true })).toBe(
      "the element’s style attribute sets font-family: Georgia !important (style.css, line 12)",
    );
    expect(whatDecides({ ...winner, sheet: null, via: null, value: "monospace", layer: null })).toBe(
      "the browser’s own style sheet sets font-family: monospace",
    );
    expect(whatDecides({ ...winner, via: null, layer: "theme" })).toContain("in the layer theme");
  });
});
