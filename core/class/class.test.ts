/** The plan of a class: minutes, rungs for pairs, gear, what each gets. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { eveningLadder } from "./evening-ladder.ts";
import type { PlanRung } from "./plan-rung.ts";
import { floorFor, gearFor, gearTurns, shortages, shortageText } from "./gear.ts";
import { frozenOf } from "../floor/frozen.ts";
import type { ClassPlan, PlanInput, PlanPerson } from "./plan.ts";
import { IN_PAIRS, IN_QUEUE, inQueues, onePartner, passSeconds, shares, unfair } from "./shares.ts";
import {
  blockFaults,
  CLOCK,
  FREE,
  freePlay,
  packClass,
  rungOrder,
  stretches,
  total,
  workMinutes,
  inHalf,
} from "./timetable.ts";
import { goodPlan, planOf, someone } from "./testing.ts";

const TEXTS = [
  "tempo: 40%\n\nA jab -> B slip out",
  "tempo: 40%\n\nA jab -> B slip out, cross",
  "tempo: 50%\n\nA jab -> B slip out, cross\nA lead hook -> B weave, cross",
  "tempo: 50%\n\nA jab -> B slip out, cross\nA lead hook -> B weave, cross\nA cross -> B parry",
];
const rungs: PlanRung[] = TEXTS.map((text, i) => ({ text, title: `Rung ${i + 1}`, load: 3 + i * 2 }));
const member = (n: number, more: Partial<PlanPerson> = {}): PlanPerson =>
  someone(`p${String(n).padStart(2, "0")}`, {
    name: `P${n}`,
    height_cm: 165 + ((n * 7) % 20),
    mass_kg: 62 + ((n * 5) % 18),
    ...more,
  });
const group = (n: number) => Array.from({ length: n }, (_, i) => member(i));
const plan = (more: Partial<PlanInput> = {}): ClassPlan => planOf({ rungs, people: group(12), ...more });

describe("the clock", () => {
  // A round of 180 s with a switch every 30 s: six stretches, three for each role. Common practice, no source.
  test("a round of 180 s with a change every 30 s has six stretches, three for each role", () => {
    const six = stretches({ round: 180, change: 30, rest: 0 });
    expect(six).toHaveLength(6);
    expect(six.filter((s) => s.feeder === "A")).toHaveLength(3);
    expect(six.reduce((sum, s) => sum + s.seconds, 0)).toBe(180);
  });
  test("a last stretch may be short", () => {
    expect(stretches({ round: 100, change: 45, rest: 0 }).map((s) => s.seconds)).toEqual([45, 45, 10]);
  });
  test.each([45, 60, 75, 90, 120])("%i minutes are packed full, with warm-up first and close last", (minutes) => {
    const packed = packClass(
      minutes,
      rungs.map((r) => r.title),
    );
    if (!packed.ok) throw new Error(packed.message);
    expect(total(packed.blocks)).toBeLessThanOrEqual(minutes);
    expect(packed.left).toBe(0);
    expect(packed.blocks[0]!.kind).toBe("warm-up");
    expect(packed.blocks[packed.blocks.length - 1]!.kind).toBe("close");
    expect(
      blockFaults(
        packed.blocks,
        minutes,
        rungs.map((r) => r.load),
      ),
    ).toEqual([]);
  });
  test("a long class ends in free play before the close; a short one has no time for it", () => {
    const kinds = (minutes: number) => {
      const packed = packClass(
        minutes,
        rungs.map((r) => r.title),
      );
      return packed.ok ? packed.blocks.map((b) => b.kind) : [];
    };
    expect(kinds(90).slice(-2)).toEqual(["free", "close"]);
    expect(kinds(45)).not.toContain("free");
    expect(freePlay("x")).toMatchObject({ id: "x", kind: "free", rung: null, rounds: 0, minutes: FREE });
  });
  test("the peak comes before the end, an easier rung last", () => {
    expect(rungOrder(5, 8)).toEqual([0, 2, 5, 7, 2]);
    expect(rungOrder(2, 8)).toEqual([0, 7]);
    expect(rungOrder(1, 8)).toEqual([0]);
    expect(rungOrder(4, 1)).toEqual([0]);
  });
  test("too few minutes, or nothing to work on, says what to do", () => {
    const short = packClass(16, ["one"]);
    expect(short.ok ? "" : short.message).toMatch(/too short: .* Give more minutes or shorter rounds/);
    const empty = packClass(90, []);
    expect(empty.ok ? "" : empty.message).toMatch(/Choose a ladder or a drill/);
  });
  test("faults of blocks by hand: too long, no warm-up, the hardest last", () => {
    const packed = packClass(
      60,
      rungs.map((r) => r.title),
    );
    if (!packed.ok) throw new Error(packed.message);
    const work = packed.blocks.filter((b) => b.rung !== null);
    const wrong = [...work, { ...work[0]!, id: "x", rung: 3 }, { ...work[0]!, id: "y", rung: 3, minutes: 50 }];
    const said = blockFaults(
      wrong,
      60,
      rungs.map((r) => r.load),
    ).join(" ");
    expect(said).toMatch(/minutes too long/);
    expect(said).toMatch(/does not begin with a warm-up/);
    expect(said).toMatch(/hardest rung comes last/);
  });
  test("a block of three rounds takes its rounds, the rests between, and the showing", () => {
    expect(workMinutes(3, { round: 180, change: 30, rest: 60 })).toBe(2 + 9 + 2);
  });
});

describe("gear", () => {
  const sticks = checkFor(parse("A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high"));
  test("what a pair needs is what its two people hold and wear, their own things left out", () => {
    expect(gearFor(sticks)).toEqual({ stick: 2 });
    expect(gearFor(checkFor(parse("A: wears mitts, mouthguard\nB: wears gloves\n\nA jab -> B parry")))).toEqual({
      mitts: 1,
    });
    expect(gearFor(checkFor(parse("mats: yes\n\nA double leg -> B sprawl"))).mats).toBeGreaterThan(0);
  });
  test("who holds a weapon needs more floor", () => {
    expect(floorFor(sticks)).toBeGreaterThan(floorFor(checkFor(parse("A jab -> B parry"))));
  });
  test("what is short goes round: everybody has it for the same time, in another order each round", () => {
    const pairs = Array.from({ length: 4 }, () => ({ mitts: 1 }));
    const said = (first: number) => gearTurns(pairs, { mitts: 2 }, { seconds: 180, first }).map(([note]) => note!);
    expect(said(0)[0]).toBe(
      "You have the mitts from 0:00 to 1:30; else the same in the air; the partner names the blows.",
    );
    expect(said(0).filter((note) => note.includes("from 1:30 to 3:00"))).toHaveLength(2);
    expect(said(2)[0]).toContain("from 1:30 to 3:00");
    expect(gearTurns(pairs, { mitts: 4 }, { seconds: 180, first: 0 })).toEqual([[], [], [], []]);
    expect(gearTurns(pairs, {}, { seconds: 180, first: 0 })).toEqual([[], [], [], []]);
  });
  test("less than is needed: waves of whole pairs, or bring more", () => {
    const six = Array.from({ length: 6 }, () => ({ stick: 2 }));
    expect(shortages(six, { stick: 12 })).toEqual([]);
    expect(shortages(six, { stick: 5 })).toEqual([{ kind: "stick", need: 12, there: 5, waves: 3 }]);
    expect(shortageText(shortages(six, { stick: 5 })[0]!)).toMatch(
      /They go round in 3 turns; when is said with each pair/,
    );
    expect(shortageText(shortages(six, {})[0]!)).toMatch(/Take another rung, or bring more/);
  });
});

describe("what each gets", () => {
  const one = checkFor(parse("A jab -> B slip out"));
  // In pairs about 40 repetitions a minute, in a queue 10. Common practice, no source.
  test("a minute in pairs is worth four in a queue", () => {
    expect(IN_PAIRS / IN_QUEUE).toBe(4);
    expect(60 / passSeconds(one)).toBe(40);
    expect(inQueues(12)).toBe(120);
  });
  test("two who change roles get the same, of feeds and of answers", () => {
    const worked = [
      [{ a: "x", b: "y", c: null, checked: one, side: "left" as const, change: CLOCK.change, round: 180 }],
    ];
    const [x, y] = shares(worked, ["x", "y"], { round: 180, change: 30, rest: 0 });
    expect(x!.working).toBe(180);
    expect(x!.feeding).toBe(90);
    expect(x!.feeding).toBe(y!.answering);
    expect(x!.feeds.get("jab")).toBe(60);
    expect(y!.answers.get("slip out")).toBe(60);
  });
  test("in a trio each rests a third of the time and meets two partners", () => {
    const worked = [
      [{ a: "x", b: "y", c: "z", checked: one, side: "left" as const, change: CLOCK.change, round: 180 }],
    ];
    const all = shares(worked, ["x", "y", "z"], CLOCK);
    for (const s of all) expect(s.working).toBeCloseTo(120, 6);
    expect(all[0]!.partners).toBe(2);
  });
  test("one side only, and no work at all, are named", () => {
    const worked = [
      [{ a: "x", b: "y", c: null, checked: one, side: "left" as const, change: CLOCK.change, round: 180 }],
    ];
    const said = unfair(shares(worked, ["x", "y", "z"], CLOCK), (id) => id).join(" ");
    expect(said).toMatch(/x works one side only/);
    expect(said).toMatch(/z does not work at all/);
  });
  test("somebody who leaves early is not told what they miss, and who was with them has others", () => {
    const rounds = ["b", "c", "d", "b"].map((other) => ({ pairs: [{ a: "a", b: other, c: null }] }));
    const people = ["a", "b", "c", "d"].map((id) => ({ id, name: id }));
    expect(onePartner(rounds, people)).toEqual([]);
    const early = group(6).map((one, i) => (i === 0 ? { ...one, name: "Early", until: 1 } : one));
    expect(goodPlan(plan({ people: early })).notes.filter((note) => note.includes("Early"))).toEqual([]);
  });
});

describe("a whole plan", () => {
  const made = goodPlan(plan());
  test("everybody works in every round, on both sides and in both roles, with new partners", () => {
    for (const s of made.shares) {
      expect(s.working).toBe(s.all);
      expect(Math.min(s.left, s.right, s.feeding, s.answering)).toBeGreaterThan(0);
    }
    expect(Math.min(...made.shares.map((s) => s.partners))).toBeGreaterThanOrEqual(
      Math.min(11, made.rounds.length) - 1,
    );
    expect(made.notes).toEqual([]);
  });
  test("every pair has a rung that works for its bodies, and a reason", () => {
    for (const p of made.rounds.flatMap((r) => r.pairs)) {
      expect(p.verdict).not.toBe("broken");
      expect(p.why.length).toBeGreaterThan(0);
    }
  });
  test("the same minutes in queues are worth a quarter or so", () => {
    const mean = made.shares.reduce((sum, s) => sum + s.repetitions, 0) / made.shares.length;
    expect(mean / made.queue).toBeGreaterThan(1.5);
  });
  test("planned again after three rounds with one hurt: what was run stays", () => {
    const people = group(12).map((p) => (p.id === "p05" ? { ...p, until: 3 } : p));
    const frozen = frozenOf(made, CLOCK, 3, null);
    const after = goodPlan(plan({ people, frozen }));
    expect(after.rounds.slice(0, 3)).toEqual(made.rounds.slice(0, 3));
    expect(JSON.stringify(after.rounds.slice(3).map((r) => r.pairs.map(({ a, b, c }) => [a, b, c])))).not.toContain(
      "p05",
    );
  });
  test("a locked pair stays in its round", () => {
    const locked = goodPlan(plan({ locked: [{ round: 1, a: "p00", b: "p11", c: null }] }));
    expect(locked.rounds[1]!.pairs.some((p) => p.locked && p.a === "p00" && p.b === "p11")).toBe(true);
  });
  test("gear that is short is said for the block", () => {
    const armed = rungs.map((r) => ({
      ...r,
      text: "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high",
    }));
    expect(goodPlan(plan({ rungs: armed, gear: { stick: 6 } })).notes.join(" ")).toMatch(
      /sticks .*: 12 needed, 6 there/,
    );
  });
  test("nobody, one alone, only minors", () => {
    const none = plan({ people: [] });
    expect(none.ok ? "" : none.message).toMatch(/Nobody is ticked/);
    // A private lesson: the instructor is the partner, and what is worked is counted.
    const one = goodPlan(plan({ people: [member(1)] }));
    expect(one.rounds.every(({ pairs, alone }) => pairs.length === 0 && alone.length === 1)).toBe(true);
    expect(one.rounds[0]!.alone[0]!.why).toBe("a private lesson: you are the partner");
    expect(one.shares).toHaveLength(1);
    expect(one.shares[0]!.working).toBeGreaterThan(0);
    expect(one.shares[0]!.feeding).toBe(one.shares[0]!.answering);
    const kids = goodPlan(plan({ people: group(6).map((p) => ({ ...p, age: "minor" as const })) }));
    expect(kids.notes.join()).toMatch(/Only minors are here/);
  });
  test("the same input gives the same plan", () => {
    expect(goodPlan(plan())).toEqual(made);
  });
});

test("two who have only each other all evening are named once, with the ways out; a class of two is not", () => {
  const crowd = [
    ...Array.from({ length: 6 }, (_, i) => someone(`a${i}`)),
    someone("m1", { age: "minor" as const }),
    someone("m2", { age: "minor" as const }),
  ];
  const rungs = [{ text: "A jab -> B slip out", title: "R", load: 3 }];
  const said = goodPlan(planOf({ people: crowd, rungs })).notes.filter((note) => note.includes("all evening"));
  expect(said).toEqual([expect.stringMatching(/^m1 and m2 work together all evening\. Put them with another pair/)]);
  const two = goodPlan(planOf({ people: crowd.slice(0, 2), rungs }));
  expect(two.notes.join()).not.toMatch(/all evening/);
});

test("a drill alone gives the rungs of an evening, or says what is wrong with it", () => {
  const made = eveningLadder("A jab -> B slip out, cross\nA lead hook -> B weave", defaultSchool());
  expect(made.ok && made.rungs.length).toBeGreaterThan(3);
  expect(made.ok && made.rungs.every(({ text }) => checkFor(parse(text)).verdict !== "broken")).toBe(true);
  expect(eveningLadder("A lead hook -> B slip out", defaultSchool())).toMatchObject({ ok: false });
});

test("half the time keeps a warm-up, the first step and one from the middle, and a close", () => {
  const packed = packClass(90, ["One", "Two", "Three", "Four", "Five"]);
  if (!packed.ok) throw new Error(packed.message);
  const half = inHalf(packed.blocks);
  expect(total(half)).toBeLessThanOrEqual(45);
  expect(half.map(({ title }) => title)).toEqual([
    "Warm-up",
    "One",
    "Three; four",
    "Close: what was clean, what comes next",
  ]);
  expect(half[0]!.minutes).toBe(5);
});
