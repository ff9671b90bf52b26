/** Erases people once more whom a backup has brought back: a line `SCHOOL ID` for each on standard input. */
import { readFileSync } from "node:fs";
import { array, object, string } from "yup";
import { eraseStudent, isKnownAlive } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";

const uuid = string().uuid().required();
const people = array(object({ school: uuid, id: uuid }).required()).required();

/** Nobody's account: erasing asks for none. */
const accountId = "00000000-0000-0000-0000-000000000000";
const lines = new Set(
  readFileSync(0, "utf8")
    .split("\n")
    .filter((line) => line.trim() !== ""),
);
const gone = people.validateSync(
  [...lines].map((line) => {
    const [school, id] = line.trim().split(" ");
    return { school, id };
  }),
);
let count = 0;
for (const { school, id } of gone) {
  const scope = { schoolId: school, accountId, role: "owner" as const };
  if (!(await isKnownAlive(db, scope, id))) continue;
  await eraseStudent(scope, id);
  count++;
}
if (count > 0) console.log(`${count} people were erased since, and are erased again`);
await closePool();
