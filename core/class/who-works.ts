/** Who can work in a block, and whether it can be done without contact: looked at before anybody is paired. */
import type { School } from "../policy/school.ts";
import { contactFree } from "./contact-free.ts";
import { asGiven } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";
import { limitsAgainst, limitsFor, withoutContactLimit } from "./limits.ts";
import type { PlanPerson } from "./plan-types.ts";
import type { Block } from "./timetable.ts";

/** The people who can take part in a block, and why others cannot. */
export interface BlockTerms {
  /** Nothing of it can be done without contact. */
  readonly contactOnly: boolean;
  /** Who has no version of it that they may do, by id, and why. */
  readonly out: ReadonlyMap<string, string>;
}

/** The rungs that somebody of a block can be given: its own, or the easiest of its stations, and those below. */
function rungsFor({ rung, stations = [] }: Block, rungs: readonly PlanRung[]): PlanRung[] {
  const base = Math.min(rung ?? 0, ...stations);
  const like = rungs[base];
  return rungs.filter((one, i) => i <= base && (one.theme ?? 0) === (like?.theme ?? 0) && one.past === like?.past);
}

/** Returns who can take part in a block. */
export function termsOf(
  block: Block,
  rungs: readonly PlanRung[],
  people: readonly PlanPerson[],
  school: School,
): BlockTerms {
  const ways = rungsFor(block, rungs).map((rung) => {
    const checked = asGiven(rung, { a: undefined, b: undefined }, school);
    return { checked, free: contactFree(checked) };
  });
  const out = new Map<string, string>();
  for (const person of people) {
    const limits = limitsFor(person);
    const others = withoutContactLimit(limits);
    const wantsNone = others.length < limits.length;
    const against = ways.map(({ checked, free }) =>
      wantsNone && free === null ? ["no contact, and this is all contact"] : limitsAgainst(others, checked),
    );
    const [first] = against;
    if (first && against.every((said) => said.length > 0)) out.set(person.id, `has no part in this: ${first[0]!}`);
  }
  return { contactOnly: ways.every(({ free }) => free === null), out };
}
