/** Weights of pairs, stages and load as a school sets them. */
import { SCHOOL_CUSTOMS } from "./settings.ts";
import { PAIR_PARTS, PAIR_WEIGHTS, weightText } from "./pair-weights.ts";
import { STAGES } from "./stages.ts";
import { defaultSchool, readSchool } from "./school.ts";

const read = (data: unknown) => {
  const result = readSchool(data);
  if (!result.ok) throw new Error(result.errors.join("; "));
  return result.school;
};
const faults = (data: unknown): string => {
  const result = readSchool(data);
  return result.ok ? "" : result.errors.join("; ");
};

test("a school without settings pairs with the weights that came", () => {
  expect(defaultSchool().pairing).toEqual(PAIR_WEIGHTS);
  expect(read({}).pairing).toEqual(PAIR_WEIGHTS);
});
test("what is set is set, the rest stays", () => {
  const { pairing } = read({ pairing: { height: 40, lead: 100 } });
  expect(pairing).toEqual({ ...PAIR_WEIGHTS, height: 40, lead: 100 });
});
test.each(PAIR_PARTS)("%s lies within its bounds and says what it means", (part) => {
  const { points, most, says, label } = weightText(part);
  expect(points).toBeGreaterThanOrEqual(0);
  expect(points).toBeLessThanOrEqual(most);
  expect(says).toMatch(/^for /);
  expect(label.length).toBeGreaterThan(5);
  expect(faults({ pairing: { [part]: most + 1 } })).toMatch(/pairing/);
  expect(faults({ pairing: { [part]: -1 } })).toMatch(/pairing/);
});
test("a part that is not known is named", () => {
  expect(faults({ pairing: { charm: 3 } })).toMatch(/charm/);
});
test("the order of stages names each once; the usual one has force last and tempo before chance", () => {
  expect([...SCHOOL_CUSTOMS.stages].sort()).toEqual([...STAGES].sort());
  expect(SCHOOL_CUSTOMS.stages[SCHOOL_CUSTOMS.stages.length - 1]).toBe("force");
  expect(SCHOOL_CUSTOMS.stages.indexOf("tempo")).toBeLessThan(SCHOOL_CUSTOMS.stages.indexOf("uncertainty"));
  expect(faults({ customs: { stages: ["parts"] } })).toMatch(/stages/);
  expect(faults({ customs: { stages: [...STAGES.slice(1), "parts2"] } })).toMatch(/stages/);
  expect(faults({ customs: { chance: "early" } })).toMatch(/not known/);
});
