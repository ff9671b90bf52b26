/** What somebody with an account may be in a school. */
export const ROLES = ["owner", "instructor", "assistant", "student"] as const;
export type Role = (typeof ROLES)[number];

/** Who asks, and for which school: every query of every aggregate takes one. */
export interface Scope {
  readonly schoolId: string;
  readonly accountId: string;
  /** A tablet in the hall is let in by an instructor and sees one class. */
  readonly role: Role | "tablet";
}
