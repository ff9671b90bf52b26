/** Who asks, and for which school: every query of every aggregate takes one. */
export interface Scope {
  readonly schoolId: string;
  readonly accountId: string;
  readonly role: "owner" | "instructor" | "assistant" | "student";
}
