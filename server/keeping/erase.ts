/** Erasing a person for good: also out of backups that come back. */
import { closeSync, fsyncSync, mkdirSync, openSync, writeSync } from "node:fs";
import { dirname, join } from "node:path";
import { eraseStudent, isKnownAlive } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { mustBeHere, refused, type Refusal } from "../web/respond.ts";
import { env } from "../web/env.ts";

/** The list beside the backups, which `bin/restore` reads and never replaces. */
const listFile = (): string => env().VICISSOR_ERASED ?? join(env().VICISSOR_BACKUPS, "erased.lines");

/** Writes a line through to the disk. */
function write(line: string): void {
  const file = listFile();
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const handle = openSync(file, "a", 0o600);
  try {
    writeSync(handle, `${line}\n`);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

const NOT_WRITTEN =
  "Nobody was erased: the list beside the backups could not be written, and a restore would bring them back. Is its disk full?";

/** Their id is on the list before the erasing holds; where it does not hold after all the list says so. */
export async function erasePerson(scope: Scope, id: string): Promise<{ readonly kind: "changed" } | Refusal> {
  await mustBeHere(scope, "students", [id]);
  if (!(await isKnownAlive(db, scope, id))) return refused("This person is not here any more. Load the page again.");
  const person = `${scope.schoolId} ${id}`;
  let written = false;
  try {
    await eraseStudent(scope, id, () => {
      write(person);
      written = true;
      return Promise.resolve();
    });
  } catch (error) {
    if (!written && (error as { syscall?: string }).syscall) return refused(NOT_WRITTEN);
    if (written) write(`not ${person}`);
    throw error;
  }
  return { kind: "changed" };
}
