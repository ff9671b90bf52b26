/** Figures of speed, with the machine's own baseline beside them so that ratios can be compared. */
import { check } from "#core/check/check.ts";
import { parse, ScoreReader } from "#core/score/parse.ts";

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

const LINES = [
  "A jab -> B slip out, cross",
  "A cross -> B parry, jab",
  "A lead hook -> B weave, cross",
  "A rear round kick to leg -> B shin check, cross",
  "A lead hook to body -> B elbow drop, rear uppercut",
];
const rows = (count: number) => Array.from({ length: count }, (_, i) => LINES[i % LINES.length]).join("\n");

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
const score = parse(rows(200));
const checkTime = best(20, () => void check(score));
say("check 200 exchanges", checkTime, `= ${Math.round((200 / checkTime) * 1000)} exchange checks a second`);
const typing = new ScoreReader();
typing.read(rows(200));
say(
  "key stroke to findings, 200 exchanges",
  best(20, () => void check(typing.read(rows(200).replace("slip out", `slip ${n++ % 2 ? "in" : "out"}`)))),
);
