/** Games as an instructor writes them, in games.txt: verdict and what is said of each; fairness against a play-out. */
import fc from "fast-check";
import { check } from "./check.ts";
import { readFileSync } from "node:fs";
import { writtenGames } from "./games-testing.ts";
import { resultJson } from "../formats/result.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";

test.each(writtenGames(readFileSync("core/drill/games.txt", "utf8")).map((game) => [game.name, game] as const))(
  "%s",
  (_, { text, verdict, says }) => {
    const made = check(parse(text));
    const said = made.findings.filter(({ severity }) => severity !== "note");
    expect([made.verdict, ...(made.verdict === verdict ? [] : said.map(({ message }) => message))]).toEqual([verdict]);
    const codes = made.findings.flatMap(({ rule, params }) => (rule === "game" ? [params.code] : []));
    for (const code of says) expect(codes).toContain(code);
    if (verdict === "sound") expect(codes).toEqual([]);
    expect(format(parse(format(parse(text))))).toBe(format(parse(text)));
  },
);

const game = (may: readonly [string, string], head = "") =>
  `${head}\ngame Small:\n  A may: ${may[0]}\n  B may: ${may[1]}\n  A scores: line 1\n  B scores: clean 1\n  touch: to the glove\n  ends: 3 points\nend\n`;

describe("fairness", () => {
  const FEEDS = ["jab", "cross", "lead hook", "rear uppercut", "rear round kick to body", "lead hook to body"];
  const ANSWERS = ["step back", "catch", "cover", "duck", "elbow drop", "weave"];

  /** Plays every feed against every answer, as a line among others that the feeder may choose. */
  function playedOut(feeds: readonly string[], answers: readonly string[], tempo: number): number {
    return feeds.filter((_, i) =>
      answers.some((answer) => {
        const lines = feeds.map((feed, j) => `  ${"abcdef"[j]}x: A ${feed} -> B ${j === i ? answer : "step back"}`);
        const block = feeds.length > 1 ? `choose A:\n${lines.join("\n")}\nend` : lines[0]!.trim().slice(4);
        const { exchanges } = check(parse(`tempo: ${tempo}%\n\n${block}`));
        const here = exchanges[i]!;
        return here.verdict !== "invalid" && !here.findings.some(({ rule }) => rule === "late");
      }),
    ).length;
  }

  test("is what playing out every feed against every answer gives", () => {
    fc.assert(
      fc.property(
        fc.subarray(FEEDS, { minLength: 1, maxLength: 4 }),
        fc.subarray(ANSWERS, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 3, max: 12 }),
        (feeds, answers, tenth) => {
          const text = game([feeds.join(" | "), answers.join(" | ")], `tempo: ${tenth * 10}%\n`);
          const [made] = check(parse(text)).games;
          expect(made!.fairness).toEqual({ answered: playedOut(feeds, answers, tenth * 10), of: feeds.length });
        },
      ),
      { numRuns: 60 },
    );
  });

  test("what evens a game makes every feed answerable, and a step faster does not", () => {
    const text = game([FEEDS.join(" | "), ANSWERS.join(" | ")], "tempo: 100%\n");
    const [made] = check(parse(text)).games;
    if (!made || made.evener === null || made.evener === "two options") throw new Error("a slower tempo was expected");
    const slower = Math.round(made.evener.slower * 100);
    const at = (tempo: number) => check(parse(text.replace("100%", `${tempo}%`))).games[0]!.fairness;
    expect(at(slower)).toEqual({ answered: 6, of: 6 });
    expect(at(slower + 5).answered).toBeLessThan(6);
  });

  test("more options take longer to tell apart: as Hick has it for n + 1", () => {
    // a + b log2(n + 1) as in docs/model.md (Hick 1952, Hyman 1953); what is in time up to a tempo has 1 / tempo of it.
    const ceiling = (n: number) => {
      const feeds = FEEDS.slice(0, n).join(" | ");
      return check(parse(game([feeds, "step back"], "range: punch\n"))).games[0]!.answers[0]!.cells[0]![0]!.ceiling!;
    };
    const [one, two, four] = [1, 2, 4].map((n) => 1 / ceiling(n)) as [number, number, number];
    expect(two).toBeGreaterThan(one);
    expect((four - two) / (two - one)).toBeCloseTo((Math.log2(5) - Math.log2(3)) / (Math.log2(3) - 1), 6);
  });
});

test("a game has its place in the JSON, and adds its choices to the load", () => {
  const made = check(parse(game(["jab | lead hook", "catch"])));
  expect(resultJson(made)).toMatchObject({
    verdict: "broken",
    exchanges: [],
    games: [
      {
        name: "Small",
        verdict: "broken",
        holes: [{ line: 3, column: 16, feed: "lead hook", responder: "B" }],
        fairness: { answered: 1, of: 2 },
        evener: null,
      },
    ],
  });
  expect(check(parse(game(["jab | lead hook", "catch | cover"]))).load.parts.choice).toBeGreaterThan(0);
  expect(resultJson(check(parse("A jab -> B catch")))).not.toHaveProperty("games");
});

test("three people: each of the two has to answer", () => {
  const three = (c: string) =>
    check(
      parse(
        `formation: triangle 2 m\n\ngame Ring:\n  A may: jab\n  B may: catch\n  C may: ${c}\n  A scores: line 1\n  B scores: clean 1\n  C scores: clean 1\n  touch: to the glove\n  ends: 60 s\nend`,
      ),
    );
  expect(three("catch").games[0]!.holes).toEqual([]);
  expect(three("shin check").games[0]!.holes.map(({ responder }) => responder)).toEqual(["C"]);
});

describe("rows of games that cannot be read", () => {
  const said = (text: string) => check(parse(text)).findings.map(({ message }) => message);
  test.each([
    ["game Open:\n  A may: jab", /does not end\. Write `end`/],
    ["loop x2:\n  A jab -> B catch\n  game Inside:\n  A may: jab\n  end\nend", /stands inside a block/],
    ["game Twice:\n  A may: jab\n  A may: cross\n  B may: catch\nend", /stands twice/],
    ["game Row:\n  A jab -> B catch\nend", /A game has rows of its own/],
    ["game Turn:\n  A may: jab -> B catch\n  B may: catch\nend", /without letters and arrows/],
    ["game Start:\n  start: A jab -> B catch\n  A may: jab\n  B may: catch\nend", /is no start/],
    ["game Far:\n  start: range 40 m\n  A may: jab\n  B may: catch\nend", /“40 m” is no distance/],
    ["game End:\n  A may: jab\n  B may: catch\n  ends: soon\nend", /“soon” is no end/],
    ["game Swap:\n  A may: jab\n  B may: catch\n  swap: often\nend", /“often” is no change of roles/],
    ["game Touch:\n  A may: jab\n  B may: catch\n  touch: hard\nend", /“hard” is no touch/],
    ["game Points:\n  A may: jab\n  B may: catch\n  B scores: clean\nend", /what scores and how much/],
    ["game Nobody:\n  A may: jab\n  B may:\nend", /Write what B may do/],
    ["game Word:\n  A may: jabb | jab\n  B may: catch\nend", /We don’t know “jabb”/],
  ])("%j", (text, words) => {
    expect(said(text).join("\n")).toMatch(words);
  });
  test("a header or a label called game keeps its meaning", () => {
    expect(check(parse("game: chess\nA jab -> B catch")).header.unknown).toEqual(["game"]);
    expect(said("choose A:\n  game: A jab -> B catch\n  two: A cross -> B catch\nend")).toEqual([]);
  });
});
