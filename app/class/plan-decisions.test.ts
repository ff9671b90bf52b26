import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import type { PlanPage } from "#server/views.ts";
import {
  asksFirst,
  decide,
  decisionText,
  firstDecisions,
  isDue,
  isKept,
  keptText,
  type Decision,
} from "./plan-decisions.ts";
import { block, page, pair, rounds } from "./testing.ts";

const BLOCKS = [block({ id: "w1" }), block({ id: "w2", minutes: 8 })];
const fresh: PlanPage = { ...page, kept: null, carried: null };
const kept: PlanPage = {
  ...page,
  kept: {
    ...page.kept!,
    ...{ clock: { ...page.kept!.clock, round: 90 }, lines: true, begin: 2, steps: [] },
    plan: { ...page.kept!.plan, blocks: BLOCKS },
  },
};
const after = (...decisions: readonly Decision[]) => decisions.reduce(decide, firstDecisions(fresh));

describe("what is decided at first", () => {
  test("of the kept plan, where it is of what is chosen", () => {
    expect(isKept(kept)).toBe(true);
    expect(firstDecisions(kept)).toMatchObject({
      blocks: BLOCKS,
      clock: { round: 90 },
      lines: true,
      begin: 2,
      steps: [],
    });
  });
  test("another ladder begins afresh, from the rung and the steps of the evening before on it", () => {
    const carried = { day: "2026-09-01", rung: 3, steps: [{ who: "p1", by: 1 as const }] };
    const other = { ...kept, chosen: { ...kept.chosen, ladder: "l2" }, carried };
    expect(firstDecisions(other)).toMatchObject({
      blocks: null,
      begin: 3,
      steps: carried.steps,
      locked: [],
      lines: null,
    });
  });
});

describe("a class by a template", () => {
  const shape = {
    clock: { round: 120, change: 30, rest: 45 },
    blocks: [block({ id: "w", kind: "work", minutes: 12 })],
  };
  test("begins with its clock and its blocks, filled with the rungs of tonight", () => {
    const first = firstDecisions({ ...fresh, shape });
    expect(first.clock).toEqual(shape.clock);
    expect(first.blocks).toMatchObject([{ kind: "work", minutes: 12, rung: 0, title: page.rungs[0]!.title }]);
  });
  test("but keeps what was planned", () => {
    expect(firstDecisions({ ...kept, shape }).blocks).toBe(BLOCKS);
  });
  test("with rounds that are longer than usual, but not with the young", () => {
    const long = { ...shape, clock: { ...shape.clock, round: 300 } };
    expect(firstDecisions({ ...fresh, shape: long })).toMatchObject({ clock: { round: 300 }, blocks: [{ rung: 0 }] });
    const people = fresh.people.map((one) => ({ ...one, age: "minor" as const, ages: "7-9" as const }));
    const first = firstDecisions({ ...fresh, people, shape: long });
    expect(first.blocks).toBeNull();
    expect(first.clock.round).toBeLessThan(180);
  });
});

describe("one decision more", () => {
  test("rounds of another length and another first rung are another timetable; other changes keep the blocks", () => {
    const arranged = after({ do: "blocks", blocks: BLOCKS });
    expect(decide(arranged, { do: "clock", clock: { ...arranged.clock, change: 20 } }).blocks).toBe(BLOCKS);
    expect(decide(arranged, { do: "clock", clock: { ...arranged.clock, round: 45 } }).blocks).toBeNull();
    expect(decide(arranged, { do: "begin", begin: 1 })).toMatchObject({ begin: 1, blocks: null });
    expect(decide(arranged, { do: "lines", lines: true })).toMatchObject({ lines: true, blocks: BLOCKS });
  });
  test("one step a person, and 0 takes it back", () => {
    const two = after(
      { do: "step", who: "p1", by: 1 },
      { do: "step", who: "p2", by: -1 },
      { do: "step", who: "p1", by: -1 },
    );
    expect(two.steps).toEqual([
      { who: "p2", by: -1 },
      { who: "p1", by: -1 },
    ]);
    expect(decide(two, { do: "step", who: "p2", by: 0 }).steps).toEqual([{ who: "p1", by: -1 }]);
  });
  test("a pair is locked in one round, once, and unlocked", () => {
    const on = { do: "lock", at: 1, pair: pair("p1", "p2"), on: true } as const;
    expect(after(on, on).locked).toEqual([{ round: 1, a: "p1", b: "p2", c: null }]);
    expect(after(on, { ...on, at: 2, on: false }).locked).toHaveLength(1);
    expect(after(on, { ...on, on: false }).locked).toEqual([]);
  });
  test("two who change places: both pairs are locked as they then are; within a pair nothing changes", () => {
    const pairs = [pair("p1", "p2"), pair("p3", "p4", { c: "p5" }), pair("p6", "p7")];
    const round = { ...rounds[0]!, pairs };
    const swap = { do: "swap", at: 0, round } as const;
    expect(after({ ...swap, two: ["p2", "p5"] }).locked).toEqual([
      { round: 0, a: "p1", b: "p5", c: null },
      { round: 0, a: "p3", b: "p4", c: "p2" },
    ]);
    expect(after({ ...swap, two: ["p3", "p4"] }).locked).toEqual([]);
    // An older lock of the same pairs is replaced, not doubled.
    const locked = after({ do: "lock", at: 0, pair: round.pairs[0]!, on: true }, { ...swap, two: ["p2", "p6"] }).locked;
    expect(locked.map(({ a, b }) => a + b)).toEqual(["p1p6", "p2p7"]);
  });
});

describe("when it is kept", () => {
  const text = (page: PlanPage) => decisionText(page.chosen, firstDecisions(page), BLOCKS);
  const due = (page: PlanPage, more: Partial<Parameters<typeof isDue>[0]> = {}) =>
    isDue({
      page,
      decisions: firstDecisions(page),
      text: text(page),
      last: null,
      busy: false,
      working: false,
      ...more,
    });

  test("the same decisions are the same text, in whatever order the database gives their keys back", () => {
    const { clock } = kept.kept!;
    const { round, change, rest, ...others } = clock;
    const turned = { ...others, rest, change, round };
    expect(keptText({ ...kept, kept: { ...kept.kept!, clock: turned } })).toBe(keptText(kept));
    expect(keptText(fresh)).toBeNull();
  });
  test("not before there is a plan, not twice, not while something is on its way, not when the class is over", () => {
    expect(due(fresh)).toBe(true);
    expect(due(fresh, { text: null })).toBe(false);
    expect(due(fresh, { last: text(fresh) })).toBe(false);
    expect(due(fresh, { busy: true })).toBe(false);
    expect(due(fresh, { working: true })).toBe(false);
    expect(due({ ...fresh, over: true })).toBe(false);
  });
  test("another theme in the middle of a class waits until somebody means it", () => {
    const running = {
      ...kept,
      frozen: { ...NOTHING_FROZEN, blocks: BLOCKS },
      chosen: { ...kept.chosen, ladder: "l2" },
    };
    expect(asksFirst(running, firstDecisions(running))).toBe(true);
    expect(due(running)).toBe(false);
    const meant = decide(firstDecisions(running), { do: "mean" });
    expect(due(running, { decisions: meant })).toBe(true);
    // The same theme, and another one before the class: nobody is asked.
    expect(asksFirst({ ...running, chosen: kept.chosen }, firstDecisions(kept))).toBe(false);
    expect(asksFirst({ ...running, frozen: NOTHING_FROZEN }, firstDecisions(running))).toBe(false);
  });
});
