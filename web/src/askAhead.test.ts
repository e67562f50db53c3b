import { QueryClient } from "@tanstack/react-query";
import { http, HttpResponse } from "msw";
import { describe, expect, it } from "vitest";
import { askAhead } from "./askAhead";
import { network } from "./testing/network";
import { open } from "./testing/render";
import { family } from "./testing/samples";

function families() {
  const asked: string[] = [];
  network.use(
    http.get("*/api/families", ({ request }) => {
      asked.push(new URL(request.url).search);
      return HttpResponse.json({ items: [{ ...family({ name: "Ostrel" }), under: [] }], next: null });
    }),
    http.get("*/api/families/foundries", () => HttpResponse.json([])),
  );
  return asked;
}
// On a busy machine a page takes longer to open than an answer is taken to be fresh.
const client = () => new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });

describe("what the first page will show", () => {
  it("is asked for ahead, just as the page asks", async () => {
    const asked = families();
    const ahead = client();
    await askAhead(ahead, { pathname: "/families", search: "?name=ost&license=NO" });
    expect(asked).toEqual(["?limit=30&name=ost&license=NO"]);
    await open("/families?name=ost&license=NO", "Families", ahead);
    expect(asked).toHaveLength(1);
  });

  it("is not asked for elsewhere, nor without a session or a server", async () => {
    const asked = families();
    await askAhead(client(), { pathname: "/licenses", search: "" });
    network.use(http.get("*/api/session", () => HttpResponse.json({ status: 401 }, { status: 401 })));
    await askAhead(client(), { pathname: "/families", search: "" });
    network.use(http.get("*/api/session", () => HttpResponse.error()));
    await askAhead(client(), { pathname: "/families", search: "" });
    expect(asked).toEqual([]);
  });
});
