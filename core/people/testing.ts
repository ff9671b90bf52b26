import { BLANK_MEMBER } from "./person.ts";

/** Somebody of age of whom nothing else is known, for tests. */
export const NOBODY = { ...BLANK_MEMBER, minor: false };
