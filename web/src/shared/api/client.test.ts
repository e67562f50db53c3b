import { http, HttpResponse } from "msw";
import { afterEach, describe, expect, it } from "vitest";
import { network, problem } from "../../testing/network";
import { api, bodyOf, editing, isStale, NoAnswerError, ProblemError, problemIn } from "./client";
import { connection } from "./connection";

afterEach(() => {
  document.cookie = "XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT";
});

describe("the API", () => {
  it("gives the body of an answer, and parameters their place in the address", async () => {
    network.use(
      http.get("*/api/flags", ({ request }) =>
        HttpResponse.json({ items: [new URL(request.url).search], next: null }),
      ),
    );
    const page = await bodyOf(
      api.GET("/api/flags", { params: { query: { family: ["a", "b c"], limit: 5 } } }),
    );
    expect(page.items).toEqual(["?family=a&family=b%20c&limit=5"]);
  });

  it("says the cookie's token again where something is changed, and the version that is edited", async () => {
    document.cookie = "XSRF-TOKEN=abc%3D1";
    const sent: (string | null)[] = [];
    network.use(
      http.put("*/api/families/f1", ({ request }) => {
        sent.push(request.headers.get("X-XSRF-TOKEN"), request.headers.get("If-Match"));
        return HttpResponse.json({});
      }),
      http.get("*/api/families/f1", ({ request }) => {
        sent.push(request.headers.get("X-XSRF-TOKEN"));
        return HttpResponse.json({});
      }),
    );
    const path = { id: "f1" };
    await api.PUT("/api/families/{id}", {
      params: { path, header: editing(7) },
      body: { name: "Ostrel", foundry: "", classification: null },
    });
    await api.GET("/api/families/{id}", { params: { path } });
    expect(sent).toEqual(["abc=1", '"7"', null]);
  });

  it("throws the sentence of a refusal with the fields it names", async () => {
    network.use(
      http.post("*/api/clients", () =>
        problem(422, "A client has a name.", [{ field: "name", message: "Between 1 and 200 characters." }]),
      ),
    );
    const refused = await api.POST("/api/clients", { body: { name: "" } }).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(ProblemError);
    expect(refused).toMatchObject({
      status: 422,
      message: "A client has a name.",
      fields: { name: "Between 1 and 200 characters." },
    });
    expect(isStale(refused)).toBe(false);
    expect(isStale(new ProblemError(412, ""))).toBe(true);
  });

  it("says the status when a refusal says nothing itself", async () => {
    network.use(http.get("*/api/clients", () => new HttpResponse("<h1>Bad gateway</h1>", { status: 502 })));
    await expect(api.GET("/api/clients")).rejects.toThrow("The server answered 502.");
    expect(problemIn(500, null).message).toBe("The server answered 500.");
    expect(problemIn(500, "text").message).toBe("The server answered 500.");
  });

  it("knows a server that does not answer, until it answers", async () => {
    network.use(http.get("*/api/clients", () => HttpResponse.error()));
    await expect(api.GET("/api/clients")).rejects.toBeInstanceOf(NoAnswerError);
    expect(connection.state().away).toBe(true);
    await api.GET("/api/sites");
    expect(connection.state().away).toBe(false);
  });

  it("does not take a call that was given up for a server that is away", async () => {
    const giving = new AbortController();
    giving.abort();
    await expect(api.GET("/api/sites", { signal: giving.signal })).rejects.toThrow();
    expect(connection.state().away).toBe(false);
  });

  it("notices that the session has ended, but not when nobody was signed in or a password is wrong", async () => {
    network.use(
      http.get("*/api/session", () => problem(401, "Sign in first.")),
      http.post("*/api/session", () => problem(401, "Wrong.")),
      http.get("*/api/clients", () => problem(401, "Sign in first.")),
    );
    await api.GET("/api/session").catch(() => undefined);
    await api.POST("/api/session", { body: { name: "a", password: "b" } }).catch(() => undefined);
    expect(connection.state().ended).toBe(false);
    await api.GET("/api/clients").catch(() => undefined);
    expect(connection.state().ended).toBe(true);
  });
});
