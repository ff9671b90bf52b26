/**
 * Who may meet whom, in classes drawn by chance and paired in every way there is: by name, in two lines, in threes, at
 * stations, with locks, late comers and people who leave. What is forbidden is written down here a second time, from the
 * rules as an instructor says them. Common practice, no source; local rules decide.
 */
import fc from "fast-check";
import { SEED } from "../base/samples-testing.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { PAIR_WEIGHTS } from "../policy/pair-weights.ts";
import { parse } from "../score/parse.ts";
import type { PlanRung } from "./plan-rung.ts";
import { planRound } from "./round.ts";
import { contactFree, stoppedShort } from "./contact-free.ts";
import { AFTER_HEAD_BLOW } from "./limits.ts";
import type { ClassPlan, PlannedPair, PlanPerson } from "./plan.ts";
import { goodPlan, planOf, someone } from "./testing.ts";
import { circuit, CLOCK } from "./timetable.ts";

const school = defaultSchool();
const rung = (text: string, title: string, load: number): PlanRung => ({ text, title, load });
const STRIKES = [
  rung("A jab -> B slip out", "Slip", 2),
  rung("contact: light\n\nA jab -> B slip out, cross", "Hit back", 3),
  rung(
    "contact: medium\nA: wears headguard\nB: wears headguard\n\nA rear round kick to body -> B shin check",
    "Kick",
    5,
  ),
];
const PADS = [rung("A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross", "Pads", 3)];
const HOLDS = [rung("kind: sensitivity\n\nA push left chest -> B turn left", "Push", 3)];
const SHOT = [rung("mats: yes\n\nA double leg -> B sprawl", "Shot", 4)];
const THREE = [rung("C: lead left\n\nA jab -> B slip out\nC jab -> B slip out", "Three", 4)];
const THEMES = [STRIKES, PADS, HOLDS, SHOT, THREE, [...STRIKES, ...PADS]];

const person = fc.record({
  mass_kg: fc.option(fc.integer({ min: 30, max: 110 }), { freq: 6 }),
  age: fc.constantFrom("adult" as const, "adult" as const, "minor" as const, "unknown" as const),
  level: fc.integer({ min: 0, max: 5 }),
  limits: fc.constantFrom<readonly string[]>([], [], [], ["no contact"], ["no kicks"], ["no falls"], AFTER_HEAD_BLOW),
  falls: fc.constantFrom(true, true, false),
  from: fc.constantFrom(0, 0, 0, 2),
  until: fc.constantFrom(null, null, 3),
});
const drawn = fc.record({
  people: fc.array(person, { minLength: 2, maxLength: 16 }),
  theme: fc.nat(THEMES.length - 1),
  way: fc.constantFrom("names" as const, "lines" as const, "stations" as const),
  locks: fc.array(fc.tuple(fc.nat(15), fc.nat(15), fc.nat(3)), { maxLength: 3 }),
  agreed: fc.array(fc.tuple(fc.nat(15), fc.nat(15)), { maxLength: 2 }),
  minors: fc.constantFrom(600, 200),
});

interface Rules {
  readonly byId: ReadonlyMap<string, PlanPerson>;
  readonly agreed: ReadonlySet<string>;
  readonly rungs: readonly PlanRung[];
}
const keyOf = (a: string, b: string): string => [a, b].sort().join();

/** What is wrong with a pair as it works, in words; nothing where it is as it must be. */
function wrongWith(
  pair: Pick<PlannedPair, "a" | "b" | "c" | "rung" | "back" | "form">,
  { byId, agreed, rungs }: Rules,
): string[] {
  const all = [pair.a, pair.b, ...(pair.c ? [pair.c] : [])].map((id) => byId.get(id)!);
  const wrong: string[] = [];
  const texts = [pair.rung, pair.back ?? pair.rung].map((at) => rungs[at]!.text);
  const given = texts.map((text) => checkFor(parse(pair.form ? stoppedShort(text) : text), school));
  const touches = given.some((checked) => contactFree(checked)?.kind !== "as it is");
  for (const [i, one] of all.entries())
    for (const two of all.slice(i + 1)) {
      const isAgreed = agreed.has(keyOf(one.id, two.id));
      const ages = [one.age, two.age];
      if (ages.includes("unknown") && ages.includes("minor")) wrong.push("a minor with somebody unknown");
      if (!touches) continue;
      if (ages.includes("unknown")) wrong.push("contact with somebody unknown");
      if (ages.includes("minor") && ages.includes("adult") && !isAgreed) wrong.push("a minor in contact with an adult");
      const most = ages.every((age) => age === "adult") ? 1.4 : 1.25;
      const [m, n] = [one.mass_kg, two.mass_kg];
      if (m !== null && n !== null && Math.max(m, n) / Math.min(m, n) > most && !isAgreed)
        wrong.push(`contact at ${m} and ${n} kg`);
    }
  const kicks = given.some(({ exchanges }) => exchanges.some(({ blow }) => blow?.limb === "leg"));
  const throws = texts.some((text) => text.includes("double leg"));
  for (const { name, limits, falls } of all) {
    const has = (word: string) => limits.some((limit) => limit.includes(word));
    if (has("no contact") && touches) wrong.push(`${name} in contact`);
    if (has("no kicks") && kicks) wrong.push(`${name} with kicks`);
    if ((has("no falls") || falls === false) && throws) wrong.push(`${name} thrown`);
  }
  return wrong;
}

function classOf({ people, theme, way, locks, agreed, minors }: Parameters<Parameters<typeof drawn.map>[0]>[0]) {
  const rungs = THEMES[theme]!;
  const all = people.map((one, i) => someone(`p${String(i).padStart(2, "0")}`, { name: `P${i}`, ...one }));
  const at = (i: number) => all[i % all.length]!.id;
  const blocks = way === "stations" && rungs.length > 2 ? [circuit([0, 1, 2], CLOCK, "c")] : null;
  const wishes = agreed
    .filter(([a, b]) => at(a) !== at(b))
    .map(([a, b]) => ({ a: at(a), b: at(b), kind: "agreed" as const }));
  const plan = goodPlan(
    planOf({
      ...{ people: all, rungs, blocks, wishes, minutes: 60 },
      lines: way === "lines",
      weights: { ...PAIR_WEIGHTS, minorWithAdult: minors },
      locked: locks
        .filter(([a, b]) => at(a) !== at(b))
        .map(([a, b, round]) => ({ round, a: at(a), b: at(b), c: null })),
    }),
  );
  const rules: Rules = {
    rungs,
    byId: new Map(all.map((one) => [one.id, one])),
    agreed: new Set(wishes.map(({ a, b }) => keyOf(a, b))),
  };
  return { plan, rules, all };
}
const faults = (plan: ClassPlan & { readonly ok: true }, rules: Rules): string[] =>
  plan.rounds.flatMap(({ pairs }) => pairs.flatMap((pair) => wrongWith(pair, rules)));

test("no pair is forbidden, whichever way pairs are made, and everybody is somewhere", () => {
  fc.assert(
    fc.property(drawn, (input) => {
      const { plan, rules, all } = classOf(input);
      expect(faults(plan, rules)).toEqual([]);
      for (const [r, { pairs, alone }] of plan.rounds.entries()) {
        const placed = [...pairs.flatMap(({ a, b, c }) => [a, b, ...(c ? [c] : [])]), ...alone.map(({ id }) => id)];
        const here = all.filter(({ from, until }) => from <= r && (until === null || r < until)).map(({ id }) => id);
        expect([...placed].sort()).toEqual([...here].sort());
        // Who has no pair is told why.
        for (const { why } of alone) expect(why.length).toBeGreaterThan(5);
      }
    }),
    { numRuns: process.env.TEST_LONG ? 600 : 75, seed: SEED },
  );
});

test("one round by itself goes by the same rules", () => {
  fc.assert(
    fc.property(fc.array(person, { minLength: 2, maxLength: 12 }), fc.nat(THEMES.length - 2), (people, theme) => {
      const rungs = THEMES[theme]!;
      const all = people.map((one, i) => someone(`p${i}`, { name: `P${i}`, ...one }));
      const round = planRound({ people: all, versions: rungs, base: rungs.length - 1, met: {}, wishes: [] }, school);
      if (!round.ok) throw new Error(round.message);
      const rules = { rungs, byId: new Map(all.map((one) => [one.id, one])), agreed: new Set<string>() };
      for (const { why, version, ...ids } of round.pairs) {
        const form = why.startsWith("stopped short") ? { form: "stopped short" as const } : {};
        expect(wrongWith({ ...ids, rung: version, ...form }, rules)).toEqual([]);
      }
      const placed = round.pairs.flatMap(({ a, b, c }) => [a, b, ...(c ? [c] : [])]).length;
      expect(round.left.length === 0).toBe(placed === all.length);
    }),
    { numRuns: 60 },
  );
});

describe("as an instructor says it", () => {
  const plan = (people: readonly PlanPerson[], rungs: readonly PlanRung[]) =>
    goodPlan(planOf({ people, rungs, minutes: 45 }));
  test("a child and an adult who are not agreed box without contact, and on pads as they are", () => {
    const two = [someone("kid", { age: "minor", mass_kg: 50 }), someone("adult", { mass_kg: 55 })];
    const mild = { ...PAIR_WEIGHTS, minorWithAdult: 200 };
    const boxing = goodPlan(planOf({ people: two, rungs: STRIKES.slice(0, 2), minutes: 45, weights: mild }));
    expect(boxing.rounds[0]!.pairs[0]).toMatchObject({ form: "stopped short" });
    expect(boxing.rounds[0]!.pairs[0]!.notes.join()).toMatch(/Without contact: a minor with an adult/);
    const pads = goodPlan(planOf({ people: two, rungs: PADS, minutes: 45, weights: mild }));
    expect(pads.rounds[0]!.pairs[0]!.form).toBeUndefined();
    // What is all contact makes no pair of them, and it is said.
    const pushing = goodPlan(planOf({ people: two, rungs: HOLDS, minutes: 45, weights: mild }));
    expect(pushing.rounds[0]!.pairs).toEqual([]);
    expect(pushing.rounds[0]!.alone).toHaveLength(2);
  });
  test("70 and 97 kg work in contact, 70 and 99 do not; with a minor 50 and 62 do, 50 and 63 do not", () => {
    const form = (a: Partial<PlanPerson>, b: Partial<PlanPerson>) =>
      plan([someone("a", a), someone("b", b)], STRIKES.slice(0, 2)).rounds[0]!.pairs[0]!.form ?? "contact";
    expect(form({ mass_kg: 70 }, { mass_kg: 97 })).toBe("contact");
    expect(form({ mass_kg: 70 }, { mass_kg: 99 })).toBe("stopped short");
    const minor = { age: "minor" as const };
    expect(form({ ...minor, mass_kg: 50 }, { ...minor, mass_kg: 62 })).toBe("contact");
    expect(form({ ...minor, mass_kg: 50 }, { ...minor, mass_kg: 63 })).toBe("stopped short");
  });
  test("a takedown asks who has learnt to fall, and gives it to nobody of whom nobody has said so", () => {
    const people = ["a", "b", "c", "d"].map((id, i) => someone(id, { name: id.toUpperCase(), falls: i > 0 }));
    const made = plan(people, SHOT);
    expect(made.notes.join(" ")).toMatch(/Who has learnt to fall\? Nobody has said so of A/);
    for (const { pairs, alone } of made.rounds) {
      expect(pairs.flatMap(({ a, b, c }) => [a, b, c])).not.toContain("a");
      expect(alone.find(({ id }) => id === "a")!.why).toMatch(/no falls/);
    }
  });
  test("after a blow to the head somebody works without contact, and has no part in kicks", () => {
    const hurt = someone("hurt", { limits: AFTER_HEAD_BLOW });
    const boxing = plan([hurt, someone("b"), someone("c"), someone("d")], STRIKES.slice(0, 2));
    for (const { pairs } of boxing.rounds)
      expect(pairs.find(({ a, b, c }) => [a, b, c].includes("hurt"))).toMatchObject({ form: "stopped short" });
    const kicking = plan([hurt, someone("b"), someone("c")], [STRIKES[2]!]);
    for (const { alone } of kicking.rounds) expect(alone.map(({ id }) => id)).toContain("hurt");
  });
});
