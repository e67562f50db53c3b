import { screen, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Finding, Proof } from "../shared/api/types";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { site } from "../testing/samples";
import { kindOf, kindWords, standing } from "./words";

const css = "body { font-family: Harow }";
const mismatch: Finding = {
  line: 1,
  column: 21,
  kind: "name-mismatch",
  message: "“Harow” is not declared; “Harrow” is.",
  fix: '"Harrow"',
  edits: [{ start: 20, end: 25, text: '"Harrow"' }],
};
const held: Finding = { ...mismatch, column: 1, kind: "not-held", message: "None.", fix: null, edits: [] };

/** A server that finds the name wrong until it is right. */
function reading(path: string) {
  const asked: { css: string; url: string | null }[] = [];
  network.use(
    http.post(path, async ({ request }) => {
      const body = (await request.json()) as (typeof asked)[number];
      asked.push(body);
      const findings = body.css.includes("Harow") ? [held, mismatch] : [held];
      return HttpResponse.json({ findings, fixed: body.css.replace("Harow", '"Harrow"') } satisfies Proof);
    }),
  );
  return asked;
}

describe("proof-reading", () => {
  it("marks a finding in its line and corrects it by one press", async () => {
    const asked = reading("*/api/proof");
    const { user } = await open("/css", "Check a style sheet");
    await user.click(screen.getByRole("textbox", { name: /^Paste the CSS/ }));
    await user.paste(css);
    await user.click(screen.getByRole("button", { name: "Check it" }));
    expect(await screen.findByText("2 findings; 1 with a correction, 1 to fix by hand.")).toBeInTheDocument();
    expect(screen.getByText("Harow", { selector: "mark" })).toBeInTheDocument();
    const note = screen.getByRole("group", { name: "2, line 1: Name mismatch" });
    expect(note).toHaveTextContent('"Harrow"');
    await user.click(within(note).getByRole("button", { name: "Correct it" }));
    expect(await screen.findByText("1 finding, to fix by hand.")).toBeInTheDocument();
    expect(asked.map((one) => one.css)).toEqual([css, 'body { font-family: "Harrow" }']);
    expect(screen.queryByRole("button", { name: "Correct all" })).toBeNull();
  });

  it("reads for a site, as it is served there, and keeps the text when reading fails", async () => {
    network.use(
      http.get("*/api/sites/s1", () => HttpResponse.json(site())),
      http.post("*/api/sites/s1/proof", () => problem(422, "“x” is no address.")),
    );
    const { user } = await open("/sites/s1/css", "Fernway");
    expect(screen.getByLabelText(/^Address/)).toHaveValue("https://fernway.example/");
    await user.click(screen.getByRole("textbox", { name: /^Paste the CSS/ }));
    await user.paste(css);
    await user.click(screen.getByRole("button", { name: "Check it" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("“x” is no address.");
    expect(screen.getByRole("textbox", { name: /^Paste the CSS/ })).toHaveValue(css);
  });

  it("reads a file that is chosen, and gives its text back to be edited", async () => {
    const asked = reading("*/api/proof");
    const { user } = await open("/proof", "Check a style sheet");
    await user.upload(
      screen.getByLabelText("Style sheet to check"),
      new File([css], "site.css", { type: "text/css" }),
    );
    await screen.findByText(/^2 findings/);
    expect(asked[0]).toEqual({ css, url: null });
    await user.click(screen.getByRole("button", { name: "Edit the text" }));
    expect(screen.getByRole("textbox", { name: /^Paste the CSS/ })).toHaveValue(css);
  });

  it("says how it stands", () => {
    expect(standing([])).toBe("Nothing is wrong with its fonts.");
    expect(standing([mismatch, mismatch])).toBe("2 findings, all with a correction.");
    expect(standing([held])).toBe("1 finding, to fix by hand.");
    expect(kindOf({ kind: "new-kind" })).toBe("new-kind");
    expect(Object.keys(kindWords)).toHaveLength(25);
  });
});
