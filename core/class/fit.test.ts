/** Which rung a pair works on: levels, the log, what the instructor says, bodies and limits. */
import { metres } from "../base/units.ts";
import type { Person } from "../pairs/score.ts";
import type { Pair } from "../pairs/pairs.ts";
import { defaultSchool } from "../policy/school.ts";
import { fitRung, levelOf } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";

const school = defaultSchool();
const TEXTS = [
  "tempo: 40%\n\nA jab -> B slip out",
  "tempo: 40%\n\nA jab -> B slip out, cross",
  "tempo: 50%\n\nA jab -> B slip out, cross\nA lead hook -> B weave, cross",
  "tempo: 50%\n\nA jab -> B slip out, cross\nA lead hook -> B weave, cross\nA cross -> B parry",
];
const rungs: PlanRung[] = TEXTS.map((text, i) => ({ text, title: `Rung ${i + 1}`, load: 3 + i * 2 }));

const person = (id: string, more: Partial<Person> = {}): Person => ({
  id,
  name: id,
  height: 1.75,
  mass: 70,
  age: "adult" as const,
  lead: "left",
  level: 3,
  limits: [],
  ...more,
});
const pair = (a: Partial<Person>, b: Partial<Person>, more: Partial<Pair> = {}): Pair => ({
  a: person("Ann", a),
  b: person("Ben", b),
  c: null,
  score: 1000,
  noContact: null,
  locked: false,
  why: [],
  ...more,
});
const fit = (p: Pair, base = 2, of = rungs) => fitRung(of, base, p, { bodyOf: () => ({}), school });

describe("the rung of a pair", () => {
  const both = (p: Pair, base?: number, of?: PlanRung[]) => {
    const { rung, back } = fit(p, base, of);
    return [rung, back?.rung ?? rung];
  };
  test("who answers has the rung of their own level: easier, the same, harder", () => {
    expect(both(pair({ level: 5 }, { level: 2 }))).toEqual([1, 3]);
    expect(both(pair({ level: 3 }, { level: 5 }))).toEqual([3, 2]);
    expect(both(pair({ level: 4 }, { level: 5 }))).toEqual([3, 3]);
    expect(both(pair({ level: 1 }, { level: 1 }), 0)).toEqual([0, 0]);
  });
  test("what the log says of somebody comes before their level, and is said", () => {
    const learned = { chances: [0.99, 0.97, 0.86, 0.6], target: 0.84, why: "mostly clean by what was seen 9 times" };
    const known = { bodyOf: () => ({}), school, learnedOf: (id: string) => (id === "Ben" ? learned : null) };
    const found = fitRung(rungs, 1, pair({ level: 3 }, { level: 1 }), known);
    expect([found.rung, found.back?.rung]).toEqual([2, 1]);
    expect(found.notes).toContain("Ben: mostly clean by what was seen 9 times.");
    // Never more than one step from where the class is.
    expect(fitRung(rungs, 0, pair({ level: 3 }, { level: 3 }), known).rung).toBe(1);
  });
  test("what the instructor says of somebody comes before the log and the level; a limit still holds", () => {
    const stepped = (steps: Readonly<Record<string, -1 | 1>>) => ({
      ...{ bodyOf: () => ({}), school, stepOf: (id: string) => steps[id] ?? 0 },
    });
    const two = pair({ level: 3 }, { level: 3 });
    const easier = fitRung(rungs, 2, two, stepped({ Ben: -1 }));
    expect([easier.rung, easier.back?.rung]).toEqual([1, 2]);
    expect(easier.notes).toContain("Ben: easier, as you said.");
    expect(fitRung(rungs, 2, two, stepped({ Ann: 1 })).back?.rung).toBe(3);
    expect(fitRung(rungs, 2, two, stepped({})).back).toBeNull();
    // Three, and two who do the same: easier for one is easier for all, harder only where all are to have it.
    const three = { ...two, c: { ...person("Cid"), level: 3 } };
    expect(fitRung(rungs, 2, three, stepped({ Cid: -1, Ann: 1 })).rung).toBe(1);
    expect(fitRung(rungs, 2, three, stepped({ Cid: 1, Ann: 1 })).rung).toBe(2);
    const shots: PlanRung[] = [rungs[0]!, { text: "mats: yes\n\nA double leg -> B sprawl", title: "Shot", load: 9 }];
    const hurt = pair({ level: 3 }, { level: 3, limits: ["no falls"] });
    expect(fitRung(shots, 0, hurt, stepped({ Ann: 1, Ben: 1 })).rung).toBe(0);
  });
  test("the pace and the contact of the easier rung hold for both", () => {
    const hard: PlanRung[] = [rungs[0]!, { ...rungs[2]!, text: `contact: medium\n${rungs[2]!.text}` }];
    const { notes } = fit(pair({ level: 2 }, { level: 3 }), 1, hard);
    expect(notes).toContain("Both at 40% of full speed, Ben too.");
    expect(notes).toContain("Contact for both: light.");
  });
  test("three, two who do the same, and roles that change with every feed go by the weakest", () => {
    const flow = rungs.map((r) => ({ ...r, text: `kind: flow\n${r.text}` }));
    expect(levelOf(pair({ level: 5 }, { level: 2 }))).toBe(2);
    expect(both(pair({ level: 5 }, { level: 2 }), 2, flow)).toEqual([1, 1]);
    expect(both({ ...pair({ level: 5 }, { level: 4 }), c: { ...person("Cid"), level: 1 } })).toEqual([1, 1]);
    const swapped = rungs.map((r) => ({ ...r, text: "loop 4 swap:\n  A jab -> B slip out" }));
    expect(both(pair({ level: 5 }, { level: 2 }), 2, swapped)).toEqual([1, 1]);
  });
  test("a limit takes a lower rung, and says so", () => {
    const shots: PlanRung[] = [rungs[0]!, { text: "mats: yes\n\nA double leg -> B sprawl", title: "Shot", load: 9 }];
    const hurt = fit(pair({ limits: ["No falls, please"] }, {}), 1, shots);
    expect(hurt.rung).toBe(0);
    expect(hurt.notes.join()).toMatch(/An easier rung: Ann: no falls/);
  });
  test("where no rung fits, it stays and says why", () => {
    const kicks: PlanRung[] = [{ text: "A rear round kick to leg -> B shin check", title: "Kick", load: 4 }];
    const none = fit(pair({}, { limits: ["no kicks"] }), 0, kicks);
    expect(none.rung).toBe(0);
    expect(none.notes).toEqual(["Ben: no kicks"]);
  });
  test("a broken drill is no rung for these bodies; an unknown height is said", () => {
    const broken: PlanRung[] = [rungs[0]!, { text: "A lead hook -> B slip out", title: "Broken", load: 5 }];
    expect(fit(pair({}, {}), 1, broken).rung).toBe(0);
    expect(fit(pair({ height: null }, {})).notes.join()).toMatch(/height of Ann is not known/);
  });
  describe("whoever feeds", () => {
    const BODIES: Record<string, number> = { Ann: 1.95, Ben: 1.5, Cid: 1.55 };
    const bodyOf = (id: string) => ({ height: metres(BODIES[id]!) });
    // From here the tall one reaches and the short one does not.
    const apart: PlanRung[] = [
      { text: "A jab -> B slip out", title: "Distance as it comes", load: 3 },
      { text: "range: 120 cm\n\nA jab -> B slip out", title: "From 1.2 m", load: 4 },
    ];
    test("the rung holds in both roles, or who answers takes an easier one, with the reason", () => {
      const found = fitRung(apart, 1, pair({}, {}), { bodyOf, school });
      expect([found.rung, found.back?.rung]).toEqual([1, 0]);
      expect(found.notes[0]).toMatch(/^An easier rung: When Ben feeds Ann: .*can’t land/);
    });
    test("another distance in the other role is said, in words that each measures with their own arm", () => {
      const cross: PlanRung[] = [{ text: "A cross -> B slip out", title: "Cross", load: 3 }];
      const found = fitRung(cross, 0, pair({}, {}), { bodyOf, school });
      expect(found.notes.join()).toMatch(/^When Ann answers: fist to shoulder/);
      const alike = fitRung(apart, 0, pair({}, {}), { bodyOf: () => ({ height: metres(1.75) }), school });
      expect(alike.notes).toEqual([]);
    });
    test("the third of a trio is looked at like the others", () => {
      const short = fitRung(
        apart,
        1,
        { ...pair({}, {}), c: person("Cid") },
        { bodyOf: (id) => ({ height: metres(id === "Cid" ? 1.5 : 1.9) }), school },
      );
      expect(short.rung).toBe(0);
      expect(short.notes[0]).toMatch(/When Cid feeds/);
    });
    test("where no easier rung is there, what is wrong is said", () => {
      const found = fitRung(apart.slice(1), 0, pair({}, {}), { bodyOf, school });
      expect([found.rung, found.notes.some((n) => n.startsWith("When Ben feeds Ann"))]).toEqual([0, true]);
    });
  });
  test("a large weight gap, and a minor, are said on the card", () => {
    expect(fit(pair({}, {}, { noContact: "large weight gap" })).notes.join()).toMatch(/Without contact/);
    const hard: PlanRung[] = [{ ...rungs[0]!, text: `contact: medium\n${rungs[0]!.text}` }];
    expect(fit(pair({ age: "minor" as const }, { age: "minor" as const }), 0, hard).notes.join()).toMatch(/touch only/);
  });
});
