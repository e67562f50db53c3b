import { defineConfig } from "@playwright/test";

/** The running product in Debian's Chromium; UNCIALA_URL is where bin/test started it. */
export default defineConfig({
  testDir: "tests",
  outputDir: "test-results",
  workers: 1,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [["list"]],
  use: {
    baseURL: process.env.UNCIALA_URL ?? "http://localhost:8600",
    viewport: { width: 1280, height: 800 },
    locale: "en-US",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-component-update"],
    },
  },
});
