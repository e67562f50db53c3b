import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { FaceWeight, Role } from "../../shared/api/types";
import { network } from "../../testing/network";
import { bold, headings, recorded, regular } from "../../testing/recordedSite";
import { open } from "../../testing/render";
import { family, file, role, site } from "../../testing/samples";

describe("the type of a site", () => {
  it("picks faces on the grid with bytes adding up, and takes them off again", async () => {
    const state = recorded(headings);
    const { user } = await open("/sites/s1/type", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Change Headings" }));
    expect(await screen.findByText(/^1 font to send, 11 kB; 0\.1 s/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: /^Bold: held as WOFF2/ }));
    expect(await screen.findByText(/^2 fonts to send, 23 kB; 0\.1 s/)).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: /^Regular: held as WOFF2/ }));
    expect(await screen.findByText(/^1 font to send, 12 kB/)).toBeInTheDocument();
    await user.dblClick(screen.getByRole("button", { name: "Save the type" }));
    await waitFor(() => expect(state.site.roles[0]!.faces.map((face) => face.weight)).toEqual([700]));
    expect(state.saved).toBe(1);
  });

  it("says in the grid what each face would weigh as delivered, before it is chosen", async () => {
    recorded(headings);
    network.use(weighing([face(regular.slot, 6_000), face(bold.slot, 7_000)]));
    const { user } = await open("/sites/s1/type", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Change Headings" }));
    expect(
      await screen.findByRole("button", { name: "Bold: held as WOFF2; 7.0 kB as delivered" }),
    ).toBeInTheDocument();
    expect(within(screen.getByRole("button", { name: /^Bold: held/ })).getByText("7.0 kB")).toBeVisible();
  });

  it("walks its grid by arrow keys, with one Tab stop", async () => {
    recorded(headings);
    const { user } = await open("/sites/s1/type", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Change Headings" }));
    const first = await screen.findByRole("button", { name: /^Regular: held/ });
    const second = screen.getByRole("button", { name: /^Bold: held/ });
    await waitFor(() => expect([first.tabIndex, second.tabIndex].sort()).toEqual([-1, 0]));
    first.focus();
    await user.keyboard("{ArrowRight}");
    expect(second).toHaveFocus();
    expect(first.tabIndex).toBe(-1);
    await user.keyboard("{ArrowRight}");
    expect(second).toHaveFocus();
    await user.keyboard("{Home}");
    expect(first).toHaveFocus();
  });

  it("adds roles of the site’s own, refusing names that are taken", async () => {
    const state = recorded(headings);
    const { user } = await open("/sites/s1/type", "Fernway");
    const add = async (name: string) => {
      await user.click(await screen.findByRole("button", { name: "Add a text role" }));
      await user.click(screen.getByRole("menuitem", { name: "Custom role …" }));
      const dialog = await screen.findByRole("dialog", { name: "Add a text role" });
      await user.type(within(dialog).getByLabelText("Name of the text role"), name);
      await user.click(within(dialog).getByRole("button", { name: "Add it" }));
      return dialog;
    };
    const dialog = await add("headings!");
    expect(await within(dialog).findByText("The site already has this text role.")).toBeInTheDocument();
    await user.clear(within(dialog).getByLabelText("Name of the text role"));
    await user.type(within(dialog).getByLabelText("Name of the text role"), "—");
    await user.click(within(dialog).getByRole("button", { name: "Add it" }));
    expect(
      await within(dialog).findByText("A text role needs a name with a letter or a digit."),
    ).toBeInTheDocument();
    await user.clear(within(dialog).getByLabelText("Name of the text role"));
    await user.type(within(dialog).getByLabelText("Name of the text role"), " v1.2  quote ");
    await user.click(within(dialog).getByRole("button", { name: "Add it" }));
    // It opens to be set.
    await user.click(await screen.findByRole("button", { name: /^Bold: held as WOFF2/ }));
    await user.click(screen.getByText("Usual elements, size and spacing"));
    await user.type(screen.getByLabelText("v1.2 quote: selector"), ".quote");
    await user.type(screen.getByLabelText("v1.2 quote: word spacing"), "0.1em");
    await user.click(screen.getByRole("button", { name: "Save the type" }));
    await waitFor(() => expect(state.site.roles).toHaveLength(2));
    expect(state.site.roles[1]).toMatchObject({
      role: "v1.2 quote",
      familyId: "f1",
      selector: ".quote",
      wordSpacing: "0.1em",
      faces: [{ weight: 700 }],
    });
  });

  it("forgets a role that was added and removed before it was saved", async () => {
    recorded(headings);
    const { user } = await open("/sites/s1/type", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Add a text role" }));
    await user.click(screen.getByRole("menuitem", { name: "Captions" }));
    expect(await screen.findByRole("button", { name: "Save the type" })).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Remove the role Captions" }));
    expect(screen.queryByText("Captions")).toBeNull();
    expect(screen.queryByRole("button", { name: "Save the type" })).toBeNull();
  });

  it("shows what packs deliver, what is seen before it arrives, and what the pages show now", async () => {
    recorded(headings);
    const done = { id: "c1", siteId: "s1", state: "DONE", pagesRead: 1 };
    network.use(
      weighing([
        {
          ...face(regular.slot, 19_000),
          standIn: '@font-face { font-family: "stand-in"; src: local("Arial"); }',
        },
      ]),
      http.get("*/api/sites/s1/checks", () => HttpResponse.json({ items: [done], next: null })),
      http.get("*/api/checks/c1", () =>
        HttpResponse.json({
          line: done,
          pages: [],
          fonts: [],
          thirdParties: [],
          used: [
            {
              role: "HEADINGS_2",
              label: "Headings 2",
              faces: ["Saltern"],
              fonts: ["f".repeat(64)],
              texts: 3,
              proposed: null,
            },
          ],
          pack: null,
          before: null,
          changed: { appeared: [], gone: [], worse: [], better: [] },
        }),
      ),
    );
    const { user } = await open("/sites/s1/type", "Fernway");
    const text = await screen.findByRole("textbox", { name: "Headings: words" });
    expect(await screen.findByText(/^1 font to send, 19 kB/)).toBeInTheDocument();
    expect(text.style.fontFamily).toBe('"site-f1", "stand-in-f1", Georgia, serif');
    await user.click(screen.getByRole("button", { name: "what’s shown until fonts load" }));
    expect(text.style.fontFamily).toBe('"stand-in-f1", Georgia, serif');
    await user.click(screen.getByRole("button", { name: "what the pages show now" }));
    expect(text.style.fontFamily).toBe(`"live-${"f".repeat(64)}", Georgia, serif`);
    expect(document.querySelector("main style")).toHaveTextContent('src: url("/api/files/made")');
    expect(document.querySelector("main style")).toHaveTextContent('font-family: "stand-in-f1"');
  });

  it("says that what pages have is known once they are checked", async () => {
    recorded(headings);
    await open("/sites/s1/type", "Fernway");
    expect(await screen.findByRole("button", { name: "what the pages show now" })).toBeDisabled();
    expect(screen.getByText(/to see what they show now/)).toBeInTheDocument();
  });

  it("begins with a pairing, seen before it is taken", async () => {
    const state = recorded(site());
    const held = family({ files: [regular, bold], classification: "SERIF" });
    network.use(
      http.get("*/api/families", () => HttpResponse.json({ items: [held], next: null })),
      http.get("*/api/families/f1", () => HttpResponse.json(held)),
    );
    const { user } = await open("/sites/s1/type", "Fernway");
    const take = await screen.findByRole("button", { name: "Use these families" });
    expect(take).toBeDisabled();
    for (const label of ["Headings", "Running text"]) {
      await user.click(screen.getByRole("combobox", { name: label }));
      await user.click(await screen.findByRole("option", { name: held.name }));
    }
    await waitFor(() => expect(take).toBeEnabled());
    await user.click(take);
    await user.click(await screen.findByRole("button", { name: "Save the type" }));
    await waitFor(() => expect(state.site.roles).toHaveLength(2));
    const faces = Object.fromEntries(
      state.site.roles.map((one) => [one.role, one.faces.map((slot) => slot.weight)]),
    );
    expect(faces).toEqual({ HEADINGS: [700], RUNNING_TEXT: [400, 700] });
    expect(state.site.roles.map((one) => one.generic)).toEqual(["SERIF", "SERIF"]);
  });

  it("offers a variable file where it weighs less than the faces it can stand for", async () => {
    const variable = file({
      id: "file3",
      format: "woff2",
      slot: { ...regular.slot, weight: 100, weightMax: 900, key: "100..900", label: "Variable" },
    });
    const both = site({
      roles: [role("HEADINGS", "f1", [regular.slot, bold.slot])],
      familyNames: { f1: "Ostrel" },
      families: { f1: "Ostrel" },
    });
    const state = recorded(both);
    network.use(
      http.get("*/api/families/f1", () => HttpResponse.json(family({ files: [regular, bold, variable] }))),
      weighing([face(regular.slot, 20_000), face(bold.slot, 21_000), face(variable.slot, 30_000)]),
    );
    const { user } = await open("/sites/s1/type", "Fernway");
    expect(
      await screen.findByText(/would weigh 30 kB, the 2 faces that it can stand for 41 kB/),
    ).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Use it" }));
    await user.click(screen.getByRole("button", { name: "Save the type" }));
    await waitFor(() => expect(state.site.roles[0]!.faces.map((slot) => slot.key)).toEqual(["100..900"]));
  });
});

function face(slot: Role["faces"][number], bytes: number): FaceWeight {
  return {
    familyId: "f1",
    slot,
    fileSlot: slot,
    bytes,
    held: bytes,
    kept: null,
    of: null,
    files: [{ address: "/api/files/made", characters: "" }],
    standIn: "",
    undone: [],
  };
}

/** A server that knows what these faces weigh. */
function weighing(known: FaceWeight[]) {
  return http.post("*/api/sites/s1/weight", async ({ request }) => {
    const wanted = ((await request.json()) as { faces: { slot: { key: string } }[] }).faces;
    const faces = known.filter((one) => wanted.some(({ slot }) => slot.key === one.slot.key));
    return HttpResponse.json({
      faces,
      bytes: faces.reduce((sum, one) => sum + one.bytes, 0),
      stacks: { SERIF: "Georgia, serif" },
      budget: null,
    });
  });
}
