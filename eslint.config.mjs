import { defineConfig, globalIgnores } from "eslint/config";
import nextVitals from "eslint-config-next/core-web-vitals";
import nextTs from "eslint-config-next/typescript";
import prettier from "eslint-config-prettier/flat";

export default defineConfig([
  ...nextVitals,
  ...nextTs,
  prettier,
  {
    rules: {
      // Taking a field out of a document by rest is how it is left out.
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true, argsIgnorePattern: "^_" }],
    },
  },
  {
    // A promise that nobody waits for loses its failure: it is awaited, handled, or thrown away by name (`void`).
    files: ["**/*.{ts,tsx}"],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/no-misused-promises": "error",
      "@typescript-eslint/await-thenable": "error",
      "@typescript-eslint/switch-exhaustiveness-check": ["error", { considerDefaultExhaustiveForUnions: true }],
    },
  },
  {
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["src/app/**", "src/proxy.ts"],
    rules: {
      "no-restricted-syntax": ["error", { selector: "ExportDefaultDeclaration", message: "Named exports only outside app/." }],
    },
  },
  {
    // The trade as pure functions: time, randomness and identity come in as arguments.
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.test.ts"],
    rules: {
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now", message: "Pass the time in." },
        { object: "Math", property: "random", message: "Pass a seed in." },
        { object: "crypto", property: "randomUUID", message: "Pass the id in." },
      ],
    },
  },
  globalIgnores([".next/**", ".ivy/**", "next-env.d.ts", "test-results/**", "playwright-report/**"]),
]);
