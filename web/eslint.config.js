import js from "@eslint/js";
import query from "@tanstack/eslint-plugin-query";
import accessibility from "eslint-plugin-jsx-a11y";
import hooks from "eslint-plugin-react-hooks";
import { defineConfig, globalIgnores } from "eslint/config";
import typescript from "typescript-eslint";

const places = "account family flag frame history home intake license people search settings site".split(" ");

/** A place imports what is shared and itself; nothing imports from another place. */
const ownPlaceOnly = places
  .filter((place) => place !== "frame")
  .map((place) => ({
    files: [`src/${place}/**`],
    rules: {
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: places.filter((other) => other !== place).map((other) => `../${other}/*`) }] },
      ],
    },
  }));

export default defineConfig([
  globalIgnores(["dist", "src/shared/api/schema.d.ts", "public"]),
  js.configs.recommended,
  typescript.configs.recommendedTypeChecked,
  { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  hooks.configs.flat.recommended,
  accessibility.flatConfigs.recommended,
  query.configs["flat/recommended"],
  {
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/prefer-promise-reject-errors": "error",
      "react-hooks/set-state-in-effect": "off",
      "react-hooks/incompatible-library": "off",
      "jsx-a11y/no-autofocus": "off",
      "no-restricted-syntax": [
        "error",
        {
          selector: "TSAsExpression > TSUnknownKeyword",
          message:
            "A cast by way of unknown hides that types differ; only where the API's paths are generic.",
        },
      ],
    },
  },
  {
    files: ["src/shared/**"],
    rules: {
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: places.map((place) => `../../${place}/*`) }] },
      ],
    },
  },
  ...ownPlaceOnly,
  { files: ["**/*.js"], extends: [typescript.configs.disableTypeChecked] },
]);
