/** Rows as instructors of many clubs would type them: each is read. Common practice, no source. */
import { check } from "../drill/check.ts";
import { parse } from "../score/parse.ts";
import { shippedMoves } from "../words/shipped.ts";
import { makeVocabulary, shippedVocabulary } from "../words/vocabulary.ts";
import { sayingOf } from "./sayings.ts";

const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm";
const KNIFE = "A: holds training knife 28 cm";
const TRAP = "tradition: cantonese\nrange: trap";
const UNREAD = new Set(["syntax", "unknown-move", "bad-move", "not-modelled", "header"]);
const checked = (header: string, row: string) => check(parse(`${header}\n\n${row}`));

test.each([
  ["", "A reverse punch -> B inside block, reverse punch"],
  ["", "A maegeri -> B gedan barai + step back"],
  ["", "A gyaku tsuki -> B uchiuke, gyaku-zuki"],
  ["", "A right hand -> B slip left, left hook"],
  ["", "A one-two -> B catch, slip out, one-two to body"],
  ["", "A jab cross hook -> B catch, parry, cover"],
  ["", "A 1 2 -> B catch, catch"],
  ["", "A double jab -> B catch, catch"],
  ["", "A straight right -> B pull counter"],
  ["", "A liver shot -> B elbow block"],
  ["", "A spinning back kick -> B step back"],
  ["", "A superman punch -> B slip out"],
  ["", "A feint jab, cross -> B slip"],
  ["", "A knee -> B push hips"],
  ["", "A bear hug -> B hip back, elbow"],
  ["", "A cross grab -> B strip"],
  ["", "A two hand grab -> B wrist release"],
  ["", "A double collar tie -> B posture + frame"],
  ["", "A inside trip -> B step back"],
  ["", "A takedown -> B sprawl"],
  ["", "A low round kick -> B lift leg"],
  ["", "A knee -> B catch knee"],
  ["", "A question mark kick -> B high guard"],
  ["", "A jab -> B cross over the top"],
  ["", "A jab -> B stop kick"],
  ["", "A front kick -> B sidestep, cross"],
  ["", "A punch -> B block, punch"],
  ["", "A throws a jab -> B slips, crosses"],
  ["", "A round kick to body -> B shin block, cross"],
  ["", "A plum -> B swim"],
  ["", "A left hook -> B roll, left hook"],
  ["context: self-protection", "A two hand wrist grab -> B pull free, leave"],
  ["context: self-protection", "A haymaker -> B crash in, knee, leave"],
  ["tradition: japanese", "A gyaku zuki -> B osae uke, gyaku zuki"],
  [TRAP, "A chung choi -> B wu sau, chung choi"],
  ["A: wears belly pad", "A hold belly pad -> B push kick"],
  [KNIFE, "A knife thrust -> B step off"],
  [KNIFE, "A thrust -> B step off + pass, disarm"],
  ["A: holds stick and knife\nB: holds stick and knife", "A R forehand high -> B block, step in + L thrust"],
  ["A: holds sword\nB: holds sword", "A overhead -> B roof block, overhead"],
  ["A: wears mitts", "A show pads -> B 1-2-slip-2"],
  ["A: wears thai pads", "A hold pads high -> B left kick"],
  [TRAP, "A punch -> B pak da"],
  [TRAP, "A punch -> B tan da"],
  [TRAP, "A low punch -> B turn + gan da"],
  [TRAP, "A hook punch -> B biu sau + turn, punch"],
  [STICKS, "A angle 1 -> B inside block, angle 1"],
  [STICKS, "A number 1 -> B block 1"],
  [STICKS, "A thrust to belly -> B sweep down"],
  [STICKS, "A forehand high -> B force to force, snake disarm"],
  [STICKS, "A overhead -> B umbrella, forehand"],
  [KNIFE, "A ice pick stab -> B step in + block"],
  [`${KNIFE}\nB: holds training knife 28 cm`, "A slash 1 -> B hand cut"],
])("%s | %s", (header, row) => {
  expect(checked(header, row).findings.filter(({ rule }) => UNREAD.has(rule))).toEqual([]);
});

test.each([
  [TRAP, "A hook -> B tan sao + turn", "the forearm meets the hook from inside"],
  [STICKS, "A thrust to belly -> B low sweep", "a thrust to the belly is swept down and out"],
  [STICKS, "A forehand low -> B block", "a block goes where the stroke comes in"],
  ["", "A jab -> B stop kick", "a stop kick is there first"],
  ["", "A teep -> B parry", "a parry without a height goes where the kick comes in"],
  ["", "A round kick to body -> B step in + jam", "a kick that swings is smothered at the thigh"],
  ["", "A reap -> B step over", "a leg that is reaped is drawn out of it"],
  ["", "A single leg -> B whizzer", "an arm over theirs, where one leg is taken"],
  [STICKS, "A forehand high -> B step back, forehand to hand", "the hand is nearer than the body"],
])("%s | %s: %s", (header, row) => {
  expect(checked(header, row).exchanges.map(({ verdict }) => verdict)).toEqual(["valid"]);
});

test.each([
  ["", "A jab -> B low parry", "the hand is not where it passes"],
  ["", "A teep -> B step in + jam", "what comes straight pushes whoever steps in away"],
  ["", "A round kick to body -> B jam", "from where they stand the kick has all its speed"],
  ["", "A double leg -> B pull leg", "they have the other leg"],
  ["", "A double leg -> B whizzer", "one arm is held, and both legs are taken"],
])("%s | %s is invalid: %s", (header, row) => {
  expect(checked(header, row).exchanges.map(({ verdict }) => verdict)).toEqual(["invalid"]);
});

test("the hand that holds the knife does what only a knife does", () => {
  const header = "A: holds stick and knife\nB: holds stick 71 cm";
  const [said] = checked(header, "A slash forehand high -> B step back").exchanges;
  expect(said!.blow).toMatchObject({ side: "left", weapon: { kind: "training knife", length: 0.28 } });
  expect(checked(header, "A forehand high -> B block").exchanges[0]!.blow!.weapon!.kind).toBe("stick");
  expect(checked(header, "A R thrust -> B parry stick").exchanges[0]!.blow!.weapon!.kind).toBe("stick");
  expect(checked(header, "A L thrust -> B parry stick").exchanges[0]!.blow!.weapon!.kind).toBe("training knife");
});

test("what a jam does nothing about is said", () => {
  const said = checked("", "A teep -> B step in + jam").findings.map(({ message }) => message);
  expect(said.join()).toContain("comes straight pushes away whoever steps in");
});

test.each([
  ["A jab, jab -> B catch x2", "as often as it is done: `catch, catch`"],
  ["A jab, jab -> B slip twice", "as often as it is done: `slip, slip`"],
  ["A jab rear hook -> B cover", "comma between them: `jab, rear hook`"],
  ["A jab and cross -> B cover", "comma between them: `jab, cross`"],
  ["A jab -> B dodge", "Say how: `slip out`"],
  ["A slap -> B cover", "“slap” is no attack"],
  ["A hit -> B cover", "Say with what"],
])("%s says how to write it", (row, words) => {
  const said = checked("", row).findings.map(({ message }) => message);
  expect(said.join("\n")).toContain(words);
});

test("a school's own move wins over a saying of its name", () => {
  const jab = shippedMoves.find(({ id }) => id === "jab")!;
  const own = makeVocabulary([{ ...jab, id: "house-jab", names: { english: ["one two"] } }]);
  expect(sayingOf(["one", "two"], shippedVocabulary())).toEqual(["jab", "cross"]);
  expect(sayingOf(["one", "two", "to", "body"], shippedVocabulary())).toEqual(["jab to body", "cross to body"]);
  expect(sayingOf(["one", "two"], own)).toBeNull();
});
