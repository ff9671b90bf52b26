import { parseMidi } from "midi-file";
import Papa from "papaparse";
import webvtt from "webvtt-parser";
import { seeded } from "../random/random.ts";
import { breaks, CALL_DEFAULTS, callOrder, callRound, type CallOptions, type CallRound } from "./calls.ts";
import { callsCsv, callsMidi, callsText, callsVtt } from "./exports.ts";
import { learn, scoreOf } from "./guess.ts";

const labels = (...weights: number[]) => weights.map((weight, i) => ({ name: "abcdefgh"[i]!, weight }));
const round = (more: Partial<CallOptions> = {}): CallRound => {
  const result = callRound({ ...CALL_DEFAULTS, labels: labels(1, 1, 1, 1), ...more });
  if (!result.ok) throw new Error(result.message);
  return result.round;
};
const order = (r: CallRound) => r.items.filter((i) => i.kind === "call").map((i) => i.label);

describe("fairness", () => {
  test("over whole periods every ordered pair comes equally often", () => {
    for (let seed = 1; seed <= 20; seed++) {
      const calls = order(round({ seed, count: 48, repeat: "any", windows: 2 }));
      const cyclic = calls.map((c, i) => c + calls[(i + 1) % calls.length]!);
      const counts = new Map<string, number>();
      for (const pair of cyclic) counts.set(pair, (counts.get(pair) ?? 0) + 1);
      expect([...counts.values()]).toEqual(Array(16).fill(3));
    }
  });
  test("weights are met", () => {
    expect(round({ labels: labels(1, 2, 3), count: 72 }).shares).toEqual([
      { name: "a", times: 12 },
      { name: "b", times: 24 },
      { name: "c", times: 36 },
    ]);
    expect(round({ labels: labels(0, 1, 1), count: 20 }).shares.map((s) => s.name)).toEqual(["b", "c"]);
  });
  test.each(["not three times", "never twice"] as const)("%s holds", (repeat) => {
    const four = labels(1, 1, 1, 1);
    for (let seed = 1; seed <= 50; seed++)
      for (const windows of [2, 3] as const) {
        const options = { ...CALL_DEFAULTS, labels: four, seed, repeat, windows, count: 100 };
        expect(breaks(callOrder(options, four, seeded(seed), []), repeat)).toBe(false);
      }
  });
  test("a round too short for threes keeps pairs, and says so", () => {
    const short = round({ count: 32, repeat: "any" });
    expect(short.notes.join()).toMatch(/64 calls/);
    expect(short.shares.map((s) => s.times)).toEqual([8, 8, 8, 8]);
    expect(round({ count: 64 }).notes).toEqual([]);
  });
  test("a rule that one heavy label cannot keep is said", () => {
    expect(round({ labels: labels(1, 9), repeat: "not three times", count: 60 }).notes.join()).toMatch(
      /could not be kept/,
    );
  });
});

describe("who learned from other rounds, over a thousand seeds", () => {
  const mean = (windows: 2 | 3, repeat: CallOptions["repeat"], length: 1 | 2) => {
    const four = labels(1, 1, 1, 1);
    const options = { ...CALL_DEFAULTS, labels: four, count: 64, repeat, windows };
    const orders = Array.from({ length: 1000 }, (_, i) => callOrder(options, four, seeded(i + 1), []));
    const habits = learn(orders.slice(0, 500), length);
    const scores = orders.slice(500).map((o) => scoreOf(o, habits, length));
    return scores.reduce((a, b) => a + b, 0) / scores.length;
  };
  // 500 rounds of 62 guesses at a quarter: a mean further than 0.0125 off comes once in ten thousand times.
  test("guesses no better than chance where threes come equally often", () => {
    for (const length of [1, 2] as const) expect(Math.abs(mean(3, "any", length) - 0.25)).toBeLessThan(0.0125);
  });
  test("gains with pairs only what follows from them: one of three entries to a label is followed by itself", () => {
    expect(Math.abs(mean(2, "any", 1) - 0.25)).toBeLessThan(0.0125);
    expect(Math.abs(mean(2, "any", 2) - 1 / 3)).toBeLessThan(0.0125);
  });
  test("gains little from the rule that nothing comes three times", () => {
    expect(mean(3, "not three times", 2)).toBeLessThan(0.28);
  });
});
test("the report says what each guesser scores", () => {
  const { guesses } = round({ count: 160, seed: 5 });
  expect(guesses.chance).toBeCloseTo(0.25, 1);
  for (const score of [guesses.afterOne, guesses.afterTwo]) expect(Math.abs(score - 0.25)).toBeLessThan(0.12);
  // Who counts what is left over knows more; that is said, not hidden.
  expect(guesses.counting).toBeLessThan(0.6);
});

describe("the clock", () => {
  test("gaps are jittered in their range, switches come on the clock", () => {
    const { items } = round({ count: 60, gap: 5, jitter: 0.4, switchEvery: null });
    const gaps = items.slice(1).map((item, i) => item.at - items[i]!.at);
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(2.99);
    expect(Math.max(...gaps)).toBeLessThanOrEqual(7.01);
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeGreaterThan(1);
    // A round of 180 s with a switch every 30 s (common practice, no source).
    const switches = round({ count: 60, gap: 3, jitter: 0.2, switchEvery: 30 }).items.filter(
      (i) => i.kind === "switch",
    );
    expect(switches.slice(0, 5).map((i) => i.at)).toEqual([30, 60, 90, 120, 150]);
  });
  test.each([0, 0.5])(
    "nothing is called in the two seconds before a switch and the five after it, %d feints",
    (feints) => {
      const { items: all } = round({ count: 120, gap: 3, jitter: 0.2, feints, switchEvery: 30 });
      const changes = all.filter(({ kind }) => kind === "switch").map(({ at }) => at);
      expect(changes.length).toBeGreaterThan(8);
      for (const { at } of all.filter(({ kind }) => kind !== "switch"))
        for (const change of changes) expect(at <= change - 1.99 || at >= change + 4.99).toBe(true);
    },
  );
  test("a pair switches roles, three rotate", () => {
    const words = (rotates: boolean) =>
      round({ count: 20, rotates })
        .items.filter(({ kind }) => kind === "switch")
        .map(({ label }) => label);
    expect(new Set(words(false))).toEqual(new Set(["Switch roles"]));
    expect(new Set(words(true))).toEqual(new Set(["Rotate"]));
  });
  test("times never run back, and feints are of another label", () => {
    const { items } = round({ count: 200, feints: 0.4, jitter: 0.9, gap: 1, switchEvery: 15 });
    items.slice(1).forEach((item, i) => expect(item.at).toBeGreaterThanOrEqual(items[i]!.at));
    const feints = items.flatMap((item, i) => (item.kind === "feint" ? [[item, items[i + 1]!] as const] : []));
    expect(feints.length).toBeGreaterThan(40);
    for (const [feint, call] of feints) expect(feint.label).not.toBe(call.label);
  });
  test("the same seed, the same round", () => {
    expect(round({ seed: 9 })).toEqual(round({ seed: 9 }));
    expect(order(round({ seed: 9 }))).not.toEqual(order(round({ seed: 10 })));
  });
});

test.each([
  [{ labels: [] }, /at least two labels/],
  [{ labels: labels(0, 0) }, /at least two labels/],
  [{ labels: labels(1) }, /nothing to guess/],
  [{ labels: labels(1, -1) }, /0 to 20/],
  [{ labels: [...labels(1), ...labels(1)] }, /same name/],
  [{ count: 0 }, /calls/],
  [{ gap: 0 }, /gap/],
  [{ jitter: 2 }, /differ/],
  [{ switchEvery: 1 }, /switch/],
] as [Partial<CallOptions>, RegExp][])("%j is refused with what to do", (more, words) => {
  const result = callRound({ ...CALL_DEFAULTS, labels: labels(1, 1), ...more });
  expect(result.ok ? "" : result.message).toMatch(words);
});

describe("files, read by independent parsers", () => {
  const { items } = round({
    labels: [
      { name: 'low, "left"', weight: 1 },
      { name: "hoch → über", weight: 1 },
    ],
    feints: 0.3,
  });
  test("CSV", () => {
    const { data, errors } = Papa.parse<{ seconds: string; kind: string; label: string }>(callsCsv(items), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    expect(data.map((d) => [Number(d.seconds), d.kind, d.label])).toEqual(items.map((i) => [i.at, i.kind, i.label]));
  });
  test("WebVTT", () => {
    const { cues, errors } = new webvtt.WebVTTParser().parse(callsVtt(items), "metadata");
    expect(errors).toEqual([]);
    expect(cues.map((c) => c.startTime)).toEqual(items.map((i) => i.at));
    expect(cues[0]!.text).toContain(items[0]!.label.slice(0, 3));
  });
  test("MIDI", () => {
    const { header, tracks } = parseMidi(callsMidi(items, "Über"));
    expect(header).toMatchObject({ format: 0, numTracks: 1, ticksPerBeat: 480 });
    let tick = 0;
    const clicks: number[] = [];
    const lyrics: string[] = [];
    for (const event of tracks[0]!) {
      tick += event.deltaTime;
      if (event.type === "noteOn") clicks.push(tick / 960);
      if (event.type === "lyrics") lyrics.push(Buffer.from(event.text, "latin1").toString("utf8"));
    }
    expect(clicks.map((s) => Math.round(s * 100) / 100)).toEqual(items.map((i) => i.at));
    expect(lyrics.filter((l) => l === "hoch → über").length).toBe(
      items.filter((i) => i.kind === "call" && i.label === "hoch → über").length,
    );
    expect(tracks[0]!.at(-1)!.type).toBe("endOfTrack");
  });
  test("text", () => {
    expect(callsText([{ at: 64.25, kind: "feint", by: null, label: "low" }])).toBe(" 1:04.2  feint low\n");
  });
});
