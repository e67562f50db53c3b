import { screen, waitFor } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { DuplicateGroup } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { file } from "../testing/samples";
import { groupInWords, heldTwice } from "./words";

const regular = file({ id: "a", fileName: "Ostrel-Regular.ttf" });
const copy = file({ id: "b", fileName: "Copy.ttf", drawing: "d2" });
const group: DuplicateGroup = {
  kind: "VERSIONS",
  members: [
    { file: regular, familyId: "f1", family: "Ostrel" },
    { file: copy, familyId: "f1", family: "Ostrel" },
  ],
  keep: "a",
  because: "it is the newest, version 2.0",
  bytes: 30_000,
};

describe("duplicates", () => {
  it("are told by what they are", () => {
    expect(groupInWords(group)).toEqual({
      heading: "Ostrel Regular: 2 different outlines for one slot",
      why: "One is proposed because it is the newest, version 2.0.",
    });
    const [first, second] = group.members as [
      DuplicateGroup["members"][number],
      DuplicateGroup["members"][number],
    ];
    const names = { ...group, kind: "TWO_NAMES" as const, members: [first, { ...second, family: "Gull" }] };
    expect(groupInWords(names).heading).toBe("Ostrel and Gull: the same outlines under 2 names");
    expect(groupInWords({ ...group, kind: "SAME_DRAWING" }).heading).toBe(
      "Ostrel Regular: the same outlines in 2 files",
    );
    expect(heldTwice([group, group])).toMatch(/^2 groups, 60 kB held more than once/);
    expect(heldTwice([])).toBe("Nothing is held twice.");
  });

  it("are retired in one step, for another than the one proposed too, and say why they cannot be", async () => {
    const asked: unknown[] = [];
    network.use(
      http.get("*/api/duplicates", () => HttpResponse.json(asked.length > 1 ? [] : [group])),
      http.post("*/api/duplicates/settle", async ({ request }) => {
        asked.push(await request.json());
        return asked.length === 1
          ? problem(409, "Ostrel-Regular.ttf is the only file that Fernway asks for.")
          : HttpResponse.json({ files: 1, historyId: "h1" });
      }),
    );
    const { user } = await open("/families/duplicates", "Duplicates");
    expect(await screen.findByText("proposed")).toBeInTheDocument();
    expect(screen.getByRole("radio", { name: "Keep Ostrel-Regular.ttf of Ostrel" })).toBeChecked();
    await user.click(screen.getByRole("radio", { name: "Keep Copy.ttf of Ostrel" }));
    await user.click(screen.getByRole("button", { name: "Keep this, retire the others" }));
    expect(await screen.findByText(/the only file that Fernway asks for/)).toBeInTheDocument();
    await user.click(screen.getByRole("radio", { name: "Keep Ostrel-Regular.ttf of Ostrel" }));
    await user.click(screen.getByRole("button", { name: "Keep this, retire the others" }));
    expect(await screen.findByText("Retired 1 file.")).toBeInTheDocument();
    expect(asked).toEqual([
      { kind: "VERSIONS", keep: "b", members: ["a", "b"] },
      { kind: "VERSIONS", keep: "a", members: ["a", "b"] },
    ]);
    await waitFor(() => expect(screen.getByText("Nothing is held twice.")).toBeInTheDocument());
  });
});
