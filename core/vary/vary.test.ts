import { validSubset } from "../answers/check-text.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { readdirSync, readFileSync } from "node:fs";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { rankAnswers } from "../answers/answers.ts";
import { OPERATORS, type OperatorId } from "./operator-names.ts";
import { vary } from "./vary.ts";

const school = defaultSchool();
const checkText = (text: string) => checkFor(parse(text), school);
const variations = (text: string, operators: readonly OperatorId[] = OPERATORS) =>
  vary(checkText(text), school, operators);

describe("operators", () => {
  test("isolate keeps one exchange and what leads to it", () => {
    const { good } = variations(
      "rules A: touch first\nkind: sensitivity\n\nA touch on right chest, push to right chest -> B turn right\nA touch on left chest, push to left chest -> B turn left",
      ["isolate"],
    );
    expect(good.map((v) => v.text.trim().split("\n").pop())).toEqual([
      "A touch on right chest, push to right chest -> B turn right",
      "A touch on left chest, push to left chest -> B turn left",
    ]);
  });
  test("mirror swaps feet, hands, sides and numbers", () => {
    const { good } = variations(
      "A: holds stick 71 cm\nB: holds stick 71 cm, lead right\n\nA strike 1 -> B block 1, counter 1\nA forehand high to left temple -> B block left high",
      ["mirror"],
    );
    expect(good[0]!.text).toMatch(/A: lead right, left handed, holds stick 71 cm/);
    expect(good[0]!.text).toMatch(/B: lead left, left handed, holds stick 71 cm/);
    expect(good[0]!.text).toMatch(/strike 2 -> B block 2, counter 2/);
    expect(good[0]!.text).toMatch(/to right temple -> B block right high/);
  });
  test("mirroring twice gives the drill back", () => {
    const once = variations("A: lead left\nB: lead left\n\nA jab -> B slip left, cross", ["mirror"]).good[0]!;
    const twice = variations(once.text, ["mirror"]).good[0]!;
    expect(twice.text.split("\n\n")[1]).toBe("A jab -> B slip left, cross\n");
  });
  test("another height brings an answer that fits it", () => {
    const { good } = variations("A lead hook -> B cover", ["other-height"]);
    expect(good[0]!.text).toMatch(/lead hook mid -> B elbow drop/);
    expect(good[0]!.checked().exchanges[0]!.verdict).toBe("valid");
  });
  test("another answer is valid and leaves the return", () => {
    for (const v of variations("A jab -> B slip out, cross", ["other-answer"]).good) {
      expect(v.checked().exchanges[0]!.verdict).toBe("valid");
      expect(v.text).toMatch(/, cross$/m);
      expect(v.text).not.toMatch(/slip out/);
    }
  });
  test("chain joins feeds and answers in order", () => {
    const { good } = variations("A jab -> B slap parry\nA cross -> B slip out, lead hook", ["chain"]);
    expect(good[0]!.text).toMatch(/A jab, cross -> B slap parry, slip out, lead hook/);
  });
});

describe("all demo drills", () => {
  const shipped = readdirSync("demo/drills").map(
    (file) => [file, readFileSync(`demo/drills/${file}`, "utf8")] as const,
  );
  // What a drill shows as wrong is what people write by mistake: the same drills with it among their rows.
  const mistaken = shipped
    .filter(([, text]) => /^wrong: /m.test(text))
    .map(([file, text]) => [`${file}, with its mistakes`, text.replace(/^wrong: /gm, "")] as const);
  const drills = [...shipped, ...mistaken];
  test("there are at least fourteen of all kinds, some with honest mistakes", () => {
    expect(drills.length).toBeGreaterThanOrEqual(14);
    const checked = drills.map(([, text]) => checkText(text));
    expect(new Set(checked.map((c) => c.header.kind))).toEqual(new Set(["feeder", "flow", "sensitivity", "solo"]));
    expect(checked.filter((c) => c.verdict === "broken").length).toBeGreaterThanOrEqual(5);
    expect(checked.filter((c) => c.verdict === "sound").length).toBeGreaterThanOrEqual(5);
    for (const c of checked) expect(c.findings.map((f) => f.rule)).not.toContain("syntax");
  });
  test.each(drills)("every variation of %s parses, is stable, differs and is not broken", (_, text) => {
    const { good } = variations(text);
    const plays = new Set<string>();
    for (const v of good) {
      expect(format(parse(v.text))).toBe(v.text);
      expect(v.verdict).not.toBe("broken");
      expect(v.changed.length).toBeGreaterThan(10);
      const play = v.text.replace(/^title.*\n/m, "");
      expect(plays.has(play)).toBe(false);
      plays.add(play);
    }
    expect([...good].sort((a, b) => a.load.total - b.load.total)).toEqual(good);
  });
});

test("a broken drill is varied from its sound part", () => {
  const base = checkText("A jab -> B slip out\nA lead hook -> B slip out");
  expect(base.verdict).toBe("broken");
  expect(validSubset(base, school)!.exchanges).toHaveLength(1);
  expect(validSubset(checkText("A lead hook -> B slip out"), school)).toBeNull();
});

describe("ranked answers", () => {
  const names = (feed: string, context: string[] = []) => rankAnswers(context, feed, school).map((a) => a.text);
  test("hold what the trade answers with (common practice, no source)", () => {
    expect(names("A jab")).toEqual(expect.arrayContaining(["slip out", "slap parry", "catch"]));
    expect(names("A lead hook")).toEqual(expect.arrayContaining(["cover", "weave", "double cover"]));
    expect(names("A rear round kick to leg")).toEqual(expect.arrayContaining(["shin check", "pull leg"]));
    expect(names("A double leg")).toEqual(expect.arrayContaining(["sprawl", "level change + post", "frame"]));
    expect(names("A overhead", ["A: holds stick 71 cm", "B: holds stick 71 cm"])[0]).toMatch(/roof block|slant block/);
  });
  test("hold nothing that does not work", () => {
    expect(names("A lead hook")).not.toContain("slip out");
    for (const a of rankAnswers([], "A cross", school)) expect(["valid", "risky"]).toContain(a.exchange.verdict);
  });
  test("best first", () => {
    // What the trade gives in its order, then by worth.
    const found = rankAnswers([], "A cross", school).filter((a) => a.standard === null);
    const worth = found.map((a) => a.worth);
    expect([...worth].sort((a, b) => b - a)).toEqual(worth);
  });
});

describe("load", () => {
  const load = (text: string) => checkText(text).load;
  test("is the sum of its parts", () => {
    const { total, parts } = load("A jab -> B slip out, cross\nA cross -> B catch");
    expect(total).toBeCloseTo(
      Object.values(parts).reduce((a, b) => a + b, 0),
      2,
    );
  });
  test.each([
    ["length", "A jab -> B catch", "A jab -> B catch\nA cross -> B catch"],
    [
      "choice",
      "A jab -> B catch\nA cross -> B catch",
      "choose A:\none: A jab -> B catch\ntwo: A cross -> B catch\nend",
    ],
    ["pressure", "tempo: 30%\n\nA jab -> B slip out", "tempo: 60%\n\nA jab -> B slip out"],
    ["restriction", "A jab -> B slip out", "rules B: no hands\n\nA jab -> B slip out"],
    ["consequence", "contact: none\n\nA jab -> B slip out", "contact: medium\n\nA jab -> B slip out"],
    ["footwork", "A jab -> B slip out", "A jab -> B step off"],
  ] as const)("more %s is more load", (part, less, more) => {
    expect(load(more).parts[part]).toBeGreaterThan(load(less).parts[part]);
  });
});
