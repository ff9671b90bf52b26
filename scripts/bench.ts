/** Figures of speed, with the machine's own baseline beside them so that ratios can be compared. */
import { metres } from "#core/base/units.ts";
import { rankAnswers } from "#core/answers/answers.ts";
import { checkFor } from "#core/policy/judge.ts";
import { checkExchange, type Setting } from "#core/exchange/exchange.ts";
import { prepare } from "#core/drill/prepare.ts";
import { plainFeed } from "#core/exchange/feed.ts";
import { doneFrom } from "#core/read/stance.ts";
import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import { frozenOf } from "#core/floor/frozen.ts";
import { planClass, type ClassPlan, type PlanInput } from "#core/class/plan.ts";
import { CLOCK } from "#core/class/timetable.ts";
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { parse, ScoreReader } from "#core/score/parse.ts";
import { makeLadder } from "#core/ladder/ladder.ts";
import { LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { vary } from "#core/vary/vary.ts";
import { refute } from "#core/search/refute.ts";
import { finished } from "#core/base/work.ts";

/** Best time of several rounds, ms. */
function best(rounds: number, run: () => void): number {
  let least = Infinity;
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    run();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

/** A fixed arithmetic loop: what this machine does in the same time. */
function baseline(): number {
  return best(5, () => {
    let x = 1;
    for (let i = 0; i < 20_000_000; i++) x = (x * 16807 + i) % 2147483647;
    if (x < 0) throw new Error("cannot be");
  });
}

const FEEDS = [
  "jab",
  "cross",
  "lead hook",
  "rear hook",
  "lead hook to body",
  "rear uppercut",
  "rear round kick to leg",
  "push kick",
  "overhand",
  "cross to body",
];
const ANSWERS = [
  "slip out",
  "parry",
  "weave",
  "cover",
  "lean back",
  "step back",
  "catch",
  "shin check",
  "elbow drop",
  "step off",
];
const RETURNS = ["cross", "jab", "lead hook"];
/** So many drills are varied in a round, and so many rounds run; the first ones warm the machine. */
const VARIED = 20;
const ROUNDS = 20;
/** Rows that are all different, for the first 300 of them. */
const rows = (count: number): string =>
  Array.from({ length: count }, (_, i) => {
    const feed = FEEDS[i % FEEDS.length];
    const answer = ANSWERS[Math.floor(i / FEEDS.length) % ANSWERS.length];
    return `A ${feed} -> B ${answer}, ${RETURNS[Math.floor(i / 100) % RETURNS.length]}`;
  }).join("\n");

const base = baseline();
const say = (name: string, ms: number, more = "") =>
  console.log(
    `${name.padEnd(44)} ${ms.toFixed(2).padStart(9)} ms  ${(ms / base).toFixed(3).padStart(8)} of the baseline ${more}`,
  );
say("baseline: 20 million steps of arithmetic", base);
const big = rows(2000);
say(
  "parse 2,000 rows, cold reader",
  best(10, () => void parse(big)),
);
const reader = new ScoreReader();
reader.read(big);
let n = 0;
say(
  "parse 2,000 rows after one key stroke",
  best(10, () => void reader.read(big.replace("jab ->", `jab @${++n} ->`))),
);
say(
  "1,000 exchange checks with follow-ups",
  thousandExchanges(),
  `= ${Math.round(1e6 / thousandExchanges())} a second; no lines, messages or loads round them`,
);
sayChecks("none known", newLines());
sayChecks("new bodies", newBodies());
const typing = new ScoreReader();
typing.read(rows(200));
say(
  "key stroke to findings, 200 exchanges",
  best(20, () => void checkFor(typing.read(rows(200).replace("slip out", `slip out @${n++}`)))),
);

// The feeder who wants to break a drill of twelve exchanges, three actions deep.
const twelve = Array.from(
  { length: 12 },
  (_, i) =>
    `A ${FEEDS[i % 4]} -> B ${["slip out", "parry", "cover", "weave"][i % 4]}${i < 4 ? "" : `, ${RETURNS[i % 3]}`}`,
).join("\n");
const base12 = checkFor(parse(`tempo: 30%\n\n${twelve}`));
let positions = 0;
const searched = best(5, () => {
  const found = refute(base12, defaultSchool());
  if (found.kind !== "holds") throw new Error(`The drill to break is no good: ${found.kind}`);
  positions = found.nodes;
});
say("refute 12 exchanges to 3 plies", searched, `${positions} positions`);

// An answer book of 100 feeds against 100 answers, each checked by itself.
const some = FEEDS.flatMap((feed) => ANSWERS.map((answer) => `A ${feed} -> B ${answer}`));
say(
  "100 pairs of feed and answer, each a text of its own",
  best(20, () => some.forEach((line) => void checkFor(parse(line)))),
);

// All answers to one feed, ranked, as the desk asks for them: each time for people of another height.
let people = 0;
const context = () => [`A: height ${160 + (people % 40)}`, `B: height ${161 + (people++ % 40)}`];
say(
  "all answers to a jab, new people",
  best(20, () => void rankAnswers(context(), "A jab", defaultSchool())),
);

// Drills of twelve exchanges, none of them varied before: each round takes new ones.
const drills = Array.from({ length: ROUNDS * VARIED }, (_, i) => checkFor(parse(twelveOf(i))));
let candidates = 0;
const varied = best(ROUNDS, () => {
  candidates = 0;
  for (const drill of drills.splice(0, VARIED)) {
    const { good, broken } = vary(drill, defaultSchool());
    candidates += good.length + broken.length;
  }
});
say(
  `all variations of ${VARIED} new drills of 12 exchanges`,
  varied,
  `${candidates} candidates, ${Math.round((1000 * candidates) / varied)} a second`,
);
const climb = () => void finished(makeLadder(base12, defaultSchool(), LADDER_DEFAULTS));
say("ladder of 8 rungs from 12 exchanges, first time", best(1, climb));
say("ladder of 8 rungs from 12 exchanges", best(5, climb));

// A whole evening: pairs, the rung of each, both roles checked with their own bodies, gear and shares.
const evening = (people: number, frozen: PlanInput["frozen"]): PlanInput => ({
  minutes: 90,
  clock: CLOCK,
  rungs: [2, 4, 6, 8].map((rows, i) => ({
    text: twelve.split("\n").slice(0, rows).join("\n"),
    title: `${rows} rows`,
    load: i + 3,
  })),
  people: Array.from({ length: people }, (_, i) => ({
    id: `p${i}`,
    name: `P${i}`,
    height_cm: 155 + ((i * 7) % 40),
    reach_cm: null,
    mass_kg: 55 + ((i * 11) % 30),
    lead: i % 5 === 0 ? "right" : "left",
    hand: "right",
    age: "adult" as const,
    ages: null,
    level: 1 + (i % 5),
    limits: [],
    from: 0,
    until: null,
  })),
  blocks: null,
  weights: PAIR_WEIGHTS,
  wishes: [],
  met: {},
  gear: {},
  frozen,
  locked: [],
});
const planned = (input: PlanInput): ClassPlan & { readonly ok: true } => {
  const plan = finished(planClass(input, defaultSchool()));
  if (!plan.ok) throw new Error(plan.message);
  return plan;
};
const rounds = planned(evening(60, NOTHING_FROZEN)).rounds.length;
say(
  `plan 60 people, ${rounds} rounds`,
  best(3, () => void planned(evening(60, NOTHING_FROZEN))),
);
const ran = frozenOf(planned(evening(30, NOTHING_FROZEN)), CLOCK, 3, null);
say(
  "plan 30 people again after three rounds",
  best(3, () => void planned(evening(30, ran))),
);

function sayChecks(what: string, ms: number): void {
  const rate = Math.round((200 / ms) * 1000);
  say(`check 200 different exchanges, ${what}`, ms, `= ${rate} exchange checks a second`);
}

/** Time of 200 rows that are read again each time, so that no line is known from the round before; what is known of them goes with them. */
function newLines(): number {
  const many = Array.from({ length: 300 }, () => parse(rows(200)));
  return best(300, () => void checkFor(many.pop()!));
}

/** Time of the same rows with new bodies each time: every exchange is computed, only the words are known. This is what a class asks for. */
function newBodies(): number {
  const score = parse(rows(200));
  let cm = 0;
  return best(300, () => void checkFor(score, undefined, { A: { height: metres(1.6 + (cm++ % 300) / 1000) } }));
}

/** Twelve exchanges that hold, drawn by a fixed rule from the feeds, answers and returns above. */
function twelveOf(n: number): string {
  let place = n * 7919;
  const next = (count: number) => (place = (place * 16807 + 11) % 2147483647) % count;
  const line = (i: number): string => {
    for (;;) {
      const back = i < 4 ? "" : `, ${RETURNS[next(RETURNS.length)]}`;
      const text = `A ${FEEDS[next(FEEDS.length)]} -> B ${ANSWERS[next(ANSWERS.length)]}${back}`;
      if (checkFor(parse(text)).verdict !== "broken") return text;
    }
  };
  return Array.from({ length: 12 }, (_, i) => line(i)).join("\n");
}

/** Time of 1,000 feeds with their answers, each from the drill's frame: the innermost unit of work. */
function thousandExchanges(): number {
  const school = defaultSchool();
  const text = parse(FEEDS.flatMap((feed) => ANSWERS.map((answer) => `A ${feed} -> B ${answer}`)).join("\n"));
  const { header, frameFor, reader } = prepare(text, school, {});
  const { world } = frameFor(text.items.slice(0, 1));
  const setting: Setting = {
    header,
    usage: school,
    choices: 1,
    label: null,
    section: null,
    pass: null,
  };
  const beatOf = (item: (typeof text.items)[number], turn: number, actor: "A" | "B") => {
    if (item.kind !== "line") throw new Error("the benchmark writes lines only");
    const read = reader.read(item.line).plays[0]!.turns[turn]!.alternatives[0]![0]!;
    return doneFrom(read, world[actor]!, reader.vocabulary).beats[0]!;
  };
  const pairs = text.items.map((item) => {
    const fed = beatOf(item, 0, "A");
    const [use] = fed.uses;
    const feed = plainFeed({ use: use!, row: text.rows[0]!, actor: "A", receiver: "B", beatUses: fed.uses });
    return { feed, beat: beatOf(item, 1, "B") };
  });
  return best(300, () => {
    for (let i = 0; i < 10; i++) for (const { feed, beat } of pairs) checkExchange(feed, beat, world, setting);
  });
}
