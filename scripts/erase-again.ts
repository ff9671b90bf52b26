/** Erases people once more whom a backup has brought back: a list of `{ school, id }` on standard input. */
import { readFileSync } from "node:fs";
import { array, object, string } from "yup";
import { eraseStudent } from "#db/people.ts";
import { closePool } from "#db/pool.ts";

const uuid = string().uuid().required();
const people = array(object({ school: uuid, id: uuid }).required()).required();

/** Nobody's account: erasing asks for none. */
const accountId = "00000000-0000-0000-0000-000000000000";
const gone = people.validateSync(JSON.parse(readFileSync(0, "utf8")));
for (const { school, id } of gone) await eraseStudent({ schoolId: school, accountId, role: "owner" }, id);
if (gone.length > 0) console.log(`${gone.length} people were erased since, and are erased again`);
await closePool();
