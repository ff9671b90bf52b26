/** The one place that says who asks and for which school. Sign-in replaces its body, nothing else. */
import type { Scope } from "#db/scope.ts";

/** The school and person of a request; until sign-in is built, those that the environment names. */
export function scopeOf(_cookie: string | null): Scope {
  const { VICISSOR_SCHOOL: schoolId, VICISSOR_ACCOUNT: accountId } = process.env;
  if (!schoolId || !accountId)
    throw new Error("VICISSOR_SCHOOL and VICISSOR_ACCOUNT must say whose records are shown; bin/start sets them");
  return { schoolId, accountId, role: "instructor" };
}
