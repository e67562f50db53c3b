import { screen, waitFor, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Person, Who } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { gone, howMany } from "./words";

const mara: Who = { name: "demo", displayName: "Mara Quill", level: "ADMINISTRATOR", sessions: 2 };
const person = (name: string, change: Partial<Person> = {}): Person => ({
  name,
  version: 4,
  displayName: name[0]!.toUpperCase() + name.slice(1),
  level: "EDITOR",
  removed: false,
  joined: true,
  ...change,
});

function administered() {
  const people = [
    person("demo", { displayName: "Mara Quill", level: "ADMINISTRATOR" }),
    person("priya"),
    person("old", { removed: true }),
  ];
  network.use(
    http.get("*/api/session", () => HttpResponse.json(mara)),
    http.get("*/api/people", () => HttpResponse.json(people)),
  );
  return people;
}

describe("people", () => {
  it("are counted, and those who left stay named", async () => {
    administered();
    await open("/people", "People");
    expect(await screen.findByText("2 people may sign in.")).toBeInTheDocument();
    expect(screen.getByText(/kept for the history: Old\./)).toBeInTheDocument();
    expect(howMany(1)).toBe("1 person may sign in.");
    expect(gone(["A", "B"])).toMatch(/: A, B\.$/);
  });

  it("get another level by the version that was read; a colleague's change is told", async () => {
    administered();
    const versions: (string | null)[] = [];
    network.use(
      http.put("*/api/people/priya", ({ request }) => {
        versions.push(request.headers.get("If-Match"));
        return problem(412, "Somebody else changed this meanwhile.");
      }),
    );
    const { user } = await open("/people", "People");
    await user.click(await screen.findByRole("combobox", { name: "Level of Priya" }));
    await user.click(await screen.findByRole("option", { name: "Reader" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Somebody else changed this meanwhile.");
    expect(versions).toEqual(['"4"']);
  });

  it("are added with a link that is told once, and cannot be added without a name", async () => {
    const people = administered();
    network.use(
      http.post("*/api/people", async ({ request }) => {
        const added = person("wen", { ...((await request.json()) as Partial<Person>), joined: false });
        people.push(added);
        return HttpResponse.json(
          { person: added, token: "tok", expiresAt: "2026-11-28T10:00:00Z" },
          { status: 201 },
        );
      }),
    );
    const { user } = await open("/people", "People");
    await user.type(await screen.findByLabelText("Signs in as"), "Wen!");
    await user.click(screen.getByRole("button", { name: "Add, and make a link" }));
    expect(await screen.findByText("A person needs a name.")).toBeInTheDocument();
    expect(screen.getByText("2 to 40 lowercase letters, digits, dots, hyphens.")).toBeInTheDocument();
    await user.type(screen.getByLabelText("Name"), "Wen Li");
    await user.clear(screen.getByLabelText("Signs in as"));
    await user.type(screen.getByLabelText("Signs in as"), "wen");
    await user.click(screen.getByRole("button", { name: "Add, and make a link" }));
    expect(await screen.findByText("http://localhost:8600/join/tok")).toBeInTheDocument();
    expect(await screen.findByText("hasn’t joined yet")).toBeInTheDocument();
    expect(screen.getByLabelText("Name")).toHaveValue("");
  });

  it("are removed after a question; nobody removes themselves", async () => {
    administered();
    let removed = false;
    network.use(
      http.delete("*/api/people/priya", () => {
        removed = true;
        return new HttpResponse(null, { status: 204 });
      }),
    );
    const { user } = await open("/people", "People");
    await screen.findByRole("button", { name: "Remove Priya" });
    expect(screen.queryByRole("button", { name: "Remove Mara Quill" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Remove Priya" }));
    const question = await screen.findByRole("dialog", { name: "Remove Priya?" });
    await user.click(within(question).getByRole("button", { name: "Remove" }));
    await waitFor(() => expect(removed).toBe(true));
    expect(await screen.findByText("Removed Priya.")).toBeInTheDocument();
  });

  it("are only looked at by those who are no administrators", async () => {
    await open("/people", "People");
    await screen.findByText("2 people may sign in.");
    expect(screen.queryByRole("button", { name: /Remove/ })).toBeNull();
    expect(screen.queryByLabelText("Signs in as")).toBeNull();
  });
});

describe("joining", () => {
  it("wants the same password twice, long enough, and says when a link has ended", async () => {
    network.use(
      http.get("*/api/invitations/tok", () => HttpResponse.json(person("wen", { displayName: "Wen Li" }))),
      http.post("*/api/invitations/tok", () => problem(409, "This link was used, replaced or has expired.")),
    );
    const { user } = await open("/join/tok");
    expect(await screen.findByText(/Welcome, Wen Li\./)).toBeInTheDocument();
    await user.type(screen.getByLabelText("Choose a password"), "short");
    await user.type(screen.getByLabelText("Repeat the password"), "short");
    await user.click(screen.getByRole("button", { name: "Join" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("10 characters or more");
    await user.type(screen.getByLabelText("Choose a password"), " but longer");
    await user.click(screen.getByRole("button", { name: "Join" }));
    await waitFor(() => expect(screen.getByRole("alert")).toHaveTextContent("The two passwords differ."));
    await user.type(screen.getByLabelText("Repeat the password"), " but longer");
    await user.click(screen.getByRole("button", { name: "Join" }));
    await waitFor(() => expect(screen.getByRole("alert")).toHaveTextContent("This link was used"));
  });
});

describe("settings", () => {
  it("change the password only for one that is long enough, and end other sessions", async () => {
    const sent: unknown[] = [];
    network.use(
      http.get("*/api/session", () => HttpResponse.json({ ...mara, level: "EDITOR" })),
      http.put("*/api/session/password", async ({ request }) => {
        sent.push(await request.json());
        return new HttpResponse(null, { status: 204 });
      }),
      http.delete("*/api/session/others", () => new HttpResponse(null, { status: 204 })),
    );
    const { user } = await open("/settings", "Settings");
    expect(screen.getByText("1 other session open")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Sign out everywhere else" }));
    expect(await screen.findByText("Signed out everywhere else.")).toBeInTheDocument();
    await user.type(screen.getByLabelText("Current"), "unciala-demo");
    await user.type(screen.getByLabelText("New"), "short");
    await user.click(screen.getByRole("button", { name: "Change the password" }));
    expect(sent).toEqual([]);
    await user.type(screen.getByLabelText("New"), " no more");
    await user.click(screen.getByRole("button", { name: "Change the password" }));
    await waitFor(() => expect(sent).toEqual([{ current: "unciala-demo", password: "short no more" }]));
    expect(screen.queryByText("Backups")).toBeNull();
  });

  it("show backups to administrators, with how far the one that is being made is", async () => {
    administered();
    network.use(
      http.get("*/api/backups", () =>
        HttpResponse.json({
          items: [{ name: "unciala-2026-11-01.zip", bytes: 5_000_000, madeAt: "2026-11-01T02:00:00Z" }],
          progress: { running: true, doneBytes: 30, totalBytes: 120, failure: "" },
        }),
      ),
      http.get("*/api/storage/check", () => HttpResponse.json({ running: false, done: 12, total: 12 })),
    );
    await open("/settings", "Settings");
    expect(await screen.findByRole("link", { name: "unciala-2026-11-01.zip" })).toBeInTheDocument();
    expect(screen.getByRole("progressbar")).toHaveAttribute("aria-valuenow", "25");
    expect(screen.getByRole("button", { name: "Making a backup …" })).toBeDisabled();
    expect(screen.getByText("12 files read")).toBeInTheDocument();
  });
});
