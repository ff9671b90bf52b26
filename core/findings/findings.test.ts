import { message, RULE_IDS, type Params, type RuleId } from "./rules.ts";
import { draft, finish } from "./finding.ts";
import { check } from "../drill/check.ts";
import { parse } from "../score/parse.ts";

/** Parameters that any message may ask for. */
const PARAMS: Params = {
  actor: "A",
  limb: "left hand",
  by: "B",
  move: "jab",
  feed: "cross",
  answer: "slip out",
  first: "cover",
  second: "cross",
  cm: 5,
  percent: 80,
  tempo: 60,
  ceiling: 40,
  one: "jab",
  two: "jab low",
  next: "cross",
  why: "w",
  what: "edge",
  rule: "no steps",
  angle: "180",
  verdict: "valid",
  reason: "because",
  gear: "gloves",
  part: "throat",
  instead: "chest",
  contact: "full",
  typed: "jabb",
  nearest: "jab",
  needs: "stick",
  side: "lead",
  height: "low",
  heights: "high",
  set: "twelve angles",
  number: "13",
  most: "12",
  found: "x",
  word: "purple",
  key: "colour",
  value: "blue",
  known: "a, b",
  zone: "head",
  fix: "",
  whyText: "Because.",
  state: "down",
};

test("every rule has a severity and words that stand on their own", () => {
  for (const rule of RULE_IDS) {
    const text = message(rule, { ...PARAMS, code: "x" });
    expect(text.length).toBeGreaterThan(8);
    expect(text).not.toMatch(/undefined|NaN|\{|\}/);
    expect(text.charAt(0)).toBe(text.charAt(0).toUpperCase());
  }
});

test("places count from the whole text, rows and columns from one", () => {
  const row = parse("title: x\n\nA jab -> B slip").rows[2]!;
  const finding = finish(draft(row, { from: 2, to: 5 }, "reload", { move: "jab" }));
  expect(finding).toMatchObject({ from: 12, to: 15, line: 3, column: 3, severity: "note" });
});

/** A text, the rule it breaks, and words its message must hold: what happens, and what would mend it. */
const SAID: readonly [string, RuleId, RegExp][] = [
  ["A jabb -> B slip out", "unknown-move", /“jabb”\. Did you mean jab or jam\?/],
  ["A upp -> B slip out", "unknown-move", /“upp”\. Did you mean uppercut, [^.]* or [^,]+\?/],
  ["A frobnicate -> B slip out", "unknown-move", /Look for it under Moves, or add it there as your own/],
  ["A choke -> B slip out", "not-modelled", /“choke” is known, and not judged here\. Write how it is taken/],
  ["A lead cross -> B slip out", "bad-move", /contradicts itself.*Take “lead” out/],
  ["A forehand high -> B step back", "bad-move", /needs stick in the hand.*holds stick 71 cm/],
  ["range: 2.4 m\n\nA jab -> B slip out", "out-of-reach", /can’t land from here.*Step closer/],
  ["A jab -> B step back, cross", "out-of-reach", /falls short.*`step in \+ cross`/],
  ["range: clinch\n\nA back kick to body -> B cover", "too-close", /No room for the back kick.*further out/],
  ["A lead hook -> B slip out", "line-open", /still lands on the head.*go under it/],
  ["A lead hook to body -> B cover", "line-open", /goes past the cover.*lower or higher/],
  ["A lead hook -> B slap parry", "line-open", /along its own way/],
  ["A double leg -> B cover", "line-open", /goes past the cover/],
  ["A cross -> B cover", "line-open", /leaves the middle open/],
  ["A rear round kick to leg -> B rear shin check", "line-open", /It comes to the left: lift the shin on that side/],
  ["A jab to body -> B weave", "line-open", /does not save the body/],
  [
    "A: holds training knife 28 cm\n\nA slash forehand high -> B outer block",
    "wrong-material",
    /meet the edge.*Step in/,
  ],
  ["A jab -> B parry rear + cross", "limb-busy", /right hand can’t do both.*comma/],
  [
    "A: holds stick\nB: holds stick\n\nA R forehand high -> B block left high + forehand high",
    "limb-busy",
    /One weapon can’t do both/,
  ],
  ["A jab -> B pin on lead hand -> A jab -> B catch", "limb-pinned", /B holds A’s left hand.*Free it first/],
  ["A double leg -> B sprawl, cross", "not-recovered", /Write `recover`/],
  ["A jab, cross -> B slip out", "no-answer", /B has no answer to the cross/],
  ["A walk forward", "cue-open", /Nobody acts on the walk forward/],
  ["A: wears mitts\n\nA hold pad low -> B overhand", "pad", /The overhand goes high, and the pad is held low/],
  ["A jab -> B cross", "no-answer", /Hitting back doesn’t stop the jab.*intercept/],
  [
    "A: holds stick\nB: holds stick\n\nA R forehand high <> B R backhand high",
    "no-meet",
    /10 and the other from 2 on the clock/,
  ],
  ["rules B: no steps\n\nA jab -> B step back", "rule-broken", /Step back breaks “no steps”.*Answer without it/],
  ["kind: sensitivity\n\nA push to centre -> B brace", "resisting", /goes against the push.*Give with it/],
  ["A jab -> B slip in", "inside-line", /cross is open.*Go outside, or hit with it/],
  ["tempo: 150%\n\nA jab -> B step off", "late", /works up to \d+%/],
  ["A lead hook, lead hook -> B weave, weave", "reload", /No weight behind the lead hook/],
  ["loop x3:\nA jab -> B step back\nend", "loop-open", /doesn’t close.*cm more.*takes it back/],
  ["A: holds knife 28 cm\n\nA slash forehand high -> B step back", "training-tool", /training knife/],
  ["A jab to eyes -> B catch", "unsafe-target", /No strikes to the eyes.*brow pad/],
  ["one: A jab -> B slip", "header", /kept as a note/],
  ["tempo: quick\n\nA jab -> B slip out", "header", /percentage.*50%/],
  ["A jab - > B slip out", "syntax", /“-” isn’t part of the notation.*Take it out/],
  ["A jab -> B weave + slip out", "off-balance", /Too far over.*take a step/],
  ["A push kick to body -> B check hook", "tight", /Just enough.*Move a little more/],
  [
    "tempo: 70%\n\nchoose A:\n  one: A jab -> B slip out\n  two: A jab to body -> B step back\nend",
    "ambiguous-cue",
    /look the same until it is too late/,
  ],
  ["A cross -> B duck", "follow-up", /B could still be hit by the jab/],
  ["range: 0.95 m\n\nA jab -> B slip out", "no-step", /without a step\. Start a step further out/],
  ["contact: full\n\nA jab -> B slip out", "gear-missing", /needs gloves for blows to the head at full contact/],
  ["mats: no\n\nA jab -> B slap parry, sweep", "gear-missing", /A may end on the floor: work on mats/],
  ["A jab -> B slap parry, sweep", "gear-missing", /A may end on the floor: work on mats, and write `mats: yes`/],
  ["A: guard high\n\nA jab -> B slip out, lead hook", "opening", /guard is high: the head is covered, the body open/],
  ["A jab to koshi -> B catch", "syntax", /“koshi” is no part of the body that we know\. Write for example `to head`/],
  ["A overhand -> B duck", "line-open", /comes round and down: weave out from under it, step back, or cover/],
  ["A: holds pistol\n\nA open -> B step off", "header", /“pistol” is known, and not judged here\. Firearms/],
  ["A: guard sleepy\n\nA jab -> B catch", "header", /no guard that we know\. Known: usual, high.*stick low/],
  [
    "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand low -> B shin check",
    "wrong-material",
    /Bone against a weapon: take the leg away/,
  ],
  ["A jab -> B catch -> A fall", "not-modelled", /`lands: A rear sweep -> B get up, guard`/],
  ["A jab -> B catch\nany time: A lead hook", "any-time", /Write one feed and its answer/],
  [
    "game Short:\n  A may: jab | lead hook\n  B may: catch\n  A scores: line 1\n  B scores: clean 1\n  touch: to the glove\n  ends: 3 points\nend",
    "game",
    /B has no answer to “lead hook”/,
  ],
  ["loop x4:\nA jab -> B parry, grab on lead wrist\nend", "loop-open", /B still holds A’s left hand/],
  ["A jab! -> B catch", "opening", /A puts everything into the jab: chin and ribs are open/],
  ["A rear round kick to leg! -> B shin check", "opening", /until the foot is down they can’t answer/],
  [
    "kind: sensitivity\nrange: trap\nrules A: touch first\n\nA touch on right chest, push to left chest -> B turn left",
    "rule-broken",
    /The touch is on the right, and the push to left chest comes on the left/,
  ],
  [
    "contact: medium\nA: wears gloves, mouthguard\nB: wears gloves, mouthguard\n\nA low kick -> B shin check",
    "gear-missing",
    /A needs shin guards/,
  ],
  ["A: mass 100\nB: mass 60\n\nA jab -> B slip out", "weight-gap", /A is 67% heavier/],
  ["A: holds training knife 28 cm\n\nA thrust mid -> B low parry", "blade-arm", /bare hand works near an edge/],
  ["contact: full\nA: minor\n\nA jab -> B slip out", "minor", /A is a minor.*keep it light/],
  ["A jab -> B catch\nwrong: A jab -> B slip out", "wrong-valid", /shown as wrong, and it works/],
  ["B: no close touch\n\nA hair grab -> B pin the hand", "close-touch", /For B the hair grab goes to the sleeve/],
  ["level: beginners\n\nA jab, jab, jab, jab, jab -> B step back", "too-many", /5 feeds in one row/],
  ["context: self-protection\n\nA jab -> B catch, cross", "stays", /B stays there.*`leave`/],
  ["range: 1.35 m\n\nA jab -> B slip out, cross to belly, lead elbow", "chain", /counts on the cross to belly/],
];
/** A ruling comes from a school: `core/policy/school.test.ts` holds its words. */
const BY_SCHOOL: readonly RuleId[] = ["ruling"];
test("every rule has a case that raises it", () => {
  const cases = new Set([...SAID.map(([, rule]) => rule), ...BY_SCHOOL]);
  expect(RULE_IDS.filter((rule) => !cases.has(rule))).toEqual([]);
});
for (const [text, rule, words] of SAID) {
  test(`${rule}: ${text.split("\n").pop()}`, () => {
    const found = check(parse(text)).findings.find((f) => f.rule === rule);
    expect(found?.message).toMatch(words);
  });
}
