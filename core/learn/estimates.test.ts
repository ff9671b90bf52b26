/** What the log comes to say, and when it says nothing yet. */
import { below, seeded } from "../random/random.ts";
import { CAREFUL, chanceText, estimatesFrom, inOrder, suggestRung, TARGET, type Evidence } from "./estimates.ts";
import { chanceOf } from "./rasch.ts";

const DAY = 24 * 3600 * 1000;
const seen = (more: Partial<Evidence> = {}): Evidence => ({
  ...{ person: "ann", family: "feeder", rung: "r3", load: 6, seen: "clean", level: 3, at: 0 },
  ...more,
});
const many = (count: number, more: Partial<Evidence> = {}): Evidence[] =>
  Array.from({ length: count }, (_, i) => seen({ at: i * DAY, ...more }));
const LOADS = [2, 4, 6, 8, 10, 12];
const ladder = (of: ReturnType<typeof estimatesFrom>) => LOADS.map((load, i) => of.difficulty(`r${i}`, load));

test("where nothing was seen the level says it: the middle one is clean at the usual load in about 84 of 100", () => {
  const none = estimatesFrom([]);
  const [ability, difficulty] = [none.ability("ann", "feeder", 3), none.difficulty("r", 6)];
  expect(chanceOf(ability.mean, difficulty.mean)).toBeCloseTo(TARGET, 2);
  expect(none.ability("ann", "feeder", 5).mean).toBeGreaterThan(none.ability("ann", "feeder", 1).mean);
  expect(none.difficulty("r", 12).mean).toBeGreaterThan(none.difficulty("r", 3).mean);
});
test("clean again and again is a better one, in that family alone; the order of arrival does not matter", () => {
  const all = [...many(6), ...many(6, { person: "bo", seen: "not clean" })];
  const found = estimatesFrom(all);
  expect(found.ability("ann", "feeder", 3).mean).toBeGreaterThan(found.ability("bo", "feeder", 3).mean + 1);
  expect(found.ability("ann", "flow", 3).times).toBe(0);
  const turned = estimatesFrom([...all].reverse());
  expect(turned.ability("bo", "feeder", 3)).toEqual(found.ability("bo", "feeder", 3));
});
test("what was seen long ago is less sure", () => {
  const [fresh, old] = [many(8), [...many(7), seen({ at: 400 * DAY })]].map(
    (all) => estimatesFrom(all).ability("ann", "feeder", 3).error,
  );
  expect(old).toBeGreaterThan(fresh!);
});
test("nothing is suggested before enough was seen; then the rung nearest to the target, an easier one where care is due", () => {
  const few = estimatesFrom(many(3));
  expect(suggestRung(few.ability("ann", "feeder", 3), ladder(few), TARGET)).toBeNull();
  const found = estimatesFrom(many(10));
  const ability = found.ability("ann", "feeder", 3);
  const usual = suggestRung(ability, ladder(found), TARGET)!;
  const careful = suggestRung(ability, ladder(found), CAREFUL)!;
  expect(careful.rung).toBeLessThan(usual.rung);
  expect(usual.why).toMatch(/^(mostly|nearly always|half the time) clean by what was seen 10 times$/);
  const weak = estimatesFrom(many(10, { seen: "not clean" }));
  expect(suggestRung(weak.ability("ann", "feeder", 3), ladder(weak), TARGET)!.rung).toBeLessThan(usual.rung);
});
test("chances are said as one says them", () => {
  expect([0.97, 0.84, 0.6, 0.1].map(chanceText)).toEqual(["nearly always", "mostly", "half the time", "seldom"]);
});
test("made-up learners come to work near the target within a few classes", () => {
  const random = seeded(5);
  const truth = LOADS.map((load) => 0.35 * (load - 6) + (below(random, 100) / 100 - 0.5) * 0.6);
  const learners = Array.from({ length: 20 }, (_, i) => ({ id: `p${i}`, ability: -0.5 + below(random, 100) / 25 }));
  const evidence: Evidence[] = [];
  let last: number[] = [];
  for (let lesson = 0; lesson < 8; lesson++) {
    const found = estimatesFrom(evidence);
    last = [];
    for (const { id, ability } of learners)
      for (let round = 0; round < 4; round++) {
        const at = suggestRung(found.ability(id, "feeder", 3), ladder(found), TARGET)?.rung ?? 2;
        const chance = chanceOf(ability, truth[at]!);
        last.push(chance);
        const isClean = random() < chance;
        evidence.push({
          ...{ person: id, family: "feeder", rung: `r${at}`, load: LOADS[at]!, level: 3, at: lesson * 7 * DAY + round },
          seen: isClean ? "clean" : "not clean",
        });
      }
  }
  const mean = last.reduce((sum, one) => sum + one, 0) / last.length;
  expect(Math.abs(mean - TARGET)).toBeLessThan(0.05);
});

test("no rung is easier than the one before it, whatever few did on that one; ladders are apart", () => {
  const of = (...means: number[]) => means.map((mean) => ({ mean, error: 0.5 }));
  const means = (rungs: readonly { readonly mean: number }[]) => rungs.map(({ mean }) => mean);
  expect(means(inOrder(of(0, 1.2, 0.4, 2)))).toEqual([0, 1.2, 1.2, 2]);
  expect(means(inOrder(of(0, 1.2, 0.4, 0.6), [0, 0, 1, 1]))).toEqual([0, 1.2, 0.4, 0.6]);
  expect(inOrder([])).toEqual([]);
});
