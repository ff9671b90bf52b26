import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["build", "node_modules", ".react-router", ".data", "core/score/score-parser*.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ["**/*.{ts,tsx}"],
    rules: {
      // Indexing is checked by the compiler; a non-null assertion says where the caller has already looked.
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "max-lines": ["error", { max: 400 }],
      eqeqeq: "error",
      "no-console": "off",
    },
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Chance comes in as a seed." },
        { object: "Date", property: "now", message: "Time comes in as an argument." },
      ],
      "no-restricted-globals": ["error", "window", "document", "fetch", "process", "setTimeout", "console"],
      // Control characters are part of what the notation must survive.
      "no-control-regex": "off",
    },
  },
  {
    files: ["app/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks },
    rules: { "react-hooks/rules-of-hooks": "error", "react-hooks/exhaustive-deps": "error" },
  },
  {
    files: ["**/*.mjs", "server/serve.mjs"],
    languageOptions: {
      globals: { process: "readonly", console: "readonly", fetch: "readonly", URL: "readonly", setTimeout: "readonly" },
    },
  },
  { files: ["*.cjs"], languageOptions: { globals: { module: "readonly" } } },
);
