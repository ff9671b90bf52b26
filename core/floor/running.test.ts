/** The clock of a running class, against a second way of reckoning and against what people tap. */
import fc from "fast-check";
import { playedAt, runningAt, type Tap, type Tapped } from "./running.ts";
import { roundSeen, soloTimeline, timeline, type Segment } from "./timeline.ts";
import { goodPlan, planOf, someone } from "../class/testing.ts";
import { CLOCK } from "../class/timetable.ts";

const rungs = ["A jab -> B slip out", "A jab -> B slip out, cross"].map((text, i) => ({
  text,
  title: `R${i}`,
  load: i,
}));
const people = [1, 2, 3, 4].map((i) => someone(`p${i}`));
const plan = goodPlan(planOf({ people, rungs, minutes: 90 }));
const segments = timeline(plan, CLOCK);
const START = 1_800_000_000_000;
const taps = (...all: readonly (readonly [seconds: number, tap: Tap])[]): Tapped[] =>
  all.map(([seconds, tap], i) => ({ id: `t${String(i).padStart(3, "0")}`, at: START + seconds * 1000, tap }));
const at = (seconds: number, list: readonly Tapped[], of: readonly Segment[] = segments) =>
  runningAt(of, list, START + seconds * 1000);
const started = taps([0, { kind: "start" }]);

describe("the stretches of an evening", () => {
  test("take as long as the plan, and hold each of its rounds once", () => {
    const seconds = segments.reduce((sum, one) => sum + one.seconds, 0);
    expect(seconds).toBe(plan.blocks.reduce((sum, { minutes }) => sum + minutes, 0) * 60);
    const rounds = segments.filter(({ kind }) => kind === "round");
    expect(rounds.map(({ round }) => round)).toEqual(plan.rounds.map((_, i) => i));
    expect(new Set(segments.map(({ id }) => id)).size).toBe(segments.length);
    for (const { seconds: each, change } of rounds) expect([each, change]).toEqual([CLOCK.round, CLOCK.change]);
  });
  test("of a drill by itself are rounds with rests between, after a moment to get ready", () => {
    const solo = soloTimeline("Jab", { rounds: 3, round: 60, rest: 15, change: null });
    expect(solo.map(({ kind, seconds }) => [kind, seconds])).toEqual([
      ["talk", 10],
      ["round", 60],
      ["rest", 15],
      ["round", 60],
      ["rest", 15],
      ["round", 60],
    ]);
  });
});

describe("the clock", () => {
  test("stands until it is started, then goes by itself from stretch to stretch, to the end", () => {
    expect(at(100, [])).toMatchObject({ started: false, at: 0, elapsed: 0 });
    let before = 0;
    for (const [i, { seconds }] of segments.entries()) {
      expect(at(before + seconds / 2, started)).toMatchObject({ at: i, elapsed: (seconds / 2) * 1000, goes: true });
      before += seconds;
    }
    expect(at(before + 1, started)).toMatchObject({ ended: true, goes: false, done: plan.rounds.length, left: 0 });
  });
  test("is not a millisecond off after ninety minutes, however seldom it is asked", () => {
    const total = segments.reduce((sum, one) => sum + one.seconds, 0);
    const often = Array.from({ length: 200 }, (_, i) => at((total * i) / 200, started));
    const last = at(total - 0.001, started);
    expect(last.left).toBe(1);
    expect(often[199]!.done).toBeGreaterThan(0);
  });
  test("a pause is time that does not count, once or twice over", () => {
    const list = taps([0, { kind: "start" }], [60, { kind: "pause" }], [70, { kind: "pause" }], [100, { kind: "go" }]);
    expect(at(80, list)).toMatchObject({ goes: false, elapsed: 60_000 });
    expect(at(110, list)).toMatchObject({ goes: true, elapsed: 70_000 });
    expect(at(110, [...list, ...list.map((one) => ({ ...one }))])).toEqual(at(110, list));
  });
  test("all stop is seen until somebody says go on", () => {
    const list = taps([0, { kind: "start" }], [60, { kind: "stop" }], [90, { kind: "go" }]);
    expect(at(70, list)).toMatchObject({ stopped: true, goes: false, elapsed: 60_000 });
    expect(at(91, list)).toMatchObject({ stopped: false, goes: true, elapsed: 61_000 });
  });
  test("all stop is seen before the class has begun, too, and a start under it waits for go on", () => {
    const early = taps([0, { kind: "stop" }]);
    expect(at(5, early)).toMatchObject({ started: false, stopped: true });
    expect(at(8, taps([0, { kind: "stop" }], [7, { kind: "go" }]))).toMatchObject({ stopped: false, started: false });
    const both = taps([0, { kind: "stop" }], [4, { kind: "start" }], [10, { kind: "go" }]);
    expect(at(9, both)).toMatchObject({ started: true, goes: false, stopped: true });
    expect(at(12, both)).toMatchObject({ goes: true, elapsed: 2000 });
  });
  test("rounds that were played have their moments, without pauses; who goes back begins them again", () => {
    const ids = segments.map(({ id }) => id);
    const first = segments.findIndex(({ kind }) => kind === "round");
    const go = ids.slice(0, first).map((from, i) => [10 + i, { kind: "next", from }] as const);
    const begun = 10 + first - 1;
    const list = taps([0, { kind: "start" }], ...go, [begun + 20, { kind: "pause" }], [begun + 50, { kind: "go" }]);
    const end = begun + CLOCK.round + 30;
    expect(playedAt(segments, list, START + (end - 1) * 1000)).toEqual([
      { round: 0, started: START + begun * 1000, ended: null, worked: null, times: 1 },
    ]);
    expect(playedAt(segments, list, START + (end + 1) * 1000)[0]).toMatchObject({
      ended: START + end * 1000,
      worked: CLOCK.round * 1000,
    });
    const back = taps(
      [0, { kind: "start" }],
      ...go,
      [begun + 1, { kind: "back", from: ids[first]! }],
      [begun + 2, { kind: "next", from: ids[first - 1]! }],
    );
    expect(playedAt(segments, back, START + (begun + 5) * 1000)).toEqual([
      expect.objectContaining({ round: 0, times: 2, started: START + (begun + 2) * 1000 }),
    ]);
  });
  test("two who tap next at once go on by one; a tap for a stretch that is over does nothing", () => {
    const next: Tap = { kind: "next", from: segments[0]!.id };
    expect(at(31, taps([0, { kind: "start" }], [30, next], [30, next], [30.2, next]))).toMatchObject({ at: 1 });
    const late = segments[0]!.seconds + 1;
    expect(at(late + 1, taps([0, { kind: "start" }], [late, next]))).toMatchObject({ at: 1, elapsed: 2000 });
  });
  test("back is to the beginning, and from there to the stretch before", () => {
    const go: (readonly [number, Tap])[] = [
      [0, { kind: "start" }],
      [10, { kind: "next", from: segments[0]!.id }],
    ];
    const back: Tap = { kind: "back", from: segments[1]!.id };
    expect(at(41, taps(...go, [40, back]))).toMatchObject({ at: 1, elapsed: 1000 });
    expect(at(42, taps(...go, [40, back], [41, back]))).toMatchObject({ at: 0, elapsed: 1000 });
  });
  test("longer and shorter change this stretch alone", () => {
    const { id, seconds } = segments[0]!;
    const longer = taps([0, { kind: "start" }], [5, { kind: "longer", from: id, seconds: 60 }]);
    expect(at(seconds + 30, longer)).toMatchObject({ at: 0, left: 30_000, length: (seconds + 60) * 1000 });
    const shorter = taps([0, { kind: "start" }], [5, { kind: "longer", from: id, seconds: -9999 }]);
    expect(at(10, shorter).at).toBe(0);
    expect(at(seconds + 1, shorter).at).toBe(1);
  });
});

const anyTap = fc.oneof(
  fc.constantFrom<Tap>({ kind: "start" }, { kind: "pause" }, { kind: "go" }, { kind: "stop" }),
  fc
    .record({
      kind: fc.constantFrom("next" as const, "back" as const),
      from: fc.constantFrom(...segments.map((s) => s.id)),
    })
    .map((tap): Tap => tap),
  fc
    .record({ from: fc.constantFrom(...segments.map((s) => s.id)), seconds: fc.integer({ min: -120, max: 300 }) })
    .map((more): Tap => ({ kind: "longer", ...more })),
);
const evening = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 6000 }), anyTap), { maxLength: 40 })
  .map((all) => taps(...all));

test("the order in which taps arrive, and how often each does, changes nothing", () => {
  fc.assert(
    fc.property(evening, fc.integer({ min: 0, max: 7000 }), (list, now) => {
      const place = at(now, list);
      expect(at(now, [...list].reverse())).toEqual(place);
      expect(place.at).toBeGreaterThanOrEqual(0);
      expect(place.at).toBeLessThanOrEqual(segments.length);
      expect(place.left).toBeGreaterThanOrEqual(0);
      expect(place.elapsed + place.left).toBeLessThanOrEqual(place.length + 1);
    }),
  );
});
test("while nothing is tapped the clock loses what passes, and nothing else", () => {
  fc.assert(
    fc.property(evening, fc.integer({ min: 6001, max: 9000 }), (list, now) => {
      const [one, two] = [at(now, list), at(now + 1, list)];
      if (!one.goes || one.left <= 1000) return;
      expect([two.at, two.elapsed - one.elapsed, one.left - two.left]).toEqual([one.at, 1000, 1000]);
    }),
  );
});

test("what was seen can be said of a round until the next one begins, and of the last one at the end", () => {
  const seen = segments.map((_, at) => roundSeen(segments, at));
  segments.forEach(({ kind, round }, at) => kind === "round" && expect(seen[at]).toBe(round));
  const first = segments.findIndex(({ kind }) => kind === "round");
  expect(seen.slice(0, first).every((one) => one === null)).toBe(true);
  const rounds = segments.flatMap(({ round, kind }) => (kind === "round" ? [round] : []));
  for (let at = first; at < segments.length; at++) expect(seen[at]).not.toBeNull();
  expect(roundSeen(segments, segments.length)).toBe(rounds[rounds.length - 1]);
});
