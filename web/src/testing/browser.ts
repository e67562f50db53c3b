import { builtinEnvironments, type Environment } from "vitest/runtime";

const kept = globalThis as { window?: unknown };

/**
 * A jsdom that stays for all files of tests of a worker: modules are read once and keep what they put into the page, such
 * as style elements. Each test begins with an empty body (setup.ts).
 */
const browser: Environment = {
  name: "browser",
  viteEnvironment: "client",
  async setup(global, options) {
    if (kept.window === undefined) {
      await builtinEnvironments.jsdom.setup(global, options);
    }
    return { teardown: () => undefined };
  },
};

export default browser;
