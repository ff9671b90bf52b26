/** The settings of the school of a request, and the school as the checker takes it. */
import { getSettings } from "#db/school.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { School } from "#core/policy/school.ts";
import { schoolFrom, type KeyedSettings } from "./checks/school-cache.ts";

/** Settings with a key that says which version of which school's they are. */
export async function settingsOf(scope: Scope): Promise<KeyedSettings> {
  const { settings, version } = await getSettings(db, scope);
  return { key: `${scope.schoolId}:${version}`, settings };
}

export const schoolOf = async (scope: Scope): Promise<School> => schoolFrom(await settingsOf(scope));
