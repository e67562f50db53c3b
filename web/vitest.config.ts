import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  test: {
    include: ["src/**/*.test.{ts,tsx}"],
    environment: "./src/testing/browser.ts",
    environmentOptions: { jsdom: { url: "http://localhost:8600/" } },
    setupFiles: ["src/testing/setup.ts"],
    testTimeout: 60_000,
    pool: "threads",
    isolate: false,
  },
});
