/** How often, on which side, on the count; what the felt and the solo drills grow by; patterns of cycles. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import type { OperatorId } from "../operator-names.ts";
import { vary, type Variation } from "../vary.ts";

const school = defaultSchool();
const made = (operator: OperatorId, text: string): readonly Variation[] =>
  vary(checkFor(parse(text), school), school, [operator]).good;
const plays = (operator: OperatorId, text: string): string[] =>
  made(operator, text).map((v) => v.text.split("\n\n").slice(1).join("\n").trim());
const load = (text: string) => checkFor(parse(text), school).load.total;

// Chains of two to five before the finish: common practice, no source.
test("the same again: twice, three times, up to five, the return stays at the end", () => {
  const once = "tempo: 30%\n\nA rear hook -> B weave, cross";
  expect(plays("again", once)).toEqual(["A rear hook, rear hook -> B weave, weave, cross"]);
  expect(made("again", once)[0]!.changed).toBe("Twice running: rear hook, weave");
  const four = "tempo: 30%\n\nA rear hook, rear hook, rear hook, rear hook -> B weave, weave, weave, weave";
  expect(made("again", four).map((v) => v.parameters.times)).toEqual([5]);
  const five = four.replace("A rear", "A rear hook, rear").replace("B weave", "B weave, weave");
  expect(plays("again", five)).toEqual([]);
  expect(plays("again", "A jab -> B slip out + lead hook to body")).toEqual([]);
});

test("each time on the other side: a loop that alternates, harder than one that does not; no tool changes hands", () => {
  const [both] = made("sides", "A jab -> B slip out, cross");
  expect(both!.text).toMatch(/^loop x10 alternate:\n {2}A jab -> B slip out, cross\nend$/m);
  expect(load(both!.text)).toBeGreaterThan(load(both!.text.replace(" alternate", "")));
  expect(plays("sides", "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block")).toEqual([]);
});

describe("alone", () => {
  const SOLO = "kind: solo\n\nA jab, cross\nA slip out, cross";
  test("rows go into one, which is harder to keep in mind; never more than eight moves", () => {
    expect(plays("one-go", SOLO)).toEqual(["A jab, cross, slip out, cross"]);
    expect(made("one-go", SOLO)[0]!.load.total).toBeGreaterThan(load(SOLO));
    expect(plays("one-go", `${SOLO}, jab, cross, jab, cross, jab`)).toEqual([]);
  });
  test("on the count, ten of them", () => {
    expect(plays("on-count", SOLO)).toEqual(["loop x10 on count:\n  A jab, cross\n  A slip out, cross\nend"]);
    expect(plays("on-count", "A jab -> B slip out")).toEqual([]);
  });
});

// Pushing grows by a smaller base, other places and blindness, not by speed: common practice, no source.
test("who yields stands with the feet together: harder, and only once", () => {
  const push = "kind: sensitivity\nrange: trap\n\nA push to right chest -> B turn right";
  const [narrow] = made("narrow", push);
  expect(narrow!.text).toMatch(/^B: stance feet together$/m);
  expect(narrow!.load.total).toBeGreaterThan(load(push));
  expect(made("narrow", narrow!.text)).toEqual([]);
  expect(made("tempo-up", push)).toEqual([]);
});

// A push grows softly at first, then strongly, then comes unannounced: common practice, no source.
describe("pushes", () => {
  const push = "kind: sensitivity\nrange: trap\n\nA touch on right chest, push to right chest -> B turn right";
  test("stronger: the move gets the mark, not what it goes to; once, and harder than before", () => {
    const [strong] = made("harder-push", push);
    expect(strong!.text).toContain("A touch on right chest, push! to right chest -> B turn right");
    expect(strong!.load.total).toBeGreaterThan(load(push));
    expect(made("harder-push", strong!.text)).toEqual([]);
  });
  test("all at once: half the beat, harder, and once", () => {
    const [sudden] = made("sudden-push", push);
    expect(sudden!.text).toMatch(/push to right chest @1\/2 -> B turn right/);
    expect(sudden!.load.total).toBeGreaterThan(load(push));
    expect(made("sudden-push", sudden!.text)).toEqual([]);
  });
  test("only what is fed gets it: no hold before it, no answer, and no letting go", () => {
    const rows =
      "kind: sensitivity\nrange: trap\n\nA grab on lead wrist, pull -> B follow\nA collapse -> B shooting hand";
    expect(plays("harder-push", rows)).toEqual([
      "A grab on lead wrist, pull! -> B follow\nA collapse -> B shooting hand",
    ]);
  });
  test("nobody pushes a child hard", () => {
    expect(made("harder-push", push.replace("\n\n", "\nB: minor, height 130\n\n"))).toEqual([]);
  });
  test("where nobody pushes there is nothing to make stronger", () => {
    const hold = "kind: sensitivity\n\nA grab on lead wrist -> B strip";
    expect([...made("harder-push", hold), ...made("sudden-push", hold)]).toEqual([]);
  });
});

test("a cycle of sticks: all of it high, or a thrust that each parries; both still close", () => {
  const weave = `kind: flow\ntempo: 50%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nloop x8:
  A R forehand high <> B R forehand high
  A R backhand low <> B R backhand low
end`;
  const all = made("pattern", weave);
  expect(all.map((v) => v.changed)).toEqual(
    expect.arrayContaining(["All of it high", "After count 2 each throws a thrust; parry it and go on"]),
  );
  for (const v of all) expect(v.checked().closure?.closes).toBe(true);
});

// Each school of movement with its own moves: common practice, no source.
test("nothing comes into a drill of a school of movement that has no name there", () => {
  const trap = "tradition: cantonese\nrange: trap\ntempo: 40%\n\nA straight punch -> B pak sao + straight punch";
  const texts = vary(checkFor(parse(trap), school), school).good.map((v) => v.text.split("\n\n")[1]!);
  expect(texts.length).toBeGreaterThan(3);
  expect(texts.filter((text) => /\b(?:jab|cross|catch|cover|slip|hook)\b/.test(text))).toEqual([]);
});

test("a row that stands twice is changed in both places at once", () => {
  const twice = "A jab -> B slip out, cross\nA cross -> B slip out\nA jab -> B slip out, cross";
  expect(plays("leave-line", twice)).toContain(
    "A jab -> B slip out + step off, cross\nA cross -> B slip out\nA jab -> B slip out + step off, cross",
  );
});
