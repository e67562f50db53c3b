import "@testing-library/jest-dom/vitest";
import { cleanup, configure } from "@testing-library/react";
import { afterAll, afterEach, beforeAll, beforeEach, vi } from "vitest";
import { connection } from "../shared/api/connection";
import { Events } from "./events";
import { network } from "./network";

configure({ asyncUtilTimeout: 20_000 });

/** What jsdom has not: nothing is laid out, so nothing is ever seen, resized or scrolled. */
class Observer {
  observe() {}
  unobserve() {}
  disconnect() {}
  takeRecords() {
    return [];
  }
}
vi.stubGlobal("ResizeObserver", Observer);
vi.stubGlobal("IntersectionObserver", Observer);
vi.stubGlobal("EventSource", Events);
vi.stubGlobal("scrollTo", () => undefined);
Element.prototype.scrollIntoView = () => undefined;
vi.stubGlobal("matchMedia", (media: string) => ({
  media,
  matches: false,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
  addListener: () => undefined,
  removeListener: () => undefined,
}));

/** No font is ever loaded. */
const fonts = Object.assign(new Set<FontFace>(), {
  status: "loading",
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
});

// A test may give the page others.
beforeEach(() => {
  Object.defineProperty(document, "fonts", { configurable: true, value: fonts });
});
beforeAll(() => network.listen({ onUnhandledRequest: "error" }));
afterEach(() => {
  cleanup();
  network.resetHandlers();
  connection.answered();
  connection.sessionBegun();
  localStorage.clear();
});
afterAll(() => network.close());
