/** Schools of their own for tests against a database: nothing that is there is touched. */
import { randomUUID } from "node:crypto";
import type { Member } from "#core/people/person.ts";
import { NOBODY } from "#core/people/testing.ts";
import { insertBlock, type NewBlock } from "./classes.ts";
import { db, transaction } from "./pool.ts";
import { writeOnPaper } from "./rounds-run.ts";
import { dayIn } from "#core/base/days.ts";
import { insertSchool, serverZone } from "./school.ts";
import type { Scope } from "./scope.ts";

/** An empty school with one instructor. */
export async function newSchool(): Promise<Scope> {
  const scope: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "instructor" };
  await insertSchool(db, scope, "Test school", { name: "Tess Ter", email: `${scope.accountId}@test.example` });
  return scope;
}

/** The day and the time of a class that began so many minutes ago, by the clock of a new school. */
export function beganAgo(minutes: number): { readonly held_on: string; readonly starts_at: string } {
  const at = Date.now() - minutes * 60_000;
  const starts_at = new Date(at).toLocaleTimeString("en-GB", { timeZone: serverZone(), hourCycle: "h23" });
  return { held_on: dayIn(serverZone(), at), starts_at };
}

/** A block of rounds that were run, as an instructor writes them down afterwards. */
export const trainBlock = (scope: Scope, classId: string, block: NewBlock & { readonly position: number }) =>
  transaction(async (tx) => {
    await insertBlock(tx, scope, classId, block);
    await writeOnPaper(tx, scope, classId, { rounds: 48, kept: null });
  });

/** Somebody with measures and nothing else that is known of them. */
export const member = (name: string, more: Partial<Member> = {}): Member => ({
  ...NOBODY,
  ...{ id: randomUUID(), name, height_cm: 170, mass_kg: 70 },
  ...more,
});
