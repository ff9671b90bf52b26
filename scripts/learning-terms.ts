/**
 * Twelve weeks of made-up learners with known abilities, planned in three ways: by what the log says (the model), one
 * ladder for all (a rung a week), and the teacher's rule (two clean in a row: a rung up; two not clean: a rung down).
 * The same each time.
 */
import { estimatesFrom, suggestRung, TARGET, type Evidence } from "../core/learn/estimates.ts";
import { chanceOf } from "../core/learn/rasch.ts";
import { seeded } from "../core/random/random.ts";

const WEEKS = 12;
const ROUNDS = 4;
const LEARNERS = 40;
const LOADS = Array.from({ length: 20 }, (_, i) => 2 + 0.8 * i);
const WEEK = 7 * 24 * 3600 * 1000;
/** What a round adds to an ability, logits, at the most: near the target one learns most. */
const GAIN = 0.03;
const TOO_HARD = 0.6;
const TOO_EASY = 0.95;
const SEEDS = [1, 2, 3, 4, 5];

interface Learner {
  readonly id: string;
  readonly level: number;
  ability: number;
  rung: number;
  run: number;
}
interface Round {
  readonly week: number;
  readonly chance: number;
}
type Planner = "model" | "one ladder for all" | "two clean, go on";
const PLANNERS: readonly Planner[] = ["model", "one ladder for all", "two clean, go on"];

const bound = (rung: number): number => Math.max(0, Math.min(LOADS.length - 1, rung));

/** All rounds of a term with one planner, and how far the estimates are off in the end, logits. */
function term(planner: Planner, seed: number): { readonly rounds: readonly Round[]; readonly off: number } {
  const random = seeded(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const truth = LOADS.map((load) => 0.35 * (load - 6) + 0.3 * normal());
  const learners = Array.from({ length: LEARNERS }, (_, i): Learner => {
    const ability = 1.2 + 1.1 * normal();
    // Levels are given by eye: off by one now and then.
    const level = Math.max(1, Math.min(5, Math.round(3 + (ability - 1.2) / 0.9 + 0.5 * normal())));
    return { id: `p${i}`, level, ability, rung: 2, run: 0 };
  });
  const evidence: Evidence[] = [];
  const rounds: Round[] = [];
  const ladder = (of: ReturnType<typeof estimatesFrom>) => LOADS.map((load, i) => of.difficulty(`r${i}`, load));
  for (let week = 0; week < WEEKS; week++) {
    const found = estimatesFrom(evidence);
    for (const learner of learners)
      for (let round = 0; round < ROUNDS; round++) {
        const known = found.ability(learner.id, "feeder", learner.level);
        const rung =
          planner === "model"
            ? (suggestRung(known, ladder(found), TARGET)?.rung ?? bound(learner.level))
            : planner === "one ladder for all"
              ? bound(week + 1)
              : learner.rung;
        const chance = chanceOf(learner.ability, truth[rung]!);
        const isClean = random() < chance;
        rounds.push({ week, chance });
        evidence.push({
          ...{ person: learner.id, family: "feeder", rung: `r${rung}`, load: LOADS[rung]!, level: learner.level },
          ...{ seen: isClean ? "clean" : "not clean", at: week * WEEK + round },
        });
        learner.run = isClean ? Math.max(1, learner.run + 1) : Math.min(-1, learner.run - 1);
        if (Math.abs(learner.run) >= 2) {
          learner.rung = bound(learner.rung + Math.sign(learner.run));
          learner.run = 0;
        }
        learner.ability += GAIN * (1 - Math.min(1, Math.abs(chance - TARGET) / TARGET));
      }
  }
  const last = estimatesFrom(evidence);
  const errors = learners.map(({ id, level, ability }) => last.ability(id, "feeder", level).mean - ability);
  // Only differences mean something: where all learn, the rungs seem to get easier instead.
  const all = mean(errors);
  return { rounds, off: Math.sqrt(mean(errors.map((error) => (error - all) ** 2))) };
}

const mean = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;

interface Outcome {
  readonly planner: Planner;
  /** Mean expected success of each week. */
  readonly weeks: readonly number[];
  /** From the fifth class on: mean expected success, distance of it from the target, shares of rounds. */
  readonly success: number;
  readonly distance: number;
  readonly tooHard: number;
  readonly tooEasy: number;
  readonly off: number;
}

export function outcomes(): Outcome[] {
  return PLANNERS.map((planner) => {
    const terms = SEEDS.map((seed) => term(planner, seed));
    const rounds = terms.flatMap((one) => one.rounds);
    const late = rounds.filter(({ week }) => week >= 4).map(({ chance }) => chance);
    const share = (test: (chance: number) => boolean) => late.filter(test).length / late.length;
    return {
      planner,
      weeks: Array.from({ length: WEEKS }, (_, week) =>
        mean(rounds.filter((one) => one.week === week).map(({ chance }) => chance)),
      ),
      success: mean(late),
      distance: mean(late.map((chance) => Math.abs(chance - TARGET))),
      tooHard: share((chance) => chance < TOO_HARD),
      tooEasy: share((chance) => chance > TOO_EASY),
      off: mean(terms.map((one) => one.off)),
    };
  });
}

/** Lines over the weeks, told apart by their dashes and the words at their ends. */
export function drawing(all: readonly Outcome[]): string {
  const [width, height, left, top] = [640, 260, 40, 12];
  const x = (week: number) => left + (week * (width - left - 170)) / (WEEKS - 1);
  const y = (chance: number) => top + (1 - chance) * (height - top - 24) * 1.6;
  const dashes = ["none", "7 4", "2 4"];
  const lines = all.map(({ planner, weeks }, i) => {
    const points = weeks.map((chance, week) => `${x(week).toFixed(1)},${y(chance).toFixed(1)}`).join(" ");
    const end = y(weeks[WEEKS - 1]!) + 4;
    return `<polyline points="${points}" fill="none" stroke="currentColor" stroke-width="2" stroke-dasharray="${dashes[i]!}"/><text x="${x(WEEKS - 1) + 8}" y="${end.toFixed(1)}" font-size="13" fill="currentColor">${planner}</text>`;
  });
  const ticks = [0.5, 0.6, 0.7, 0.84, 0.95].map(
    (chance) =>
      `<line x1="${left}" x2="${x(WEEKS - 1)}" y1="${y(chance)}" y2="${y(chance)}" stroke="currentColor" opacity="${chance === TARGET ? 0.7 : 0.15}"/><text x="4" y="${y(chance) + 4}" font-size="12" fill="currentColor">${chance}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" role="img" aria-label="Mean expected success week by week">${ticks.join("")}${lines.join("")}</svg>\n`;
}

const percent = (share: number): string => `${(100 * share).toFixed(1)}%`;

export const table = (all: readonly Outcome[]): string =>
  [
    "| planner | expected success | distance from .84 | too hard (< .6) | too easy (> .95) | abilities off by |",
    "|---|---|---|---|---|---|",
    ...all.map(
      (one) =>
        `| ${one.planner} | ${one.success.toFixed(3)} | ${one.distance.toFixed(3)} | ${percent(one.tooHard)} | ${percent(one.tooEasy)} | ${one.off.toFixed(2)} logits |`,
    ),
  ].join("\n");
