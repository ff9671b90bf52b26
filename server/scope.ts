/** The one place that says who asks and for which school. Sign-in replaces its body, nothing else. */
import type { Scope } from "#db/scope.ts";
import { DEMO_ACCOUNT, DEMO_SCHOOL } from "#demo/club.ts";

/** The school and person of a request; until sign-in is built, the demo school's instructor. */
export function scopeOf(_cookie: string | null): Scope {
  return { schoolId: DEMO_SCHOOL, accountId: DEMO_ACCOUNT, role: "instructor" };
}
