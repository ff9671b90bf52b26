import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** A function that does one thing or another by a switch is two functions, or takes words for it. */
const NO_SWITCH = [
  {
    selector: ":function > Identifier.params[typeAnnotation.typeAnnotation.type='TSBooleanKeyword']",
    message: "A boolean parameter says nothing where it is called: use two functions, or words.",
  },
  {
    selector: ":function > AssignmentPattern.params > Literal[raw=/^(true|false)$/]",
    message: "A boolean parameter says nothing where it is called: use two functions, or words.",
  },
];
const NO_NEST = [
  {
    selector: "ConditionalExpression > ConditionalExpression > ConditionalExpression",
    message: "Three conditions in one expression are hard to read: use a table or a function.",
  },
];
/** The day depends on the zone of a school: one place reckons it, for code and for SQL. */
const NO_OTHER_CLOCK = [
  {
    selector:
      "CallExpression[callee.property.name=/^(slice|substring|split)$/] > MemberExpression > CallExpression[callee.property.name='toISOString']",
    message: "That is the day in UTC. Ask todayOf(scope), or dayIn(zone, at) of core/base/days.ts.",
  },
  {
    selector:
      ":matches(Literal[value=/\\b(current_date|current_time|localtime|localtimestamp)\\b/i], TemplateElement[value.raw=/\\b(current_date|current_time|localtime|localtimestamp)\\b/i])",
    message:
      "That is the day of the database's zone. Use school_today(school) and class_begins(...), see db/migrations/0020.",
  },
];
const ours = (most) => ["error", { max: most, skipBlankLines: false, skipComments: false, IIFEs: true }];

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
    // How much of a property is drawn is said by the run of the tests.
    ignores: ["**/*.test.ts", "core/base/samples-testing.ts"],
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
    files: ["core/**/*.ts", "server/**/*.ts", "db/**/*.ts", "cli/**/*.ts"],
    ignores: ["**/*.test.ts", "**/*testing.ts"],
    rules: {
      "max-lines-per-function": ours(60),
      "max-params": ["error", 5],
      "no-restricted-syntax": ["error", ...NO_SWITCH, ...NO_NEST, ...NO_OTHER_CLOCK],
    },
  },
  {
    files: ["**/*.{ts,tsx,mjs}"],
    ignores: ["core/base/days.ts", "core/**", "server/**", "db/**", "cli/**", "app/**"],
    rules: { "no-restricted-syntax": ["error", ...NO_OTHER_CLOCK] },
  },
  { files: ["**/*.test.{ts,tsx}", "**/*testing.ts"], rules: { "no-restricted-syntax": ["error", ...NO_OTHER_CLOCK] } },
  // The one place that reckons days.
  { files: ["core/base/days.ts"], rules: { "no-restricted-syntax": ["error", ...NO_SWITCH, ...NO_NEST] } },
  // Plain numbers in the innermost loops: two points are four of them, and no object is made for each.
  { files: ["core/body/geometry.ts"], rules: { "max-params": "off" } },
  {
    // A tick box hands over a boolean: here it is a value, no switch.
    files: ["app/**/*.{ts,tsx}"],
    ignores: ["**/*.test.ts", "**/*.test.tsx"],
    rules: {
      "max-lines-per-function": ours(80),
      "max-params": ["error", 5],
      "no-restricted-syntax": ["error", ...NO_NEST, ...NO_OTHER_CLOCK],
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
