/** What is said with a rung: from the data of the move that is new. Expectations: common practice, no source. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { shippedVocabulary } from "../words/vocabulary.ts";
import { OPERATORS } from "../vary/operator-names.ts";
import data from "./coaching.json" with { type: "json" };
import { coachingOf } from "./coaching.ts";

const school = defaultSchool();
const check = (text: string) => checkFor(parse(text), school);
const move = (name: string) => shippedVocabulary().byName.get(name)![0]!;
const HEAD = "tempo: 40%\ncontact: light\nA: wears gloves\nB: wears gloves\n\n";

test("two cues and a fault of the move that is new, and the row that it is in", () => {
  const one = check(`${HEAD}A jab -> B slip out`);
  const two = check(`${HEAD}A jab -> B slip out\nA lead hook -> B weave`);
  const said = coachingOf(two, one, "rows");
  expect(said.rows).toEqual([2]);
  expect(said.cues).toEqual(move("weave").coaching.slice(0, 2));
  expect(said.fault).toBe(move("weave").faults[0]);
});
test("a return that comes in is what is coached, and what to go on by", () => {
  const one = check(`${HEAD}A jab -> B slip out`);
  const said = coachingOf(check(`${HEAD}A jab -> B slip out, cross`), one, "rows");
  expect(said.cues).toEqual(move("cross").coaching.slice(0, 2));
  expect(said.goOn).toBe("Go on when the blow back comes out of the answer, with no stop between.");
});
test.each([
  [`${HEAD}A jab -> B slip out`, /^To the chin\. Step in with it\. .*They are late: stay there, let them see it\.$/],
  ["contact: none\n\nA cross to body -> B elbow drop", /^To the belly\..*Stop a fist short/],
  ["A low kick -> B shin check", /^To the (?:thigh|knee|shin)\..*hold the leg up/],
  [
    "contact: none\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block",
    /^To the head\..*Stop a hand short/,
  ],
  ["A: holds training knife 28 cm\n\nA thrust mid -> B step off", /treated as sharp/],
  ["A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross", /pad/],
  ["A grab on lead wrist -> B thumb release", /Tap means stop/],
  ["kind: sensitivity\nrange: trap\n\nA push to chest -> B roll back", /^Begin softly and grow/],
  ["A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high <> B forehand high", /nobody leads/],
  ["kind: solo\n\nA jab, cross", /Nobody feeds/],
  ["mats: yes\n\nA double leg -> B sprawl", /No lift, no throw|Come in slowly/],
])("how it is fed: %j", (text, line) => {
  expect(coachingOf(check(text), null, null).feeder).toMatch(line);
});
test("a choice, a cycle and closed eyes have words of their own; what is felt is not told to keep the hands home", () => {
  const rows = "  one: A jab -> B slip out\n  two: A cross -> B slip out\nend";
  const plain = check(`${HEAD}A jab -> B slip out\nA cross -> B slip out`);
  expect(coachingOf(check(`${HEAD}choose A:\n${rows}`), plain, "rows").fault).toBe(
    data.changes["feeders-choice"].fault,
  );
  expect(coachingOf(check(`${HEAD}choose call:\n${rows}`), plain, "calls").cues[0]).toBe("Listen, then move.");
  expect(coachingOf(check(`${HEAD}loop x8:\n  A jab -> B slip out\nend`), plain, "rows").fault).toBe(
    data.changes["keep-going"].fault,
  );
  const felt = "kind: sensitivity\nrange: trap\n";
  const push = "\nA push to right chest -> B turn right";
  const blind = coachingOf(check(`${felt}rules B: eyes closed\n${push}`), check(felt + push), "restriction");
  expect(blind.cues[0]).toMatch(/^Shut the eyes/);
  expect(coachingOf(check(felt + push), null, "feeders-choice").cues.join()).not.toMatch(/Hands home/);
});
test("every change in the file is an operator, or one that a block or a rule makes", () => {
  const others = ["eyes closed", "keep-going", "feeders-choice felt"];
  expect(Object.keys(data.changes).filter((key) => !(OPERATORS as readonly string[]).includes(key))).toEqual(
    expect.arrayContaining(others),
  );
  expect(Object.keys(data.changes).filter((key) => ![...OPERATORS, ...others].includes(key))).toEqual([]);
});
