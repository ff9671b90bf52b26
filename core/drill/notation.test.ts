/** What the notation says about turns, defaults, states and severities, rule by rule. */
import { check } from "./check.ts";
import { parse } from "../score/parse.ts";

const run = (text: string) => check(parse(text));
const rules = (text: string) => run(text).findings.map((f) => f.rule);
const answers = (text: string) =>
  run(text).exchanges.map(
    (e) => `${e.feeder} ${e.feedText} / ${e.responder} ${e.answer.map((a) => a.text).join(" + ")}`,
  );

describe("turns", () => {
  test("what binds tighter comes first: plus, comma, bar, arrow, semicolon", () => {
    expect(answers("A jab, cross -> B slip out + cover, catch | step back, parry; A jab -> B catch")).toEqual([
      "A jab / B slip out + cover",
      "A cross / B catch",
      "A jab / B step back",
      "A cross / B parry",
      "A jab / B catch",
    ]);
  });
  test("turns after an alternative are checked once for each", () => {
    expect(run("A jab -> B slip out, cross | catch, cross -> A catch").exchanges.map((e) => e.feeder)).toEqual([
      "A",
      "B",
      "A",
      "B",
    ]);
  });
  test("set-ups between need no answer of their own", () => {
    expect(answers("A step in, jab, recover, cross -> B catch, parry")).toEqual([
      "A jab / B catch",
      "A cross / B parry",
    ]);
    expect(answers("A grab on lead wrist, pull -> B follow")).toEqual(["A pull / B follow"]);
    expect(answers("B touch floor -> A jab -> B slip out")).toEqual(["B touch floor / A jab", "A jab / B slip out"]);
  });
  test("returns of the last turn need no answer, those before do", () => {
    expect(rules("A jab -> B catch, cross")).not.toContain("no-answer");
    expect(rules("A jab -> B catch, jab -> A recover")).toContain("no-answer");
  });
  test("an attack in the same beat is a return that comes at the same time", () => {
    const { exchanges } = run("A jab -> B slip out + cross");
    expect(exchanges[0]!.returns.map((r) => r.use.text)).toEqual(["cross"]);
    expect(exchanges).toHaveLength(1);
  });
  test("intercept makes an attack an answer", () => {
    expect(rules("A lead hook -> B cross")).toContain("no-answer");
    expect(rules("A lead hook -> B cross intercept")).toEqual([]);
    expect(rules("A jab -> B rear hook intercept")).toContain("line-open");
  });
  test("both do what they do, each on their own side", () => {
    expect(rules("both step left\nA jab -> B slip out")).toEqual([]);
  });
});

describe("who", () => {
  test("in pairs a missing actor is the other one, from A on", () => {
    expect(answers("jab -> slip out, cross -> catch")).toEqual(["A jab / B slip out", "B cross / A catch"]);
  });
  test("B may feed", () => {
    expect(answers("B jab -> A slip out")).toEqual(["B jab / A slip out"]);
  });
  test("nobody answers their own move", () => {
    expect(run("A jab -> A slip out").findings.some((f) => /can’t answer their own move/.test(f.message))).toBe(true);
  });
  test("C in a row of play makes it three", () => {
    expect(run("A jab at C -> C slip out").header.actors).toEqual(["A", "B", "C"]);
    expect(answers("A jab at C -> C slip out, cross at B -> B catch, jab at A -> A parry")).toEqual([
      "A jab at C / C slip out",
      "C cross at B / B catch",
      "B jab at A / A parry",
    ]);
  });
});

describe("state", () => {
  test("each line starts again from the drill's frame", () => {
    const { exchanges } = run("A jab -> B step back\nA jab -> B step back\nA jab -> B step back");
    expect(new Set(exchanges.map((e) => e.margin!.toFixed(6))).size).toBe(1);
  });
  test("inside loop and carry it goes on", () => {
    expect(run("carry:\nA jab -> B pin on lead hand\nA jab -> B catch\nend").findings.map((f) => f.rule)).toContain(
      "limb-pinned",
    );
    expect(rules("A jab -> B pin on lead hand\nA jab -> B catch")).not.toContain("limb-pinned");
  });
  test("after a carry the next line starts from the frame again", () => {
    expect(rules("carry:\nA jab -> B pin on lead hand\nend\nA jab -> B catch")).not.toContain("limb-pinned");
  });
  test("a feeder's own step is taken back at the end of a line, even in a loop", () => {
    expect(run("loop x9:\nA jab -> B slap parry\nA cross -> B parry\nend").closure).toMatchObject({ closes: true });
  });
  test("a change of hands lasts", () => {
    const text =
      "A: holds stick 71 cm\nB: holds stick 71 cm\n\ncarry:\nA change hands\nA forehand high -> B block right high\nend";
    expect(run(text).exchanges[0]!.verdict).toBe("valid");
  });
  test("a switch of stance changes lead and rear", () => {
    const { exchanges } = run("A switch stance, jab -> B slip out");
    expect(exchanges[0]!.blow!.side).toBe("right");
  });
});

describe("what each rule does to an exchange", () => {
  const verdict = (text: string, i = 0) => run(text).exchanges[i]?.verdict;
  test.each([
    ["A jabb -> B slip out", "unread"],
    ["range: 2.4 m\n\nA jab -> B slip out", "invalid"],
    ["range: clinch\n\nA back kick -> B elbow drop", "invalid"],
    ["A jab -> B step back, cross", "valid"],
    ["A lead hook -> B slip out", "invalid"],
    ["A jab -> B parry rear + cross", "invalid"],
    ["A jab -> B slip in", "risky"],
    ["tempo: 150%\n\nA jab -> B step off", "valid"],
    ["A jab to eyes -> B catch", "valid"],
    ["A: holds knife 28 cm\n\nA slash forehand high -> B step back", "valid"],
  ] as const)("%j: %s", (text, expected) => {
    expect(verdict(text)).toBe(expected);
  });
  test("a score is broken with any error, risky with any risk, else sound", () => {
    expect(run("A jab -> B step back, cross").verdict).toBe("broken");
    expect(run("A jab -> B slip in").verdict).toBe("risky");
    expect(run("A lead hook, lead hook -> B weave, weave").verdict).toBe("sound");
  });
});

describe("numbers and ranges", () => {
  const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm\n";
  test("a range is one exchange for each value, all at the same place in the text", () => {
    const { exchanges } = run(`numbering: five angles\n${STICKS}\nA strike {1..5} -> B block {#}`);
    expect(exchanges.map((e) => e.feed!.text)).toEqual(["strike 1", "strike 2", "strike 3", "strike 4", "strike 5"]);
    expect(new Set(exchanges.map((e) => e.from)).size).toBe(1);
  });
  test.each(["five angles", "seven angles", "eight directions", "twelve angles"])(
    "all of %s hold with their standard blocks",
    (set) => {
      const count = { "five angles": 5, "seven angles": 7, "eight directions": 8, "twelve angles": 12 }[set];
      const { exchanges, findings } = run(`numbering: ${set}\n${STICKS}\nA strike {1..${count}} -> B block {#}`);
      expect(exchanges).toHaveLength(count!);
      expect(exchanges.filter((e) => e.verdict !== "valid").map((e) => e.feed!.text)).toEqual([]);
      expect(findings.filter((f) => f.severity === "error")).toEqual([]);
    },
  );
  test("a number that the set has not is said", () => {
    expect(run(`numbering: five angles\n${STICKS}\nA strike 9 -> B block 9`).findings[0]!.message).toMatch(
      /no number 9\. It has 1 to 5/,
    );
  });
  test("a row of numbers is punches", () => {
    expect(answers("A 1-2-3 -> B catch, parry, cover")).toHaveLength(3);
  });
});

describe("passes and labels", () => {
  test("exchanges of a loop bear the pass they were shown in, those outside none", () => {
    expect(run("A jab -> B catch\nloop x3:\nA cross -> B catch\nend").exchanges.map((e) => e.pass)).toEqual([null, 1]);
  });
  test("labels and sections go with their exchanges", () => {
    const { exchanges } = run("section Hands\nchoose A:\n  one: A jab -> B catch\n  two: A cross -> B catch\nend");
    expect(exchanges.map((e) => [e.section, e.label])).toEqual([
      ["Hands", "one"],
      ["Hands", "two"],
    ]);
  });
  test("nested blocks keep their state apart", () => {
    const text =
      "loop x2:\n  A jab -> B slap parry\n  choose B:\n    one: A cross -> B slip out\n    two: A cross -> B catch\n  end\nend";
    expect(run(text).exchanges).toHaveLength(3);
    expect(run(text).findings.map((f) => f.rule)).not.toContain("syntax");
  });
});
