/** Rasch estimates beside a reference implementation (see the fixture for its version), and by simulation. */
import reference from "./rasch-fixture.json" with { type: "json" };
import { seeded } from "../random/random.ts";
import {
  abilityFrom,
  chanceOf,
  conditionalDifficulties,
  conditionalLikelihood,
  expectedChance,
  met,
  type Estimate,
} from "./rasch.ts";

const answers = reference.answers.map((row) => [...row].map(Number));
const difficulties = conditionalDifficulties(answers)!;

describe("beside eRm", () => {
  test("difficulties by conditional likelihood are within a hundredth of a logit", () => {
    expect(difficulties).toHaveLength(reference.difficulties.length);
    difficulties.forEach((one, i) => expect(Math.abs(one - reference.difficulties[i]!)).toBeLessThan(0.01));
  });
  test("the conditional log-likelihood is the same, and nothing near it is higher", () => {
    const best = conditionalLikelihood(answers, difficulties);
    expect(best).toBeCloseTo(reference.logLik, 4);
    for (const i of difficulties.keys()) {
      const moved = difficulties.map((one, j) => one + (i === j ? 0.05 : -0.05 / (difficulties.length - 1)));
      expect(conditionalLikelihood(answers, moved)).toBeLessThan(best);
    }
  });
  test("abilities by maximum likelihood are within a hundredth of a logit, score by score", () => {
    reference.abilities.scores.forEach((score, k) => {
      // All or nothing clean has no maximum: the reference extends its curve there.
      if (score === 0 || score === difficulties.length) return;
      const tried = reference.difficulties.map((mean, i) => ({ difficulty: { mean, error: 0 }, clean: i < score }));
      expect(Math.abs(abilityFrom(tried, null).mean - reference.abilities.logits[k]!)).toBeLessThan(0.01);
    });
  });
});

test("an item that was always clean has no difficulty that could be said", () => {
  expect(
    conditionalDifficulties([
      [1, 0],
      [1, 1],
      [1, 0],
    ]),
  ).toBeNull();
  expect(conditionalDifficulties([])).toBeNull();
});
test("what is not known makes an expectation less sure", () => {
  const sure: Estimate = { mean: 2, error: 0.01 };
  expect(expectedChance(sure, { mean: 0, error: 0.01 })).toBeCloseTo(chanceOf(2, 0), 3);
  expect(expectedChance({ mean: 2, error: 1.5 }, { mean: 0, error: 0.01 })).toBeLessThan(chanceOf(2, 0) - 0.05);
});
test("a prior alone stays as it is, and each answer moves less as more is known", () => {
  const prior: Estimate = { mean: 0.5, error: 1 };
  expect(abilityFrom([], prior)).toEqual(prior);
  const [better, easier] = met(prior, { mean: 0, error: 0.5 }, "clean");
  expect(better.mean).toBeGreaterThan(0.5);
  expect(easier.mean).toBeLessThan(0);
  expect(better.mean - 0.5).toBeGreaterThan(-easier.mean);
  expect(better.error).toBeLessThan(prior.error);
});
test("taken in one after the other, abilities of made-up learners are found again", () => {
  const random = seeded(11);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const abilities = Array.from({ length: 30 }, normal);
  const items = [-1.5, -0.75, 0, 0.75, 1.5];
  const errors = abilities.map((ability) => {
    let found: Estimate = { mean: 0, error: 1 };
    for (let i = 0; i < 60; i++) {
      const mean = items[i % items.length]!;
      [found] = met(found, { mean, error: 0.01 }, random() < chanceOf(ability, mean) ? "clean" : "not clean");
    }
    return Math.abs(found.mean - ability) / found.error;
  });
  // Two of three lie within one standard error, all but a few within two: the errors mean what they say.
  expect(errors.filter((error) => error < 1).length).toBeGreaterThan(15);
  expect(errors.filter((error) => error < 2.5).length).toBeGreaterThanOrEqual(28);
});
