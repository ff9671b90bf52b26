/** Accounts of a school, as far as screens and server say the same of them. */

/** Letters of a password, at least. */
export const MIN_PASSWORD = 12;

/** The roles of accounts in words. */
export const ROLE_WORDS = {
  owner: "Owner",
  instructor: "Instructor",
  assistant: "Assistant",
  student: "Student",
} as const;

/** A role of an account. */
export type MemberRole = keyof typeof ROLE_WORDS;

/** What somebody may do in a role, as it is said where it is chosen. */
export const ROLE_HINTS: Readonly<Record<MemberRole, string>> = {
  owner: "Everything, with who belongs to the school and its backups.",
  instructor: "Drills, classes, people with their limits, the log.",
  assistant: "Reads drills and sheets, ticks who is here, runs the floor.",
  student: "Their own page: tonight’s rounds, and what to go on with.",
};
