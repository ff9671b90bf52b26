/** The school of a request: its name and settings, and the school as the checker takes it. */
import { getSchool, type SchoolRow } from "#db/school.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { dayIn } from "#core/base/days.ts";
import type { School } from "#core/policy/school.ts";
import { schoolFrom, type KeyedSettings } from "../checks/school-cache.ts";

/** What requests that are under way have read of their school; null where they have not yet. */
const read = new WeakMap<Scope, Promise<SchoolRow | null> | null>();

/** The scope of one request, which reads its school once, however many places ask for it. */
export function forOneRequest(scope: Scope): Scope {
  read.set(scope, null);
  return scope;
}

/** Whoever has changed the settings sees them as they are now. */
export function readSchoolAgain(scope: Scope): void {
  if (read.has(scope)) read.set(scope, null);
}

/** The school of a scope; null where it is not there. */
export function schoolRow(scope: Scope): Promise<SchoolRow | null> {
  const known = read.get(scope);
  if (known) return known;
  const row = getSchool(db, scope);
  if (known === null) read.set(scope, row);
  return row;
}

export const schoolName = async (scope: Scope): Promise<string> => (await schoolRow(scope))?.name ?? "";

/** The day that the school's clock shows, `2026-11-25`; SQL has the same in `school_today`. */
export const todayOf = async (scope: Scope): Promise<string> =>
  dayIn((await schoolRow(scope))?.zone ?? "UTC", Date.now());

/** Settings with a key that says which version of which school's they are. */
export async function settingsOf(scope: Scope): Promise<KeyedSettings> {
  const { settings, version } = (await schoolRow(scope)) ?? { settings: {}, version: 0 };
  return { key: `${scope.schoolId}:${version}`, settings };
}

export const schoolOf = async (scope: Scope): Promise<School> => schoolFrom(await settingsOf(scope));
