import react from "@vitejs/plugin-react";
import license from "rollup-plugin-license";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { defineConfig, type Plugin } from "vite";

/** The licenses of the typefaces, which go along as files and not as modules. */
function typefaces(): Plugin {
  return {
    name: "typefaces",
    closeBundle() {
      const own = JSON.parse(readFileSync("package.json", "utf8")) as {
        dependencies: Record<string, string>;
      };
      const texts = Object.keys(own.dependencies)
        .filter((name) => name.startsWith("@fontsource"))
        .map((name) => `${name}\n\n${readFileSync(`node_modules/${name}/LICENSE`, "utf8")}`);
      mkdirSync("dist/notices", { recursive: true });
      writeFileSync("dist/notices/typefaces.txt", texts.join("\n---\n\n"));
    },
  };
}

export default defineConfig({
  plugins: [react(), license({ thirdParty: { output: "dist/notices/interface.txt" } }), typefaces()],
  build: { chunkSizeWarningLimit: 1500 },
  server: { port: 8610, proxy: { "/api": "http://localhost:8600" } },
});
