import { http, HttpResponse } from "msw";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { network } from "../../testing/network";
import { loadAt, stateOf } from "./fontStore";

const added = new Set<unknown>();

/** Stands for the browser's own loader: what begins with “font” is one. */
class Face {
  constructor(
    readonly family: string,
    private readonly bytes: ArrayBuffer,
  ) {}

  load() {
    return new TextDecoder().decode(this.bytes).startsWith("font")
      ? Promise.resolve(this)
      : Promise.reject(new SyntaxError("not a font"));
  }
}

beforeEach(() => {
  added.clear();
  vi.stubGlobal("FontFace", Face);
  Object.defineProperty(document, "fonts", { configurable: true, value: added });
});
afterEach(() => vi.unstubAllGlobals());

const settled = (address: string) =>
  vi.waitFor(() => {
    expect(stateOf(address).state).not.toBe("loading");
    return stateOf(address);
  });

describe("fonts that text is set in", () => {
  it("are fetched once for all who use them, each under a name of its own", async () => {
    let fetched = 0;
    network.use(
      http.get("*/one", () => {
        fetched++;
        return HttpResponse.text("font one");
      }),
      http.get("*/two", () => HttpResponse.text("font two")),
    );
    const told = vi.fn();
    loadAt("/one", told);
    loadAt("/one", told);
    loadAt("/two", () => undefined);
    const one = await settled("/one");
    const two = await settled("/two");
    expect(fetched).toBe(1);
    expect(told).toHaveBeenCalled();
    expect(one).toMatchObject({ state: "ready" });
    expect(two).not.toEqual(one);
    expect(added.size).toBe(2);
  });

  it("are refused when the browser takes them for none", async () => {
    network.use(http.get("*/text", () => HttpResponse.text("hello")));
    loadAt("/text", () => undefined);
    expect(await settled("/text")).toEqual({ state: "refused" });
  });

  it("are fetched again after a failure of the network, which says nothing of the file", async () => {
    network.use(http.get("*/flaky", () => HttpResponse.error()));
    const stop = loadAt("/flaky", () => undefined);
    expect(await settled("/flaky")).toEqual({ state: "failed" });
    stop();
    network.use(http.get("*/flaky", () => HttpResponse.text("font at last")));
    loadAt("/flaky", () => undefined);
    expect(await settled("/flaky")).toMatchObject({ state: "ready" });
    network.use(http.get("*/gone", () => new HttpResponse(null, { status: 404 })));
    loadAt("/gone", () => undefined);
    expect(await settled("/gone")).toEqual({ state: "failed" });
  });

  it("are let go when many are not used any more, those in use never", async () => {
    network.use(http.get("*/many/:n", () => HttpResponse.text("font")));
    loadAt("/many/kept", () => undefined);
    await settled("/many/kept");
    for (let i = 0; i < 70; i++) {
      const stop = loadAt(`/many/${i}`, () => undefined);
      await settled(`/many/${i}`);
      stop();
    }
    expect(added.size).toBeLessThanOrEqual(61);
    expect(stateOf("/many/kept")).toMatchObject({ state: "ready" });
    expect(stateOf("/many/69")).toMatchObject({ state: "ready" });
    expect(stateOf("/many/0")).toEqual({ state: "loading" });
  });

  it("wait while the page is scrolled, and do not come at all when they were scrolled past", async () => {
    const fetched: string[] = [];
    network.use(
      http.get("*/in-view", () => {
        fetched.push("in view");
        return HttpResponse.text("font in view");
      }),
      http.get("*/passed", () => {
        fetched.push("passed");
        return HttpResponse.text("font passed");
      }),
    );
    window.dispatchEvent(new Event("scroll"));
    loadAt("/in-view", () => undefined);
    const pass = loadAt("/passed", () => undefined);
    pass();
    expect((await settled("/in-view")).state).toBe("ready");
    expect(fetched).toEqual(["in view"]);
    expect(stateOf("/passed").state).toBe("loading");
    loadAt("/passed", () => undefined);
    expect((await settled("/passed")).state).toBe("ready");
  });
});
