import { screen, waitFor } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { network } from "../testing/network";
import { open } from "../testing/render";
import { family } from "../testing/samples";
import { licensedAndUsed } from "./words";

/** The families that the server has, and what it was asked for. */
function listed(...names: string[]) {
  const asked: URLSearchParams[] = [];
  network.use(
    http.get("*/api/families", ({ request }) => {
      asked.push(new URL(request.url).searchParams);
      const items = names.map((name, i) => ({ ...family({ id: `f${i}`, name }), under: [] }));
      return HttpResponse.json({ items, next: null });
    }),
    http.get("*/api/families/foundries", () => HttpResponse.json(["Marl", "Pit & Quarry"])),
  );
  return asked;
}

describe("a family in a line of the list", () => {
  const license = (name: string, ends: string | null = null) => ({ id: name, name, ends });
  const site = (name: string) => ({ id: name, name });
  it.each([
    [[], [], "no license · on no site"],
    [[license("Ostrel web")], [site("Fernway")], "Ostrel web · on Fernway"],
    [
      [license("Ostrel web"), license("Ostrel app")],
      [site("Fernway"), site("Copper")],
      "2 licenses · on 2 sites",
    ],
    [[license("Ostrel web", "2026-11-28")], [site("Fernway")], "license ended · on Fernway"],
    [[license("old", "2026-11-28"), license("Ostrel web", "2026-11-29")], [], "Ostrel web · on no site"],
  ])("says how it is licensed and used", (licenses, sites, said) => {
    expect(licensedAndUsed({ licenses, sites }, "2026-11-29")).toBe(said);
  });
});

describe("the list of families", () => {
  it("is narrowed by a sentence that is the address", async () => {
    const asked = listed("Ostrel");
    const { user, router } = await open("/families", "Families");
    await user.click(await screen.findByRole("combobox", { name: "License" }));
    await user.click(await screen.findByRole("option", { name: "without a license" }));
    await waitFor(() => expect(router.state.location.search).toBe("?license=NO"));
    await waitFor(() => expect(asked.at(-1)?.get("license")).toBe("NO"));
    await user.click(screen.getByRole("combobox", { name: "Foundry" }));
    await user.click(await screen.findByRole("option", { name: "by Pit & Quarry" }));
    await waitFor(() => expect(asked.at(-1)?.get("foundry")).toBe("Pit & Quarry"));
    expect(router.state.location.search).toContain("license=NO");
    await user.click(screen.getByRole("combobox", { name: "License" }));
    await user.click(await screen.findByRole("option", { name: "licensed or not" }));
    await waitFor(() => expect(asked.at(-1)?.has("license")).toBe(false));
  });

  it("opens as its address says, words and all", async () => {
    const asked = listed("Ostrel");
    await open("/families?name=ost&use=NO&order=NEWEST", "Families");
    await waitFor(() => expect(asked.at(-1)?.get("name")).toBe("ost"));
    expect(asked.at(-1)?.get("use")).toBe("NO");
    expect(asked.at(-1)?.get("order")).toBe("NEWEST");
    expect(screen.getByLabelText("Filter by name")).toHaveValue("ost");
  });

  it("keeps what narrows it when a name is typed", async () => {
    const asked = listed("Ostrel");
    const { user, router } = await open("/families?license=YES", "Families");
    await user.type(screen.getByLabelText("Filter by name"), "os");
    await waitFor(() => expect(router.state.location.search).toBe("?name=os&license=YES"));
    await waitFor(() => expect(asked.at(-1)?.get("name")).toBe("os"));
    expect(asked.at(-1)?.get("license")).toBe("YES");
  });

  it("stands under headings when it is gathered, a family under each of its clients", async () => {
    const asked: (string | null)[] = [];
    const under = (name: string) => ({ ...family({ id: "f", name: "Ostrel" }), under: [{ id: name, name }] });
    network.use(
      http.get("*/api/families", ({ request }) => {
        asked.push(new URL(request.url).searchParams.get("group"));
        return HttpResponse.json({ items: [under("Fern"), under("Moor"), under("")], next: null });
      }),
      http.get("*/api/families/foundries", () => HttpResponse.json([])),
    );
    const { user } = await open("/families", "Families");
    await user.click(await screen.findByRole("combobox", { name: "Grouped" }));
    await user.click(await screen.findByRole("option", { name: "by client" }));
    await waitFor(() => expect(asked.at(-1)).toBe("CLIENT"));
    expect(await screen.findByRole("heading", { level: 2, name: "No client" })).toBeInTheDocument();
    const headings = screen.getAllByRole("heading", { level: 2 }).map((heading) => heading.textContent);
    expect(headings).toEqual(["Fern", "Moor", "No client"]);
    expect(screen.getAllByRole("link", { name: "Ostrel" })).toHaveLength(3);
  });

  it("tells nothing that fits from nothing held", async () => {
    listed();
    const { user } = await open("/families?license=NO", "Families");
    expect(await screen.findByText("No families match.")).toBeInTheDocument();
    await user.click(screen.getByRole("combobox", { name: "License" }));
    await user.click(await screen.findByRole("option", { name: "licensed or not" }));
    expect(await screen.findByText(/The inventory is empty/)).toBeInTheDocument();
  });
});
