import { defineConfig } from "vite";

/** The reader of pages is one script of its own, which runs in pages of others. */
export default defineConfig({
  publicDir: false,
  build: {
    emptyOutDir: false,
    lib: { entry: "src/reader/main.ts", name: "readPage", formats: ["iife"], fileName: () => "reader.js" },
  },
});
