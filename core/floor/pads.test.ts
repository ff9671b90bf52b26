/** Pads with sensors: messages, which hit answers which call, and what the check reckons with. */
import { checkFor } from "../policy/judge.ts";
import { parse } from "../score/parse.ts";
import { answersTo, callOfPad, padSums, PAD_PROTOCOL, reactTime, readMidi, readPadMessage } from "./pads.ts";

const text = (value: unknown) => readPadMessage(JSON.stringify(value));
const hello = { kind: "hello", protocol: PAD_PROTOCOL, name: "Pads", pads: ["jab", "cross"] };

test("messages of the protocol are read, all others are passed over", () => {
  expect(text(hello)).toEqual({ kind: "hello", name: "Pads", pads: ["jab", "cross"] });
  expect(text({ kind: "hit", pad: "jab", force: 0.5, age: 4 })).toEqual({
    kind: "hit",
    pad: "jab",
    force: 0.5,
    age: 4,
  });
  expect(text({ kind: "hit", pad: "jab" })).toEqual({ kind: "hit", pad: "jab", force: 1, age: 0 });
  for (const wrong of [
    { ...hello, protocol: "other/1" },
    { ...hello, pads: [] },
    { kind: "hit", pad: "", force: 0.5 },
    { kind: "hit", pad: "jab", force: 7 },
    { kind: "hit", pad: "jab", age: -1 },
    { kind: "call", label: "jab" },
    ["hit"],
    null,
    7,
  ])
    expect([wrong, text(wrong)]).toEqual([wrong, null]);
  expect(readPadMessage("{not json")).toBeNull();
});
test("MIDI notes that begin are hits; that end, or other messages, are none (MIDI 1.0)", () => {
  expect(readMidi([0x90, 36, 127])).toEqual({ kind: "hit", pad: "note 36", force: 1, age: 0 });
  expect(readMidi([0x99, 38, 64])).toMatchObject({ pad: "note 38" });
  for (const other of [[0x90, 36, 0], [0x80, 36, 64], [0xb0, 7, 100], []]) expect(readMidi(other)).toBeNull();
});
test("a pad stands for the call of its name, or of its place", () => {
  expect(callOfPad("cross", ["cross", "jab"], ["jab", "cross"])).toBe("cross");
  expect(callOfPad("note 38", ["note 36", "note 38"], ["jab", "cross"])).toBe("cross");
  expect(callOfPad("note 40", ["note 36"], ["jab"])).toBeNull();
});
test("the first hit answers a call; too soon answers none, too late is missed, another pad is wrong", () => {
  const call = (label: string, at: number) => ({ label, at });
  const hit = (label: string | null, at: number) => ({ label, at, force: 1 });
  const calls = [call("jab", 0), call("cross", 4000), call("jab", 8000), call("cross", 12_000), call("jab", 13_000)];
  const hits = [
    hit("jab", 350),
    hit("cross", 500),
    hit("jab", 4300),
    hit("jab", 8050),
    hit("cross", 12_400),
    hit(null, 13_300),
  ];
  expect(answersTo(calls, hits)).toEqual([
    { label: "jab", kind: "right", after: 350 },
    { label: "cross", kind: "wrong", after: 300 },
    { label: "jab", kind: "missed", after: null },
    { label: "cross", kind: "right", after: 400 },
    { label: "jab", kind: "wrong", after: 300 },
  ]);
  expect(padSums(answersTo(calls, hits))).toEqual({ right: 2, wrong: 2, missed: 1, median: 400, spread: 50 });
  expect(padSums([])).toEqual({ right: 0, wrong: 0, missed: 0, median: null, spread: null });
});
test("half the tempo gives twice the time; a drill of which nothing is a matter of time gives none", () => {
  const of = (score: string) => {
    const { exchanges, header } = checkFor(parse(score));
    return reactTime(exchanges, header.tempo);
  };
  const full = of("tempo: 100%\n\nA jab -> B slip out")!;
  const half = of("tempo: 50%\n\nA jab -> B slip out")!;
  expect(half.allowed).toBeCloseTo(2 * full.allowed, 6);
  expect(half.reckoned).toBeCloseTo(full.reckoned, 6);
  // Ceiling of the check: allowed at full speed by the reaction it reckons with.
  const { ceiling } = checkFor(parse("tempo: 100%\n\nA jab -> B slip out")).exchanges[0]!;
  expect(full.allowed / full.reckoned).toBeCloseTo(ceiling!, 2);
  expect(reactTime([], 1)).toBeNull();
});
