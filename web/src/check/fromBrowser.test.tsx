import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { beforeEach, describe, expect, it } from "vitest";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { site } from "../testing/samples";
import { asBookmark, forConsole, pastedReading } from "./reader";

const kept = {
  id: "r1",
  url: "https://fernway.example/board",
  title: "",
  textKept: false,
  takenAt: "2030-05-10T09:00:00Z",
  takenBy: "tomas",
  bytes: 120_000,
};

describe("the reader", () => {
  it("is one script with where it sends to", () => {
    const target = { server: "https://fonts.agency.example", key: "k" };
    const code = forConsole("var readPage=(t)=>{globalThis.ran=t}", target);
    // eslint-disable-next-line @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
    new Function(code)();
    expect((globalThis as { ran?: unknown }).ran).toEqual(target);
    const bookmark = asBookmark("var readPage=()=>'100 %'", { ...target, key: null });
    expect(bookmark).toMatch(/^javascript:/);
    expect(decodeURIComponent(bookmark)).toContain("'100 %'");
    expect(bookmark).not.toContain(" ");
  });

  it("copies what can be pasted", () => {
    expect(pastedReading('{"version":1}')).toEqual({ version: 1 });
    expect(pastedReading("[1]")).toBeNull();
    expect(pastedReading("null")).toBeNull();
    expect(pastedReading("{")).toBeNull();
  });
});

describe("pages from one’s own browser", () => {
  beforeEach(() => {
    network.use(
      http.get("*/api/sites/s1", () => HttpResponse.json(site())),
      http.get("*/api/sites/s1/check-plan", () =>
        HttpResponse.json({
          version: 0,
          plan: {
            addresses: [],
            follows: false,
            mostPages: 5,
            watched: false,
            connections: [],
            signIns: [],
            ownHosts: [],
          },
        }),
      ),
      http.get("*/api/sites/s1/page-readings", () => HttpResponse.json([kept])),
    );
  });

  it("have a reader to drag or copy, and a key that is good once", async () => {
    network.use(
      http.post("*/api/sites/s1/reading-keys", () =>
        HttpResponse.json({ key: "abc-1", endsAt: "2030-05-10T10:00:00Z" }, { status: 201 }),
      ),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    const bookmark = await screen.findByRole("link", { name: "Read the type of this page" });
    expect(bookmark.getAttribute("href")).toMatch(/^javascript:.*readPage/);
    await user.click(screen.getByRole("button", { name: "Make a key for sending" }));
    expect(await screen.findByText("abc-1")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Copy for the console" }));
    expect(await navigator.clipboard.readText()).toContain('"key":"abc-1"');
  });

  it("are pasted, and refused with the reason", async () => {
    const sent: unknown[] = [];
    network.use(
      http.post("*/api/sites/s1/page-readings", async ({ request }) => {
        sent.push(await request.json());
        return sent.length === 1
          ? problem(422, "This isn’t a reading of a page: version is 7.")
          : HttpResponse.json({ id: "c1" }, { status: 202 });
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    await user.click(await screen.findByRole("button", { name: "Paste a reading" }));
    const field = screen.getByLabelText("What the reader copied");
    await user.click(field);
    await user.paste("no JSON");
    expect(screen.getByText(/This isn’t a reading/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Check with this reading" })).toBeDisabled();
    await user.clear(field);
    await user.paste('{"version":7}');
    await user.click(screen.getByRole("button", { name: "Check with this reading" }));
    expect(await screen.findByText(/version is 7/)).toBeVisible();
    expect(field).toHaveValue('{"version":7}');
    await user.click(screen.getByRole("button", { name: "Check with this reading" }));
    await waitFor(() => expect(screen.queryByLabelText("What the reader copied")).toBeNull());
    expect(sent).toEqual([{ version: 7 }, { version: 7 }]);
  });

  it("are listed with who read them, and can be removed", async () => {
    let removed = false;
    network.use(
      http.delete("*/api/page-readings/r1", () => {
        removed = true;
        return new HttpResponse(null, { status: 204 });
      }),
    );
    const { user } = await open("/sites/s1/pages", "Fernway");
    const list = await screen.findByRole("list", { name: "From your own browser" });
    expect(list).toHaveTextContent("fernway.example/board");
    expect(list).toHaveTextContent(/tomas, .* · characters only · 120 kB/);
    await user.click(within(list).getByRole("button", { name: "Remove" }));
    await waitFor(() => expect(removed).toBe(true));
  });
});
