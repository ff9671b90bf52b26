/** What holds for every drill, whatever is in it: principles of the trade as properties. Common practice, no source. */
import fc from "fast-check";
import { SEED } from "../base/samples-testing.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { parse } from "../score/parse.ts";
import { TRADE } from "../trade/trade.ts";
import { check } from "./check.ts";

const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm";
const KNIFE = "A: holds training knife 28 cm";
const HANDS = TRADE.book.feeds.filter(
  (feed) => !/hand|overhead|upward|thrust|slash|stab/.test(feed) || feed === "overhand",
);
const STROKES = ["forehand high", "backhand high", "forehand low", "backhand low", "overhead", "thrust mid"];
const CUTS = ["slash forehand high", "slash backhand high", "thrust mid", "downward stab"];
const PUSHES = [
  "push to chest",
  "push to left chest",
  "push to right hip",
  "pull on lead wrist",
  "press on lead forearm",
];
const ANSWERS = TRADE.book.answers;
const YIELDS = ["turn left", "turn right", "sink", "fold", "follow", "step back", "step off", "lead past"];

interface Sample {
  readonly header: string;
  readonly feed: string;
  readonly answer: string;
}
const of = (header: string, feeds: readonly string[], answers: readonly string[]) =>
  fc.record({ header: fc.constant(header), feed: fc.constantFrom(...feeds), answer: fc.constantFrom(...answers) });
/** A feed with an answer, of every kind of drill and tool. */
const samples: fc.Arbitrary<Sample> = fc.oneof(
  { weight: 4, arbitrary: of("", HANDS, ANSWERS) },
  { weight: 2, arbitrary: of(STICKS, STROKES, ANSWERS) },
  of(KNIFE, CUTS, ANSWERS),
  of("kind: flow", HANDS, ANSWERS),
  of("kind: sensitivity\nrange: trap", PUSHES, YIELDS),
);
const text = ({ header, feed, answer }: Sample, more = "") =>
  `${[header, more].filter(Boolean).join("\n")}\n\nA ${feed} -> B ${answer}`;
const run = (score: string) => check(parse(score));
const rulesOf = (score: string): readonly string[] => run(score).findings.map(({ rule }) => rule);
const first = (score: string): CheckedExchange | undefined => run(score).exchanges[0];
const holds = (e: CheckedExchange | undefined): boolean => e?.verdict === "valid" || e?.verdict === "risky";
const RUNS = { numRuns: process.env.TEST_LONG ? 5000 : 150, seed: SEED };

test("nearer never makes a feed fall short", () => {
  const metres = fc.tuple(fc.double({ min: 0.4, max: 3, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));
  fc.assert(
    fc.property(samples, metres, (sample, [far, share]) => {
      fc.pre(!sample.header.includes("range"));
      const short = (m: number) => rulesOf(text(sample, `range: ${m.toFixed(3)} m`)).includes("out-of-reach");
      if (!short(far)) expect(short(0.2 + (far - 0.2) * share)).toBe(false);
    }),
    RUNS,
  );
});

test("slower never makes an answer late, and at the slowest tempo nothing is", () => {
  fc.assert(
    fc.property(samples, fc.integer({ min: 5, max: 150 }), fc.integer({ min: 5, max: 150 }), (sample, one, two) => {
      const late = (percent: number) => rulesOf(text(sample, `tempo: ${percent}%`)).includes("late");
      if (late(Math.min(one, two))) expect(late(Math.max(one, two))).toBe(true);
      expect(late(5)).toBe(false);
    }),
    RUNS,
  );
});

test("a longer arm never reaches less", () => {
  const spans = fc.tuple(fc.integer({ min: 150, max: 200 }), fc.integer({ min: 0, max: 30 }));
  fc.assert(
    fc.property(samples, spans, fc.double({ min: 0.6, max: 2, noNaN: true }), (sample, [reach, more], far) => {
      fc.pre(sample.header === "");
      const short = (span: number) =>
        rulesOf(text(sample, `range: ${far.toFixed(2)} m\nA: height 175, reach ${span}`)).includes("out-of-reach");
      if (!short(reach)) expect(short(reach + more)).toBe(false);
    }),
    RUNS,
  );
});

test("a rule for a person only takes away", () => {
  const rules = fc.constantFrom("no steps", "no hands", "no strikes", "no resisting", "lead hand only", "eyes closed");
  fc.assert(
    fc.property(samples, rules, fc.constantFrom("A", "B"), (sample, rule, who) => {
      const plain = first(text(sample));
      const ruled = first(text(sample, `rules ${who}: ${rule}`));
      if (holds(ruled)) expect(holds(plain)).toBe(true);
    }),
    RUNS,
  );
});

test("closed eyes make nothing quicker", () => {
  fc.assert(
    fc.property(samples, (sample) => {
      const seen = first(text(sample))?.ceiling ?? 0;
      const blind = run(text(sample, "rules B: eyes closed"));
      if (blind.findings.some(({ rule }) => rule === "rule-broken")) return;
      expect(blind.exchanges[0]?.ceiling ?? 0).toBeLessThanOrEqual(seen);
    }),
    RUNS,
  );
});

test("one more held hand frees no blow", () => {
  const blows = fc.constantFrom("jab", "cross", "lead hook", "rear uppercut", "lead elbow", "knee", "rear palm strike");
  const holds = ["grab on lead wrist", "grab on rear wrist", "pin on lead hand", "pin on rear hand"];
  fc.assert(
    fc.property(blows, fc.constantFrom(...holds), (blow, hold) => {
      const pinned = (holding: string) => rulesOf(`range: trap\n\nA ${holding} -> B ${blow}`).includes("limb-pinned");
      if (pinned(hold)) expect(pinned("grab on both wrists")).toBe(true);
    }),
    RUNS,
  );
});

test("letters are only letters: B feeds A as A feeds B", () => {
  const swap = (score: string) => score.replace(/\b[AB]\b/g, (letter) => (letter === "A" ? "B" : "A"));
  fc.assert(
    fc.property(samples, (sample) => {
      const one = first(text(sample));
      const two = first(swap(text(sample)));
      expect([two?.verdict, two?.margin?.toFixed(9)]).toEqual([one?.verdict, one?.margin?.toFixed(9)]);
    }),
    RUNS,
  );
});

test("what goes to C is answered by C, and by nobody else", () => {
  const feeds = fc.constantFrom("jab", "cross", "lead hook", "rear round kick to leg");
  fc.assert(
    fc.property(feeds, fc.constantFrom(...ANSWERS), (feed, answer) => {
      const score = (who: "B" | "C") => `formation: triangle 1.6 m\n\nA ${feed} at C -> ${who} ${answer}`;
      const other = run(score("B"));
      expect(other.findings.some(({ rule }) => rule === "no-answer")).toBe(true);
      for (const { responder, feed: fed } of run(score("C")).exchanges) if (fed) expect(responder).toBe("C");
    }),
    RUNS,
  );
});

test("the steps of a cycle come to nothing, or the finding says by how much", () => {
  const steps = ["step in", "step back", "step off", "step left", "step right", "retreat", "advance", "recover"];
  const row = fc
    .tuple(fc.constantFrom("catch", "slip out", "slap parry"), fc.array(fc.constantFrom(...steps), { maxLength: 2 }))
    .map(([answer, more]) => `  A jab -> B ${[answer, ...more].join(", ")}`);
  const apart = (poses: CheckedExchange["after"]) => {
    const [one, two] = poses;
    return Math.hypot(one!.x - two!.x, one!.y - two!.y);
  };
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 3 }), (rows) => {
      const once = run(["loop x2:", ...rows, "end"].join("\n"));
      const said = once.findings.find(({ rule }) => rule === "loop-open")?.message ?? "";
      // Where they stand when the second and the third pass begin.
      const { exchanges } = run(["loop x2:", ...rows, ...rows, ...rows, "end"].join("\n"));
      const [second, third] = [exchanges[rows.length]!, exchanges[2 * rows.length]!].map(({ before }) => apart(before));
      const change = Math.round((third! - second!) * 100);
      // Feet correct a little unasked where steps go out and in again.
      if (/distance is/.test(said)) expect(Math.abs(change)).toBeGreaterThan(4);
      else if (said === "") expect(Math.abs(change)).toBeLessThanOrEqual(16);
      const cm = Number(/is (\d+) cm/.exec(said)?.[1] ?? NaN);
      if (!Number.isNaN(cm)) expect(Math.abs(cm - Math.abs(change))).toBeLessThanOrEqual(2);
    }),
    RUNS,
  );
});
