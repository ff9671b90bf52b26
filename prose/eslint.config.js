/** English of comments and documents: run apart from the lint of code, with a baseline that may only shrink. */
import markdown from "@eslint/markdown";
import tseslint from "typescript-eslint";
import prose from "./plain-english.js";

const rules = { "prose/plain-english": "error" };

export default [
  {
    ignores: [
      "build",
      "node_modules",
      ".react-router",
      ".data",
      "core/score/score-parser*.ts",
      "CHANGELOG.md",
      "docs/read",
    ],
  },
  {
    files: ["**/*.{ts,tsx,mjs}"],
    languageOptions: { parser: tseslint.parser, parserOptions: { ecmaFeatures: { jsx: true } } },
    linterOptions: { reportUnusedDisableDirectives: "off" },
    plugins: { prose },
    rules,
  },
  { files: ["**/*.md"], language: "markdown/commonmark", plugins: { markdown, prose }, rules },
];
