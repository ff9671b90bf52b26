/**
 * Writes what a long run came to into docs/long-run.md, between its two marks:
 *   node scripts/long-run.mjs PASSED FAILED COMMIT DAY
 */
import { readFileSync, writeFileSync } from "node:fs";
import { cpus } from "node:os";

const [passed, failed, commit, day] = process.argv.slice(2);
const file = "docs/long-run.md";
const result = `Commit \`${commit}\`, ${day}, ${cpus().length} cores: ${passed} passed, ${failed} failed.`;
const text = readFileSync(file, "utf8");
writeFileSync(file, text.replace(/(<!-- last -->\n)[^]*?(\n<!-- end -->)/, `$1\n${result}\n$2`));
console.log(result);
