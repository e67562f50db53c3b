import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Family } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { network } from "../testing/network";
import { open } from "../testing/render";
import { family, file, flag } from "../testing/samples";
import { about, faceInWords, removing, summary } from "./words";

const bold = file({
  id: "file2",
  fileName: "Ostrel-Bold.ttf",
  slot: { ...staticSlot(700, "upright"), label: "Bold" },
});
const web = file({ id: "file3", fileName: "Ostrel-Regular.woff2", format: "woff2", bytes: 9_000 });

function recorded(start: Family) {
  const state = { family: start };
  network.use(http.get("*/api/families/f1", () => HttpResponse.json(state.family)));
  return state;
}

describe("the words of a family", () => {
  it("count faces once, whatever their formats", () => {
    expect(summary(family({ files: [file(), web, bold], foundry: "Marl", classification: "SERIF" }))).toBe(
      "2 faces in 3 files, 69 kB in all · serif · Marl.",
    );
  });

  it("tell a family in a line, with what kind of type it is", () => {
    expect(about(family({ files: [file(), web], classification: "MONOSPACED" }))).toBe(
      "1 face, 2 files · TTF WOFF2 · monospaced",
    );
    expect(about(family({ files: [] }))).toBe("0 faces, 0 files");
  });

  it("say what follows from removing a file", () => {
    const asked = { slot: bold.slot, by: ["Fernway"] };
    expect(removing(family({ files: [file(), web] }), web)).toBe("Regular is still held in another file.");
    expect(removing(family({ files: [bold], asks: [asked] }), bold)).toMatch(/If a site asks for the face/);
    expect(removing(family({ files: [bold] }), bold)).toMatch(/no site asks for it/);
  });
});

describe("a family", () => {
  it("opens with a heading and a paragraph in the chosen face; sizes are a choice", async () => {
    recorded(family({ files: [file(), bold] }));
    const { user } = await open("/families/f1", "Ostrel");
    expect(screen.getByRole("region", { name: "Specimen of Regular" })).toBeInTheDocument();
    expect(screen.getByText("The morning ferry leaves at seven")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: /^Bold: held as TTF/ }));
    expect(await screen.findByRole("region", { name: "Specimen of Bold" })).toBeInTheDocument();
    await user.type(screen.getByLabelText("Your own words"), "Fernway");
    expect(screen.getAllByText("Fernway").length).toBeGreaterThan(1);
    await user.click(screen.getByRole("button", { name: "Sizes" }));
    expect(screen.getAllByText("Fernway")).toHaveLength(6);
  });

  it("does not keep the chosen face in another family", async () => {
    recorded(family({ files: [file(), bold] }));
    network.use(
      http.get("*/api/families/f2", () =>
        HttpResponse.json(family({ id: "f2", name: "Marl", files: [file(), bold] })),
      ),
    );
    const { user, router } = await open("/families/f1", "Ostrel");
    await user.click(screen.getByRole("button", { name: /^Bold: held/ }));
    await router.navigate("/families/f2");
    expect(await screen.findByRole("region", { name: "Specimen of Regular" })).toBeInTheDocument();
  });

  it("gets another name, based on the version that was read", async () => {
    const state = recorded(family());
    const versions: (string | null)[] = [];
    network.use(
      http.put("*/api/families/f1", async ({ request }) => {
        versions.push(request.headers.get("If-Match"));
        state.family = { ...state.family, ...((await request.json()) as { name: string }), version: 4 };
        return HttpResponse.json(state.family);
      }),
    );
    const { user } = await open("/families/f1", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Edit" }));
    const dialog = await screen.findByRole("dialog", { name: "Edit Ostrel" });
    const name = within(dialog).getByLabelText("Name of the family");
    await user.clear(name);
    await user.click(within(dialog).getByRole("button", { name: "Save" }));
    expect(await within(dialog).findByText("A family needs a name.")).toBeInTheDocument();
    await user.type(name, " Ostrel Text ");
    await user.click(within(dialog).getByRole("button", { name: "Save" }));
    expect(await screen.findByRole("heading", { level: 1, name: "Ostrel Text" })).toBeInTheDocument();
    expect(versions).toEqual(['"3"']);
  });

  it("folds many files by their faces, names the foundry's own style, the drop, and what was superseded", async () => {
    const called = file({
      id: "file9",
      subfamily: "Heavy",
      slot: { ...staticSlot(900, "upright"), label: "Black" },
    });
    recorded(family({ files: [called] }));
    network.use(
      http.get("*/api/families/f1/origins", () =>
        HttpResponse.json({ file9: { intakeId: "i7", path: "ostrel.zip/Ostrel-Heavy.ttf" } }),
      ),
      http.get("*/api/families/f1/superseded", () =>
        HttpResponse.json([file({ id: "old", fileName: "Ostrel-Old.ttf" })]),
      ),
    );
    await open("/families/f1/files", "Ostrel");
    expect(await screen.findByText("called Heavy")).toBeInTheDocument();
    expect(await screen.findByRole("link", { name: "ostrel.zip/Ostrel-Heavy.ttf" })).toHaveAttribute(
      "href",
      "/intake/i7",
    );
    const superseded = await screen.findByText("Superseded");
    expect(superseded.closest("details")).not.toHaveAttribute("open");
    expect(faceInWords([called])).toEqual({ name: "Black", called: "Heavy", held: "TTF, 30 kB" });
  });

  it("has a superseded file held again, which can be taken back", async () => {
    const state = recorded(family({ files: [file({ id: "new", fileName: "Ostrel-New.ttf" })], version: 3 }));
    const sent: (string | null)[] = [];
    network.use(
      http.get("*/api/families/f1/superseded", () =>
        HttpResponse.json([file({ id: "old", fileName: "Ostrel-Old.ttf" })]),
      ),
      http.post("*/api/families/f1/superseded/old/held", ({ request }) => {
        sent.push(request.headers.get("If-Match"));
        state.family = family({ files: [file({ id: "old", fileName: "Ostrel-Old.ttf" })], version: 4 });
        return HttpResponse.json({ historyId: "h4" });
      }),
    );
    const { user } = await open("/families/f1/files", "Ostrel");
    await user.click(await screen.findByText("Superseded"));
    await user.click(screen.getByRole("button", { name: "Restore: Ostrel-Old.ttf" }));
    expect(await screen.findByText(/^Restored Ostrel-Old.ttf\./)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
    expect(sent).toEqual(['"3"']);
    expect(await screen.findByRole("button", { name: "Remove Ostrel-Old.ttf" })).toBeInTheDocument();
  });

  it("asks before a file is removed, keeps the question while it is on its way, and can be taken back", async () => {
    const state = recorded(family({ files: [file(), bold] }));
    let answer: () => void = () => undefined;
    network.use(
      http.delete("*/api/families/f1/files/file2", async () => {
        await new Promise<void>((resolve) => (answer = resolve));
        state.family = family({ files: [file()], version: 4 });
        return HttpResponse.json({ historyId: "h3" });
      }),
    );
    const { user } = await open("/families/f1/files", "Ostrel");
    await user.click(screen.getByRole("button", { name: "Remove Ostrel-Bold.ttf" }));
    const question = await screen.findByRole("dialog", { name: "Remove Ostrel-Bold.ttf?" });
    await user.click(within(question).getByRole("button", { name: "Remove" }));
    expect(within(question).getByRole("button", { name: "Remove" })).toBeDisabled();
    expect(within(question).getByRole("button", { name: "Cancel" })).toBeDisabled();
    answer();
    expect(await screen.findByText("Removed Ostrel-Bold.ttf.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("stays and says so when it has no file and something names it", async () => {
    recorded(family({ files: [] }));
    const { user } = await open("/families/f1/files", "Ostrel");
    expect(screen.getByText(/No files in the inventory\. The family stays/)).toBeInTheDocument();
    await user.click(screen.getByRole("link", { name: "Use" }));
    expect(await screen.findByText("No license covers this family.")).toBeInTheDocument();
    expect(await screen.findByText("Not found on any page.")).toBeInTheDocument();
  });

  it("tells where checks found it on pages, or that none did", async () => {
    recorded(family());
    network.use(
      http.get("*/api/families/f1/pages", () =>
        HttpResponse.json([
          {
            siteId: "s1",
            siteName: "Fernway",
            checkId: "c1",
            checkedAt: "2030-05-10T09:00:00Z",
            faces: [
              {
                name: "Ostrel Regular",
                how: "CUT",
                host: "cdn.example",
                fromOthers: true,
                pages: [
                  { url: "https://fernway.example/", position: 0 },
                  { url: "https://fernway.example/more", position: 3 },
                ],
              },
            ],
          },
        ]),
      ),
    );
    await open("/families/f1/use", "Ostrel");
    expect(await screen.findByText(/Ostrel Regular, a subset, from a third-party host:/)).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "fernway.example/more" })).toHaveAttribute(
      "href",
      "/sites/s1/pages/3?check=c1",
    );
  });

  it("has its flags on the leaf where they are mended, and in brief on the first", async () => {
    recorded(family());
    network.use(
      http.get("*/api/flags", () =>
        HttpResponse.json({
          items: [
            flag({ id: "1", kind: "SAME_BYTES", group: "DUPLICATE", siteId: "", title: "Held twice" }),
            flag({ id: "2", kind: "NO_LICENSE", title: "No license at Fernway" }),
            flag({ id: "3", kind: "EMBEDDING_DISAGREES", siteId: "", title: "The file disagrees" }),
          ],
          next: null,
        }),
      ),
    );
    const { user } = await open("/families/f1", "Ostrel");
    const note = (name: string) => screen.queryByRole("group", { name });
    expect(await screen.findByText("3 blocking flags.")).toBeInTheDocument();
    expect(note("Duplicate: Held twice")).toHaveClass("brief");
    await user.click(screen.getByRole("link", { name: /^Files 1 flag/ }));
    expect(note("Duplicate: Held twice")).not.toHaveClass("brief");
    expect(note("Unlicensed: No license at Fernway")).toBeNull();
    await user.click(screen.getByRole("link", { name: /^Use 1 flag/ }));
    expect(note("Unlicensed: No license at Fernway")).toBeInTheDocument();
    await user.click(screen.getByRole("link", { name: /^Facts 1 flag/ }));
    expect(note("File disagrees: The file disagrees")).toBeInTheDocument();
  });

  it("knows no other leaf", async () => {
    recorded(family());
    await open("/families/f1/nonsense", "Not found");
  });
});
