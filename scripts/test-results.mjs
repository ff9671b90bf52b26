/**
 * For bin/test, lines of `passed<TAB>count` and `failed<TAB>name`:
 *   node scripts/test-results.mjs jest|playwright FILE   what a runner wrote about its tests
 */
import { existsSync, readFileSync } from "node:fs";

const read = (file) => JSON.parse(readFileSync(file, "utf8"));
const [, , what, of] = process.argv;

function jest({ testResults }) {
  const all = testResults.flatMap(({ name, status, assertionResults }) => {
    const file = name.replace(`${process.cwd()}/`, "");
    // A file that could not be loaded has no tests of its own.
    if (status === "failed" && assertionResults.length === 0) return [{ name: file, status }];
    return assertionResults.map((one) => ({ name: `${file}: ${one.fullName}`, status: one.status }));
  });
  return {
    passed: all.filter(({ status }) => status === "passed").length,
    failed: all.filter(({ status }) => status === "failed").map(({ name }) => name),
  };
}

function playwright({ suites, errors, stats }) {
  const named = (suite) => [
    ...(suite.specs ?? []).filter(({ ok }) => !ok).map(({ file, title }) => `e2e/${file}: ${title}`),
    ...(suite.suites ?? []).flatMap(named),
  ];
  return {
    passed: stats.expected + stats.flaky,
    failed: [...suites.flatMap(named), ...errors.map(({ message }) => message.split("\n")[0])],
  };
}

const { passed, failed } = existsSync(of)
  ? (what === "jest" ? jest : playwright)(read(of))
  : { passed: 0, failed: [`${what} wrote no results`] };
console.log(`passed\t${passed}`);
for (const name of failed) console.log(`failed\t${name.replaceAll(/\s+/g, " ")}`);
