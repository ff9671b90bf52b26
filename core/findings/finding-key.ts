/** Tells the findings of a drill apart. */
import type { Finding } from "./finding.ts";

/** What tells a finding from the others of its text. */
export const findingKey = ({ rule, from, to, message }: Finding): string => `${rule} ${from} ${to} ${message}`;
