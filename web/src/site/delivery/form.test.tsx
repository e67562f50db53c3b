import { screen, waitFor } from "@testing-library/react";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import type { Site, SiteDraft } from "../../shared/api/types";
import { network, problem } from "../../testing/network";
import { open } from "../../testing/render";
import { site, usualDelivery } from "../../testing/samples";

/** A site on the mocked network, kept as it is saved. */
function recorded() {
  const state = { site: site(), sent: [] as SiteDraft[] };
  network.use(
    http.get("*/api/sites/s1", () => HttpResponse.json(state.site)),
    http.put("*/api/sites/s1", async ({ request }) => {
      const draft = (await request.json()) as SiteDraft;
      state.sent.push(draft);
      state.site = { ...state.site, ...draft, version: state.site.version + 1 } as Site;
      return HttpResponse.json(state.site);
    }),
  );
  return state;
}

describe("how a site's fonts are delivered", () => {
  it("shows what comes out while it is described, and keeps it", async () => {
    const state = recorded();
    const { user } = await open("/sites/s1/delivery", "Fernway");
    const preview = screen.getByRole("group", { name: "Preview" });
    expect(preview).toHaveTextContent('url("fonts/tarnow-bold-1f0c22aa.woff2")');
    await user.click(screen.getByRole("combobox", { name: "Where files go" }));
    await user.click(screen.getByRole("option", { name: /own expression points/ }));
    expect(preview).toHaveTextContent("Nothing to preview until the fields above are complete.");
    await user.click(screen.getByLabelText(/^Expression/));
    await user.paste("{{ asset '{file}' }}");
    expect(preview).toHaveTextContent("url(\"{{ asset 'tarnow-bold-1f0c22aa.woff2' }}\")");
    await user.type(screen.getByRole("combobox", { name: "Languages" }), "Polish{Enter}");
    await user.type(screen.getByLabelText("Budget, kB"), "60");
    await user.click(screen.getByRole("button", { name: "Save the delivery" }));
    await waitFor(() => expect(state.sent).toHaveLength(1));
    expect(state.sent[0]?.delivery).toEqual({
      ...usualDelivery,
      kind: "EXPRESSION",
      expression: "{{ asset '{file}' }}",
      languages: ["pl"],
      budget: 60_000,
    });
  });

  it("matches addresses that were pasted, and says which fits no file", async () => {
    const state = recorded();
    state.site.delivery = { ...usualDelivery, kind: "URL_PER_FILE" };
    let tries = 0;
    network.use(
      http.post("*/api/sites/s1/urls", () =>
        tries++
          ? HttpResponse.json({ "a.woff2": "https://cdn.example/9" })
          : problem(422, "It fits none of the files."),
      ),
    );
    const { user } = await open("/sites/s1/delivery", "Fernway");
    await user.type(screen.getByLabelText("Addresses of the files"), "https://cdn.example/9");
    await user.click(screen.getByRole("button", { name: "Match them to the files" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It fits none of the files.");
    expect(screen.getByLabelText("Addresses of the files")).toHaveValue("https://cdn.example/9");
    await user.click(screen.getByRole("button", { name: "Match them to the files" }));
    expect(await screen.findByText("a.woff2: https://cdn.example/9")).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Save the delivery" }));
    await waitFor(() => expect(state.sent[0]?.delivery.urls).toEqual({ "a.woff2": "https://cdn.example/9" }));
  });
});
