import { completionsAt, feedOwed, heldIn, holdingOptions, isInGame, roleAt } from "./completion.ts";
import type { MoveName } from "../workers/questions/words.ts";

const move = (name: string, ...roles: MoveName["roles"][number][]): MoveName => ({
  name,
  group: "",
  hint: "",
  roles,
  needs: null,
});
const NAMES = [
  move("jab", "feed", "return"),
  move("catch", "answer"),
  move("cross", "feed", "return"),
  move("step in", "setup"),
];
const labels = (before: string, asked = true) =>
  completionsAt(before, NAMES, asked, "")?.options.map(({ label }) => label);
const first = (before: string) =>
  [...completionsAt(before, NAMES, true, "")!.options].sort((a, b) => (b.boost ?? 0) - (a.boost ?? 0))[0]!.label;

test.each([
  ["A ", "feed"],
  ["A jab, ", "feed"],
  ["A jab -> B ", "answer"],
  ["A jab, cross -> B catch, ", "answer"],
  ["A jab -> B catch, ", "return"],
  ["A jab -> B catch, cross -> A ", "answer"],
  ["A jab -> B catch | ", "answer"],
  ['A jab "a, b" -> B catch, ', "return"],
  ["A jab -> B catch; A ", "feed"],
  ["A forehand <> B ", "feed"],
] as const)("%j is a place for a %s", (before, role) => {
  expect(roleAt(before)).toBe(role);
});

test("what is usual at a place stands first", () => {
  expect(first("A ")).toBe("jab");
  expect(first("A jab -> B ")).toBe("catch");
  expect(first("A jab -> B catch, ")).toBe("jab");
});

test("rows begin with keys and blocks, the new ones too; a note completes nothing", () => {
  expect(labels("w")).toEqual(
    expect.arrayContaining(["wrong: ", "form: ", "stance: ", "loop x10 each side on count:"]),
  );
  expect(labels("", false)).toBeUndefined();
  expect(labels('A jab "elb')).toBeUndefined();
  expect(labels("A hold pad ")).toEqual(expect.arrayContaining(["facing in", "on pad", "at any"]));
  expect(labels("any c")).toContain("catch");
});

test("a header row that says how somebody stands completes the names that there are", () => {
  expect(labels("guard: ")).toEqual(expect.arrayContaining(["high", "stick high"]));
  expect(labels("guard: C st")).toContain("stick low");
  expect(labels("A: lead left, stance ")).toEqual(expect.arrayContaining(["feet together", "sideways"]));
  expect(labels("A guard ")).not.toContain("stick high");
});

test("a game completes its own keys and words, and moves behind what each may do", () => {
  const inGame = (before: string) =>
    completionsAt(before, NAMES, true, "", isInGame("A jab -> B catch\ngame Three:\n  A may: jab\n"))?.options.map(
      ({ label }) => label,
    );
  expect(inGame("  ")).toEqual(expect.arrayContaining(["B may: ", "touch: ", "end"]));
  expect(inGame("  touch: o")).toContain("open hand");
  expect(inGame("  B scores: clean 1, st")).toContain("stayed 1");
  expect(inGame("  B may: ca")).toContain("catch");
  expect(isInGame("game Three:\n  A may: jab\nend\n")).toBe(false);
  expect(isInGame("game: three\n")).toBe(false);
  expect(labels("an")).toEqual(expect.arrayContaining(["any time: ", "lands: ", "game NAME:"]));
});

test("what nobody holds the thing for stands last", () => {
  const block: MoveName = { ...move("slant block", "answer"), needs: "stick" };
  const slip = move("slip", "answer");
  const order = (text: string) =>
    completionsAt("A jab -> B sl", [block, slip], true, heldIn(text))!
      .options.filter(({ type }) => type === "move")
      .sort((a, b) => (b.boost ?? 0) - (a.boost ?? 0) || a.label.localeCompare(b.label))
      .map(({ label }) => label);
  expect(order("A: lead left\n\nA jab -> B sl")).toEqual(["slip", "slant block"]);
  expect(order("B: holds stick 71 cm\n\nA jab -> B sl")).toEqual(["slant block", "slip"]);
});

test.each([
  ["A jab -> B ", "A jab"],
  ["A jab -> B sl", "A jab"],
  ["A jab, lead hook -> B catch, ", "A lead hook"],
  ["one: A cross to body -> B ", "A cross to body"],
  ['A jab "to the chin" -> B ', "A jab"],
  ["A jab -> B catch, cross -> A ", "B catch"],
  ["A jab -> B catch, ", null],
  ["A ", null],
  ["jab -> B ", null],
] as const)("%j owes an answer to %s", (before, feed) => {
  expect(feedOwed(before)).toBe(feed);
});

test("what holds stands in front, with what it leaves to spare and open", () => {
  const [one, two] = holdingOptions([
    { text: "catch", verdict: "valid", marginCm: 6.5, open: ["cross"] },
    { text: "slip in", verdict: "risky", marginCm: 5.5, open: [] },
  ]);
  expect(one).toMatchObject({ label: "catch", detail: "holds, 7 cm to spare", info: "Leaves open: cross" });
  expect(two).toMatchObject({ label: "slip in", detail: "risky here" });
  expect(one!.boost!).toBeGreaterThan(two!.boost!);
  expect(
    holdingOptions(Array.from({ length: 30 }, () => ({ text: "x", verdict: "valid", marginCm: 1, open: [] }))).length,
  ).toBe(8);
});
