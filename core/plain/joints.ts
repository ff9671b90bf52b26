/** The words and marks that join names, or part them. */
import { PLAIN } from "./plain-words.ts";

/** What joins names, or parts them. */
export type Joint = "turn" | "against" | "then" | "and" | "together" | "or" | "slash" | "meets" | "comma";
const AND: ReadonlySet<string> = new Set(["and", "n"]);
/** Words by what they join, the surest first. */
export const JOINTS: readonly (readonly [ReadonlySet<string>, Joint])[] = [
  [PLAIN.meets, "meets"],
  [PLAIN.turn, "turn"],
  [PLAIN.against, "against"],
  [PLAIN.together, "together"],
  [PLAIN.then, "then"],
  [AND, "and"],
  [PLAIN.or, "or"],
];
/** Marks by what they join. */
export const MARKS: Readonly<Record<string, Joint>> = {
  ...{ ",": "comma", ".": "comma", ";": "turn", ":": "turn", "->": "turn", "<>": "meets" },
  ...{ "|": "or", "/": "slash", "+": "together", "&": "together" },
};
