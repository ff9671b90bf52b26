/** Cues and holds as feeds, a turn walked in order, contact cycles, people alone. Common practice, no source. */
import { check } from "./check.ts";
import { parse } from "../score/parse.ts";

const run = (text: string) => check(parse(text));
const rules = (text: string) => run(text).findings.map((f) => f.rule);
const pairs = (text: string) =>
  run(text).exchanges.map((e) => [e.feeder, e.feedText, e.answer.map((use) => use.text).join(" + "), e.verdict]);
const PADS = "A: wears mitts\nB: wears gloves\n\n";

describe("pads", () => {
  test("a held pad is met by all the blows of the next turn, in one exchange", () => {
    expect(pairs(`${PADS}A hold pad high -> B jab, cross, lead hook`)).toEqual([
      ["A", "hold pad high", "jab + cross + lead hook", "valid"],
    ]);
    const [e] = run(`${PADS}A hold pad -> B jab, cross`).exchanges;
    expect(e!.layers.map((layer) => [layer.use.text, layer.by, layer.fails])).toEqual([
      ["jab", "strike", null],
      ["cross", "strike", null],
    ]);
  });
  test.each(["B jab, cross on pads", "B 1-2 on pads", "B jab, cross -> A hold pads", "A hold pads -> B jab, cross"])(
    "%s is the same",
    (row) => {
      const [first] = run(PADS + row).exchanges;
      expect([first!.feeder, first!.responder, first!.verdict, first!.layers.length]).toEqual(["A", "B", "valid", 2]);
    },
  );
  test("two pads take the blows in order, the last one all that remain", () => {
    expect(pairs(`${PADS}A hold pad high, hold pad mid -> B cross, lead hook to body, lead hook`)).toEqual([
      ["A", "hold pad high", "cross", "valid"],
      ["A", "hold pad mid", "lead hook to body + lead hook", "valid"],
    ]);
  });
  test("the holder sets the distance of the first blow, at the body as at the head", () => {
    // Common practice, no source: the hook to the body is the one that needs a step in.
    expect(rules(`range: 1.4 m\n${PADS}A hold pad mid -> B lead hook to body`)).toEqual(["out-of-reach"]);
    expect(rules(`range: 1.4 m\n${PADS}A hold pad high -> B lead hook`)).toEqual(["out-of-reach"]);
    expect(rules(`range: 1.4 m\n${PADS}A hold pad mid -> B step in + lead hook to body`)).toEqual([]);
  });
  test("the holder strikes back: a feed of its own, and a blow on the pad behind its answer", () => {
    expect(pairs(`${PADS}A hold pads -> B jab -> A sweep hook -> B weave, cross on pad`)).toEqual([
      ["A", "hold pads", "jab", "valid"],
      ["A", "sweep hook", "weave", "valid"],
      ["A", "hold pad", "cross on pad", "valid"],
    ]);
    expect(rules(`${PADS}A hold pad -> B jab -> A sweep hook -> B slip out`)).toContain("line-open");
  });
  test("a pad that nobody hits is open; one written behind its blows has them in its place", () => {
    expect(rules(`${PADS}A hold pad -> B step back`)).toEqual(["cue-open"]);
    const [e] = run(`${PADS}B lead hook -> A hold pad`).exchanges;
    expect(e!.from).toBeLessThan(e!.to);
  });
  test("gear of the holder, and hard kicks onto a mitt", () => {
    expect(rules("A hold pad -> B jab")).toContain("gear-missing");
    expect(rules(`${PADS}A hold pad -> B jab`)).toEqual([]);
    expect(rules(`${PADS}A hold pad mid -> B rear round kick to body`)).toContain("gear-missing");
    expect(rules("A: wears kick shield\n\nA hold pad mid -> B rear round kick to body")).toEqual([]);
  });
  test("too near, the blow lands without a step; too far, it does not land", () => {
    expect(rules(`range: 0.8 m\n${PADS}A hold pad -> B jab`)).toContain("no-step");
    expect(rules(`range: 2.4 m\n${PADS}A hold pad -> B jab`)).toContain("out-of-reach");
  });
  test("the same hand twice has no weight, on pads too", () => {
    expect(rules(`${PADS}A hold pad -> B cross, cross`)).toContain("reload");
  });
});

describe("other cues", () => {
  test.each([
    ["A walk forward -> B check hook", "valid"],
    ["A walk forward -> B step off + pin on lead hand", "valid"],
    ["A open -> B jab, cross", "valid"],
    ["A touch floor -> B sprawl", "valid"],
    ["A touch floor -> B slip out", "invalid"],
    ["A call -> B jab", "valid"],
    ["A ~jab -> B parry", "valid"],
  ])("%s: %s", (text, verdict) => expect(run(text).exchanges[0]!.verdict).toBe(verdict));
  test("a cue before a blow in its turn is on the way to it, no feed", () => {
    expect(pairs("A walk forward, jab -> B catch")).toEqual([["A", "jab", "catch", "valid"]]);
  });
  test("nobody acts: a note, no error", () => {
    const { verdict, findings } = run("A walk forward");
    expect([verdict, findings.map((f) => f.rule)]).toEqual(["sound", ["cue-open"]]);
  });
  test("what was struck at an opening can be answered", () => {
    expect(pairs("A open -> B jab -> A slip out")).toEqual([
      ["A", "open", "jab", "valid"],
      ["B", "jab", "slip out", "valid"],
    ]);
  });
});

describe("holds", () => {
  test.each([
    ["A grab on lead wrist -> B strip, palm strike", "valid", []],
    ["A grab on lead wrist -> B rear palm strike", "valid", []],
    ["A collar tie -> B arm drag", "valid", []],
    ["A grab on lead wrist -> B rear wiping palm, lead palm strike", "valid", []],
    ["A grab on lead wrist -> B slip out", "invalid", ["line-open"]],
    ["A grab on lead wrist -> B lead palm strike", "invalid", ["limb-pinned"]],
    ["range: 2 m\n\nA grab on lead wrist -> B strip", "invalid", ["out-of-reach"]],
  ] as const)("%s: %s", (text, verdict, found) => {
    expect(run(text).exchanges[0]!.verdict).toBe(verdict);
    expect(rules(text)).toEqual(found);
  });
  test("behind an answer it is fed where the partner frees it at once", () => {
    expect(pairs("A jab -> B slap parry, grab on lead wrist -> A strip").at(-1)).toEqual([
      "B",
      "grab on lead wrist",
      "strip",
      "valid",
    ]);
  });
  test("a pin in the beat of a blow holds from that beat on, and its hand does nothing else in it", () => {
    expect(rules("A jab -> B slap parry, pin on lead hand + cross -> A lead parry")).toContain("limb-pinned");
    expect(rules("A jab -> B slap parry, grab rear on lead wrist + cross")).toContain("limb-busy");
  });
});

describe("order", () => {
  test("who hits and leaves hits first", () => {
    for (const text of ["A jab, step back -> B catch", "A jab, cross, exit angle -> B catch, catch"])
      expect(rules(text)).toEqual([]);
    expect(rules("A jab -> B slap parry, jab, step back -> A catch")).toEqual([]);
  });
  test("a blow that falls short of somebody who went away is answered", () => {
    const { exchanges, findings } = run("A jab, cross -> B step back");
    expect(findings).toEqual([]);
    expect(exchanges.map((e) => e.verdict)).toEqual(["valid", "valid"]);
    expect(exchanges[1]!.margin).toBeGreaterThan(0);
  });
  test("a retreat stays just outside; a leg still reaches, a hand does not", () => {
    const { exchanges } = run("A jab -> B step back");
    expect(exchanges[0]!.margin).toBeCloseTo(0.08, 2);
    expect(rules("A jab -> B step back, lead front kick to thigh")).not.toContain("out-of-reach");
    expect(rules("A jab -> B step back, cross")).toContain("out-of-reach");
  });
  test("a line is judged the same whatever stands above it", () => {
    const alone = run("A hammerfist -> B shoulder roll").exchanges[0]!;
    const below = run("A cross -> B shoulder roll\nA hammerfist -> B shoulder roll").exchanges[1]!;
    expect([below.verdict, below.margin]).toEqual([alone.verdict, alone.margin]);
  });
  test("a stance or hand changed in a turn counts for what follows in it", () => {
    const sticks = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";
    expect(rules(`${sticks}A R overhead -> B change hands, L roof block`)).not.toContain("bad-move");
    expect(rules(`${sticks}A R overhead -> B L roof block`)).toContain("bad-move");
  });
});

test.each(["A roll -> B roll", "A roll <> B roll"])("a contact cycle goes round: %s", (row) => {
  const { closure, findings } = run(`kind: sensitivity\n\nloop x8:\n  ${row}\nend`);
  expect([closure?.closes, findings]).toEqual([true, []]);
});

describe("alone", () => {
  const solo = (row: string) => run(`kind: solo\n\n${row}`);
  test.each(["A slip left, slip right", "A lead bong sao, lead tan sao", "A step in, jab, step back, check hook"])(
    "any row counts: %s",
    (row) => {
      const { exchanges, findings } = solo(row);
      expect(findings).toEqual([]);
      expect(exchanges.map((e) => [e.feedText, e.answer, e.verdict])).toEqual([[row.slice(2), [], "valid"]]);
    },
  );
  test("hands, weight and recovery are judged", () => {
    const found = (row: string) => solo(row).findings.map((f) => f.rule);
    expect(found("A lead hook, lead hook")).toEqual(["reload"]);
    expect(found("A spinning backfist, jab")).toEqual(["not-recovered"]);
    expect(found("A catch rear + cover rear")).toEqual(["limb-busy"]);
  });
});

// Common practice, no source.
describe("what saves what", () => {
  test.each([
    ["A jab to body -> B weave", "invalid"],
    ["A jab to body -> B elbow drop", "valid"],
    ["A jab -> B double cover", "valid"],
    ["A rear uppercut -> B weave", "invalid"],
    ["A rear round kick to body -> B shin check", "valid"],
    ["A rear round kick to body -> B shin check + elbow drop", "valid"],
    ["A push kick to body -> B catch", "invalid"],
    ["A rear knee -> B hip frame", "valid"],
    ["A side kick -> B shooting hand", "invalid"],
    ["A rear hook -> B weave right", "risky"],
    ["A double leg -> B leg lift", "invalid"],
    ["A double leg -> B retreat", "risky"],
    ["A double leg -> B level change + post, rear uppercut", "valid"],
    ["A headlock -> B step back", "invalid"],
    ["A headlock -> B turn out, palm strike", "valid"],
    ["A jab -> B slip out, collar tie, knee", "valid"],
  ])("%s: %s", (text, verdict) => expect(run(text).exchanges[0]!.verdict).toBe(verdict));
  test.each([
    ["A slash forehand high -> B lean back", "risky"],
    ["A slash forehand high -> B step back", "valid"],
  ])("against a blade the feet leave: %s: %s", (row, verdict) => {
    expect(run(`A: holds training knife 28 cm\n\n${row}`).exchanges[0]!.verdict).toBe(verdict);
  });
  test("heights: the short one aims where they reach, and the same pair larger gets the same verdict", () => {
    for (const [a, b] of [
      [155, 182],
      [162, 192],
      [190, 165],
    ])
      for (const row of ["A lead hook -> B weave", "A jab -> B slip out", "A cross -> B catch"]) {
        const verdict = run(`A: height ${a}\nB: height ${b}\n\n${row}`).exchanges[0]!.verdict;
        expect([row, verdict]).toEqual([row, "valid"]);
      }
  });
});

describe("contact cycles count by count", () => {
  const roll = (rows: string, head = "x8") => `kind: sensitivity\nloop ${head}:\n${rows}\nend`;
  test.each([
    ["A roll symmetric 1 <> B roll symmetric\nA roll 2 <> B roll 2", []],
    ["A roll -> B roll", []],
    ["A roll symmetric 2 <> B roll symmetric 2", ["no-meet"]],
    ["A roll symmetric <> B roll still", ["no-meet"]],
    ["A roll 1 <> B roll 2", ["no-meet", "no-meet"]],
    ["A roll 1 <> B roll 1\nA jab -> B slap parry\nA roll 2 <> B roll 2", ["no-meet"]],
  ])("%s", (rows, expected) => {
    expect(rules(roll(rows)).filter((rule) => rule === "no-meet")).toEqual(expected);
  });
  test("the points of contact of each count are said", () => {
    const says = run(roll("A roll alternating 1 <> B roll alternating\nA roll 2 <> B roll 2")).exchanges.map(
      (e) => e.says,
    );
    expect(says[0]).toMatch(/^Count 1 of 2, one arm goes up.*right arm inside and under, pressed on; left arm outside/);
    expect(says[1]).toMatch(/^Count 2 of 2.*right arm outside and over, pressing/);
  });
  test("a cycle that stops half way is a note with the number that would end it", () => {
    const [found] = run(roll("A roll -> B roll", "x7")).findings;
    expect([found!.rule, found!.severity]).toEqual(["loop-open", "note"]);
    expect(found!.message).toMatch(/count 1 of 2\. Make it 8/);
    expect(rules(roll("A single-arm cycle -> B single-arm cycle", "x6"))).toEqual([]);
  });
});

describe("cycles with grips", () => {
  test("wing, grab and punch go round with a change of roles: the wing turns the grip open", () => {
    const text =
      "kind: flow\nrange: trap\nloop swap x8:\n  A R chung choi -> B R bong sao, L lap sao on R wrist + R chung choi -> A R bong sao\nend";
    expect(run(text).findings.filter((f) => f.severity !== "note")).toEqual([]);
    expect(run(text).closure?.closes).toBe(true);
  });
  test("a hand that is pinned is not turned free", () => {
    expect(rules("A jab -> B slap parry, pin on lead hand, cross -> A lead wing arm, lead hook")).toContain(
      "limb-pinned",
    );
  });
  test("through the gap: a blow goes where the pressure was", () => {
    expect(pairs("kind: sensitivity\nA release -> B chain punch -> A slap parry")).toEqual([
      ["A", "release", "chain punch", "valid"],
      ["B", "chain punch", "slap parry", "valid"],
    ]);
    expect(rules("kind: sensitivity\nA push to chest -> B chain punch")).toContain("no-answer");
  });
  test("who turns to the third comes with a step", () => {
    expect(rules("formation: triangle 2 m\nA jab at B -> B catch, cross at C -> C slip out")).toEqual([]);
  });
  test("a head that slipped is back after a cover", () => {
    expect(rules("A cross, lead hook, cross -> B slip out, cover, slip out")).not.toContain("line-open");
    expect(rules("A cross, cross -> B slip out, slip out")).toContain("line-open");
  });
  test("a rising block lifts straight blows to the head, a double cover takes a kick to the body on the arms", () => {
    expect(rules("A lunge punch high -> B rising block")).toEqual([]);
    expect(rules("A jab to body -> B rising block")).toContain("line-open");
    expect(rules("A rear round kick to body -> B double cover")).toEqual(["wrong-material"]);
  });
  test("a parry beside a blow is done with the other hand, a cover stands on its side", () => {
    expect(rules("A lead straight punch -> B slap parry + rear straight punch")).toEqual([]);
    expect(rules("A lead hook -> B cover + cross")).toContain("limb-busy");
  });
});

describe("from behind", () => {
  test.each([
    ["sink, elbow, turn out, leave", []],
    ["stomp, elbow, turn out, palm strike, leave", []],
    ["hip in, turn, palm strike, leave", []],
    ["pin hands, stomp, leave", []],
    ["frame, leave", ["line-open"]],
    ["palm strike, leave", ["out-of-reach"]],
    ["sink, palm strike, leave", ["out-of-reach"]],
  ])("rear bear hug -> %s", (answer, expected) => {
    expect(rules(`context: self-protection\n\nA rear bear hug -> B ${answer}`)).toEqual(expected);
  });
  test("from in front a frame and hips that go away open a bear hug", () => {
    for (const answer of ["hip back, knee", "hip frame, knee", "frame, elbow", "palm strike"])
      expect(rules(`context: self-protection\n\nA bear hug -> B ${answer}, leave`)).toEqual([]);
  });
});

test("who walks in comes on until the blow reaches, a step more at most", () => {
  expect(rules(`${PADS}A hold pads -> B jab, step back -> A walk forward -> B cross on pad`)).toEqual([]);
  expect(rules("range: 3.5 m\n\nA walk forward -> B cross")).toContain("out-of-reach");
});

test("a hold and a cover in one beat share the hands out", () => {
  expect(rules("A collar grab, haymaker -> B pin + cover, palm strike")).not.toContain("limb-busy");
  expect(rules("A collar grab, haymaker -> B lead pin + lead cover")).toContain("limb-busy");
});
