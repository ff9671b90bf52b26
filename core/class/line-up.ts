/** What is looked at before anybody begins: hygiene, gear, tools. Common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import type { PlanRung } from "./plan-rung.ts";

/** The first line of a plan, by what is trained. */
export function lineUpCheck(rungs: readonly PlanRung[], school: School): string {
  const checked = rungs.map(({ text }) => checkFor(parse(text), school));
  const people = checked.flatMap(({ header }) => header.actors.map((actor) => header.people[actor]));
  const holds = (kind: RegExp) => people.some((one) => one.holds && kind.test(one.holds.kind));
  const touched = checked.some(({ header }) => header.contact !== "none");
  const gloves = people.some(({ wears }) => wears.includes("gloves") || wears.includes("mitts"));
  const mats = checked.some(({ header, exchanges }) => header.mats || exchanges.some((e) => e.blow?.path === "shoot"));
  return [
    "Before you begin: nails short, rings and watches off, hair tied, glasses off, skin healthy or covered",
    touched && gloves && "mouthguards in",
    holds(/stick/) && "sticks looked over for splinters and cracks",
    holds(/knife|blade/) && "training blades only, blunt, and shown to everybody",
    mats ? "mats close together and wiped, no shoes on them" : "the floor dry, and shoes clean or off",
  ]
    .filter(Boolean)
    .join("; ")
    .concat(".");
}
