import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Family, FormatPlan } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { details, family, file, flag } from "../testing/samples";
import { counterpart, whatASwapChanges } from "./compare";
import { charactersIn, languagesIn, linesIn, permissionsIn } from "./facts";
import {
  featureName,
  featureSettings,
  isNumbered,
  switchable,
  variationSettings,
} from "../shared/font/features";
import { offer } from "./formats";
import { leafOf, standing } from "./leaves";

const bold = file({
  id: "file2",
  fileName: "Ostrel-Bold.ttf",
  drawing: "d2",
  slot: { ...staticSlot(700, "upright"), label: "Bold" },
});
const newer = file({ id: "file4", fileName: "Ostrel-Regular-2.ttf", drawing: "d4", sha256: "c".repeat(64) });

type Face = FormatPlan["faces"][number];

function face(verdict: Face["verdict"], reason = "Ostrel: converting is refused"): Face {
  return {
    fileId: "file1",
    fileName: "Ostrel-Regular.ttf",
    slot: file().slot,
    bytes: 30_000,
    verdict,
    reason,
  };
}

function recorded(start: Family) {
  const state = { family: start, sent: [] as unknown[], versions: [] as (string | null)[] };
  network.use(http.get("*/api/families/f1", () => HttpResponse.json(state.family)));
  return state;
}

describe("what stands on which leaf", () => {
  it("is where it can be mended", () => {
    expect(leafOf(flag({ kind: "SLOT_CLASH" }))).toBe("faces");
    expect(leafOf(flag({ kind: "TWO_NAMES" }))).toBe("files");
    expect(leafOf(flag({ kind: "MARKED_FILE" }))).toBe("facts");
    expect(leafOf(flag({ kind: "DOMAIN_NOT_PERMITTED" }))).toBe("use");
  });

  it("is summed up in one sentence", () => {
    const used = family({
      sites: [{ id: "s1", name: "Fernway" }],
      licenses: [{ id: "l1", name: "Ostrel web license", ends: null }],
    });
    expect(standing(used, [])).toBe("All is well: it’s covered by Ostrel web license, and Fernway uses it.");
    expect(standing({ ...used, sites: [] }, [])).toMatch(/no site uses it\.$/);
    expect(standing(used, [flag({ severity: "WARN" })])).toBe("No blocking flags; 1 flag is open.");
    expect(standing(used, [flag({ severity: "STOP" }), flag({ severity: "ASK" })])).toBe(
      "1 blocking flag, and 1 other.",
    );
    expect(standing(used, [flag({ severity: "STOP", acceptedUntil: "2030-01-01" })])).toMatch(/^All is well/);
    expect(standing(family({ files: [] }), [])).toBe("No file of it is in the inventory.");
    expect(standing(family(), [flag({ severity: "STOP", acceptedUntil: "2030-01-01" })])).toBe(
      "All is well: what’s missing is accepted for now, and no site uses it.",
    );
  });
});

describe("facts in words", () => {
  it("name the languages that many sites are in, and say when there are none", () => {
    expect(languagesIn({ languages: ["Breton", "English", "Polish"], nearly: [] })).toBe(
      "3 languages, English and Polish among them.",
    );
    expect(languagesIn({ languages: ["Breton"], nearly: [] })).toBe("1 language.");
    expect(languagesIn({ languages: [], nearly: [] })).toBe("It covers no language.");
    expect(languagesIn({ languages: [], nearly: [{ language: "Polish", lacking: "ł" }] })).toMatch(
      /as a whole/,
    );
  });

  it("count characters, not their halves", () => {
    expect(charactersIn({ characters: [{ name: "Emoticons", characters: "😀😁" }] })).toBe("2 in Emoticons.");
    const blocks = ["A", "B", "C", "D", "E"].map((name) => ({ name, characters: "xy" }));
    expect(charactersIn({ characters: blocks })).toBe("10 in A, B, C, and 2 more blocks.");
    expect(charactersIn({ characters: [] })).toBe("None.");
  });

  it("say whether lines are equally high everywhere, and what the file permits", () => {
    expect(linesIn({ lineHeight: 1220, unitsPerEm: 1000, metricsAgree: true })).toBe(
      "1.22 of the font size, on every system.",
    );
    expect(linesIn({ lineHeight: 1220, unitsPerEm: 1000, metricsAgree: false })).toMatch(/higher or lower/);
    expect(permissionsIn({ openLicense: "OFL-1.1", embedding: "installable" })).toBe(
      "It names the open license OFL-1.1. Embedding: installable.",
    );
  });
});

describe("comparing", () => {
  it("proposes another drawing for the same slot first", () => {
    expect(counterpart(file(), [file(), bold, newer])).toBe(newer);
    expect(counterpart(file(), [file(), bold])).toBe(bold);
    expect(counterpart(file(), [file()])).toBeUndefined();
  });

  it("says which sites a swap concerns", () => {
    const asks = [{ slot: bold.slot, by: ["Fernway", "Tarn"] }];
    expect(whatASwapChanges({ asks }, bold)).toMatch(/changes what Fernway and Tarn serve/);
    expect(whatASwapChanges({ asks }, file())).toMatch(/No site asks for Regular/);
  });

  it("answers first, lays characters over each other, and lists what only one has", async () => {
    recorded(family({ files: [file(), newer] }));
    network.use(
      http.get("*/api/files/:one/compare/:other", ({ params }) =>
        HttpResponse.json({
          likeness: 0.834,
          sameDrawing: false,
          facts: [{ what: "version", one: "1.0", other: "" }],
          lost: "ß",
          lostCount: 1,
          added: params.other === newer.sha256 ? "łŁ" : "",
          addedCount: 2,
          changed: [
            {
              character: "g",
              alike: 0.61,
              one: { path: "M0 0L10 0Z", advance: 500 },
              other: { path: "M0 0L20 0Z", advance: 520 },
            },
          ],
          changedCount: 61,
          kerning: [{ letters: "AV", one: -40, other: -80 }],
          kerningCount: 1,
          featuresLost: [],
          featuresAdded: ["smcp"],
        }),
      ),
    );
    await open("/families/f1/compare?one=file1", "Two files compared");
    expect(
      await screen.findByText(
        "83% similar: 61 characters with different outlines, 1 only in the first, and 2 only in the second.",
      ),
    ).toBeInTheDocument();
    expect(screen.getByRole("img", { name: "g, 61% similar" })).toBeInTheDocument();
    expect(screen.getByText("60 more characters.")).toBeInTheDocument();
    expect(screen.getByText("ł Ł")).toBeInTheDocument();
    const version = screen.getByRole("row", { name: /^version/ });
    expect(version).toHaveTextContent("1.0nothing");
    expect(screen.getByRole("row", { name: /kerning of AV/ })).toHaveTextContent("-40-80");
    expect(screen.getByText("Small capitals")).toBeInTheDocument();
  });

  it("has nothing to compare where there is one file", async () => {
    recorded(family());
    await open("/families/f1/compare", "Two files compared");
    expect(screen.getByText(/only one file/)).toBeInTheDocument();
  });
});

describe("making formats", () => {
  it("is offered for what licenses allow, and apart for what none of them states", () => {
    const offered = offer(
      [face("ALLOWED"), face("NOT_STATED", "no license covers this face"), face("REFUSED")],
      "WOFF2",
    );
    expect(offered).toMatchObject({ allowed: 1, notStated: 1, refused: 1 });
    expect(offered.sentence).toBe(
      "– 3 faces lack WOFF2; for 1 face no license says whether it may be converted (no license covers this face); 1 face may not be converted (Ostrel: converting is refused).",
    );
    expect(offer([], "WOFF").sentence).toBe("– every face holds it.");
  });

  it("shows how far it is, and what failed", async () => {
    recorded(family());
    const plan = {
      faces: [face("ALLOWED"), face("NOT_STATED")],
      making: { running: false, done: 0, total: 0, failures: [] as string[] },
    };
    const asked: string[] = [];
    network.use(
      http.get("*/api/families/f1/formats/:format", () => {
        const now = structuredClone(plan);
        if (plan.making.running) {
          plan.making = {
            ...plan.making,
            running: false,
            done: 2,
            failures: ["Ostrel-Bold.ttf: is damaged"],
          };
          plan.faces = [];
        }
        return HttpResponse.json(now);
      }),
      http.post("*/api/families/f1/formats/:format", ({ request }) => {
        asked.push(new URL(request.url).search);
        plan.making = { running: true, done: 1, total: 2, failures: [] };
        return HttpResponse.json(plan.making, { status: 202 });
      }),
    );
    const { user } = await open("/families/f1/files", "Ostrel");
    expect(await screen.findByRole("button", { name: "Make WOFF2 of 1 face" })).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Convert anyway: 2 faces" }));
    const bar = await screen.findByRole("progressbar", { name: "Making files" });
    expect(bar).toHaveAttribute("aria-valuenow", "50");
    expect(await screen.findByText("Ostrel-Bold.ttf: is damaged", {}, { timeout: 4000 })).toBeInTheDocument();
    expect(asked).toEqual(["?anyway=true"]);
    expect(screen.queryByRole("button", { name: /^Make/ })).toBeNull();
  });
});

describe("moving, splitting and merging", () => {
  function takesMoves(state: ReturnType<typeof recorded>, target = "f1") {
    network.use(
      http.patch("*/api/families/f1/files", async ({ request }) => {
        state.versions.push(request.headers.get("If-Match"));
        state.sent.push(await request.json());
        return HttpResponse.json({ familyId: target, historyId: "h1" });
      }),
    );
  }

  it("moves all files of a face to another slot, based on the version that was read", async () => {
    const state = recorded(family({ files: [file(), file({ id: "file3", format: "woff2" })] }));
    takesMoves(state);
    const { user } = await open("/families/f1/files", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Move Regular" }));
    const dialog = await screen.findByRole("dialog", { name: "Move Ostrel Regular" });
    const weight = within(dialog).getByLabelText("Weight");
    await user.clear(weight);
    await user.type(weight, "500");
    await user.click(within(dialog).getByRole("button", { name: "Italic" }));
    await user.click(within(dialog).getByRole("button", { name: "Move" }));
    expect(await screen.findByText("Moved 2 files.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
    expect(state.versions).toEqual(['"3"']);
    expect(state.sent[0]).toMatchObject({
      files: ["file1", "file3"],
      slot: { weight: 500, weightMax: 500, width: 100, slope: "italic" },
    });
    expect(state.sent[0]).not.toHaveProperty("family");
  });

  it("splits chosen faces off and goes along with them", async () => {
    const state = recorded(family({ files: [file(), bold] }));
    takesMoves(state, "f2");
    network.use(
      http.get("*/api/families/f2", () =>
        HttpResponse.json(family({ id: "f2", name: "Ostrel Display", files: [bold] })),
      ),
    );
    const { user } = await open("/families/f1", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Split" }));
    const dialog = await screen.findByRole("dialog", { name: "Split Ostrel" });
    const now = within(dialog).getByRole("button", { name: "Move faces" });
    expect(now).toBeDisabled();
    await user.click(within(dialog).getByLabelText("Bold"));
    await user.type(within(dialog).getByLabelText("To the family"), "Ostrel Display");
    await user.click(now);
    expect(await screen.findByRole("heading", { level: 1, name: "Ostrel Display" })).toBeInTheDocument();
    expect(state.sent[0]).toEqual({ files: ["file2"], family: "Ostrel Display" });
  });

  it("says what merging takes along, and tells when it cannot be taken back", async () => {
    recorded(family({ sites: [{ id: "s1", name: "Fernway" }] }));
    network.use(
      http.get("*/api/families", () =>
        HttpResponse.json({ items: [family(), family({ id: "f2", name: "Marl" })], next: null }),
      ),
      http.get("*/api/families/f2", () => HttpResponse.json(family({ id: "f2", name: "Marl" }))),
      http.post("*/api/families/f1/merge", () =>
        HttpResponse.json({ familyId: "f2", historyId: "h1", undoable: false }),
      ),
    );
    const { user } = await open("/families/f1", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Merge" }));
    const dialog = await screen.findByRole("dialog", { name: "Merge Ostrel" });
    expect(dialog).toHaveTextContent("1 file and the text roles of Fernway will move to the other family");
    const into = within(dialog).getByRole("combobox", { name: "Into which family" });
    await user.click(into);
    await user.click(await screen.findByRole("option", { name: "Marl" }));
    const now = within(dialog).getByRole("button", { name: "Merge families" });
    await waitFor(() => expect(now).toBeEnabled());
    await user.click(now);
    // The page of the other family opens, and the message stands there.
    await screen.findByText(/^Merged Ostrel into Marl\. This can’t be undone/);
  });

  it("tells why a move is refused and keeps what was typed", async () => {
    recorded(family());
    network.use(
      http.patch("*/api/families/f1/files", () =>
        problem(409, "Ostrel-Regular.ttf is the only file for a face that Fernway asks for."),
      ),
    );
    const { user } = await open("/families/f1/files", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Move Regular" }));
    const dialog = await screen.findByRole("dialog");
    const name = within(dialog).getByLabelText("Family");
    await user.clear(name);
    await user.type(name, "Other");
    await user.click(within(dialog).getByRole("button", { name: "Move" }));
    expect(await screen.findByText(/only file for a face that Fernway asks for/)).toBeInTheDocument();
    expect(within(dialog).getByLabelText("Family")).toHaveValue("Other");
  });
});

describe("features and axes", () => {
  it("are named as OpenType registers them, and set only where they differ from what browsers do", () => {
    expect(["smcp", "ss03", "cv11", "XXXX"].map(featureName)).toEqual([
      "Small capitals",
      "Stylistic set 3",
      "Character variant 11",
      "XXXX",
    ]);
    expect(isNumbered("ss03") && isNumbered("cv11") && !isNumbered("subs")).toBe(true);
    const known = switchable(["ccmp", "kern", "onum"]);
    expect(known.map(({ tag, on }) => [tag, on])).toEqual([
      ["kern", true],
      ["onum", false],
    ]);
    expect(featureSettings(known, { kern: true, onum: false })).toBe("normal");
    expect(featureSettings(known, { kern: false, onum: true })).toBe('"kern" 0, "onum" 1');
    expect(variationSettings({})).toBe("normal");
    expect(variationSettings({ wght: 350.5, opsz: 12 })).toBe('"wght" 350.5, "opsz" 12');
  });
});

describe("the specimen", () => {
  it("switches features, moves along axes, and shows all characters", async () => {
    recorded(family({ files: [file(), bold] }));
    network.use(
      http.get("*/api/files/:digest/details", () =>
        HttpResponse.json(
          details({
            features: ["kern", "smcp", "ss01", "ccmp"],
            axes: [{ tag: "wght", min: 200, initial: 400, max: 900 }],
            instances: [{ name: "Black", at: { wght: 900 } }],
            characters: [{ name: "Basic Latin", characters: "AB" }],
          }),
        ),
      ),
    );
    const { user } = await open("/families/f1", "Ostrel");
    const features = await screen.findByRole("group", { name: "Features" });
    expect(within(features).getAllByRole("button")).toHaveLength(2);
    expect(screen.getByText("Stylistic sets and character variants")).toBeInTheDocument();
    expect(within(features).getByRole("button", { name: "Kerning" })).toHaveAttribute("aria-pressed", "true");
    const set = screen.getByText("The morning ferry leaves at seven").parentElement as HTMLElement;
    await user.click(within(features).getByRole("button", { name: "Small capitals" }));
    await user.click(within(features).getByRole("button", { name: "Kerning" }));
    expect(set.style.fontFeatureSettings).toBe('"kern" 0, "smcp" 1');
    await user.click(screen.getByLabelText("Named instance"));
    await user.click(await screen.findByRole("option", { name: "Black" }));
    expect(set.style.fontVariationSettings).toBe('"wght" 900');
    await user.click(screen.getByRole("button", { name: "Characters" }));
    await waitFor(() => expect(screen.getByTitle("U+0041")).toHaveTextContent("A"));
  });
});
