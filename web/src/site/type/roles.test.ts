import { describe, expect, it } from "vitest";
import { staticSlot } from "../../shared/font/slots";
import type { Family, HeldFile, Role } from "../../shared/api/types";
import { role as roleIn } from "../../testing/samples";
import { domainsIn } from "../../shared/parts/domains";
import { familiesIn, byRole, fakedIn, inOrder, roleInWords, undoneOf, weigh, genericOf } from "./roles";
import { settingInWords, weightInWords } from "../words";

const regular = staticSlot(400, "upright");
const role = (name: Role["role"], familyId: string): Role => roleIn(name, familyId, [regular]);

describe("a site", () => {
  it("takes pasted lists of domains apart", () => {
    expect(domainsIn("a.example, b.example;c.example  d.example\n")).toEqual([
      "a.example",
      "b.example",
      "c.example",
      "d.example",
    ]);
    expect(domainsIn(" ")).toEqual([]);
  });

  it("keeps its roles by name and gives them back in their order", () => {
    const roles = [role("RUNNING_TEXT", "f"), role("HEADINGS", "g")];
    expect(inOrder(byRole(roles)).map((one) => one.role)).toEqual(["HEADINGS", "RUNNING_TEXT"]);
    expect(byRole([]).CODE).toBeNull();
  });

  it("weighs each file once", () => {
    const file = { slot: regular, format: "woff2", bytes: 250 } as HeldFile;
    const families = [{ id: "f", files: [file] } as Family];
    const weight = weigh(
      [role("RUNNING_TEXT", "f"), role("HEADINGS", "f"), role("CODE", "unknown")],
      families,
    );
    expect(weight).toEqual({ faces: 1, bytes: 250, guessed: false });
  });

  it("tells a role by its family and faces, and its weight by the seconds it takes", () => {
    const families = [{ id: "f", name: "Ostrel", files: [] as HeldFile[] } as Family];
    expect(roleInWords(null, families)).toBe("not set");
    expect(roleInWords({ ...role("CODE", "f"), faces: [{ ...regular, label: "Regular" }] }, families)).toBe(
      "Ostrel Regular",
    );
    expect(roleInWords({ ...role("CODE", "x"), faces: [] }, families)).toBe(
      "another family, no face chosen yet",
    );
    expect(weightInWords({ faces: 2, bytes: 50_000, guessed: true })).toBe(
      "2 fonts to send, about 50 kB; 0.3 s at 1.6 Mbit/s",
    );
  });

  it.each<[string, [number, string][], string[]]>([
    ["only regular", [[400, "upright"]], ["bold", "italic", "bold in italic"]],
    [
      "regular and bold",
      [
        [400, "upright"],
        [700, "upright"],
      ],
      ["italic", "bold in italic"],
    ],
    [
      "regular, bold and italic",
      [
        [400, "upright"],
        [700, "upright"],
        [400, "italic"],
      ],
      ["bold in italic"],
    ],
    [
      "all four",
      [
        [400, "upright"],
        [700, "upright"],
        [400, "italic"],
        [700, "italic"],
      ],
      [],
    ],
    ["only bold", [[700, "upright"]], ["italic"]],
    ["only italic", [[400, "italic"]], ["bold"]],
  ])("says what browsers would fake with %s", (_, faces, faked) => {
    const slots = faces.map(([weight, slope]) => staticSlot(weight, slope));
    expect(fakedIn(roleIn("RUNNING_TEXT", "f1", slots))).toEqual(faked);
    expect(fakedIn(roleIn("CODE", "f1", slots))).toEqual([]);
  });

  it("takes a variable face for all that it serves, and nothing for a role without faces", () => {
    const variable = { ...staticSlot(100, "upright"), weightMax: 900 };
    expect(fakedIn(roleIn("RUNNING_TEXT", "f1", [variable]))).toEqual(["italic"]);
    expect(fakedIn(roleIn("RUNNING_TEXT", "f1", []))).toEqual([]);
  });

  it("says what a role's rule says besides its face", () => {
    const plain = roleIn("HEADINGS", "f1", [regular]);
    expect(settingInWords(plain)).toBe("Usual elements, size and spacing");
    expect(
      settingInWords({
        ...plain,
        selector: ".lead",
        size: "2rem",
        lineHeight: "1.2",
        letterSpacing: "0.02em",
      }),
    ).toBe(".lead, 2rem, lines 1.2, letters 0.02em");
  });

  it("tells once what is left undone for several faces", () => {
    const face = {
      familyId: "f1",
      slot: regular,
      fileSlot: regular,
      bytes: 1,
      held: 2,
      kept: null,
      of: null,
      files: [],
      standIn: "",
      undone: ["Not cut."],
    };
    expect(undoneOf({ faces: [face, face], bytes: 2, stacks: {}, budget: null })).toEqual(["Not cut."]);
  });
});

describe("fallbacks", () => {
  it("are typed with commas, and with quotation marks or without", () => {
    expect(familiesIn(" Charter, 'Iowan Old Style' ,“Tarn Text”,, Charter")).toEqual([
      "Charter",
      "Iowan Old Style",
      "Tarn Text",
    ]);
  });
});

describe("genericOf", () => {
  it("proposes what stands in for a kind of type, and nothing for an unknown one", () => {
    expect(["SERIF", "DISPLAY", "MONOSPACED", "HANDWRITING", "", undefined].map(genericOf)).toEqual([
      "SERIF",
      "SANS_SERIF",
      "MONOSPACE",
      "CURSIVE",
      undefined,
      undefined,
    ]);
  });
});
