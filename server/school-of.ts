/** The school of a request as the checker takes it. */
import { defaultSchool, readSchool, type School } from "#core/policy/school.ts";
import { getSettings } from "#db/school.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";

/** Schools as they were last read: a version of the settings never changes, so nothing goes stale. */
const read = new Map<string, School>();
const MOST_KEPT = 50;

/** Reads the settings of a school. Settings are checked when they are saved; older ones that no longer fit count as none. */
export async function schoolOf(scope: Scope): Promise<School> {
  const { settings, version } = await getSettings(db, scope);
  const key = `${scope.schoolId}:${version}`;
  const known = read.get(key);
  if (known) return known;
  const result = readSchool(settings);
  const school = result.ok ? result.school : defaultSchool();
  if (read.size >= MOST_KEPT) read.clear();
  read.set(key, school);
  return school;
}
