/** Reading and checking the many texts of a search, which share most of their rows. */
import { check } from "../check/check.ts";
import type { Checked } from "../check/types.ts";
import type { School } from "../school/school.ts";
import { RowMemory } from "../score/row-memory.ts";
import type { Score } from "../score/types.ts";

const memory = new RowMemory();

export const readText = (text: string): Score => memory.read(text);
export const checkText = (text: string, school: School): Checked => check(readText(text), school);
