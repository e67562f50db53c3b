import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { http, HttpResponse } from "msw";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import { Providers } from "../../Providers";
import { network } from "../../testing/network";
import { family } from "../../testing/samples";
import { Choice, type Option } from "./Choice";
import { FamilyChoice, OneFamilyChoice, type NamedRecord } from "./RecordChoice";

const sizes: Option<"s" | "m">[] = [
  ["s", "small"],
  ["m", "middling"],
];

describe("a choice of a few things", () => {
  it("gives what was chosen, under a name that is seen or only said", async () => {
    const chosen = vi.fn();
    const { rerender } = render(<Choice label="Size" value="s" options={sizes} onChange={chosen} />);
    await userEvent.click(screen.getByRole("combobox", { name: /Size/ }));
    await userEvent.click(screen.getByRole("option", { name: "middling" }));
    expect(chosen).toHaveBeenCalledExactlyOnceWith("m");
    rerender(<Choice hideLabel label="Size" value="m" options={sizes} onChange={chosen} />);
    expect(screen.getByRole("combobox", { name: "Size" })).toHaveTextContent("middling");
  });

  it("shows the first when its value is none of them", () => {
    render(<Choice hideLabel label="Size" value={"xl" as "s"} options={sizes} onChange={() => undefined} />);
    expect(screen.getByRole("combobox", { name: "Size" })).toHaveTextContent("small");
  });
});

/** Families on the mocked network, found by a part of their names; what was looked for is returned. */
function held(...names: string[]) {
  const asked: string[] = [];
  network.use(
    http.get("*/api/families", ({ request }) => {
      const words = new URL(request.url).searchParams.get("name") ?? "";
      asked.push(words);
      const items = names
        .filter((name) => name.toLowerCase().includes(words.toLowerCase()))
        .map((name) => family({ id: name, name }));
      return HttpResponse.json({ items, next: null });
    }),
  );
  return asked;
}

describe("a choice of families", () => {
  it("finds them by some letters, several of them, and asks nothing before it is opened", async () => {
    const asked = held("Ostrel", "Osier", "Marl");
    function Several() {
      const [chosen, setChosen] = useState<NamedRecord[]>([]);
      return <FamilyChoice label="Covers" chosen={chosen} onChange={setChosen} />;
    }
    render(
      <Providers>
        <Several />
      </Providers>,
    );
    expect(asked).toEqual([]);
    const field = screen.getByRole("combobox", { name: "Covers" });
    for (const [typed, name] of [
      ["ost", "Ostrel"],
      ["mar", "Marl"],
    ] as const) {
      await userEvent.type(field, typed);
      await userEvent.click(await screen.findByRole("option", { name }));
    }
    expect(screen.getByRole("button", { name: "Ostrel" })).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Marl" })).toBeInTheDocument();
  });

  it("keeps what can be chosen while it asks for more letters", async () => {
    const waits: (() => void)[] = [];
    network.use(
      http.get("/api/families", async ({ request }) => {
        if (new URL(request.url).searchParams.has("name")) {
          await new Promise<void>((go) => waits.push(go));
        }
        return HttpResponse.json({ items: [family({ id: "Ostrel", name: "Ostrel" })], next: null });
      }),
    );
    const chosen = vi.fn();
    render(
      <Providers>
        <FamilyChoice label="Covers" chosen={[]} onChange={chosen} />
      </Providers>,
    );
    const field = screen.getByRole("combobox", { name: "Covers" });
    await userEvent.click(field);
    await screen.findByRole("option", { name: "Ostrel" });
    await userEvent.type(field, "ost");
    await waitFor(() => expect(waits).toHaveLength(1));
    await userEvent.click(screen.getByRole("option", { name: "Ostrel" }));
    expect(chosen).toHaveBeenCalledWith([expect.objectContaining({ id: "Ostrel" })]);
    waits.forEach((go) => go());
  });

  it("offers all of them while the chosen one stands in the field", async () => {
    held("Ostrel", "Marl");
    const chosen = vi.fn();
    render(
      <Providers>
        <OneFamilyChoice label="Family" chosen={{ id: "Marl", name: "Marl" }} onChange={chosen} />
      </Providers>,
    );
    const field = screen.getByRole("combobox", { name: "Family" });
    expect(field).toHaveValue("Marl");
    await userEvent.click(field);
    await userEvent.click(await screen.findByRole("option", { name: "Ostrel" }));
    expect(chosen).toHaveBeenCalledExactlyOnceWith({ id: "Ostrel", name: "Ostrel", classification: "" });
  });
});
