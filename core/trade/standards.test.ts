/** What the trade gives first, against what the checker finds: wherever the two disagree it is listed and explained. */
import { rankAnswers } from "../answers/answers.ts";
import { blowOf, readFed } from "../drill/single.ts";
import { defaultSchool, readSchool } from "../policy/school.ts";
import { inOwnWords } from "./own-words.ts";
import { FEED_CLASSES, sampleOf, standardFor, standardKey, STANDARDS } from "./standards.ts";

const school = defaultSchool();
const BARE: readonly string[] = [];
const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];
const STICK = ["A: holds stick 71 cm"];
const KNIFE = ["A: holds training knife 28 cm"];
const KNIVES = ["A: holds training knife 28 cm", "B: holds training knife 28 cm"];
const FELT = ["kind: sensitivity", "range: trap"];

/** The first three answers to a feed; common practice, no source. */
const FIRST: readonly (readonly [readonly string[], string, readonly string[]])[] = [
  [BARE, "jab", ["catch", "parry", "slip out"]],
  [BARE, "cross", ["slip out", "parry", "catch"]],
  [BARE, "lead hook", ["cover", "weave", "duck"]],
  [BARE, "rear uppercut", ["lean back", "catch", "step back"]],
  [BARE, "jab to body", ["elbow drop", "low parry", "step back"]],
  [BARE, "push kick to body", ["step off", "scoop", "low parry"]],
  [BARE, "low kick", ["shin check", "pull leg", "step back"]],
  [BARE, "rear round kick to body", ["shin check + elbow drop", "shin check", "step back"]],
  [BARE, "rear round kick to head", ["double cover", "duck", "step back"]],
  [BARE, "double leg", ["sprawl", "level change + post", "frame"]],
  [BARE, "ankle pick", ["step back", "pull leg", "sprawl"]],
  [STICKS, "forehand high", ["block", "roof block", "step in + jam"]],
  [STICKS, "overhead", ["roof block", "umbrella block", "braced block"]],
  [STICK, "forehand high", ["step in + jam", "step back"]],
  [KNIFE, "thrust mid", ["step off + outside pass", "step off", "step back"]],
  [KNIFE, "slash forehand high", ["step back", "step in + jam"]],
  [KNIVES, "slash forehand high", ["counter-cut to the hand", "step back"]],
  [FELT, "push to chest", ["turn", "step off", "sit back"]],
  [FELT, "pull on lead wrist", ["follow", "sink"]],
  [FELT, "release", ["shooting hand", "straight punch"]],
  [BARE, "grab on lead wrist", ["strip", "thumb release", "circle off"]],
  [BARE, "collar tie", ["arm drag", "pummel", "frame"]],
  [BARE, "headlock", ["turn out", "hip in", "frame"]],
  [BARE, "walk forward", ["step off", "long guard", "frame"]],
  [BARE, "touch floor", ["sprawl", "level change + post", "frame"]],
  [BARE, "hold pad high", ["jab", "cross", "lead hook"]],
  [BARE, "open", ["jab", "cross", "palm strike"]],
];
test.each(FIRST)("%j %s: %j", (context, feed, answers) => {
  const found = rankAnswers(context, `A ${feed}`, school);
  expect(found.slice(0, answers.length).map(({ text }) => text)).toEqual(answers);
});

test("blows that are answers themselves are among them, and a count of a cycle is met by the same", () => {
  const texts = (feed: string, context = BARE) => rankAnswers(context, `A ${feed}`, school).map(({ text }) => text);
  expect(texts("cross")).toEqual(expect.arrayContaining(["check hook", "jab intercept"]));
  expect(texts("walk forward")).not.toContain("catch");
  expect(texts("roll symmetric 1", FELT)).toContain("roll symmetric 1");
});

// Against the other lead the front hands meet, and the way out is past the front foot. Common practice, no source.
test.each([
  ["jab", ["parry", "slip out", "slap parry"]],
  ["cross", ["slip out", "step off", "parry"]],
  ["low kick", ["pull leg", "shin check"]],
])("with the other foot in front: %s", (feed, answers) => {
  for (const leads of [["B: lead right"], ["A: lead right", "B: lead left"]])
    expect(
      rankAnswers(leads, `A ${feed}`, school)
        .slice(0, answers.length)
        .map(({ text }) => text),
    ).toEqual(answers);
});

// Common practice, no source.
test.each([
  ["cantonese", "range: trap", "straight punch", ["pak sao", "tan sao", "bong sao"]],
  ["japanese", "", "oi zuki to face", ["age uke", "step back + age uke"]],
  ["japanese", "", "straight punch to chest", ["soto uke", "uchi uke", "step back + soto uke"]],
  ["japanese", "", "mae geri to body", ["gedan barai", "gedan uke"]],
])("%s answers first, in its own words (%s): %s", (tradition, range, feed, answers) => {
  const found = rankAnswers([`tradition: ${tradition}`, range].filter(Boolean), `A ${feed}`, school);
  expect(found.slice(0, answers.length).map(({ text }) => text)).toEqual(answers);
});

test("what nobody gives is not offered, and of what holds somebody only what frees them", () => {
  for (const standard of STANDARDS) {
    const { context, feed } = sampleOf(standard);
    const found = rankAnswers(context, `A ${feed}`, school, 400).map(({ text }) => text);
    for (const never of standard.never ?? [])
      expect([feed, found]).not.toEqual([feed, expect.arrayContaining([never])]);
    const given = [...standard.answers, ...(standard.only ?? [])];
    if (standard.only) expect([feed, found.filter((text) => !given.includes(text))]).toEqual([feed, []]);
  }
  expect(rankAnswers([], "A wrist grab", school).map(({ text }) => text)).not.toContain("fold");
  expect(rankAnswers([], "A rear bear hug", school).map(({ text }) => text)).not.toContain("frame");
});

test("every class has a name of its own and answers", () => {
  const keys = STANDARDS.map(standardKey);
  expect(new Set(keys).size).toBe(keys.length);
  for (const { answers, never = [] } of STANDARDS) {
    expect(answers.length).toBeGreaterThan(0);
    expect(answers.filter((answer) => never.includes(answer))).toEqual([]);
  }
});

describe("the sample of a class", () => {
  test.each(STANDARDS.map((standard) => [standardKey(standard), standard] as const))("%s", (_, standard) => {
    const { context, feed } = sampleOf(standard);
    const fed = readFed(context, `A ${feed}`, school)!;
    const { header, feed: asked } = fed;
    const { A: feeder, B: answerer } = header.people;
    expect(standardFor({ use: asked.use, blow: blowOf(fed), feeder, answerer, tradition: header.tradition })).toBe(
      standard,
    );
    // What is taught first holds against it.
    const first = rankAnswers(context, `A ${feed}`, school)[0];
    expect(first?.standard).not.toBeNull();
  });
  test("every class of feeds has a name of its own", () => {
    const names = Object.values(FEED_CLASSES).map(({ says }) => says);
    expect(new Set(names).size).toBe(names.length);
    expect(new Set(STANDARDS.map(({ feed }) => feed))).toEqual(new Set(Object.keys(FEED_CLASSES)));
  });
});

describe("a school's own order", () => {
  const own = (standards: unknown) => readSchool({ standards });
  const first = (standards: unknown, feed: string) => {
    const read = own(standards);
    if (!read.ok) throw new Error(read.errors.join());
    return rankAnswers([], `A ${feed}`, read.school)
      .slice(0, 2)
      .map(({ text }) => text);
  };
  test("is what is answered first", () => {
    expect(first({ "lead straight high": ["long guard", "parry"] }, "jab")).toEqual(["long guard", "parry"]);
    expect(first({ "lead straight high": ["long guard", "parry"] }, "cross")).toEqual(["slip out", "parry"]);
  });
  test("may hold what others never give, and not what does not work", () => {
    expect(first({ "lead straight high": ["duck"] }, "jab")[0]).toBe("duck");
    expect(first({ "lead straight high": ["shin check", "catch"] }, "jab")[0]).toBe("catch");
  });
  test.each([
    [{ "lead straight": ["catch"] }, "there is no class of feeds “lead straight”"],
    [{ "lead straight high": [] }, "lead straight high"],
    [["catch"], "must be an object"],
    [{ "lead straight high": [7] }, "lead straight high"],
  ])("%j is refused in words", (standards, words) => {
    const read = own(standards);
    expect(read.ok ? "" : read.errors.join()).toContain(words);
  });
});

/**
 * Where the trade gives something that the check does not find valid against the sample of its class, with the reason.
 * Common practice, no source.
 */
const DISAGREE: Readonly<Record<string, string>> = {
  "kick round mid: double cover": "risky: it stops the shin, and it hurts",
  "weapon thrust, holding nothing: slap parry": "against a thrust to the head; the sample goes to the body",
  "blade thrust, holding stick: parry stick": "risky: it ends inside, in front of the other hand",
  "straight mid, japanese: step back + outer block": "risky: it ends inside, in front of the other hand",
};

test("what the trade gives holds, but for what is explained", () => {
  const found = STANDARDS.flatMap((standard) => {
    const { context, feed } = sampleOf(standard);
    const ranked = rankAnswers(context, `A ${feed}`, school, Infinity);
    return standard.answers.flatMap((answer) => {
      const shown = inOwnWords(answer, standard.tradition ?? null, school.vocabulary);
      const holds = ranked.some(({ text, exchange }) => text === shown && exchange.verdict === "valid");
      return holds ? [] : [`${standardKey(standard)}: ${answer}`];
    });
  });
  expect(found.sort()).toEqual(Object.keys(DISAGREE).sort());
});
