/** Bells, switches and calls of a round. Common practice, no source. */
import { CALL_DEFAULTS, callRound, callsWithin } from "../calls/calls.ts";
import { NO_SOUNDS, soundsOf } from "./sounds.ts";
import { countsFor, MARKS, markWord, standing, TAKEN_OUT, unseenFirst, type Mark } from "./marks.ts";
import type { Segment } from "./timeline.ts";

const round: Segment = { id: "r", kind: "round", block: "b", title: "T", seconds: 180, round: 0, change: 30 };
const kinds = (of: Segment, length = of.seconds * 1000) =>
  soundsOf(of, length, NO_SOUNDS).map(({ at, kind }) => `${at / 1000} ${kind}`);

test("a round of 180 s: a bell, five switches, a warning, three strokes", () => {
  expect(kinds(round)).toEqual([
    "0 bell",
    "30 switch",
    "60 switch",
    "90 switch",
    "120 switch",
    "150 switch",
    "170 warning",
    "180 bell",
  ]);
});
test("who holds for the whole round hears no switch; a rest warns before it ends, a talk is quiet", () => {
  expect(kinds({ ...round, change: null })).toEqual(["0 bell", "170 warning", "180 bell"]);
  expect(kinds({ ...round, kind: "rest", seconds: 45, change: null })).toEqual(["35 warning"]);
  expect(kinds({ ...round, kind: "talk", change: null })).toEqual([]);
});
test("nothing is called in the last two seconds before a switch nor in the first two after it", () => {
  const options = { ...CALL_DEFAULTS, labels: ["one", "two", "three"].map((name) => ({ name, weight: 1 })) };
  for (const seed of [1, 2, 3, 4, 5]) {
    // Called without regard to switches.
    const made = callRound({
      ...options,
      seed,
      switchEvery: null,
      gap: 1.5,
      count: callsWithin(180, { gap: 1.5, switchEvery: null }),
    });
    if (!made.ok) throw new Error(made.message);
    const calls = soundsOf(round, 180_000, { calls: made.round.items, metronome: null }).filter(
      (s) => s.kind === "call",
    );
    expect(calls.length).toBeGreaterThan(40);
    for (const { at } of calls) {
      const since = at % 30_000;
      if (at > 30_000) expect(since).toBeGreaterThanOrEqual(2000);
      expect(30_000 - since).toBeGreaterThanOrEqual(2000);
    }
  }
});
test("a metronome keeps its pace, or rises evenly to another", () => {
  const beats = (from: number, to: number) =>
    soundsOf({ ...round, change: null }, 60_000, { calls: [], metronome: { from, to, bar: 4 } }).filter(
      (s) => s.kind === "beat",
    );
  expect(beats(60, 60)).toHaveLength(60);
  expect(beats(60, 60).filter(({ strong }) => strong)).toHaveLength(15);
  const rising = beats(60, 120);
  // The mean of a pace that rises evenly in time.
  expect(Math.abs(rising.length - 90)).toBeLessThanOrEqual(2);
  expect(rising[1]!.at - rising[0]!.at).toBeGreaterThan(900);
  expect(rising[rising.length - 1]!.at - rising[rising.length - 2]!.at).toBeLessThan(550);
});

const mark = (id: string, more: Partial<Mark> = {}): Mark => ({
  ...{ id, round: 0, person: "ann", role: "answers", mark: "clean", text: "", corrects: null, at: 1 },
  ...more,
});
test("marks that were put right do not stand, and what was taken out is unknown again", () => {
  const all = [
    mark("1"),
    mark("2", { corrects: "1", mark: "late" }),
    mark("3"),
    mark("4", { corrects: "3", mark: TAKEN_OUT }),
  ];
  expect(standing(all).map(({ id }) => id)).toEqual(["2"]);
});
test("a round with a bad feed does not count for who answers in it", () => {
  const all = [mark("1", { person: "bo", role: "feeds", mark: "hard", round: 2 })];
  expect(countsFor(all, 2, ["ann", "bo"])).toBe(false);
  expect(countsFor(all, 1, ["ann", "bo"])).toBe(true);
  expect(countsFor([...all, mark("2", { corrects: "1", mark: TAKEN_OUT })], 2, ["ann", "bo"])).toBe(true);
});
test("pairs that were not looked at longest come first", () => {
  const pairs = [
    { a: "ann", b: "bo", c: null },
    { a: "cy", b: "di", c: null },
    { a: "el", b: "fi", c: null },
  ];
  const all = [mark("1", { person: "bo", at: 5 }), mark("2", { person: "el", at: 3 })];
  expect(unseenFirst(pairs, all).map(({ a }) => a)).toEqual(["cy", "el", "ann"]);
});
test("every mark has a word, and a fault says its own", () => {
  for (const role of ["answers", "feeds"] as const)
    for (const { id, word } of MARKS[role]) expect(markWord({ role, mark: id, text: "" })).toBe(word);
  expect(markWord({ role: "answers", mark: "fault", text: "Drops the hand." })).toBe("Drops the hand.");
});
