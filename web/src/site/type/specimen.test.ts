import { describe, expect, it } from "vitest";
import type { FaceWeight, Role, Slot } from "../../shared/api/types";
import { staticSlot } from "../../shared/font/slots";
import { role } from "../../testing/samples";
import { fieldOf, isSameRole } from "./roles";
import { blocksOf, faceRules, liveOf, movedInWords, offersOf, pairingOf, styleOf, taken } from "./specimen";

const upright = (weight: number) => staticSlot(weight, "upright");
const italic = (weight: number) => staticSlot(weight, "italic");
const variable = (from: number, to: number, slope = "upright"): Slot => ({
  ...staticSlot(from, slope),
  weightMax: to,
  key: `${from}..${to}-100-${slope}`,
});

function weight(fileSlot: Slot, change: Partial<FaceWeight> = {}): FaceWeight {
  return {
    familyId: "f1",
    slot: fileSlot,
    fileSlot,
    bytes: 1,
    held: 1,
    kept: null,
    of: null,
    files: [{ address: "/api/files/a", characters: "" }],
    standIn: "",
    undone: [],
    ...change,
  };
}

describe("the texts of a specimen page", () => {
  const roles = ["CODE", "Pull quote", "RUNNING_TEXT", "PAGE_TITLE", "NAVIGATION"].map((name) => ({
    role: name,
  }));

  it("stand in the order of a page, the site’s own words first", () => {
    const words = "Tea, and time for it. We open at eight.";
    const blocks = blocksOf(roles, { name: "Tarn", words });
    expect(blocks.map((block) => block.role)).toEqual([
      "NAVIGATION",
      "PAGE_TITLE",
      "RUNNING_TEXT",
      "CODE",
      "Pull quote",
    ]);
    expect(blocks[1]!.text).toBe("Tea, and time for it.");
    expect(blocks[2]!.text).toBe(words);
    expect(blocks[4]!.text).toBe("Tea, and time for it.");
  });

  it.each([
    ["", "Tarn"],
    ["   ", "Tarn"],
    ["One sentence that is much too long to be a heading, as it goes on and on, and then on.", "Tarn"],
    ["価格は千円です", "価格は千円です"],
  ])("are the site’s name and usual ones without a short sentence of its own: %j", (words, title) => {
    const [, heading, text] = blocksOf(roles, { name: "Tarn", words });
    expect(heading!.text).toBe(title);
    expect(text!.text.length).toBeGreaterThan(0);
  });
});

describe("the rules of a specimen page", () => {
  it("declare each file once, with its ranges and what stands in for it", () => {
    const wide = { ...variable(100, 900, "oblique"), width: 75, widthMax: 125 };
    const standIn = '@font-face { font-family: "stand-in"; src: local("Arial"); }';
    const rules = faceRules(
      {
        faces: [
          weight(wide, { standIn }),
          weight(wide, { standIn }),
          weight(upright(400), { familyId: "f2" }),
        ],
        bytes: 2,
        stacks: {},
        budget: null,
      },
      { HEADINGS_2: { sha256: "abc", name: "A" }, CODE: { sha256: "abc", name: "A" } },
    ).split("\n");
    expect(rules).toHaveLength(4);
    expect(rules[0]).toContain("font-weight: 100 900; font-style: oblique; font-stretch: 75% 125%;");
    expect(rules[1]).toContain('font-family: "stand-in-f1"');
    expect(rules[2]).toContain('"site-f2"; src: url("/api/files/a"); font-weight: 400; font-style: normal');
    expect(rules[3]).toBe('@font-face { font-family: "live-abc"; src: url("/api/files/abc"); }');
    expect(faceRules(undefined, {})).toBe("");
  });

  it("have a range for each file of a face that is parted by script", () => {
    const parts = [
      { address: "/api/files/a", characters: "U+20-7E" },
      { address: "/api/files/b", characters: "U+3B1, U+3B2" },
    ];
    const face = weight(upright(400), { files: parts });
    const rules = faceRules({ faces: [face], bytes: 2, stacks: {}, budget: null }, {}).split("\n");
    expect(rules).toHaveLength(2);
    expect(rules[1]).toMatch(/"\/api\/files\/b".*unicode-range: U\+3B1, U\+3B2; \}$/);
  });
});

describe("how a text is set", () => {
  const stacks = { SERIF: "Georgia, serif" };
  const heading: Role = { ...role("HEADINGS", "f1", [variable(500, 900), italic(400)]), size: "2rem" };

  it("is in its face, at the weight nearest to regular, and as the role says", () => {
    expect(styleOf(heading, "own", stacks, {})).toMatchObject({
      fontFamily: '"site-f1", "stand-in-f1", Georgia, serif',
      fontWeight: 500,
      fontStyle: "normal",
      fontStretch: "100%",
      fontSize: "2rem",
      lineHeight: "1.2",
    });
  });

  it("is in what stands in for it, or in the generic alone while no face is chosen", () => {
    expect(styleOf(heading, "fallback", stacks, {}).fontFamily).toBe('"stand-in-f1", Georgia, serif');
    expect(styleOf(role("CODE", "f1", []), "own", undefined, {}).fontFamily).toBe("serif");
  });

  it("is in what the pages have, headings of any level for the role of all", () => {
    const set = (found: Record<string, string>) =>
      styleOf(
        heading,
        "live",
        stacks,
        Object.fromEntries(Object.entries(found).map(([of, sha256]) => [of, { sha256, name: "" }])),
      );
    expect(set({ HEADINGS_3: "b" })).toMatchObject({
      fontFamily: '"live-b", Georgia, serif',
      fontSynthesis: "none",
    });
    expect(set({ HEADINGS_2: "a", HEADINGS_3: "b" }).fontFamily).toBe('"live-a", Georgia, serif');
    expect(set({ CODE: "c" })).not.toHaveProperty("fontSynthesis");
    expect(liveOf(undefined)).toEqual({});
  });

  it.each([
    [100, 100.3, "This page is as long before the fonts arrive as after it."],
    [100, 88, "This page becomes 12 px shorter when the fonts arrive."],
    [100, 101, "This page becomes 1 px longer when the fonts arrive."],
  ])("from %d to %d px says %s", (before, after, said) => {
    expect(movedInWords(before, after)).toBe(said);
  });
});

describe("a variable file", () => {
  const files = [
    { familyId: "f1", slot: variable(100, 900) },
    { familyId: "f1", slot: variable(100, 900) },
    { familyId: "f1", slot: variable(100, 900, "italic") },
    { familyId: "f2", slot: variable(100, 900) },
    { familyId: "f1", slot: upright(400) },
  ];

  it("is offered once for two or more static faces of its family and slope", () => {
    const roles = [
      role("HEADINGS", "f1", [upright(700)]),
      role("RUNNING_TEXT", "f1", [upright(400), italic(400), upright(700)]),
      role("CODE", "f2", [upright(400)]),
    ];
    const offers = offersOf(roles, files);
    expect(offers.map(({ familyId, slots, by }) => [familyId, by.slope, slots.length])).toEqual([
      ["f1", "upright", 2],
    ]);
    const after = taken(roles, offers[0]!);
    expect(after.map((one) => one.faces.map((slot) => slot.key))).toEqual([
      ["100..900-100-upright"],
      ["100..900-100-upright", "400-100-italic"],
      ["400-100-upright"],
    ]);
    expect(offersOf(after, files)).toEqual([]);
  });

  it("is not offered for what lies outside of its range or is asked as a range", () => {
    expect(offersOf([role("CODE", "f1", [upright(950), upright(400)])], files)).toEqual([]);
    expect(offersOf([role("CODE", "f1", [variable(300, 500), upright(400)])], files)).toEqual([]);
  });
});

describe("a pairing", () => {
  it.each([
    [[400, 700, 900], [300, 400, 700], [700], [400, 700]],
    [[300], [450], [300], [450]],
    [[], [], [], []],
  ])("of %j and %j begins with %j and %j", (heading, text, chosen, running) => {
    const pairing = pairingOf(heading.map(upright), text.map(upright));
    expect(pairing.heading.map((slot) => slot.weight)).toEqual(chosen);
    expect(pairing.text.map((slot) => slot.weight)).toEqual(running);
  });

  it("takes an italic for emphasis, and a variable file once", () => {
    const { heading, text } = pairingOf(
      [italic(700), variable(100, 900)],
      [italic(400), italic(700), variable(100, 900)],
    );
    expect(heading.map((slot) => slot.key)).toEqual(["100..900-100-upright"]);
    expect(text.map((slot) => slot.key)).toEqual(["100..900-100-upright", "400-100-italic"]);
    expect(pairingOf([italic(400)], [italic(400)]).text).toHaveLength(1);
  });
});

describe("the name of a text role", () => {
  it.each([
    ["Pull quote", "pull-QUOTE!", true],
    ["Ｐreis", "preis", true],
    ["Quote 1", "Quote 2", false],
    ["Überschrift", "Uberschrift", false],
  ])("%s and %s: the same is %s", (one, other, same) => {
    expect(isSameRole(one, other)).toBe(same);
  });

  it("is a field of a form whatever characters it has", () => {
    expect(fieldOf("HEADINGS")).toBe("HEADINGS");
    expect(fieldOf("v1.2 [a] 'b'")).toBe("own v1_2 _a_ _b_");
  });
});
