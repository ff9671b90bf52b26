/** From the end of one drill to the start of another. */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { bridge, BRIDGE_DEFAULTS, type BridgeResult } from "./bridge.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
function join(one: string, two: string): BridgeResult {
  return finished(bridge(checkFor(parse(one), school), checkFor(parse(two), school), school));
}
const rows = (one: string, two: string) => {
  const result = join(one, two);
  if (!result.ok) throw new Error(result.message);
  return result.bridges;
};

test("who stepped back steps in again before a shorter blow; the result is one drill that carries on", () => {
  const [first] = rows("title: Away\n\nA jab -> B step back", "title: Close\n\nA lead hook -> B weave, cross");
  expect(first!.rows.join()).toMatch(/step in/);
  expect(first!.text).toMatch(/^title: Away, then Close$/m);
  expect(first!.text).toMatch(/^carry:\n {2}A jab -> B step back\n/m);
  expect(first!.checked.verdict).not.toBe("broken");
});
test("where nothing moves, nothing stands between them", () => {
  const [first] = rows("A jab -> B parry", "A jab -> B slip out");
  expect(first!.rows).toEqual([]);
});
test("the other foot in front is changed first", () => {
  const [first] = rows("A jab -> B parry\nA switch stance\nB switch stance", "A jab -> B parry");
  if (first!.rows.length > 0) expect(first!.rows.join()).toMatch(/switch stance/);
  expect(first!.checked.exchanges[1]!.before.every((p) => p.lead === "left")).toBe(true);
});
test("every way that is given is as short as the first, and there are few", () => {
  const all = rows("A jab -> B step back", "A lead hook -> B weave");
  expect(all.length).toBeLessThanOrEqual(BRIDGE_DEFAULTS.count);
  for (const b of all) expect(b.rows).toHaveLength(all[0]!.rows.length);
});
test.each([
  ["A lead hook -> B slip out", "A jab -> B parry", /is sound: mend it/],
  ["kind: sensitivity\nrange: trap\n\nA push to centre -> B turn", "A jab -> B parry", /sensitivity drill/],
  ["A: holds stick 71 cm\nB: holds stick 71 cm\n\nA overhead -> B step back", "A jab -> B parry", /different things/],
  ["choose A:\n  one: A jab -> B parry\n  two: A cross -> B parry\nend", "A jab -> B parry", /choice/],
])("%s and %s: says why not", (one, two, words) => {
  const result = join(one, two);
  expect(result.ok ? "" : result.message).toMatch(words);
});
