/** Drills made by chance, and what every operator makes of them: some each day, a thousand in the long run. */
import { SEED } from "../base/samples-testing.ts";
import { validSubset } from "../answers/check-text.ts";
import { checkFor } from "../policy/judge.ts";
import { below, seeded, shuffled } from "../random/random.ts";
import { defaultSchool } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { TRADE } from "../trade/trade.ts";
import { rankAnswers } from "../answers/answers.ts";
import { OPERATORS } from "../vary/operator-names.ts";
import { makeLadder } from "./ladder.ts";
import { LADDER_DEFAULTS } from "./ladder-options.ts";
import { candidates, playOf } from "../vary/vary.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
const BASES = process.env.TEST_LONG ? 1000 : 350;
const random = seeded(SEED);
const pick = <T>(items: readonly T[]): T => items[below(random, items.length)]!;
const HEADS = [
  "",
  "tempo: 70%\nA: lead right\n",
  "A: holds stick 71 cm\nB: holds stick 71 cm\n",
  "B: minor, height 150\ncontact: none\n",
  "A: wears mitts\nB: wears gloves\ncadence: free\n",
  "kind: flow\n",
];
/** Three feeds of four get an answer that holds, so that most bases are sound. */
function answer(feed: string): string {
  const good = random() < 0.75 ? rankAnswers([], `A ${feed}`, school, 5).map((a) => a.text) : [];
  return pick(good.length > 0 ? good : TRADE.book.answers);
}
const pair = () => {
  const feed = pick(TRADE.book.feeds);
  return [feed, answer(feed)] as const;
};
const LINES = [
  () => pair().join(" -> B "),
  () => `${pair().join(" -> B ")}, ${pick(["cross", "jab", "lead hook", "push kick"])}`,
  () => `~jab, ${pair().join(" -> B ")} | ${pick(TRADE.book.answers)}`,
  () => `forehand ${pick(["high", "low"])} <> B forehand ${pick(["high", "low"])}`,
  () => `${pair().join(" -> B ")}, cross -> A parry`,
].map((line) => () => `A ${line()}`);
const base = (): string => {
  const rows = Array.from({ length: 1 + below(random, 4) }, () => pick(LINES)());
  const play = random() < 0.2 ? `loop x4:\n${rows.map((r) => `  ${r}`).join("\n")}\nend` : rows.join("\n");
  return `${pick(HEADS)}\n${play}\n`;
};

test("no exception; every candidate parses, is stable under formatting, differs, and says what changed", () => {
  let made = 0;
  let bases = 0;
  for (let i = 0; i < BASES; i++) {
    const text = base();
    const sound = validSubset(checkFor(parse(text), school), school);
    if (!sound) continue;
    bases++;
    const known = new Set([format(sound.score)]);
    // Two operators a base, another two the next time: each has its turn on some sixty of them.
    for (const v of candidates(sound, school, shuffled(OPERATORS, random).slice(0, 2))) {
      made++;
      expect([text, format(parse(v.text))]).toEqual([text, v.text]);
      expect([text, v.operator, known.has(v.text)]).toEqual([text, v.operator, false]);
      known.add(v.text);
      expect(v.changed).toMatch(/^\S.{5,}/);
      const whole = v.checked();
      // What the search was told without the whole check is what the whole check says.
      expect([v.text, v.verdict, v.load, v.tempo]).toEqual([v.text, whole.verdict, whole.load, whole.header.tempo]);
      expect([text, v.operator, v.text, whole.findings.filter((f) => f.rule === "syntax")]).toEqual([
        text,
        v.operator,
        v.text,
        [],
      ]);
    }
  }
  expect(bases).toBeGreaterThan(BASES / 5);
  expect(made).toBeGreaterThan(0.3 * BASES);
});

/** Ladders are long: not every base gets one. */
const LADDERS = 30;
test("a ladder of any base rises, with no rung twice, each of them sound enough and said in words", () => {
  let made = 0;
  for (let i = 0; i < LADDERS; i++) {
    const text = base();
    const result = finished(
      makeLadder(checkFor(parse(text), school), school, { ...LADDER_DEFAULTS, rungs: 5, seed: i }),
    );
    if (!result.ok) {
      expect([text, result.message]).toEqual([text, expect.stringMatching(/^No (row|way up)/)]);
      continue;
    }
    made++;
    const { rungs } = result;
    expect([text, new Set(rungs.map((r) => playOf(r.text))).size]).toEqual([text, rungs.length]);
    for (const [at, rung] of rungs.entries()) {
      expect([text, format(parse(rung.text))]).toEqual([text, rung.text]);
      expect([text, rung.checked.verdict]).not.toEqual([text, "broken"]);
      expect([text, rung.changed]).toEqual([
        text,
        expect.stringMatching(/^[A-Z“](?!.*(?:undefined| {2}|, ,|[{}])).{5,}/),
      ]);
      if (at > 0) expect([text, rung.checked.load.total > rungs[at - 1]!.checked.load.total]).toEqual([text, true]);
    }
  }
  expect(made).toBeGreaterThan(12);
});
