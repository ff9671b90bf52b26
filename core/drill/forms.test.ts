/** What any order, any time and landing change beside the verdict: choices, load, data, loops, limits. Common practice, no source. */
import fc from "fast-check";
import { check } from "./check.ts";
import { drillCalls } from "../calls/labels.ts";
import { resultJson } from "../formats/result.ts";
import { scoreView } from "../formats/desk-view.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool, readSchool } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { RowMemory } from "../score/row-memory.ts";
import { linesOf } from "../score/structure.ts";
import { inWords } from "../class/in-words.ts";

const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";
const run = (text: string) => check(parse(text));
const rules = (text: string) => run(text).findings.map(({ rule }) => rule);
const words = (text: string) => inWords(parse(text), run(text).header).map((row) => row.text);

describe("in any order", () => {
  const MIXED = `${STICKS}A strike {1..4} in any order -> B block {#}`;
  const IN_ORDER = MIXED.replace(" in any order", "");
  const CHOICE = `${STICKS}choose A:\n${[1, 2, 3, 4].map((n) => `  ${"abcd"[n - 1]}x: A strike ${n} -> B block ${n}`).join("\n")}\nend`;
  const times = (text: string) => run(text).exchanges.map((e) => e.times?.choices);

  test("is a choice among the numbers: in time and load as many lines of a choice", () => {
    expect(times(MIXED)).toEqual(times(CHOICE));
    expect(times(IN_ORDER)).toEqual([1, 1, 1, 1]);
    expect(run(MIXED).load.parts.choice).toBe(run(CHOICE).load.parts.choice);
    expect(run(MIXED).exchanges.map((e) => [e.feedText, e.verdict])).toEqual(
      run(IN_ORDER).exchanges.map((e) => [e.feedText, e.verdict]),
    );
  });
  test("in a loop each number may follow any other: each starts from where the pass began", () => {
    const loop = (row: string) => `${STICKS}loop x4:\n  ${row}\nend`;
    expect(run(loop("A strike {1..4} in any order -> B block {#}")).closure?.closes).toBe(true);
  });
  test("numbers that look alike and want other answers are said", () => {
    const alike =
      "A: holds stick 71 cm\nB: holds stick 71 cm\ntempo: 100%\n\nA strike {1..12} in any order -> B block {#}";
    const apart = alike.replace(" in any order", "");
    expect(rules(apart)).not.toContain("ambiguous-cue");
    const said = run(alike).findings.filter(({ rule }) => rule === "ambiguous-cue");
    for (const { params } of said) expect(params.one).not.toBe(params.two);
  });
  test("can be called, is said and written as it was typed", () => {
    expect(drillCalls(run(MIXED), defaultSchool().vocabulary).choices[0]!.labels.map(({ name }) => name)).toEqual([
      "1",
      "2",
      "3",
      "4",
    ]);
    expect(words(MIXED)).toEqual(["A: strike 1 to 4 in any order. B: block of the same number."]);
    expect(format(parse(MIXED))).toBe(`${MIXED}\n`);
    expect([...linesOf(parse(MIXED).items)]).toHaveLength(1);
  });
});

describe("any time", () => {
  const HOOK = "any time: A lead hook -> B cover";
  test("is one exchange with the worst place, and one more thing that may come", () => {
    const made = run(`A jab -> B catch\nA cross -> B slip out, cross -> A catch\n${HOOK}`);
    const json = resultJson(made).exchanges.filter((e) => "any_time" in e);
    expect(json).toHaveLength(1);
    expect(json[0]).toMatchObject({ line: 3, label: "any time", any_time: true, feed: "hook" });
    expect(json[0]!.hardest?.line).toBeGreaterThanOrEqual(1);
    expect(made.exchanges.map((e) => e.times?.choices)).toEqual(made.exchanges.map(() => 2));
    expect(run("A jab -> B catch").exchanges[0]!.times?.choices).toBe(1);
  });
  test("is as bad as its worst place, and says which it is", () => {
    const last = (rows: string) => run(rows).exchanges.at(-1)!;
    expect(last("A jab -> B catch\nany time: A cross -> B lean back").verdict).toBe("valid");
    // After one lean back there is nowhere left to lean.
    const leaned = last("A jab -> B lean back\nany time: A cross -> B lean back");
    expect(leaned).toMatchObject({ verdict: "invalid", says: "It is hardest behind “B lean back” (line 1)." });
  });
  test("is not asked for where the feeder cannot send it: a hand that is held throws no hook", () => {
    const row = "A jab -> B catch, grab on lead wrist\nany time: A lead hook -> B cover rear";
    expect(run(row).exchanges.at(-1)!).toMatchObject({ verdict: "valid", anyTime: { after: "the start" } });
  });
  test("stands for its section; before the first section for the whole drill", () => {
    const two = (row: string, where: "top" | "second") =>
      `${where === "top" ? `${row}\n` : ""}section One\nA jab -> B catch\nsection Two\n${where === "second" ? `${row}\n` : ""}A cross -> B catch`;
    const choices = (text: string) => run(text).exchanges.map((e) => e.times?.choices);
    expect(choices(two(HOOK, "top")).slice(0, 2)).toEqual([2, 2]);
    expect(choices(two(HOOK, "second")).slice(0, 2)).toEqual([1, 2]);
  });
  test("counts once in load and length, and never in the closing of a loop", () => {
    const loop = "loop x4:\n  A jab -> B catch\nend";
    const plain = run(loop);
    const more = run(`${HOOK}\n${loop}`);
    expect(more.closure).toEqual({ ...plain.closure, row: more.closure!.row });
    expect(more.load.parts.choice).toBeGreaterThan(plain.load.parts.choice);
    expect(run(`${HOOK}\n${loop}\nA cross -> B catch`).load.parts.choice).toBe(more.load.parts.choice);
  });
  test("something has to come", () => {
    expect(rules("A jab -> B catch\nany time: A guard -> B guard")).toContain("any-time");
  });
  test("at most four", () => {
    const rows = (count: number) =>
      `A jab -> B catch\n${Array.from({ length: count }, () => "any time: A lead hook -> B cover").join("\n")}`;
    expect(rules(rows(4))).not.toContain("any-time");
    expect(rules(rows(5))).toContain("any-time");
  });
  test("is called as any time, one in ten at most", () => {
    const calls = drillCalls(run(`A jab -> B catch\nA cross -> B slip out\n${HOOK}`), defaultSchool().vocabulary);
    const [{ labels }] = calls.choices as [(typeof calls.choices)[number]];
    expect(labels.map(({ name }) => name)).toEqual(["jab", "cross", "any time"]);
    const all = labels.reduce((sum, { weight }) => sum + weight, 0);
    expect(labels.at(-1)!.weight / all).toBeLessThanOrEqual(0.1);
    expect(labels.at(-1)!.weight / all).toBeGreaterThan(0.07);
    expect(drillCalls(run("A jab -> B catch"), defaultSchool().vocabulary).choices[0]!.labels).toHaveLength(1);
  });
  test("is drawn and said beside the rows", () => {
    const text = `A jab -> B catch\n${HOOK}`;
    expect(scoreView(run(text)).exchanges.map((e) => e.label)).toEqual([null, "any time"]);
    expect(words(text)).toEqual([
      "A: jab. B: catch.",
      "At any time: A: lead hook. B: cover.",
      "Both know which one it is. First at half speed between two rows; one in ten at most.",
    ]);
    expect(format(parse(text))).toBe(`${text}\n`);
    expect([...linesOf(parse(text).items)]).toHaveLength(1);
  });
});

describe("lands", () => {
  test("the feed lands, is said in data, words and drawing, and what follows comes from there", () => {
    const text = "lands: A cross -> B cover, lead hook -> A cover";
    const [landed] = run(text).exchanges;
    expect(landed).toMatchObject({
      feedText: "cross",
      verdict: "valid",
      lands: true,
      says: "It lands: the head goes back.",
    });
    expect(resultJson(run(text)).exchanges[0]).toMatchObject({ feed: "cross", lands: true });
    expect(scoreView(run(text)).exchanges[0]!.lands).toBe(true);
    expect(words(text)[0]).toMatch(/^A: cross\. It lands\. B: cover/);
  });
  test("a sweep puts them on the floor, and only up again can they strike", () => {
    expect(run("mats: yes\n\nlands: A rear sweep -> B get up, guard").exchanges[0]!.says).toBe(
      "It lands: B goes down.",
    );
    expect(rules("mats: yes\n\nlands: A rear sweep -> B cross -> A catch")).toContain("not-recovered");
    expect(rules("mats: yes\n\nlands: A rear sweep -> B get up, cross -> A catch")).not.toContain("not-recovered");
  });
  test("counts in load and calls", () => {
    const length = (text: string) => run(text).load.parts.length;
    expect(length("lands: A jab -> B step back")).toBe(length("A jab -> B step back"));
    const calls = drillCalls(run("A cross -> B catch\nlands: A jab -> B step back"), defaultSchool().vocabulary);
    expect(calls.choices[0]!.labels.map(({ name }) => name)).toEqual(["cross", "jab"]);
  });
});

describe("the text of the new forms", () => {
  const row = fc.constantFrom(
    "title: any",
    "A: holds stick 71 cm",
    "",
    "section One",
    "A jab -> B stay",
    "A strike {1..5} in any order -> B block {#}, counter {#}",
    "  one: A ~jab -> B stay",
    "any time: A lead hook -> B cover, cross",
    "ANY  TIME: A cross -> B slip out",
    "any time: one: A jab -> B catch",
    "lands: A rear sweep -> B get up, guard",
    "lands: two: A jab -> B step back",
    "wrong: A strike {1..3} in any order -> B block {#}",
    "choose A:",
    "loop x3:",
    "game Three clean:  # play",
    "  start: A guard; B guard; range 1.6 m",
    "A may: jab | jab, jab | cross",
    "  b  MAY: catch, jab | stay",
    "  A scores: line 1",
    "touch: to the glove",
    "ends: 3 points or 90 s",
    "  swap: every 8 feeds",
    "game: chess",
    "game two words: A jab",
    "end",
    "???(",
    "# only words",
  );
  const text = fc.array(row, { maxLength: 16 }).map((rows) => rows.join("\n"));
  test("is written in one way, reads the same again, and from memory; the checker never throws", () => {
    const memory = new RowMemory();
    fc.assert(
      fc.property(text, (typed) => {
        const once = format(parse(typed));
        expect(format(parse(once))).toBe(once);
        expect(memory.read(typed)).toEqual(parse(typed));
        expect(run(typed).findings.every(({ message }) => !/undefined|NaN|\{\w+\}/.test(message))).toBe(true);
      }),
      { numRuns: 400 },
    );
  });
  test("a move of the school with one of these names wins", () => {
    const stay = {
      id: "harbour-stay",
      names: { english: ["stay"] },
      group: "evasion",
      roles: ["answer"],
      limb: "body",
      sides: "none",
      move: 200,
      answer: [{ by: "displace", back: { head: 0.3, chest: 0.2 } }],
      coaching: ["Head back.", "Feet stay."],
      faults: ["Too late."],
    };
    const read = readSchool({ moves: [stay] });
    if (!read.ok) throw new Error(read.errors.join());
    expect(checkFor(parse("A jab -> B stay"), read.school).exchanges[0]!.verdict).toBe("valid");
    expect(run("A jab -> B stay").exchanges[0]!.verdict).toBe("invalid");
  });
});
