/**
 * Makes a large school in the database, beside the demo club: bin/tool large-school [SCHOOL-ID]. Whoever leads
 * the demo club leads it too. How long its pages take says scripts/pages-load.mjs.
 */
import { readFileSync } from "node:fs";
import { setMembership } from "#db/accounts.ts";
import { closePool, transaction } from "#db/pool.ts";
import { DEMO_ACCOUNT, DEMO_SCHOOL } from "#demo/club.ts";

const id = process.argv[2] ?? "7c1e0d52-4a4e-4b10-8d6a-51f0b0019999";
await transaction(async (tx) => {
  await tx.query(`select set_config('large.school', $1, true), set_config('large.demo', $2, true)`, [id, DEMO_SCHOOL]);
  await tx.query(readFileSync("scripts/large-school.sql", "utf8"));
});
// A database that was just filled knows nothing of it yet.
await transaction((tx) => tx.query("analyze"));
await transaction((tx) => setMembership(tx, { schoolId: id, accountId: DEMO_ACCOUNT, role: "owner", studentId: null }));
console.log(`A large school is there: ${id}`);
await closePool();
