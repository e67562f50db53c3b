import { defineConfig } from "@playwright/test";

const engine = /(check|engine|letters|roles|woff2)\.spec\.ts/;

/** Debian's Chromium; how the product is started stands in tests/inventory.ts. What a failed test did is kept. */
export default defineConfig({
  testDir: "tests",
  outputDir: "test-results",
  workers: Number(process.env.UNCIALA_WORKERS ?? 1),
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [["list"]],
  // The engine's tests set text in files that the Java tests of the core write; those of the product need none of them.
  projects: [
    { name: "product", testIgnore: engine },
    { name: "engine", testMatch: engine },
  ],
  use: {
    // A trace takes as long as the test itself: UNCIALA_TRACE=1 keeps those of tests that fail.
    trace: process.env.UNCIALA_TRACE ? "retain-on-failure" : "off",
    viewport: { width: 1280, height: 800 },
    locale: "en-US",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-component-update"],
    },
  },
});
