/** What rows can say beside feeds and answers: notes, how it goes wrong, counts, forms, who is meant. Common practice, no source. */
import { check } from "./check.ts";
import { resultJson } from "../formats/result.ts";
import { checkFor } from "../policy/judge.ts";
import { readSchool } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { notesOf } from "../score/notes.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";

const run = (text: string) => check(parse(text));
const rules = (text: string) => run(text).findings.map((f) => f.rule);
const said = (text: string, rule: string) => run(text).findings.find((f) => f.rule === rule);
const verdicts = (text: string) => run(text).exchanges.map((e) => [e.feedText, e.responder, e.verdict]);

describe("how it goes wrong", () => {
  const WRONG = 'A jab -> B slip out\nwrong: A jab -> B slip in "the head falls into the cross"';
  test("is shown, its findings are notes, and the drill is judged without it", () => {
    const made = run(WRONG);
    expect(made.verdict).toBe("sound");
    expect(made.exchanges).toHaveLength(1);
    expect(made.wrong.map((e) => e.verdict)).toEqual(["risky"]);
    expect(made.findings.map((f) => [f.rule, f.severity, f.line])).toEqual([["inside-line", "note", 2]]);
    expect(resultJson(made).exchanges.map((e) => ["wrong" in e, e.verdict])).toEqual([
      [false, "valid"],
      [true, "risky"],
    ]);
  });
  test("says so where it holds after all", () => {
    expect(rules("A cross -> B slip out\nwrong: A jab -> B slip out")).toEqual(["wrong-valid"]);
    expect(rules("wrong: A jab -> B cross")).toEqual(["no-answer"]);
    // A third person who acts in such a row alone is part of the drill.
    expect(rules("A jab -> B slip out\nwrong: A jab -> C cover")).toContain("line-open");
  });
  test("ends the header, is no choice, no load, and no grade of a school makes it graver", () => {
    expect(rules("wrong: A jab -> B slip in\ntitle: late")).toContain("syntax");
    const choice =
      "choose A:\n  one: A jab -> B catch\n  wrong: one: A jab -> B slip in\n  two: A cross -> B catch\nend";
    expect(run(choice).load.parts).toEqual(run(choice.replace(/ {2}wrong.*\n/, "")).load.parts);
    const strict = readSchool({ severity: { "inside-line": "error" } });
    if (!strict.ok) throw new Error("the school is sound");
    expect(checkFor(parse(WRONG), strict.school).verdict).toBe("sound");
    expect([...linesOf(parse(choice).items)]).toHaveLength(2);
  });
});

describe("points to watch", () => {
  const notes = (text: string) =>
    [...linesOf(parse(text).items)].flatMap(({ line }) => notesOf(line).map((n) => n.text));
  test.each([
    ['A jab -> B catch "elbow in", cross', ["elbow in"]],
    ["A “late” jab -> B „chin down“ catch, cross «hips»", ["late", "chin down", "hips"]],
    ['A jab "a -> b, c + d | e # f" -> B catch', ["a -> b, c + d | e # f"]],
  ])("%s", (text, expected) => {
    expect(notes(text)).toEqual(expected);
    expect(run(text).verdict).toBe("sound");
  });
  test("belong to the beat before them, at the start of a turn to the turn", () => {
    const [{ line }] = [...linesOf(parse('A "slowly" jab, cross "long" -> "wait" B catch, catch')!.items)] as never as [
      {
        line: { turns: { notes?: { text: string }[]; alternatives: { beats: { notes?: { text: string }[] }[] }[] }[] };
      },
    ];
    expect(line.turns.map((turn) => turn.notes?.map((n) => n.text))).toEqual([["slowly"], ["wait"]]);
    expect(line.turns[0]!.alternatives[0]!.beats.map((beat) => beat.notes?.map((n) => n.text))).toEqual([
      undefined,
      ["long"],
    ]);
  });
  test("are written with one kind of quotes, and nothing that was typed is lost", () => {
    expect(format(parse("A jab -> B catch «elbow  in»"))).toBe('A jab -> B catch "elbow in"\n');
    expect(format(parse('A jab -> B catch "elbow in'))).toBe('A jab -> B catch "elbow in\n');
  });
  test.each([
    ['A jab -> B catch "elbow in', /not closed/],
    ['"elbow in"', /belongs to a move/],
    [`A jab -> B catch "${"x".repeat(201)}"`, /at most 200/],
  ])("%s is said", (text, words) => {
    expect(said(text, "syntax")?.message).toMatch(words);
  });
});

describe("counts and forms", () => {
  test.each(["loop x3 each side on count:", "loop swap x4 alternate:", "loop x50:", "loop x1 on count:"])(
    "%s is written as it is read, in any order of its words",
    (head) => {
      const text = `${head}\n  A jab -> B catch\nend\n`;
      expect(format(parse(text))).toBe(text);
      const words = head.slice(5, -1).replace("each side", "each~side").replace("on count", "on~count").split(" ");
      const turned = `loop ${words.reverse().join(" ").replaceAll("~", " ")}:`;
      expect(format(parse(text.replace(head, turned)))).toBe(text);
    },
  );
  test("the same word twice, or a strange one, is no block", () => {
    expect(said("loop x2 x3:\nA jab -> B catch\nend", "syntax")?.message).toMatch(/no block/);
    expect(said("loop often:\nA jab -> B catch\nend", "syntax")?.message).toMatch(/no block/);
  });
  test("every second time on the other side: another foot in front after a pass is no fault", () => {
    const turn = (head: string) => rules(`kind: solo\nloop ${head}:\n  A jab, switch stance\nend`);
    expect(turn("x2 alternate")).toEqual([]);
    expect(turn("x2")).toEqual(["loop-open"]);
  });
  test("a form stands over its row", () => {
    const score = parse("form: Harbour form 12-14\nA jab -> B catch\nA cross -> B catch");
    expect([...linesOf(score.items)].map(({ form }) => form)).toEqual(["Harbour form 12-14", null]);
    expect(format(score)).toBe("form: Harbour form 12-14\nA jab -> B catch\nA cross -> B catch\n");
    expect(rules("form:\nA jab -> B catch")).toEqual(["syntax"]);
  });
});

describe("feints", () => {
  test("whoever falls for one answers later, and the feed behind it is still to be answered", () => {
    const ceiling = (text: string) => run(text).exchanges[0]!.ceiling!;
    expect(verdicts("A ~jab, cross -> B ~parry, slip out")).toEqual([["cross", "B", "valid"]]);
    expect(ceiling("A ~jab, cross -> B ~parry, slip out")).toBeLessThan(ceiling("A ~jab, cross -> B slip out"));
  });
  test("a feint alone is fed, and may be fallen for", () => {
    expect(verdicts("A ~jab -> B ~parry")).toEqual([["~jab", "B", "valid"]]);
    expect(verdicts("A ~jab -> B parry")).toEqual([["~jab", "B", "valid"]]);
  });
  test("nobody falls for what is not shown", () => {
    expect(rules("A jab -> B ~parry")).toContain("bad-move");
  });
  test("what a feeder only shows moves nothing", () => {
    const distance = (text: string) =>
      Math.abs(run(text).exchanges[0]!.before[0]!.y - run(text).exchanges[0]!.before[1]!.y);
    expect(distance("A ~step in, jab -> B catch")).toBeGreaterThan(distance("A step in, jab -> B catch"));
  });
});

describe("threes", () => {
  const STICKS = "formation: triangle 2 m\nA: holds stick 71 cm\nB: holds stick 71 cm\nC: holds stick 71 cm\n\n";
  test("at any is at each of the others, and whoever was attacked answers", () => {
    const found = run(`${STICKS}A strike {1..3} at any -> any block {#}, counter {#}`).exchanges;
    expect(found.map((e) => [e.feeder, e.responder])).toEqual(
      [1, 2, 3].flatMap(() => [
        ["A", "B"],
        ["A", "C"],
      ]),
    );
    expect(found.every((e) => e.verdict === "valid")).toBe(true);
    expect(format(parse("A jab at any -> either catch"))).toBe("A jab at any -> any catch\n");
  });
  test("of two, any is the other one", () => {
    expect(verdicts("A jab at any -> any catch")).toEqual([["jab at B", "B", "valid"]]);
  });
  test("a feint to one and the blow to another", () => {
    expect(verdicts("formation: triangle\nA ~jab at B, cross at C -> C slip out")).toEqual([
      ["cross at C", "C", "valid"],
    ]);
  });
  test("a blow is meant for whoever answers it", () => {
    expect(verdicts("formation: triangle\nA jab -> C catch")).toEqual([["jab", "C", "valid"]]);
  });
  test("turning the order round is done by nobody", () => {
    expect(rules("formation: triangle\nchoose call:\n  go: A jab at B -> B catch\n  turn: reverse\nend")).toEqual([]);
  });
});

describe("stances, guards, hands", () => {
  test("hands that are down come late, and only the first time", () => {
    const movement = (text: string) => run(text).exchanges.map((e) => e.times!.movement);
    const [first, second] = movement("B: guard down\n\nA jab, cross -> B slap parry, slap parry");
    const [plain, next] = movement("A jab, cross -> B slap parry, slap parry");
    // From the sides a hand has more than twice the way (`postures.json`).
    expect(first! / plain!).toBeCloseTo(2.4, 6);
    expect(second).toBe(next);
    expect(movement("A jab -> B guard down, slap parry")).toEqual([first]);
  });
  test("a guard is a set-up too, and its header key means both", () => {
    expect(run("guard: low\nstance: heiko dachi\n\nA jab -> B catch").header.people.A.guard).toBe("low");
    expect(run("guard: low\nB: guard high\n\nA jab -> B catch").header.people.B.guard).toBe("high");
    expect(said("stance: flamingo\nA jab -> B catch", "header")?.message).toMatch(/no stance.*heiko dachi/);
  });
  test("with feet together a lean is off balance", () => {
    expect(rules("kind: solo\nstance: feet together\n\nA slip left")).toContain("off-balance");
    expect(rules("kind: solo\n\nA slip left")).not.toContain("off-balance");
  });
  test("rooting takes all of a push: a hard one is too much for a light body", () => {
    const push = (head: string, word: string) =>
      rules(`kind: sensitivity\nB: ${head}\n\nA push${word} to chest -> B root`);
    expect(push("mass 50", "!")).toContain("off-balance");
    expect(push("mass 100", "?")).not.toContain("off-balance");
    expect(said("rules B: no resisting\nkind: sensitivity\n\nA push to chest -> B root", "resisting")?.severity).toBe(
      "risk",
    );
  });
  test.each([
    ["A: holds two sticks\nB: holds two sticks\n\nA thrust high -> B slap parry", true],
    ["A: holds stick\nB: holds stick\n\nA forehand high -> B block, cross", true],
    ["A: holds stick\nB: holds stick\n\nA thrust high -> B slap parry", false],
    ["A: holds stick\nB: holds stick\n\nA forehand high -> B step in + jam, palm strike", false],
  ])("full hands: %s", (text, refused) => {
    expect(rules(text).includes("bad-move")).toBe(refused);
  });
  test("the own stick is taken with both hands, and the partner is not held", () => {
    const made = run(
      "A: holds stick\nB: holds stick\n\nB overhead -> A grab on own stick, roof block, overhead -> B roof block",
    );
    expect(made.verdict).toBe("sound");
    expect(made.exchanges[0]!.after.every((pose) => pose.pinned.length === 0)).toBe(true);
  });
});

describe("chains", () => {
  test("a blow that gets there only because the one before moved them says so", () => {
    const row = "A jab -> B slip out, cross to belly, lead elbow";
    expect(said(`range: 1.35 m\n\n${row}`, "chain")?.message).toMatch(/counts on the cross to belly/);
    expect(rules(`range: 1.1 m\n\n${row}`)).not.toContain("chain");
  });
  test("how the partner shows that it landed", () => {
    const reactions = (text: string) => run(text).exchanges[0]!.returns.map((r) => r.reaction);
    expect(reactions("A jab -> B slip out, cross, lead hook to body")).toEqual(["head back", "head forward"]);
    expect(reactions("A jab -> B catch, rear low kick")).toEqual(["knee gives"]);
  });
});

describe("minors and close touch", () => {
  test("nothing lands on the head of a minor, at any contact", () => {
    expect(said("A: minor\nB: minor\n\nA jab -> B slip out", "minor")?.message).toMatch(/nothing lands on the head/);
    expect(rules("contact: none\nB: minor\n\nA jab -> B slip out")).not.toContain("minor");
    expect(rules("A: minor, wears mitts\nB: minor, wears gloves\n\nA hold pads -> B jab, cross")).toEqual([]);
    const own = readSchool({ customs: { minors: "own" } });
    if (!own.ok) throw new Error("the school is sound");
    expect(checkFor(parse("B: minor\n\nA jab -> B slip out"), own.school).findings).toEqual([]);
  });
  test.each([
    ["B: minor\n\nA jab to body -> B elbow drop", "minor", /body blows go onto a pad/],
    ["B: minor\n\nA double leg -> B sprawl", "minor", /on mats/],
    ["B: minor\n\nA hair grab -> B pin the hand", "minor", /no hair grab. Take the sleeve/],
    [
      "kind: sensitivity\nB: minor\n\nA push to right chest -> B turn",
      "close-touch",
      /the shoulder or the crossed forearms/,
    ],
    ["B: no close touch\n\nA throat grab -> B pluck hands", "close-touch", /the sleeve/],
  ])("%s", (text, rule, words) => {
    expect(said(text, rule)?.message).toMatch(words);
  });
});

describe("rows as a whole", () => {
  test("many feeds for beginners, and whoever struck and stays", () => {
    const long = "A jab, cross, lead hook, jab, cross -> B catch, catch, cover, catch, catch";
    expect(rules(`level: beginners\n\n${long}`)).toContain("too-many");
    expect(rules(`level: advanced\n\n${long}`)).not.toContain("too-many");
    expect(rules("context: self-protection\n\nA haymaker -> B cover, palm strike")).toContain("stays");
    expect(rules("context: self-protection\n\nA haymaker -> B cover, palm strike, leave")).not.toContain("stays");
  });
});

describe("how a pad is held", () => {
  const PADS = "A: wears mitts\nB: wears gloves\n\n";
  test("the other mitt is a note, the wrong way round a risk", () => {
    expect(said(`${PADS}A hold pad left -> B lead hook`, "pad")?.severity).toBe("note");
    expect(rules(`${PADS}A hold pad right -> B lead hook`)).toEqual([]);
    expect(said(`${PADS}A hold pad facing front -> B lead hook`, "pad")?.message).toMatch(/looks inwards/);
    expect(rules(`${PADS}A hold pad facing down -> B rear uppercut`)).toEqual([]);
  });
});

describe("what a drill says of itself", () => {
  test("rules of conduct are printed and not judged; a rule that changes nothing says so", () => {
    expect(said("rules A: no scratching\n\nA jab -> B catch", "header")).toMatchObject({ severity: "note" });
    expect(said("rules B: touch first\n\nA lead hook -> B cover", "header")?.message).toMatch(/changes nothing/);
    expect(rules("kind: sensitivity\nrules A: touch first\n\nA touch on chest, push to chest -> B turn")).toEqual([]);
  });
  test("feet interlocked stand nearer than at trapping distance", () => {
    const near = run("formation: feet interlocked\nkind: sensitivity\n\nA push to chest -> B turn").distance;
    expect(near).toBeLessThan(run("kind: sensitivity\n\nA push to chest -> B turn").distance);
  });
  test("what a rule forbids is said once", () => {
    expect(rules("kind: sensitivity\nrules B: no steps\n\nA push to right chest -> B pivot")).toEqual(["rule-broken"]);
  });
  test("the hand that meets a blow is known by the side it comes from, and a sprawl moves the feet", () => {
    expect(rules("rules B: rear hand only\n\nA rear hook -> B cover")).toContain("rule-broken");
    expect(rules("rules B: lead hand only\n\nA rear hook -> B cover")).not.toContain("rule-broken");
    expect(rules("mats: yes\nrules B: no steps\n\nA ankle pick -> B sprawl")).toContain("rule-broken");
  });
  test("two turns of the whole body look alike until something comes out of them", () => {
    const spins = (answer: string) =>
      rules(
        `tempo: 90%\n\nchoose A:\n  fist: A rear spinning backfist -> B duck\n  kick: A rear spinning hook kick to head -> B ${answer}\nend`,
      );
    expect(spins("step back")).toContain("ambiguous-cue");
    expect(spins("duck")).not.toContain("ambiguous-cue");
  });
  test("going under a stick with the body alone is only just enough", () => {
    expect(rules("A: holds stick\n\nA forehand high -> B duck")).toContain("tight");
    expect(rules("A: holds stick\n\nA forehand high -> B step back")).not.toContain("tight");
  });
});

test.each([2, 3, 4, 6] as const)("beginners get %i feeds in one row without a word, and one more is said", (most) => {
  const read = readSchool({ customs: { beginnersFeeds: most } });
  if (!read.ok) throw new Error(read.errors.join());
  const said = (feeds: number) =>
    checkFor(
      parse(`level: beginners\n\nA ${Array.from({ length: feeds }, () => "jab").join(", ")} -> B step back`),
      read.school,
    )
      .findings.filter(({ rule }) => rule === "too-many")
      .map(({ message }) => message);
  expect(said(most)).toEqual([]);
  expect(said(most + 1)).toEqual([expect.stringContaining(`${most + 1} feeds`)]);
});

describe("words of the trade that are read as they are said", () => {
  // Common practice, no source.
  test.each([
    ["A: wears mitts\nB: wears gloves\n\nA hold left pad high -> B jab", "hold pad left"],
    ["A jab to shomen -> B catch", "a word for the head"],
    ["A hand on chest, push to chest -> B turn", "a touch"],
    ["A: stance sideways\n\nA jab -> B catch", "a stance"],
    ["guard: C stick high\nformation: triangle 2 m\n\nA jab at B -> B catch", "a guard of one person"],
    ["choose A:\nboth: A jab -> B catch\nc: A cross -> B slip out\nend", "labels that are nobody"],
  ])("%s: %s", (text) => {
    expect(run(text).findings.filter(({ severity }) => severity === "error")).toEqual([]);
  });
});
