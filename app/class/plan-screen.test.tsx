/** Plan and wall of an evening as the server writes them. */
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { PlanPairs } from "./plan-pairs.tsx";
import { PlanScreen } from "./plan-screen.tsx";
import { swapCostIn } from "./swap-cost.ts";
import { NAMES, page, rounds } from "./testing.ts";
import { WallScreen } from "./wall-screen.tsx";
import { text } from "../ui/testing.tsx";

test("the wall shows the round that comes next, with each pair’s own rung", () => {
  const wall = text(<WallScreen page={page} />);
  expect(wall).toMatch(/Round 2 of 2/);
  expect(wall).toMatch(/Edda Vire .*Liv Tarn/);
  expect(text(<WallScreen page={{ ...page, kept: { ...page.kept!, done: 0 } }} />)).toMatch(
    /their own rung: Add a return/,
  );
});
test("the wall says what is done, who feeds and what comes next", () => {
  const first = text(<WallScreen page={{ ...page, kept: { ...page.kept!, done: 0 } }} />);
  expect(first).toMatch(/A: jab. B: catch. .*Palm to the cheek/);
  expect(first).toMatch(/A feeds first; roles change every 30 seconds\./);
  expect(first).toMatch(/Next: change partners\./);
  expect(text(<WallScreen page={page} />)).toMatch(/The last round\./);
});
test("the wall without a plan says what to do", () => {
  expect(text(<WallScreen page={{ ...page, kept: null }} />)).toMatch(/no plan yet/);
});
test("the plan says whose it is before it is worked out", () => {
  expect(text(<PlanScreen page={{ ...page, over: true }} />)).toMatch(/This class is over: its log stays/);
  expect(text(<PlanScreen page={page} />)).toMatch(/Plan: Tonight .*60 minutes, 4 here/);
});
test("pairs say why and what to look at; a round that was run cannot be changed", () => {
  const show = (begun: boolean, round: (typeof rounds)[number] = rounds[0]!) =>
    text(
      <PlanPairs
        round={round}
        at={0}
        begun={begun}
        rungs={page.rungs}
        nameOf={(id) => NAMES[id as keyof typeof NAMES]}
        onLock={() => undefined}
        onSwap={() => undefined}
        costOf={() => null}
        steps={[]}
        onStep={() => undefined}
      />,
    );
  expect(show(false)).toMatch(/Edda Vire .*Odo Lachs .*1\.12 m apart ; first time together/);
  expect(show(false)).toMatch(/2\. Add a return .*Without contact\./);
  const own = { ...rounds[0]!.pairs[0]!, back: 1, apart: "fist to shoulder" };
  expect(show(false, { ...rounds[0]!, pairs: [own] })).toMatch(
    /A answers: 2\. Add a return B answers: 1\. .* fist to shoulder ;/,
  );
});
test("what a swap costs comes from heights, weights and who met", () => {
  const tall = page.people.map((p) => (p.id === "p1" || p.id === "p2" ? { ...p, height_cm: 190 } : p));
  const cost = (one: string, two: string) =>
    swapCostIn({ people: tall, met: {}, wishes: [] }, { rounds, at: 0 }, PAIR_WEIGHTS, [one, two]);
  expect(cost("p2", "p3")).toBeGreaterThan(0);
  expect(cost("p1", "p2")).toBeNull();
});
