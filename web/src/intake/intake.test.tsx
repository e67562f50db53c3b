import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it, vi } from "vitest";
import type { Correction, FileRow } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, intake, row } from "../testing/samples";
import { byFamily, notesOf } from "./families";
import { FontRows } from "./FontRows";
import { pathOf } from "./send";
import { sent, standing, wanted } from "./words";
import { render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";

describe("an intake's words", () => {
  it("groups fonts by family in the order of names", () => {
    const groups = byFamily([
      row({ id: "1", family: "Ostrel" }),
      row({ id: "2", family: "Brantle" }),
      row({ id: "3", family: "Ostrel" }),
    ]);
    expect(groups.map(({ family: name, rows }) => [name, rows.map((one) => one.id)])).toEqual([
      ["Brantle", ["2"]],
      ["Ostrel", ["1", "3"]],
    ]);
  });

  it("notes what clashes before what is held already, and nothing else", () => {
    const rows = [
      row({ verdict: "SAME_BYTES", because: "the same bytes as a.ttf" }),
      row({ verdict: "CLASH", because: "another drawing of Bold" }),
      row({ verdict: "SAME_DRAWING", because: "the same drawing" }),
      row({ verdict: "NEW_FACE" }),
    ];
    expect(notesOf(rows)).toEqual([
      { what: "clashes", files: 1, because: "another drawing of Bold" },
      { what: "repeats", files: 2, because: "the same bytes as a.ttf" },
    ]);
    expect(notesOf([row()])).toEqual([]);
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
    expect(sent(0.429)).toBe("42 % sent");
    expect(sent(1)).toMatch(/^All sent/);
    expect(wanted("Hollin", ["Italic"])).toBe("Hollin lacks Italic: drop a file of it here.");
    expect(wanted("Hollin", ["Italic", "Bold"])).toMatch(/a file of each here/);
    expect(wanted("Hollin", [])).toBe("Drop files of Hollin here.");
  });
});

describe("the fonts of a family under review", () => {
  const corrected = vi.fn((_row: FileRow, _change: Correction) => Promise.resolve());
  const shown = (rows: FileRow[], busy = false) =>
    render(<FontRows intakeId="i1" rows={rows} editable busy={busy} onCorrect={corrected} />);

  it("are marked and left out, each button by the name of its file", async () => {
    network.use(http.get("*/bytes", () => HttpResponse.arrayBuffer(new ArrayBuffer(4))));
    const user = userEvent.setup();
    shown([row(), row({ id: "r2", path: "x/Brantle-Bold.ttf" })]);
    await user.click(screen.getByRole("checkbox", { name: "Take in Brantle-Medium.ttf" }));
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

describe("an intake", () => {
  it("is accepted once, says what went in, and leads to the family", async () => {
    let accepted = 0;
    network.use(
      http.get("*/api/intakes/i1", () => HttpResponse.json(intake([row()]))),
      http.post("*/api/intakes/i1/accept", () => {
        accepted++;
        return HttpResponse.json({ files: 1, familyIds: ["f1"], historyId: "h1" });
      }),
      http.get("*/api/families/f1", () => HttpResponse.json(family({ name: "Brantle" }))),
    );
    const { user } = await open("/intake/i1", "Brantle 3.zip");
    await user.dblClick(await screen.findByRole("button", { name: "Accept 1 file" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Brantle" })).toBeInTheDocument();
    expect(await screen.findByText("1 file went in.")).toBeInTheDocument();
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
    network.use(
      http.get("*/api/intakes/i1", () => HttpResponse.json(intake([row({ included: false }), damaged]))),
    );
    await open("/intake/i1", "Brantle 3.zip");
    expect(screen.getByRole("button", { name: "Accept 0 files" })).toBeDisabled();
    expect(screen.getByText("Mark at least one file to go in.")).toBeInTheDocument();
    expect(screen.getByText("cut at byte 40")).toBeInTheDocument();
  });

  it("shows how far it is read, and why it failed", async () => {
    network.use(
      http.get("*/api/intakes/i1", () =>
        HttpResponse.json(intake([], { state: "READING", doneBytes: 15_000, totalBytes: 60_000 })),
      ),
    );
    await open("/intake/i1", "Brantle 3.zip");
    expect(screen.getByRole("progressbar", { name: "Reading" })).toHaveAttribute("aria-valuenow", "25");
    network.use(
      http.get("*/api/intakes/i1", () =>
        HttpResponse.json(intake([], { state: "FAILED", failure: "The disk is full." })),
      ),
    );
    expect(await screen.findByRole("alert")).toHaveTextContent("The disk is full.");
    expect(screen.getByRole("button", { name: "Throw away" })).toBeEnabled();
  });

  it("says which faces a family lacks when a flag led here", async () => {
    const italic = { ...staticSlot(400, "italic"), label: "Italic" };
    network.use(
      http.get("*/api/families/f1", () =>
        HttpResponse.json(family({ name: "Hollin", asks: [{ slot: italic, by: ["Lantern Row"] }] })),
      ),
    );
    await open("/intake?for=f1", "Intake");
    expect(await screen.findByText("Hollin lacks Italic: drop a file of it here.")).toBeInTheDocument();
  });

  it("says why a list cannot be read instead of that nothing was dropped", async () => {
    network.use(http.get("*/api/intakes", () => problem(500, "It broke.")));
    await open("/intake", "Intake");
    expect(await screen.findByText("It broke.")).toBeInTheDocument();
    expect(screen.queryByText("Nothing was dropped yet.")).toBeNull();
  });
});
