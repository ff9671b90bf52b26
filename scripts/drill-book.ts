/** Writes the drill book of a school as a folder of plain pages: bin/tool drill-book FOLDER [SCHOOL-ID] */
import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { closePool } from "#db/pool.ts";
import { closeThreads } from "#server/checks/pool.ts";
import { drillBook } from "#server/share/book.ts";
import { namedSchool } from "./named-school.ts";

const [folder, school] = process.argv.slice(2);
if (!folder) {
  console.error("usage: bin/tool drill-book FOLDER [SCHOOL-ID]");
  process.exit(2);
}
const files = await drillBook(await namedSchool(school), null);
mkdirSync(folder, { recursive: true });
for (const [name, text] of files) writeFileSync(join(folder, name), text);
console.log(`${files.size - 2} drills in ${folder}: open index.html`);
await Promise.all([closeThreads(), closePool()]);
