/** Every repair that is offered is put into the text and checked once more, by the checker alone. */
import { applied, repairsOf } from "./repairs.ts";
import type { Checked } from "../drill/types.ts";
import { readHeader } from "../score/header.ts";
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { canHold } from "../words/vocabulary.ts";
import { TRADE } from "../trade/trade.ts";
import { todays } from "../base/samples-testing.ts";
import facts from "../drill/practice-facts.json" with { type: "json" };

const school = defaultSchool();
const look = (text: string): Checked => checkFor(parse(text), school);
const errors = ({ findings }: Checked): number => findings.filter((f) => f.severity === "error").length;
/** All repairs of all findings of a text. */
const offers = (text: string) => {
  const checked = look(text);
  return checked.findings.flatMap((finding) =>
    repairsOf(text, checked, finding, school).map((repair) => ({ finding, ...repair })),
  );
};

const TOOLS: Readonly<Record<string, readonly string[]>> = {
  "empty hands": [],
  "stick against stick": ["A: holds stick 71 cm", "B: holds stick 71 cm"],
  "stick against empty hands": ["A: holds stick 71 cm"],
  "blade against empty hands": ["A: holds training knife 28 cm"],
  "two sticks against two": ["A: holds two sticks 66 cm", "B: holds two sticks 66 cm"],
};
const WRONG = ["slap parry", "elbow drop", "shin check", "cover", "slip out", "roof block", "sprawl", "catch + cross"];

describe.each(Object.entries(TOOLS))("%s: all shipped feeds against wrong answers", (_, head) => {
  const { header } = readHeader(parse([...head, "", "A jab"].join("\n")));
  const held = (actor: "A" | "B") => ({
    holds: header.people[actor].holds?.kind ?? null,
    twoSticks: header.people[actor].holds?.count === 2,
    off: null,
    pads: false,
  });
  const feeds = TRADE.book.feeds.filter((feed) => errors(look([...head, "", `A ${feed} -> B recover`].join("\n"))) < 2);

  test.each(WRONG)("%s: every repair works, differs, needs only what is held, and breaks nothing else", (wrong) => {
    for (const feed of feeds) {
      const text = [...head, "", `A ${feed} -> B ${wrong}`, ""].join("\n");
      const before = look(text);
      for (const { score, label, edits, finding } of offers(text)) {
        const after = look(score);
        const what = `${feed} -> ${wrong}: ${label}`;
        expect([what, applied(text, edits) === score, score !== text]).toEqual([what, true, true]);
        expect([what, after.exchanges[0]?.verdict]).toEqual([what, expect.stringMatching(/^(valid|risky)$/)]);
        expect([what, errors(after) <= errors(before)]).toEqual([what, true]);
        if (finding.severity === "error") expect([what, errors(after) < errors(before)]).toEqual([what, true]);
        for (const use of after.exchanges[0]!.beat) expect([what, canHold(use.move, held("B"))]).toEqual([what, true]);
      }
    }
  });
});

test("there is something to offer for nearly every wrong answer", () => {
  const texts = TRADE.book.feeds.slice(0, 20).map((feed) => `A ${feed} -> B recover`);
  const helped = texts.filter((text) => offers(text).some(({ label }) => label.startsWith("Answer with")));
  expect(helped.length).toBeGreaterThan(texts.length * 0.8);
});

test("the rules of the drill are kept", () => {
  for (const rule of ["no hands", "no steps", "lead hand only"]) {
    const all = ["A jab -> B elbow drop", "A lead hook -> B slip out", "A push kick -> B catch"].flatMap((row) =>
      offers(`rules B: ${rule}\n\n${row}`),
    );
    expect(all.length).toBeGreaterThan(0);
    for (const { score } of all) expect(look(score).findings.map((f) => f.rule)).not.toContain("rule-broken");
  }
});

test("what is sent back with the answer is kept where it can be", () => {
  const labels = offers("A lead hook -> B slip out + cross").map(({ label }) => label);
  expect(labels.some((label) => label.endsWith("+ cross"))).toBe(true);
});

/** A text, the label of its repair, and the row that it becomes. */
const MENDED: readonly (readonly [string, string, string])[] = [
  ["A jabb to body -> B low parry", "Write jab", "A jab to body -> B low parry"],
  ["A jab rear hook -> B catch, cover", "Put a comma", "A jab, rear hook -> B catch, cover"],
  ["A lead cross -> B catch", "Take “lead” out", "A cross -> B catch"],
  ["A jab to throat -> B catch", "Aim at the chest", "A jab to chest -> B catch"],
  ["A finger flick to eyes -> B slap parry", "Aim at the brow pad", "A finger flick to head -> B slap parry"],
  ["A jab, cross -> B slip out", "Answer with", "A jab, cross -> B slip out, "],
  ["A jab, cross -> B slip out, jab", "Answer with", "A jab, cross -> B slip out, "],
  ["A jab", "Answer with", "A jab -> B "],
  ["A jab -> B cross", "Answer with", "A jab -> B "],
  ["A jab -> B step back, cross", "Come in with it", "A jab -> B step back, step in + cross"],
  ["A double leg -> B sprawl, cross", "Write recover before it", "A double leg -> B sprawl, recover, cross"],
  ["A jab -> B parry rear + cross", "One after the other", "A jab -> B parry rear, cross"],
  ["range: 2.4 m\n\nA jab -> B slip out", "Let the first feed set the distance", "A jab -> B slip out"],
  ["tempo: 150%\n\nA jab -> B step off", "Slow it down to", "A jab -> B step off"],
  [
    "A: holds knife 28 cm\n\nA slash forehand high -> B step back",
    "Make it a training knife",
    "A slash forehand high -> B step back",
  ],
  [
    "contact: full\nB: minor, wears mouthguard\nA: wears mouthguard\n\nA jab -> B slip out",
    "Work without contact",
    "A jab -> B slip out",
  ],
  ["A: mass 110\nB: mass 50\n\nA jab -> B slip out", "Work without contact", "A jab -> B slip out"],
  ["contact: full\nA: wears mouthguard\n\nA jab -> B slip out", "B wears mouthguard", "A jab -> B slip out"],
  ["A jab * -> B slip out", "Take it out", "A jab -> B slip out"],
];
test.each(MENDED)("%j: %s", (text, label, row) => {
  const found = offers(text).find((offer) => offer.label.startsWith(label));
  expect(found?.score.trim().split("\n").pop()!.replace(/ {2,}/g, " ")).toMatch(
    new RegExp(`^${row.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}`),
  );
});

test("a finding that nothing of one step mends has no repair", () => {
  expect(offers("A lead hook, lead hook -> B weave, weave").filter(({ finding }) => finding.rule === "reload")).toEqual(
    [],
  );
});

test("edits are put in from the back, whatever their order", () => {
  expect(
    applied("abc", [
      { from: 0, to: 1, insert: "xx" },
      { from: 2, to: 3, insert: "" },
    ]),
  ).toBe("xxb");
});

/** Findings that no edit of one place can mend: what is no word, what is misspelt, two people as they are. */
const NOT_MENDED: ReadonlySet<string> = new Set(["syntax", "header", "unknown-move", "weight-gap"]);

test("95 of 100 findings that stand alone in the facts of others have a repair that holds", () => {
  const all = todays(facts, 3).flatMap(({ headers, score }) => {
    const text = [...headers, "", score, ""].join("\n");
    const checked = look(text);
    const grave = checked.findings.filter(({ severity }) => severity !== "note");
    // Two faults of one row wait for each other: what mends one leaves the row broken.
    return grave
      .filter(({ rule }) => grave.length === 1 && !NOT_MENDED.has(rule))
      .map((finding) => ({ text, rule: finding.rule, found: repairsOf(text, checked, finding, school).length > 0 }));
  });
  const without = all.filter(({ found }) => !found).map(({ text, rule }) => `${rule}: ${text}`);
  // A part of the facts each day, of which a few more may be among those without.
  const most = process.env.TEST_LONG ? 0.05 : 0.1;
  expect([without.length <= most * all.length, without]).toEqual([true, without]);
});

// Common practice, no source: the change that an instructor would make.
test.each([
  ["A: wears mitts\nB: wears gloves\n\nA hold pad high -> B cross to body", "pad", "Hold the pad mid"],
  ["A: wears mitts\nB: wears gloves\n\nA hold pad high facing down -> B jab", "pad", "Turn the pad to the front"],
  ["choose A:\none: A jab -> B slip out\ntwo: A jab -> B catch\nend", "ambiguous-cue", "Call each line"],
  ["A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high <> B forehand low", "no-meet", "Both forehand high"],
  ["loop x4:\nA jab -> B retreat\nend", "loop-open", /^Add /],
  ["rules B: lead hand only\n\nA jab -> B slip out, cross", "rule-broken", "Leave “lead hand only” out"],
  ["A rear bear hug -> B jab", "out-of-reach", "Turn out first"],
  ["formation: triangle 4 m\n\nA jab at B -> B catch", "out-of-reach", "Stand 2 m apart"],
  ["formation: triangle 1.6 m\n\nA jab at C -> B slip out", "no-answer", "C answers"],
  ["A jab high low -> B catch", "bad-move", "Take “low” out"],
])("%j, %s: %s", (text, rule, label) => {
  const offered = offers(text).flatMap((one) => (one.finding.rule === rule ? [one.label] : []));
  expect(offered.join("\n")).toEqual(expect.stringMatching(label));
});
