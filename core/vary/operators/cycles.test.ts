/** What is hung on a running cycle: it must still close. */
import { checkFor } from "../../policy/judge.ts";
import { defaultSchool } from "../../policy/school.ts";
import { parse } from "../../score/parse.ts";
import type { OperatorId } from "../operator-names.ts";
import { vary } from "../vary.ts";

const school = defaultSchool();
const HEAD = "kind: flow\ntempo: 60%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
const WEAVE = `${HEAD}loop x8:
  A R forehand high <> B R forehand high
  A R backhand low <> B R backhand low
  A R backhand high <> B R backhand high
  A R forehand low <> B R forehand low
end`;
const made = (text: string, operator: OperatorId) => vary(checkFor(parse(text), school), school, [operator]).good;

// A hand change on the third beat, after which the cycle runs mirrored: common practice, no source.
test("the hands change after two counts, and from the third beat the cycle runs mirrored", () => {
  const third = made(WEAVE, "swap-hands").find((v) => v.parameters.beat === 2)!;
  expect(third.text.split("\n").filter((row) => row.startsWith("  "))).toEqual([
    "  A R forehand high <> B R forehand high",
    "  A R backhand low <> B R backhand low",
    "  both change hands",
    "  A L forehand high <> B L forehand high",
    "  A L backhand low <> B L backhand low",
    "  both change hands",
  ]);
});
test.each(["swap-hands", "entry"] as const)("%s: every one of them closes, slower than before", (operator) => {
  const all = made(WEAVE, operator);
  expect(all.length).toBeGreaterThan(1);
  for (const v of all) {
    expect(v.checked().closure?.closes).toBe(true);
    expect(v.tempo).toBeCloseTo(0.5, 9);
  }
});
test("either may enter, and the other slaps it off", () => {
  const actors = made(WEAVE, "entry").map((v) => v.parameters.actor);
  expect(new Set(actors)).toEqual(new Set(["A", "B"]));
  expect(made(WEAVE, "entry")[0]!.text).toMatch(/ {2}A entry grab\n {2}B slap off/);
});
test("only a cycle of blows that meet has them", () => {
  expect(made("A jab -> B parry", "swap-hands")).toEqual([]);
  expect(made(`${HEAD}A R forehand high <> B R forehand high`, "entry")).toEqual([]);
});
