/** Whatever a tool calls valid is valid when it is written into a drill and checked at its tempo. */
import { readdirSync, readFileSync } from "node:fs";
import { todays } from "../base/samples-testing.ts";
import { finished } from "../base/work.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { refute } from "../search/refute.ts";
import { TRADE } from "../trade/trade.ts";
import { vary } from "../vary/vary.ts";
import { answerBook, bookReason, drillFor } from "./answer-book.ts";
import { rankAnswers } from "./answers.ts";
import { rankCombined } from "./combined.ts";

const school = defaultSchool();
const look = (text: string) => checkFor(parse(text), school);
/** Down to whole 5%, as tempos are written. */
const percent = (ceiling: number) => Math.max(5, Math.floor(Math.min(1.5, ceiling) * 20 + 1e-9) * 5);

const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];
const FRAMES: readonly (readonly [readonly string[], readonly string[]])[] = [
  [[], TRADE.book.feeds],
  [["A: lead right", "B: height 190"], TRADE.book.feeds],
  [STICKS, ["forehand high", "backhand high", "forehand low", "overhead", "upward", "thrust mid"]],
  [["A: holds stick 71 cm"], ["forehand high", "overhead", "thrust mid"]],
  [["A: holds training knife 28 cm"], ["slash forehand high", "thrust mid", "downward stab"]],
  [
    ["kind: sensitivity", "range: trap"],
    ["push to chest", "push to left chest", "pull on lead wrist", "press on lead forearm", "release"],
  ],
  [["kind: flow"], ["jab", "cross", "lead hook"]],
  [[], ["grab on lead wrist", "throat grab", "rear bear hug", "walk forward", "touch floor", "open"]],
];

test.each(FRAMES)("answers under %j", (context, feeds) => {
  for (const feed of todays(feeds, 2))
    for (const { text, exchange } of rankAnswers(context, `A ${feed}`, school)) {
      const tempo = exchange.ceiling === null ? [] : [`tempo: ${percent(exchange.ceiling)}%`];
      const written = look([...context, ...tempo, "", `A ${feed} -> B ${text}`].join("\n"));
      const [first] = written.exchanges;
      const late = (exchange.ceiling ?? 1) >= 0.05 && written.findings.some(({ rule }) => rule === "late");
      expect([feed, text, first?.verdict, late]).toEqual([feed, text, exchange.verdict, false]);
    }
});

test("answers to whole combinations", () => {
  const hands = TRADE.book.feeds.slice(0, 10);
  const pairs = hands.flatMap((one) => hands.map((two) => [one, two]));
  for (const feeds of todays(pairs, 20))
    for (const { text, exchanges } of rankCombined([], "A", feeds, school, 4)) {
      const written = look(`A ${feeds.join(", ")} -> B ${text}`).exchanges;
      expect([feeds, text, written.map(({ verdict }) => verdict)]).toEqual([
        feeds,
        text,
        exchanges.map(({ verdict }) => verdict),
      ]);
    }
});

test("cells of the answer map are what the drill made of them is", () => {
  const choice = { feeds: TRADE.book.feeds, answers: TRADE.book.answers };
  const book = finished(answerBook(choice, school));
  const cells = book.feeds.flatMap((feed, f) =>
    (["left", "right"] as const).flatMap((side, s) =>
      book.answers.map((answer, a) => ({ feed: feed.text, answer: answer.text, side, code: book.codes[f]![s]![a] })),
    ),
  );
  const words = { v: "valid", r: "risky", x: "invalid" } as const;
  for (const { feed, answer, side, code } of todays(cells, 12)) {
    if (code !== "v" && code !== "r" && code !== "x") continue;
    expect([feed, answer, side, bookReason(feed, answer, side, school)?.verdict]).toEqual([
      feed,
      answer,
      side,
      words[code],
    ]);
    if (code === "x") continue;
    const made = look(drillFor(feed, answer, side, school)).exchanges[0];
    expect([feed, answer, side, made?.verdict]).toEqual([feed, answer, side, words[code]]);
  }
});

const drills = readdirSync("demo/drills").map((file) => readFileSync(`demo/drills/${file}`, "utf8"));

test("variations and refutations say what the check says of their text", () => {
  for (const text of todays(drills, 6)) {
    const drill = look(text);
    for (const { text: made, verdict, load } of vary(drill, school).good) {
      const checked = look(made);
      expect([made, checked.verdict, checked.load.total]).toEqual([made, verdict, load.total]);
    }
    const found = refute(drill, school, { plies: 2, nodes: 1500 });
    if (found.kind !== "refuted" || found.inTime === null) continue;
    const header = text.split("\n").filter((row) => /^[\w ]+:/.test(row) && !/^(tempo|title|loop|choose)/.test(row));
    const line = look([...header, `tempo: ${percent(found.inTime)}%`, "", found.line].join("\n"));
    expect([found.line, line.exchanges.at(-1)?.verdict]).toEqual([found.line, expect.stringMatching(/valid|risky/)]);
  }
});
