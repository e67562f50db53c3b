import { screen, within } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { staticSlot } from "../shared/font/slots";
import { network, problem } from "../testing/network";
import { open } from "../testing/render";
import { details, family, file } from "../testing/samples";

const bold = file({
  id: "file2",
  sha256: "b".repeat(64),
  fileName: "Ostrel-Bold.ttf",
  slot: { ...staticSlot(700, "upright"), label: "Bold" },
});

describe("what a file says of itself", () => {
  it("is told in sentences, with the numbers on demand, for the face that is chosen", async () => {
    network.use(
      http.get("*/api/families/f1", () => HttpResponse.json(family({ files: [file(), bold] }))),
      http.get("*/api/files/:digest/details", ({ params }) =>
        HttpResponse.json(
          details(
            params.digest === bold.sha256
              ? { openLicense: "OFL-1.1", marks: ["full name says it is a trial: “Ostrel Trial”"] }
              : {
                  nearly: [{ language: "Polish", lacking: "ł Ł" }],
                  cutDown: ["it lacks the letters of its own name"],
                  metricsAgree: false,
                  problems: ["post gives no names"],
                  designer: "A. Hand",
                },
          ),
        ),
      ),
    );
    const { user } = await open("/families/f1/facts", "Ostrel");
    const said = (name: string) => screen.getByText(name).nextElementSibling as HTMLElement;
    expect(await screen.findByText(/^1 language, English among them/)).toBeInTheDocument();
    await user.click(screen.getByText("1 language lacks a few characters"));
    expect(screen.getByText("ł Ł")).toBeVisible();
    expect(said("Characters")).toHaveTextContent(
      "It looks like a subset: it lacks the letters of its own name.",
    );
    expect(said("Line height")).toHaveTextContent(/on other systems lines come out higher or lower/);
    expect(within(said("Line height")).getByRole("row", { name: "units per em 1,000" })).toBeInTheDocument();
    expect(said("Problems")).toHaveTextContent("post gives no names");
    expect(said("Made by")).toHaveTextContent("A. Hand");
    await user.click(screen.getByLabelText("Face"));
    await user.click(await screen.findByRole("option", { name: "Bold" }));
    expect(await screen.findByText(/^It names the open license OFL-1\.1/)).toBeInTheDocument();
    expect(screen.getByText(/says it is a trial/)).toBeInTheDocument();
    expect(screen.queryByText("Problems")).toBeNull();
  });

  it("says why it cannot be read, and tries again", async () => {
    let tries = 0;
    network.use(
      http.get("*/api/families/f1", () => HttpResponse.json(family())),
      http.get("*/api/files/:digest/details", () =>
        ++tries === 1 ? problem(422, "This file cannot be read as a font.") : HttpResponse.json(details()),
      ),
    );
    const { user } = await open("/families/f1/facts", "Ostrel");
    expect(await screen.findByText("This file cannot be read as a font.")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText(/^1 language/)).toBeInTheDocument();
  });
});
