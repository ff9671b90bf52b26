/** What operators ask of feeds and answers. */
import { defaultSchool } from "../policy/school.ts";
import {
  answerableFeeds,
  bestAnswer,
  feedTexts,
  framedBlow,
  framedBlows,
  lands,
  rankFeeds,
  soundAnswer,
} from "./answers.ts";

const school = defaultSchool();
const STICKS = ["A: holds stick 71 cm", "B: holds stick 71 cm"];
const move = (id: string) => [...school.vocabulary.moves.values()].find((m) => m.id === id)!;

test("a blow is written with each limb that can do it, and at each height", () => {
  expect(feedTexts(move("jab"))).toEqual(["jab high", "jab mid", "jab low"]);
  expect(feedTexts(move("hook"))).toContain("lead hook high");
  expect(feedTexts(move("stick-forehand"))).toEqual(["forehand high", "forehand mid", "forehand low"]);
});
test("every blow under a frame has its line; with a stick in the hand some have a weapon", () => {
  const bare = framedBlows([], school);
  const armed = framedBlows(STICKS, school);
  expect(bare.every((f) => f.blow.weapon === null)).toBe(true);
  expect(armed.some((f) => f.blow.weapon?.kind === "stick")).toBe(true);
  expect(framedBlow([], "forehand high", school)).toBeNull();
  expect(framedBlow(STICKS, "forehand high", school)!.blow.clock).toBe(10);
});
test("the best answer is valid, and one that fits what else is asked", () => {
  expect(bestAnswer([], "A lead hook", school)!.exchange.verdict).toBe("valid");
  const still = bestAnswer([], "A lead hook", school, (a) => !a.exchange.layers.some((l) => l.by === "displace"));
  expect(still!.exchange.layers.some((l) => l.by === "displace")).toBe(false);
  expect(bestAnswer([], "A lead hook", school, () => false)).toBeUndefined();
});
test("an answer deals with some feeds and not with others", () => {
  const texts = answerableFeeds([], "weave", school).map((f) => f.text);
  expect(texts).toContain("lead hook");
  expect(texts).not.toContain("rear round kick to leg");
  expect(texts.length).toBeLessThan(rankFeeds([], school).length);
});
test("the answer that is preferred is kept where it holds, else the best takes its place", () => {
  const hook = rankFeeds([], school).find((f) => f.text === "lead hook")!;
  expect(soundAnswer([], hook, "weave", school)).toBe("weave");
  const other = soundAnswer([], hook, "slip out", school);
  expect(other).not.toBe("slip out");
  expect(other).not.toBeNull();
});
test("a blow is sent back only where it reaches, behind what was sent before", () => {
  expect(lands([], "A jab", "slip out", "cross", school)).toBe(true);
  expect(lands([], "A jab", "step back", "cross", school)).toBe(false);
  const kicks = ["rear round kick to leg", "rear round kick to body", "push kick", "knee"];
  expect(kicks.some((kick) => lands([], "A jab", "slip out, cross", kick, school))).toBe(true);
});
test("the tempo and the title of a drill change no answer", () => {
  const texts = (head: string[]) => rankFeeds(head, school).map((f) => f.text);
  expect(texts(["title: one", "tempo: 100%"])).toEqual(texts(["tempo: 20%"]));
  expect(bestAnswer(["tempo: 100%"], "A cross", school)!.text).toBe(
    bestAnswer(["tempo: 20%"], "A cross", school)!.text,
  );
});
