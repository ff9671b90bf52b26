/** What people leave out, read against drills. Common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { fitRung } from "./fit.ts";
import { LIMITS, limitsAgainst, wantsNoCloseTouch } from "./limits.ts";
import { tonightLimits, TONIGHT_IDS } from "../people/tonight.ts";

const school = defaultSchool();
const against = (limit: string, text: string) => limitsAgainst([limit], checkFor(parse(text), school));
const SHOT = "mats: yes\n\nA double leg -> B sprawl";
const KICK = "A rear round kick to leg -> B shin check";

test.each([
  ["no falls", SHOT],
  ["no falls", "mats: yes\n\nA sweep -> B step back"],
  ["no kicks", KICK],
  ["no contact", "A jab -> B slip out"],
  ["no head contact", "A jab -> B slip out"],
  ["no turns on one foot", "A lead hook -> B check hook"],
  ["spare the knee", KICK],
  ["spare the knee", SHOT],
  ["spare the neck", "kind: sensitivity\n\nA collar tie -> B frame"],
])("%s rules out %j", (limit, text) => {
  expect(against(limit, text)).toHaveLength(1);
});
test.each([
  ["no falls", "A jab -> B slip out"],
  ["no kicks", "A jab -> B slip out"],
  ["no contact", "contact: none\n\nA jab -> B slip out"],
  ["no head contact", "A lead hook to body -> B elbow drop"],
  ["no turns on one foot", "A jab -> B slip out"],
  ["spare the knee", "A jab -> B slip out"],
])("%s leaves %j", (limit, text) => {
  expect(against(limit, text)).toEqual([]);
});
test("whatever can be tapped at arrival is known to the plan or shown as it is written", () => {
  const known = tonightLimits(TONIGHT_IDS).filter((limit) => LIMITS.some((one) => limit.includes(one)));
  expect(known).toEqual(expect.arrayContaining(["no head contact", "no close touch", "no kneeling", "spare the neck"]));
});
test("close touch is not ruled out: what stands for the hold is said by name", () => {
  const person = (name: string, limits: readonly string[]) =>
    ({ id: name, name, height: 1.75, mass: 70, age: "adult" as const, lead: "left", level: 3, limits }) as const;
  const pair = { a: person("Ann", []), b: person("Ben", ["no close touch"]), c: null };
  const rungs = [{ text: "kind: sensitivity\n\nA collar tie -> B frame", title: "Tie", load: 3 }];
  const fit = fitRung(
    rungs,
    0,
    { ...pair, score: 0, noContact: null, locked: false, why: [] },
    { bodyOf: (id) => ({ noCloseTouch: wantsNoCloseTouch(id === "Ben" ? pair.b.limits : []) }), school },
  );
  expect(fit.notes.join()).toMatch(/For Ben the collar tie goes to a hand on the shoulder/);
});
