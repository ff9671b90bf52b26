/** A whole school out and in: bin/tool school-archive out FILE, or in FILE (into an empty school: bin/start --empty makes one). */
import { readFileSync, writeFileSync } from "node:fs";
import { closePool } from "#db/pool.ts";
import { exportSchool, importSchool } from "#server/keeping/archive.ts";
import { namedSchool } from "./named-school.ts";

const [way, file] = process.argv.slice(2);
if ((way !== "out" && way !== "in") || !file) throw new Error("usage: bin/tool school-archive out|in FILE");
if (way === "out") writeFileSync(file, await exportSchool(await namedSchool(process.argv[4])));
else {
  const done = await importSchool(await namedSchool(process.argv[4]), readFileSync(file));
  if ("message" in done) {
    console.error(done.message);
    process.exitCode = 1;
  } else console.log(`${done.rows} rows are in`);
}
await closePool();
