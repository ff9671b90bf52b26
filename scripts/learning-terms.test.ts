/** Three ways to plan a term for made-up learners: what the design asks of the model, and that the page says what comes out. */
import { readFileSync } from "node:fs";
import { TARGET } from "../core/learn/estimates.ts";
import { drawing, outcomes, table } from "./learning-terms.ts";

const all = outcomes();
const [model, ...others] = all as [(typeof all)[number], ...typeof all];

test("with the model the expected success is within .05 of the target after four classes", () => {
  expect(Math.abs(model.success - TARGET)).toBeLessThan(0.05);
  for (const week of model.weeks.slice(4)) expect(Math.abs(week - TARGET)).toBeLessThan(0.08);
});
test("with fewer rounds too hard or too easy than with both others, and nearer to the target", () => {
  for (const other of others) {
    expect(model.tooHard + model.tooEasy).toBeLessThan(other.tooHard + other.tooEasy);
    expect(model.distance).toBeLessThan(other.distance);
  }
});
test("the page and its drawing show what comes out", () => {
  // However wide the columns are set.
  const plain = (text: string) => text.replace(/[ -]+/g, " ");
  expect(plain(readFileSync("docs/learning.md", "utf8"))).toContain(plain(table(all)));
  expect(readFileSync("docs/learning.svg", "utf8")).toBe(drawing(all));
});
