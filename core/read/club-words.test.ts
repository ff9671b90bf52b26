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
])("%s | %s: %s", (header, row) => {
  expect(checked(header, row).exchanges.map(({ verdict }) => verdict)).toEqual(["valid"]);
});

test.each([
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
