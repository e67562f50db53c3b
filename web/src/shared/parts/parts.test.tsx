import { act, fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Providers } from "../../Providers";
import { Leaf, Line } from "../layout/Leaf";
import { domainsIn } from "./domains";
import { plainly } from "./format";
import { useTell, type Message } from "./Messages";
import { singleKeys, useStoredChoice } from "./useStoredChoice";
import { uploadsInWords } from "./uploads";
import { useSettled } from "./useSettled";

function Tells({ message, label }: { message: Message; label: string }) {
  const tell = useTell();
  return (
    <button type="button" onClick={() => tell(message)}>
      {label}
    </button>
  );
}

function Page({ second = true }: { second?: boolean }) {
  return (
    <Leaf title="A page">
      <Line>
        <Tells label="first" message={{ text: "Done at the first." }} />
        <Tells label="wrong" message={{ text: "It was refused.", kind: "problem" }} />
      </Line>
      {second && (
        <Line>
          <Tells label="second" message={{ text: "Done at the second.", undo: "h1" }} />
        </Line>
      )}
    </Leaf>
  );
}

const shown = (page: React.ReactNode) => (
  <Providers>
    <MemoryRouter>{page}</MemoryRouter>
  </Providers>
);

describe("what is told", () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it("stands beside the line in which it was done", () => {
    render(shown(<Page />));
    fireEvent.click(screen.getByRole("button", { name: "second" }));
    const line = screen.getByRole("button", { name: "second" }).closest(".line");
    expect(line).toContainElement(screen.getByText("Done at the second."));
    expect(screen.getByRole("status")).toHaveTextContent("Done at the second.");
  });

  it("stands beside another line when its own is gone", () => {
    const { rerender } = render(shown(<Page />));
    fireEvent.click(screen.getByRole("button", { name: "second" }));
    rerender(shown(<Page second={false} />));
    expect(screen.getByText("Done at the second.").closest(".line")).not.toBeNull();
  });

  it("goes after a while, longer when it can be taken back; a problem stays until it is closed", () => {
    render(shown(<Page />));
    fireEvent.click(screen.getByRole("button", { name: "first" }));
    act(() => void vi.advanceTimersByTime(9_000));
    expect(screen.queryByText("Done at the first.")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "second" }));
    act(() => void vi.advanceTimersByTime(9_000));
    expect(screen.getByRole("button", { name: "Undo" })).toBeInTheDocument();
    act(() => void vi.advanceTimersByTime(30_000));
    expect(screen.queryByText("Done at the second.")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "wrong" }));
    act(() => void vi.advanceTimersByTime(3_600_000));
    expect(screen.getByRole("alert")).toHaveTextContent("It was refused.");
    fireEvent.click(screen.getByRole("button", { name: "first" }));
    expect(screen.getByRole("alert")).toHaveTextContent("It was refused.");
    fireEvent.click(screen.getAllByRole("button", { name: "Close the message" })[1]!);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("is one thing at a time: what was done before makes room", () => {
    render(shown(<Page />));
    fireEvent.click(screen.getByRole("button", { name: "first" }));
    fireEvent.click(screen.getByRole("button", { name: "second" }));
    expect(screen.queryByText("Done at the first.")).toBeNull();
    expect(screen.getByText("Done at the second.")).toBeInTheDocument();
  });
});

describe("small parts", () => {
  it("takes pasted domains apart, whatever stands between them", () => {
    expect(domainsIn("a.example, b.example;c.example\n d.example")).toHaveLength(4);
    expect(domainsIn("")).toEqual([]);
  });

  it("says values of a form plainly", () => {
    expect(plainly(["a", ["b", 1]])).toBe("a, b, 1");
    expect(plainly(null)).toBe("");
    expect(plainly({ odd: true })).toBe("");
    expect(plainly(false)).toBe("false");
  });

  it("names a drop by its first file", () => {
    expect(uploadsInWords([])).toBe("");
    expect(uploadsInWords(["a.zip"])).toBe("a.zip");
    expect(uploadsInWords(["a.zip", "b.ttf", "c.ttf"])).toBe("a.zip and 2 more files");
  });

  it("lets typing come to rest, and takes the first letter at once", () => {
    vi.useFakeTimers();
    function Typed() {
      const [typed, setTyped] = useState("");
      return (
        <>
          <input aria-label="typed" value={typed} onChange={(event) => setTyped(event.target.value)} />
          <output>{useSettled(typed)}</output>
        </>
      );
    }
    render(<Typed />);
    const type = (value: string) => fireEvent.change(screen.getByLabelText("typed"), { target: { value } });
    type("o");
    act(() => void vi.advanceTimersByTime(1));
    expect(screen.getByRole("status")).toHaveTextContent(/^o$/);
    type("os");
    act(() => void vi.advanceTimersByTime(150));
    type("ost");
    act(() => void vi.advanceTimersByTime(150));
    expect(screen.getByRole("status")).toHaveTextContent(/^o$/);
    act(() => void vi.advanceTimersByTime(60));
    expect(screen.getByRole("status")).toHaveTextContent(/^ost$/);
    vi.useRealTimers();
  });

  it("keeps a choice of the reader, and tells it everywhere it is used", async () => {
    function Choice() {
      const [keys, setKeys] = useStoredChoice(singleKeys, "on");
      return <button onClick={() => setKeys(keys === "on" ? "off" : "on")}>{keys}</button>;
    }
    render(
      <>
        <Choice />
        <Choice />
      </>,
    );
    await userEvent.click(screen.getAllByRole("button")[0]!);
    expect(screen.getAllByRole("button").map((one) => one.textContent)).toEqual(["off", "off"]);
    expect(localStorage.getItem(singleKeys)).toBe("off");
  });
});
