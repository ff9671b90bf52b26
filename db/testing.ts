/** Schools of their own for tests against a database: nothing that is there is touched. */
import { randomUUID } from "node:crypto";
import type { Member } from "#core/people/person.ts";
import { NOBODY } from "#core/people/testing.ts";
import { db } from "./pool.ts";
import { insertSchool } from "./school.ts";
import type { Scope } from "./scope.ts";

/** An empty school with one instructor. */
export async function newSchool(): Promise<Scope> {
  const scope: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "instructor" };
  await insertSchool(db, scope, "Test school", { name: "Tess Ter", email: `${scope.accountId}@test.example` });
  return scope;
}

/** Somebody with measures and nothing else that is known of them. */
export const member = (name: string, more: Partial<Member> = {}): Member => ({
  ...NOBODY,
  ...{ id: randomUUID(), name, height_cm: 170, mass_kg: 70 },
  ...more,
});
