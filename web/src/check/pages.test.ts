import { describe, expect, it } from "vitest";
import type { FoundFont, GivenFace, HostVerdict, PageCheck, PageNote, TextRun } from "../shared/api/types";
import { shortAddress } from "../shared/parts/address";
import {
  blockOf,
  blocks,
  connectionsIn,
  fileName,
  fontsInOrder,
  hasOwnCopy,
  isGivenOtherwise,
  latestDone,
  notesOfNoText,
  pagesOf,
  sameVerdicts,
  sortOf,
  stretches,
  styleOf,
  typedConnections,
} from "./pages";
import {
  askedInWords,
  checkedInWords,
  givenInWords,
  kindWords,
  pageStanding,
  planInWords,
  progressInWords,
  standing,
  whereInWords,
  wrongInNumbers,
} from "./words";

const given: GivenFace = {
  family: "Harrow",
  weight: 400,
  slope: "upright",
  url: "https://a.example/h.woff2",
  sha256: "ab",
  synthesized: [],
  characters: "abc",
};

function run(path: string, text = "text", more: Partial<TextRun> = {}): TextRun {
  return {
    text,
    path,
    family: ["Harrow", "serif"],
    weight: 700,
    slope: "upright",
    width: 100,
    size: 18,
    given: [given],
    rule: null,
    winners: null,
    after: null,
    ...more,
  };
}

function note(path: string | null, kind = "faked-bold"): PageNote {
  return {
    page: "https://a.example/",
    kind,
    severity: "error",
    message: "",
    cause: "",
    text: null,
    path,
    fix: null,
    onPhoneOnly: false,
  };
}

function verdict(host: string, value: HostVerdict["verdict"], reason = ""): HostVerdict {
  return { host, verdict: value, reason };
}

function font(more: Partial<FoundFont>): FoundFont {
  const slot = {
    weight: 400,
    weightMax: 400,
    width: 100,
    widthMax: 100,
    slope: "upright",
    key: "",
    label: "Regular",
  };
  return {
    sha256: "ab",
    name: "Harrow Regular",
    family: "Harrow",
    slot,
    format: "woff2",
    bytes: 20_000,
    urls: [],
    pages: ["p"],
    texts: 1,
    fromOthers: false,
    inPack: false,
    held: { how: "SAME_BYTES", familyId: "f", familyName: "Harrow", fileName: "h.woff2" },
    verdicts: [verdict("a.example", "ALLOWED")],
    ...more,
  };
}

function check(wrong: number[], more: Partial<PageCheck> = {}): PageCheck {
  return {
    line: {
      id: "c",
      siteId: "s",
      state: "DONE",
      askedAt: "2030-05-10T09:00:00Z",
      askedBy: "tomas",
      endedAt: null,
      pagesRead: 0,
      pagesKnown: 0,
      page: "",
      failure: null,
      pagesWithErrors: 0,
    },
    pages: wrong.map((errors, position) => ({
      position,
      url: "",
      title: "",
      why: errors < 0 ? "the server answers 404" : null,
      texts: 1,
      errors: Math.max(0, errors),
      warnings: 0,
      notes: 0,
      fontBytes: 0,
      requests: 0,
      browser: null,
    })),
    fonts: [],
    thirdParties: [],
    used: [],
    pack: null,
    tried: null,
    changedSince: null,
    changes: { appeared: [], gone: [], newPages: [], pagesNotRead: [], empty: true },
    ...more,
  };
}

describe("the text of a page", () => {
  it("is told by blocks: what stands within a line belongs to it", () => {
    expect(blockOf("html > body > p:nth-of-type(2) > a > strong.big")).toBe("html > body > p:nth-of-type(2)");
    expect(blockOf("html > body > li::before")).toBe("html > body > li::before");
    expect(blockOf("html > body > my-thing > b")).toBe("html > body > my-thing");
    expect(blockOf("b")).toBe("b");
  });

  it("has its notes with the block of their text, and those after it up to the next in one stretch", () => {
    const runs = ["h1", "p", "p > b", "p", "ul > li", "h2"].map((path) => run(path));
    const all = blocks(runs, [note("p > b"), note("h2"), note("gone"), note(null)]);
    expect(all.map((block) => [block.path, block.runs.length, block.notes.length])).toEqual([
      ["h1", 1, 0],
      ["p", 3, 1],
      ["ul > li", 1, 0],
      ["h2", 1, 1],
    ]);
    expect(stretches(all).map((part) => part.map((block) => block.path))).toEqual([
      ["h1"],
      ["p", "ul > li"],
      ["h2"],
    ]);
    expect(notesOfNoText(runs, [note("h2"), note("gone"), note(null)])).toHaveLength(2);
  });

  it("is marked where something is faked or another face is given", () => {
    expect(isGivenOtherwise(run("p"), [])).toBe(false);
    expect(isGivenOtherwise(run("p"), [note("p", "no-generic")])).toBe(false);
    expect(isGivenOtherwise(run("p"), [note("p", "undeclared-family")])).toBe(true);
    expect(isGivenOtherwise(run("p", "", { given: [{ ...given, synthesized: ["bold"] }] }), [])).toBe(true);
  });

  it("is set as visitors get it: faked by the same means, in a size that fits", () => {
    const faked = { ...given, synthesized: ["bold", "oblique"] };
    expect(styleOf(run("p"), faked, "f1")).toMatchObject({
      fontFamily: '"f1"',
      fontWeight: 700,
      fontStyle: "italic",
      fontVariationSettings: undefined,
    });
    expect(styleOf(run("p"), given, "f1")).toMatchObject({
      fontWeight: 400,
      fontStyle: "normal",
      fontVariationSettings: '"wght" 400',
    });
    expect(styleOf(run("p", "", { size: 200 }), given, "f1").fontSize).toBe(40);
    const system = { ...given, family: "serif", url: null, sha256: null };
    expect(styleOf(run("p", "", { slope: "italic" }), system, null)).toMatchObject({
      fontFamily: '"serif", serif',
      fontWeight: 700,
      fontStyle: "italic",
    });
  });
});

describe("a check in words", () => {
  it("answers first, in one sentence for every mixture of pages", () => {
    expect(standing(check([]))).toBe("No page was read.");
    expect(standing(check([0]))).toBe("The page shows every text as asked.");
    expect(standing(check([0, 0]))).toBe("Both pages show every text as asked.");
    expect(standing(check([1]))).toBe("The page shows some text in another font than asked.");
    expect(standing(check([1, 2]))).toBe("Both pages show some text in another font than asked.");
    expect(standing(check([0, 3, -1]))).toBe(
      "1 of 3 pages shows every text as asked. 1 page doesn’t. 1 page couldn’t be read.",
    );
    expect(pagesOf(check([0, 3, -1]))).toEqual({ unread: 1, wrong: 1, silent: 0, right: 1 });
  });

  it("says nothing good of a page without text", () => {
    const [page] = check([0]).pages;
    const silent = { ...page!, texts: 0 };
    const made = "no text without scripts and can’t be checked.";
    expect(standing(check([0], { pages: [silent] }))).toBe(`The page has ${made}`);
    expect(standing(check([0], { pages: [page!, silent] }))).toBe(
      `1 of 2 pages shows every text as asked. 1 page has ${made}`,
    );
    const [broken] = check([2]).pages;
    expect(standing(check([0], { pages: [broken!, silent] }))).toMatch(
      /^1 of 2 pages shows some text in another font than asked\. 1 page has no text/,
    );
    expect(sortOf({ ...silent, why: "the server answers 404" })).toBe("unread");
    expect(pageStanding({ runs: [], notes: [] })).toMatch(/no text/);
  });

  it("tells what is wrong on a phone only from what is wrong on both", () => {
    const onPhone = { ...note("p", "undeclared-family"), onPhoneOnly: true };
    expect(isGivenOtherwise(run("p"), [onPhone])).toBe(false);
    expect(pageStanding({ runs: [run("p")], notes: [onPhone] })).toMatch(/^On a laptop, every text/);
    expect(pageStanding({ runs: [run("p")], notes: [onPhone, note("p")] })).toMatch(/^Underlined text/);
    expect(pageStanding({ runs: [run("p")], notes: [] })).toBe(
      "Every text is shown in the font its CSS asks for.",
    );
  });

  it("offers an own copy only of what others deliver, is held, and is allowed everywhere", () => {
    const allowed = { host: "a.example", verdict: "ALLOWED" as const, reason: "" };
    const held = { how: "CUT" as const, familyId: "f", familyName: "F", fileName: "f.ttf" };
    const theirs = { ...font({}), fromOthers: true, held, verdicts: [allowed] };
    expect(hasOwnCopy(theirs)).toBe(true);
    expect(hasOwnCopy({ ...theirs, fromOthers: false })).toBe(false);
    expect(hasOwnCopy({ ...theirs, held: null })).toBe(false);
    expect(hasOwnCopy({ ...theirs, verdicts: [allowed, { ...allowed, verdict: "NOT_STATED" }] })).toBe(false);
  });

  it("says what of the fonts needs somebody", () => {
    const fonts = [
      font({ held: null, verdicts: [] }),
      font({ verdicts: [verdict("a.example", "REFUSED", "ended")] }),
    ];
    const others = [
      { host: "b.example", styleSheets: [], fonts: [], connections: [], scripts: [], texts: 0 },
    ];
    expect(standing(check([0], { fonts, thirdParties: others }))).toMatch(
      /1 font isn’t in the inventory\. 1 font isn’t cleared there\. 1 third-party host learns who visits\.$/,
    );
  });

  it("puts the fonts first that want something done, and says a verdict once", () => {
    const fonts = [
      font({ name: "right", texts: 9 }),
      font({ name: "refused", verdicts: [verdict("a.example", "REFUSED")] }),
      font({ name: "strange", held: null, verdicts: [] }),
    ];
    expect(fontsInOrder(fonts).map(({ name }) => name)).toEqual(["strange", "refused", "right"]);
    expect(
      sameVerdicts([verdict("a", "ALLOWED"), verdict("b", "REFUSED", "ended"), verdict("c", "ALLOWED")]).map(
        ({ hosts }) => hosts,
      ),
    ).toEqual([["a", "c"], ["b"]]);
    expect(whereInWords(font({ fromOthers: true, inPack: true }))).toBe(
      "1 text · on 1 page · 20 kB · from a third-party host · in the pack",
    );
  });

  it("says who, when and how far", () => {
    const { line } = check([]);
    expect(checkedInWords(line)).toMatch(/^Checked on May 10, 2030.* by tomas\.$/);
    expect(checkedInWords({ ...line, askedBy: "unciala", state: "STOPPED" })).toMatch(
      /^Started on .* by schedule, and stopped\.$/,
    );
    expect(progressInWords({ ...line, state: "WAITING" })).toBe("The check is about to start.");
    expect(
      progressInWords({
        ...line,
        state: "READING",
        page: "https://a.example/b/",
        pagesRead: 2,
        pagesKnown: 9,
      }),
    ).toBe("Reading a.example/b, 3 of 9");
    expect(latestDone([{ ...line, state: "STOPPED" as const }, line])).toBe(line);
  });

  it("says what is asked and what is given", () => {
    expect(askedInWords(run("p", "", { slope: "italic" }))).toBe("Harrow 700 italic");
    expect(givenInWords({ ...given, synthesized: ["bold", "oblique"] })).toBe(
      "Harrow 400, bold faked, slant faked",
    );
    expect(givenInWords({ ...given, family: "serif", url: null })).toBe("serif, a system font");
    const [page] = check([2]).pages;
    expect(page && wrongInNumbers({ ...page, warnings: 1 })).toBe("2 errors, 1 warning");
  });

  it("has a word for each kind that the server finds", () => {
    expect(Object.keys(kindWords)).toHaveLength(26);
  });
});

describe("what is checked", () => {
  const plan = { addresses: ["https://a.example/"], follows: true, mostPages: 20, watched: false };

  it("is told in sentences", () => {
    expect(planInWords({ ...plan, connections: [], signIns: [], ownHosts: [] })).toBe(
      "a.example and the pages it links to, at most 20 pages. Checked only when you start a check.",
    );
    expect(
      planInWords({
        ...plan,
        follows: false,
        watched: true,
        connections: [{ host: "a" }],
        signIns: [{ host: "a" }],
        ownHosts: ["files.example"],
      }),
    ).toBe(
      "a.example only. Checked daily, and whenever a pack is deployed. files.example is the site’s own. Connects elsewhere for 1 host. Signs in to 1 host.",
    );
    expect(planInWords({ ...plan, addresses: [], connections: [], signIns: [], ownHosts: [] })).toMatch(
      /^No pages yet\./,
    );
  });

  it("is typed one host a line, with an arrow or without", () => {
    const connections = [
      { host: "a.example:443", to: "192.0.2.7:8443" },
      { host: "b.example:80", to: "localhost:1" },
    ];
    expect(connectionsIn(typedConnections(connections))).toEqual(connections);
    expect(connectionsIn("a.example:443=192.0.2.7:8443\n\n b.example:80 -> localhost:1 ")).toEqual(
      connections,
    );
    expect(connectionsIn("alone")).toEqual([{ host: "alone", to: "" }]);
  });

  it("shortens addresses for reading", () => {
    expect(shortAddress("https://a.example/")).toBe("a.example");
    expect(fileName("https://a.example/b/c.woff2?v=2#x")).toBe("c.woff2");
    expect(fileName("https://a.example/")).toBe("https://a.example/");
  });
});
