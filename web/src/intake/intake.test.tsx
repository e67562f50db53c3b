import { act, screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it, vi } from "vitest";
import type { Correction, FileRow, IntakeFamily, IntakeOverview } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { Events } from "../testing/events";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, file, flag, intake, intakeFamily, license, overview, row } from "../testing/samples";
import { arrivalGrid, choicesOf, chosenOf, correctionFor, inkOf } from "./arrivals";
import { FontRows } from "./FontRows";
import { pathOf } from "./send";
import { progressIn } from "./useProgress";
import {
  answerOf,
  brought,
  cellInWords,
  notesOf,
  offer,
  sent,
  standing,
  summaryOf,
  verdictsInWords,
  wanted,
  wayBack,
  willTakeIn,
} from "./words";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";

describe("an intake's words", () => {
  it("says how many files have which verdict, and what accepting does", () => {
    expect(
      verdictsInWords([
        { verdict: "SAME_BYTES", files: 3 },
        { verdict: "NEW_FACE", files: 1 },
        { verdict: "CLASH", files: 2 },
      ]),
    ).toBe("1 new face, 2 conflicts, and 3 files already held");
    expect(
      willTakeIn([
        { verdict: "NEW_FACE", files: 3, included: 2 },
        { verdict: "CLASH", files: 1, included: 0 },
      ]),
    ).toBe("Adds 2 new faces.");
    expect(willTakeIn([{ verdict: "CLASH", files: 1, included: 0 }])).toBe("");
  });

  it("answers first, and says once that nothing is new", () => {
    expect(answerOf(overview({ decide: 2, plain: 209, nothingNew: 1 }))).toBe(
      "2 families need a decision; 209 families ready to accept; 1 family with nothing new.",
    );
    const held = { verdict: "SAME_BYTES" as const, files: 12, included: 0 };
    expect(answerOf(overview({ plain: 0, nothingNew: 3, verdicts: [held] }))).toBe(
      "Nothing new in this drop: all 12 fonts are already held or left out.",
    );
    expect(answerOf(overview({ plain: 0, verdicts: [] }))).toBe("There are no fonts in this drop.");
  });

  it("offers an open license with the text that came along", () => {
    const open = { spdx: "OFL-1.1", title: "SIL Open Font License 1.1", families: 212, text: "OFL.txt" };
    expect(offer(open)).toBe(
      "One license, SIL Open Font License 1.1, for 212 families, with OFL.txt as its agreement",
    );
    expect(offer({ ...open, families: 1, text: "" })).toBe(
      "One license, SIL Open Font License 1.1, for 1 family",
    );
  });

  it("notes what needs a decision, most files first, and nothing once it is", () => {
    const verdicts = [
      { verdict: "CLASH" as const, files: 1, included: 0 },
      { verdict: "NEWER_VERSION" as const, files: 3, included: 0 },
      { verdict: "NEW_FACE" as const, files: 9, included: 9 },
    ];
    expect(notesOf({ verdicts, undecided: 4 }).map(({ what }) => what)).toEqual([
      "3 newer versions",
      "1 conflict",
    ]);
    expect(notesOf({ verdicts, undecided: 0 })).toEqual([]);
  });

  it("says in a line whether a family is new, and what it brings", () => {
    expect(summaryOf({ verdicts: [{ verdict: "NEW_FAMILY", files: 3, included: 3 }], files: 3 })).toBe(
      "New family: 3 files",
    );
    const clash = { verdict: "CLASH" as const, files: 1, included: 0 };
    expect(summaryOf({ verdicts: [{ verdict: "NEW_FAMILY", files: 1, included: 1 }, clash], files: 2 })).toBe(
      "New family: 1 file, 1 conflict",
    );
    expect(summaryOf({ verdicts: [clash], files: 1 })).toBe("1 conflict");
    expect(summaryOf({ verdicts: [], files: 2 })).toBe("2 files");
  });

  it("understands what the server tells of its reading, and passes over what is none", () => {
    expect(progressIn('{"state":"READING","doneBytes":1,"totalBytes":2}')).toEqual({
      state: "READING",
      doneBytes: 1,
      totalBytes: 2,
      files: 0,
      path: "",
    });
    expect(progressIn("{}")).toBeNull();
    expect(progressIn("not JSON")).toBeNull();
  });

  it("keeps the path of a file in its folder", () => {
    const inFolder = Object.assign(new File([""], "a.ttf"), { path: "/Fonts/Desktop/a.ttf" });
    expect(pathOf(inFolder)).toBe("Fonts/Desktop/a.ttf");
    expect(pathOf(Object.assign(new File([""], "a.ttf"), { path: "./a.ttf" }))).toBe("a.ttf");
    expect(pathOf(new File([""], "b.otf"))).toBe("b.otf");
  });

  it("says how it stands, how much is sent, and what to drop", () => {
    expect(standing(intake([row()]).summary, "Priya Nair")).toMatch(
      /^Under review\. Dropped .* by Priya Nair; 1 file\.$/,
    );
    expect(standing(intake([row()], { state: "READING" }).summary, "Wen")).toMatch(/1 file read so far\.$/);
    expect(sent(0.429)).toBe("42% sent");
    expect(sent(1)).toMatch(/^All sent/);
    expect(wanted(flag({ kind: "FACE_NOT_HELD", title: "Hollin Italic is not held" }))).toBe(
      "Hollin Italic is not held: drop a file of it here.",
    );
    expect(wanted(flag({ kind: "NOT_COLLECTED", title: "Hollin was paid for", familyName: "Hollin" }))).toBe(
      "Hollin was paid for. Drop files of Hollin here.",
    );
  });
});

describe("the fonts of a family under review", () => {
  const corrected = vi.fn((_row: FileRow, _change: Correction) => Promise.resolve());
  const shown = (rows: FileRow[], busy = false) =>
    render(
      <FontRows intakeId="i1" rows={rows} usedBy={["Fernway"]} editable busy={busy} onCorrect={corrected} />,
    );

  it("are marked and left out, each button by the name of its file", async () => {
    network.use(http.get("*/bytes", () => HttpResponse.arrayBuffer(new ArrayBuffer(4))));
    const user = userEvent.setup();
    shown([row(), row({ id: "r2", path: "x/Brantle-Bold.ttf" })]);
    await user.click(screen.getByRole("checkbox", { name: "Add Brantle-Medium.ttf" }));
    expect(corrected).toHaveBeenLastCalledWith(expect.objectContaining({ id: "r1" }), { included: false });
    await user.click(screen.getByRole("button", { name: "Evidence of Brantle-Bold.ttf" }));
    expect(screen.getByText("name 17")).toBeInTheDocument();
    expect(screen.getByText("agrees")).toBeInTheDocument();
  });

  it("wait while a correction is on its way", () => {
    network.use(http.get("*/bytes", () => HttpResponse.arrayBuffer(new ArrayBuffer(4))));
    shown([row()], true);
    expect(screen.getByRole("checkbox")).toBeDisabled();
  });

  it("are corrected in a dialog that stays until the server agreed", async () => {
    network.use(http.get("*/bytes", () => HttpResponse.arrayBuffer(new ArrayBuffer(4))));
    const user = userEvent.setup();
    corrected.mockRejectedValueOnce(new Error("A weight is between 1 and 1000."));
    shown([row()]);
    await user.click(screen.getByRole("button", { name: "Correct Brantle-Medium.ttf" }));
    const dialog = await screen.findByRole("dialog", { name: "Brantle-Medium.ttf" });
    const weight = within(dialog).getByLabelText("Weight");
    await user.clear(weight);
    await user.type(weight, "600");
    await user.click(within(dialog).getByRole("button", { name: "Correct" }));
    expect(screen.getByRole("dialog")).toBeInTheDocument();
    await user.click(within(dialog).getByRole("button", { name: "Correct" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    const [, change] = corrected.mock.lastCall!;
    expect(change).toEqual({
      family: "Brantle",
      slot: { ...row().slot, weight: 600, weightMax: 600, slope: "upright" },
    });
  });
});

describe("the grid of what arrives", () => {
  const slot = staticSlot(400, "upright");
  const arrival = {
    slot,
    itemId: "r1",
    sample: "Ag",
    formats: ["ttf"],
    verdict: "NEW_FACE" as const,
    goesIn: true,
    asks: false,
  };

  it("has a cell for every slot that is held or arrives", () => {
    const bold = { ...arrival, slot: staticSlot(700, "upright") };
    const grid = arrivalGrid({ held: [file({ slot })], arrivals: [arrival, bold] });
    expect(grid.weights.map((weight) => weight.weight)).toEqual([400, 700]);
    expect(grid.rows[0]?.cells.map((cell) => cell && inkOf(cell))).toEqual(["joins", "arrives"]);
  });

  it("tells what is held, arrives, needs a decision, or stays out", () => {
    expect(inkOf({ slot, held: [file()], arrival: null })).toBe("held");
    expect(inkOf({ slot, held: [], arrival: { ...arrival, goesIn: false, asks: true } })).toBe("asks");
    const repeat = {
      slot,
      held: [file()],
      arrival: { ...arrival, verdict: "SAME_BYTES" as const, goesIn: false },
    };
    expect(inkOf(repeat)).toBe("stays");
    expect(cellInWords(repeat, "stays")).toBe("400 upright: left out, same bytes as TTF, held as TTF");
  });

  it("leaves the choices that a verdict allows", () => {
    expect(choicesOf("NEWER_VERSION")).toEqual(["out", "in", "replace"]);
    expect(choicesOf("RENAMED_COPY")).toEqual(["out", "in"]);
    expect(chosenOf(row({ asks: true, included: false }))).toBeNull();
    expect(chosenOf(row({ asks: false, included: true, replaces: true }))).toBe("replace");
    expect(chosenOf(row({ asks: false, included: false }))).toBe("out");
    expect(correctionFor("replace")).toEqual({ included: true, replaces: true });
    expect(correctionFor("out")).toEqual({ included: false, replaces: false });
  });
});

/** The answers for one intake under review. */
function review(families: IntakeFamily[], of: IntakeOverview, others: FileRow[] = []) {
  network.use(
    http.get("*/api/intakes/i1", () => HttpResponse.json(intake([row()]))),
    http.get("*/api/intakes/i1/overview", () => HttpResponse.json(of)),
    http.get("*/api/intakes/i1/families", () => HttpResponse.json({ items: families, next: null })),
    http.get("*/api/intakes/i1/others", () => HttpResponse.json(others)),
    http.get("*/letters", () => HttpResponse.arrayBuffer(new ArrayBuffer(4))),
  );
}

describe("an intake", () => {
  it("shows families, those to decide on first, and opens one to its files and choices", async () => {
    const clash = intakeFamily({
      key: "ostrel",
      name: "Ostrel",
      standing: "DECIDE",
      goingIn: 0,
      undecided: 1,
      heldId: "f1",
      sites: [{ id: "s1", name: "Fernway" }],
      verdicts: [{ verdict: "NEWER_VERSION", files: 1, included: 0 }],
      warnings: ["name 1 says it is a trial: “Ostrel Trial”"],
    });
    review([clash, intakeFamily()], overview({ decide: 1 }));
    const decided: Correction[] = [];
    network.use(
      http.get("*/api/intakes/i1/files", () =>
        HttpResponse.json([
          row({ verdict: "NEWER_VERSION", included: false, asks: true, path: "Ostrel.ttf" }),
        ]),
      ),
      http.patch("*/api/intakes/i1/items/r1", async ({ request }) => {
        decided.push((await request.json()) as Correction);
        return HttpResponse.json(row());
      }),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    expect(
      await screen.findByText(/^1 family needs a decision; 1 family ready to accept/),
    ).toBeInTheDocument();
    expect(
      (await screen.findAllByRole("heading", { level: 2 })).map((heading) => heading.textContent),
    ).toEqual(["Needs a decision", "Ready to accept"]);
    expect(screen.getByText(/says it is a trial/)).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "see what is held" })).toHaveAttribute("href", "/families/f1");
    await user.click(screen.getByRole("button", { name: "Files of Ostrel" }));
    expect(await screen.findByText(/Fernway uses this family/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Replace" }));
    await waitFor(() => expect(decided).toEqual([{ included: true, replaces: true }]));
  });

  it("is left out or taken in a whole family at a time, and corrected as one", async () => {
    review(
      [intakeFamily({ foundry: "Marl", classificationBecause: "the capital I stands on serifs" })],
      overview(),
    );
    const corrections: Correction[] = [];
    network.use(
      http.patch("*/api/intakes/i1/files", async ({ request }) => {
        expect(new URL(request.url).searchParams.get("family")).toBe("brantle");
        corrections.push((await request.json()) as Correction);
        return HttpResponse.json({ files: 1 });
      }),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    await user.click(await screen.findByRole("checkbox", { name: "Add Brantle" }));
    await waitFor(() => expect(corrections).toEqual([{ included: false }]));
    await user.click(screen.getByRole("button", { name: "Correct Brantle" }));
    const dialog = await screen.findByRole("dialog", { name: "Brantle" });
    expect(within(dialog).getByText(/Proposed because the capital I stands on serifs/)).toBeInTheDocument();
    await user.clear(within(dialog).getByLabelText("Name of the family"));
    await user.type(within(dialog).getByLabelText("Name of the family"), "Brantle Text");
    await user.click(within(dialog).getByRole("combobox", { name: /Kind of type/ }));
    await user.click(await screen.findByRole("option", { name: "serif" }));
    await user.click(within(dialog).getByRole("button", { name: "Correct" }));
    await waitFor(() =>
      expect(corrections[1]).toEqual({ family: "Brantle Text", foundry: "Marl", classification: "SERIF" }),
    );
  });

  it("is accepted with the open license that it came under, unless that is unticked", async () => {
    const spdx = "OFL-1.1";
    review(
      [intakeFamily()],
      overview({
        openLicenses: [{ spdx, title: "SIL Open Font License 1.1", families: 1, text: "OFL.txt" }],
      }),
    );
    const asked: unknown[] = [];
    network.use(
      http.post("*/api/intakes/i1/accept", async ({ request }) => {
        asked.push(await request.json());
        return asked.length === 1
          ? problem(409, "Somebody accepted it.")
          : HttpResponse.json({ files: 1, familyIds: ["f1"], licenseIds: ["l1"], historyId: "h1" });
      }),
      http.get("*/api/families/f1", () => HttpResponse.json(family({ name: "Brantle" }))),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    const tick = await screen.findByRole("checkbox", { name: /One license, SIL Open Font License/ });
    await user.click(tick);
    await user.click(screen.getByRole("button", { name: "Accept 1 file" }));
    expect(await screen.findByText("Somebody accepted it.")).toBeInTheDocument();
    await user.click(tick);
    await user.click(screen.getByRole("button", { name: "Accept 1 file" }));
    expect(await screen.findByText("1 file added, 1 license recorded.")).toBeInTheDocument();
    expect(asked).toEqual([
      { openLicenses: [], license: null },
      { openLicenses: [spdx], license: null },
    ]);
  });

  it("shows the texts that came along, and what they warn of", async () => {
    const readme = row({
      id: "r3",
      isFont: false,
      included: false,
      verdict: "README",
      path: "Read me.txt",
      because: "text in the archive",
      warnings: ["Read me.txt says it is for personal use: “for personal use only”"],
    });
    review([intakeFamily()], overview(), [readme]);
    network.use(
      http.get("*/api/intakes/i1/items/r3/text", () =>
        HttpResponse.json({ path: "Read me.txt", text: "Free for personal use only." }),
      ),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    expect(await screen.findByText(/says it is for personal use/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Read Read me.txt" }));
    const dialog = await screen.findByRole("dialog", { name: "Read me.txt" });
    expect(await within(dialog).findByText("Free for personal use only.")).toBeInTheDocument();
    expect(within(dialog).getByRole("link", { name: "Download" })).toHaveAttribute(
      "href",
      "/api/intakes/i1/items/r3/bytes",
    );
  });

  it("is accepted once, says what went in, and leads to the family", async () => {
    let accepted = 0;
    review([intakeFamily()], overview());
    network.use(
      http.post("*/api/intakes/i1/accept", () => {
        accepted++;
        return HttpResponse.json({ files: 1, familyIds: ["f1"], licenseIds: [], historyId: "h1" });
      }),
      http.get("*/api/families/f1", () => HttpResponse.json(family({ name: "Brantle" }))),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    await user.dblClick(await screen.findByRole("button", { name: "Accept 1 file" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Brantle" })).toBeInTheDocument();
    expect(await screen.findByText("1 file added.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
    expect(accepted).toBe(1);
  });

  it("cannot be accepted while nothing is marked, and names what is kept out", async () => {
    const damaged = row({
      id: "r2",
      isFont: false,
      included: false,
      verdict: "DAMAGED",
      because: "cut at byte 40",
    });
    const left = { verdict: "NEW_FAMILY" as const, files: 1, included: 0 };
    review(
      [intakeFamily({ goingIn: 0, standing: "NOTHING_NEW" })],
      overview({ plain: 0, nothingNew: 1, verdicts: [left] }),
      [damaged],
    );
    await open("/intake/i1", "Brantle 3.zip");
    expect(await screen.findByRole("button", { name: "Accept 0 files" })).toBeDisabled();
    expect(screen.getByText("Mark at least one file to add.")).toBeInTheDocument();
    expect(await screen.findByText("cut at byte 40")).toBeInTheDocument();
  });

  it("shows how far it is read, and why it failed", async () => {
    network.use(
      http.get("*/api/intakes/i1", () =>
        HttpResponse.json(intake([], { state: "READING", doneBytes: 15_000, totalBytes: 60_000 })),
      ),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    const bar = screen.getByRole("progressbar", { name: "Reading" });
    expect(bar).toHaveAttribute("aria-valuenow", "25");
    act(() =>
      Events.send({ state: "READING", doneBytes: 30_000, totalBytes: 60_000, files: 4, path: "a/B.ttf" }),
    );
    expect(bar).toHaveAttribute("aria-valuenow", "50");
    expect(screen.getByText("Last read: a/B.ttf")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Discard intake" }));
    expect(
      screen.getByText(/^Its files won’t be added\. To add them, drop them again\./),
    ).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    review([], overview());
    network.use(
      http.get("*/api/intakes/i1", () =>
        HttpResponse.json(intake([], { state: "FAILED", failure: "The disk is full." })),
      ),
    );
    act(() => Events.send({ state: "FAILED", doneBytes: 0, totalBytes: 0, files: 0, path: "" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("The disk is full.");
    expect(screen.getByRole("button", { name: "Discard intake" })).toBeEnabled();
  });

  it("says what a flag that led here lacks, and sends the drop as its answer", async () => {
    const asked: string[] = [];
    network.use(
      http.get("*/api/flags/fl1", () =>
        HttpResponse.json(flag({ id: "fl1", kind: "FACE_NOT_HELD", title: "Hollin Italic is not held" })),
      ),
      http.post("*/api/intakes", ({ request }) => {
        asked.push(new URL(request.url).search);
        return HttpResponse.json({ id: "i1" }, { status: 202 });
      }),
    );
    const { user } = await open("/intake?flag=fl1", "Intake");
    expect(await screen.findByText("Hollin Italic is not held: drop a file of it here.")).toBeInTheDocument();
    await user.upload(screen.getByLabelText("Choose files"), new File(["x"], "Hollin-Italic.ttf"));
    await waitFor(() => expect(asked).toEqual(["?flag=fl1"]));
  });

  it("says whether a drop brings what was asked for, and goes back once it went in", async () => {
    const answered = { flagId: "fl1", title: "Hollin Italic is not held", siteId: "s1", familyId: "f1" };
    expect(brought({ ...answered, arrives: false, goesIn: false })).toMatch(/^It doesn’t contain/);
    expect(brought({ ...answered, arrives: true, goesIn: false })).toMatch(/won’t be added as marked/);
    expect(wayBack({ ...answered, siteId: "", arrives: true, goesIn: true })).toBe("/families/f1");
    network.use(
      http.get("*/api/intakes/i1", () => HttpResponse.json(intake([row()]))),
      http.get("*/api/intakes/i1/overview", () =>
        HttpResponse.json(overview({ wanted: [{ ...answered, arrives: true, goesIn: true }] })),
      ),
      http.get("*/api/licenses", () =>
        HttpResponse.json({ items: [license({}, { name: "Hollin web license" })], next: null }),
      ),
      http.post("*/api/intakes/i1/accept", async ({ request }) => {
        accepted.push(await request.json());
        return HttpResponse.json({ files: 1, familyIds: ["f1"], licenseIds: [], historyId: "h" });
      }),
    );
    const accepted: unknown[] = [];
    const { user, router } = await open("/intake/i1", /./);
    expect(
      await screen.findByText("It contains what was asked for: Hollin Italic is not held."),
    ).toBeInTheDocument();
    expect(screen.getByText(/will be flagged as unlicensed/)).toBeInTheDocument();
    await user.click(screen.getByRole("combobox", { name: "License" }));
    await user.click(await screen.findByRole("option", { name: "Hollin web license" }));
    expect(screen.queryByText(/will be flagged as unlicensed/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "Accept 1 file" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/sites/s1"));
    expect(accepted).toEqual([{ openLicenses: [], license: "l1" }]);
  });

  it("says why a list cannot be read instead of that nothing was dropped", async () => {
    network.use(http.get("*/api/intakes", () => problem(500, "It broke.")));
    await open("/intake", "Intake");
    expect(await screen.findByText("It broke.")).toBeInTheDocument();
    expect(screen.queryByText("No intakes yet.")).toBeNull();
  });
});
