import { screen } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { family, flag, gathered, intake, row } from "../testing/samples";
import { inWords } from "./words";

const count = (severity: "STOP" | "ASK" | "WARN", open: number, causes = open) =>
  ({ group: "UNLICENSED", severity, open, accepted: 0, causes }) as const;

describe("today in words", () => {
  it("names what must not go out, what is open, and what waits, each in its number", () => {
    expect(inWords([], 0)).toBe("You’re all caught up.");
    expect(inWords([count("STOP", 1)], 0)).toBe("1 blocking flag.");
    expect(inWords([count("STOP", 2), count("ASK", 1)], 2)).toBe(
      "2 blocking flags, 1 waiting for a vendor, 2 intakes to review.",
    );
    expect(inWords([count("WARN", 5)], 1)).toBe("1 intake to review.");
  });
});

describe("Today", () => {
  it("begins with what is handed to me, then what is stopped, and links to the rest", async () => {
    network.use(
      http.get("*/api/flags/counts", () => HttpResponse.json([count("STOP", 9, 7), count("WARN", 4)])),
      http.get("*/api/families", () => HttpResponse.json({ items: [family()], next: null })),
      http.get("*/api/flags/gathered", ({ request }) => {
        const query = new URL(request.url).searchParams;
        const one = gathered({
          count: 1,
          single: flag({ title: query.get("person") ? "Handed over" : "Stopped" }),
        });
        return HttpResponse.json(query.get("person") || query.get("severity") === "STOP" ? [one] : []);
      }),
      http.get("*/api/intakes", () => HttpResponse.json({ items: [intake([row()]).summary], next: null })),
    );
    await open("/");
    expect(await screen.findByRole("heading", { level: 2, name: "Assigned to you" })).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "Handed over" })).toBeInTheDocument();
    expect(await screen.findByRole("link", { name: "6 more causes" })).toHaveAttribute(
      "href",
      "/flags?severity=STOP",
    );
    expect(screen.getByRole("link", { name: "4 more flags" })).toHaveAttribute(
      "href",
      "/flags?severity=WARN",
    );
    expect(screen.getByRole("link", { name: "Brantle 3.zip" })).toHaveAttribute("href", "/intake/i1");
  });

  it("says what to do first when nothing is held", async () => {
    await open("/");
    expect(await screen.findByRole("link", { name: "Drop an archive on Intake" })).toHaveAttribute(
      "href",
      "/intake",
    );
    expect(screen.getByText("You’re all caught up.")).toBeInTheDocument();
  });

  it("says what could not be read and shows the rest", async () => {
    network.use(
      http.get("*/api/flags/gathered", () => problem(500, "Gathering failed.")),
      http.get("*/api/families", () => HttpResponse.json({ items: [family()], next: null })),
      http.get("*/api/flags", () =>
        HttpResponse.json({ items: [flag({ licenseId: "l1", licenseName: "Ostrel for two" })], next: null }),
      ),
    );
    await open("/");
    expect((await screen.findAllByText("Gathering failed.")).length).toBeGreaterThan(0);
    expect(await screen.findByRole("link", { name: "Ostrel for two" })).toBeInTheDocument();
    expect(screen.queryByText(/Nothing is held yet/)).toBeNull();
  });
});
