/**
 * For bin/test, lines of `passed<TAB>count` and `failed<TAB>name`:
 *   node scripts/test-results.mjs jest|playwright FILE   what a runner wrote about its tests
 *   node scripts/test-results.mjs lane 1|2               the browser tests of a lane, both about as long
 */
import { existsSync, readdirSync, readFileSync } from "node:fs";

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

/** Shares the files out, the longest first, each to the lane that has the least to do. Seconds as measured, half a minute else. */
function lanes() {
  const seconds = read("e2e/seconds.json");
  const files = readdirSync("e2e").filter((file) => file.endsWith(".spec.ts"));
  const weight = (file) => seconds[file] ?? 30;
  const both = [
    { files: [], work: 0 },
    { files: [], work: 0 },
  ];
  for (const file of files.sort((a, b) => weight(b) - weight(a) || a.localeCompare(b))) {
    const lane = both[0].work <= both[1].work ? both[0] : both[1];
    lane.files.push(file);
    lane.work += weight(file);
  }
  return both.map((lane) => lane.files.sort());
}

if (what === "lane") for (const file of lanes()[Number(of) - 1]) console.log(`e2e/${file}`);
else {
  const { passed, failed } = existsSync(of)
    ? (what === "jest" ? jest : playwright)(read(of))
    : { passed: 0, failed: [`${what} wrote no results`] };
  console.log(`passed\t${passed}`);
  for (const name of failed) console.log(`failed\t${name.replaceAll(/\s+/g, " ")}`);
}
