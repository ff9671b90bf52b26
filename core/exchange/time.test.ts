import { millis } from "../base/units.ts";
import { ceilingOf, knowledge, reactionTime, senseOf } from "./time.ts";
import { check } from "../drill/check.ts";
import { parse } from "../score/parse.ts";

const sight = (choices: number) => reactionTime({ sense: "sight", choices, rhythm: false });

describe("reaction", () => {
  test("simple reaction by sense (textbook values)", () => {
    expect(sight(1)).toBe(190);
    expect(reactionTime({ sense: "sound", choices: 1, rhythm: false })).toBe(160);
    expect(reactionTime({ sense: "touch", choices: 1, rhythm: false })).toBe(150);
  });
  test("choice follows Hick's law: equal steps for equal ratios of n + 1", () => {
    // Hick (1952), Hyman (1953): RT = a + b log2(n + 1). Worked: a = 190 - 125 = 65, n = 3: 65 + 125 x 2 = 315.
    expect(sight(3)).toBeCloseTo(315, 6);
    expect(sight(7)).toBeCloseTo(440, 6);
    expect(sight(7) - sight(3)).toBeCloseTo(sight(15) - sight(7), 6);
  });
  test("a known rhythm needs no reaction", () => {
    expect(reactionTime(knowledge("flow", 1, "sight"))).toBe(0);
  });
  test("closed eyes and contact drills go by touch", () => {
    expect(senseOf("feeder", "touch")).toBe("touch");
    expect(senseOf("sensitivity", "sight")).toBe("touch");
  });
});

test("a worked ceiling: jab with its step against a parry", () => {
  // contact 250 + 200, movement 100, reaction 190: (450 - 100) / 190 = 1.84, capped at 1.5.
  expect(ceilingOf(millis(450), millis(100), millis(190))).toBe(1.5);
  expect(ceilingOf(millis(450), millis(260), millis(190))).toBeCloseTo(1, 6);
  // Slowly enough everybody gets there: at a quarter of full speed nobody is held to the tempo of the drill.
  expect(ceilingOf(millis(200), millis(260), millis(190))).toBe(0.25);
  expect(ceilingOf(millis(100), millis(600), millis(190))).toBeCloseTo(100 / 790, 6);
  // A known answer begins while the own blow is on its way home.
  expect(ceilingOf(millis(200), millis(260), millis(0))).toBe(1.5);
  expect(ceilingOf(millis(200), millis(460), millis(0))).toBe(0.25);
});

describe("lateness", () => {
  const rules = (tempo: string, lines: string) =>
    check(parse(`tempo: ${tempo}\n\n${lines}`)).findings.map((f) => f.rule);
  const four =
    "choose A:\none: A jab -> B slap parry\ntwo: A cross -> B slip out\nthree: A lead hook -> B weave\nfour: A rear uppercut -> B lean back";
  test("four choices by sight are too late at full speed, not at a third of it", () => {
    expect(rules("100%", four)).toContain("late");
    expect(rules("30%", four)).not.toContain("late");
  });
  test("called before the feed there is nothing to choose any more", () => {
    expect(
      rules(
        "100%",
        four.replace("choose A", "choose call").replace("A lead hook -> B weave", "A lead hook -> B cover"),
      ),
    ).not.toContain("late");
  });
  // Common practice, no source: agreed beforehand, nobody has to guess.
  test("in a known order nothing is told apart, however long the combination before it", () => {
    const ceiling = (combination: string, covers: string) =>
      check(parse(`A ${combination} -> B ${covers}, cross -> A slip out`)).exchanges.find(
        (e) => e.feedText === "cross",
      )!.times!.choices;
    expect([ceiling("jab", "slip out"), ceiling("jab, jab", "slip out, slip out")]).toEqual([1, 1]);
  });
  test("a written step takes its time: who walks in gives more of it", () => {
    const ceiling = (feed: string) => check(parse(`range: kick\n\nA ${feed} -> B cover`)).exchanges[0]!.ceiling!;
    expect(ceiling("step in + lead hook")).toBeGreaterThanOrEqual(ceiling("lead hook"));
  });
  test("the note says up to which tempo it works; what it rests on stands with the exchange", () => {
    const finding = check(parse(`tempo: 100%\n\n${four}`)).findings.find((f) => f.rule === "late");
    expect(finding?.message).toMatch(/Too slow at 100%: it works up to \d+%/);
    expect(check(parse(`tempo: 100%\n\n${four}`)).exchanges[0]!.times?.choices).toBe(4);
  });
});

// Common practice, no source: what is put into a blow is missing behind it.
test.each(["jab", "cross", "lead hook", "rear hook"])("behind a committed %s less comes", (blow) => {
  const threats = (sign: string) =>
    new Map(
      check(parse(`A ${blow}${sign} -> B duck`)).exchanges[0]!.followUps.map(
        ({ move, threat }) => [move, threat] as const,
      ),
    );
  const [usual, committed] = [threats(""), threats("!")];
  const compared = [...usual].filter(([move, threat]) => threat > 0 && committed.has(move));
  expect(compared.length).toBeGreaterThan(1);
  for (const [move, threat] of compared) expect([move, committed.get(move)! < threat]).toEqual([move, true]);
});
