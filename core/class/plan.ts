/** The plan of a class: blocks, rounds, pairs with their rungs, and what each person gets out of it. */
import { pairPerson } from "../people/measures.ts";
import { planEvening, type Attendee, type Evening } from "../pairs/evening.ts";
import { LINES_FROM } from "../pairs/lines.ts";
import { GUEST_LEVEL } from "../pairs/score.ts";
import type { School } from "../policy/school.ts";
import { asGiven } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";
import { limitsFor, needsFall } from "./limits.ts";
import { FittedRounds } from "./fitted-rounds.ts";
import { termsOf, type BlockTerms } from "./who-works.ts";
import { withFrozen } from "./frozen.ts";
import { lineUpCheck } from "./line-up.ts";
import { packedFrom } from "./packing.ts";
import type { ClassPlan, PlanInput, PlanPerson, Turn } from "./plan-types.ts";
import { rolesIn } from "./roles.ts";
import { inQueues, onePartner, unfair } from "./shares.ts";
import { blockFaults, holdsWholeRound, partsOf, type Block, type Clock } from "./timetable.ts";

export type { ClassPlan, PlanInput, PlannedPair, PlannedRound, PlanPerson } from "./plan-types.ts";

/** Plans a class; yields the share done. Same input, same plan. */
export function* planClass(input: PlanInput, school: School): Generator<number, ClassPlan> {
  const { people, rungs, clock } = input;
  if (people.length === 0) return { ok: false, message: NOBODY };
  const packed = input.blocks ? ({ ok: true, blocks: input.blocks } as const) : packedFrom(input, school);
  if (!packed.ok) return packed;
  const blocks = withFrozen(input.frozen, packed.blocks);
  const turns = blocks.flatMap((block) =>
    block.rung === null ? [] : Array.from({ length: block.rounds }, (_, turn) => ({ block, turn })),
  );
  const evening = yield* scaled(
    planEvening(people.map(attendee), {
      rounds: turns.length,
      weights: input.weights,
      wishes: input.wishes,
      met: new Map(Object.entries(input.met)),
      done: input.frozen.rounds.map(({ pairs }) => pairs),
      locked: input.locked,
      lines: input.lines ?? people.length >= LINES_FROM,
      ...togetherness(turns, input),
      ...termsOfRounds(turns, input, school),
    }),
    0.5,
  );
  const fitted = new FittedRounds(input, school);
  for (const [r, round] of evening.rounds.entries()) {
    yield 0.5 + r / evening.rounds.length / 2;
    const stays = input.frozen.rounds[r];
    if (stays) fitted.keep(stays, turns[r]!);
    else fitted.add(round, turns[r]!);
  }
  const all = fitted.shares();
  return {
    ok: true,
    blocks,
    check: lineUpCheck(rungs, school),
    left: input.minutes - blocks.reduce((sum, b) => sum + b.minutes, 0),
    rounds: fitted.rounds,
    lines: evening.lines.map(({ stays, moves }) => ({
      stays: stays.map(({ id }) => id),
      moves: moves.map(({ id }) => id),
    })),
    shares: all.map((s) => ({ ...s, feeds: [...s.feeds], answers: [...s.answers] })),
    notes: notesOf(input, { blocks, evening, fitted, all }, school),
    floor: fitted.floor,
    queue: inQueues((turns.length * clock.round) / 60),
  };
}

/** A theme for which there are no minutes. */
function leftOutTheme(blocks: readonly Block[], all: readonly PlanRung[]): string[] {
  const rungs = all.filter(({ past }) => !past);
  const worked = new Set(blocks.flatMap(({ rung }) => (rung === null ? [] : [rungs[rung]?.theme ?? 0])));
  return partsOf(rungs).length > worked.size && worked.size > 0
    ? ["There are minutes for one of the two themes only. Give more, or leave one out."]
    : [];
}

/** What is short, not met or unfair, and what is to be asked. */
function notesOf(
  { people, rungs, clock, minutes }: PlanInput,
  {
    blocks,
    evening,
    fitted,
    all,
  }: {
    readonly blocks: readonly Block[];
    readonly evening: Evening;
    readonly fitted: FittedRounds;
    readonly all: ReturnType<FittedRounds["shares"]>;
  },
  school: School,
): string[] {
  // Who leaves early gets less than the others, and everybody knows it.
  const stay = people.filter(({ until }) => until === null);
  const staying = new Set(stay.map(({ id }) => id));
  return [
    ...blockFaults(
      blocks,
      minutes,
      rungs.map((r) => r.load),
    ),
    ...evening.notes,
    ...fitted.shortIn(blocks),
    ...leftOutTheme(blocks, rungs),
    ...oddHolding(blocks, rungs, clock),
    ...unfair(
      all.filter(({ person }) => staying.has(person)),
      fitted.name,
    ),
    ...onePartner(fitted.rounds, stay),
    ...supervision(people),
    ...askForFalls(rungs, people, school),
    ...people.filter(({ level }) => level === GUEST_LEVEL).map(guestNote),
  ];
}

/** In which rounds three work together, and in which partners stay to change roles. */
function togetherness(turns: readonly Turn[], { rungs, clock }: PlanInput) {
  const threes = new Set<number>();
  const again = new Set<number>();
  for (const [r, { block, turn }] of turns.entries()) {
    const roles = rolesIn(rungs[block.rung!]?.text ?? "");
    if (roles.people === 3 && !block.stations) threes.add(r);
    if (block.stations ? turn > 0 : turn % 2 === 1 && holdsWholeRound(roles, clock)) again.add(r);
  }
  return { threes, again };
}

/** In which rounds nothing goes without contact, and who sits out; rounds that have started are as they are. */
function termsOfRounds(turns: readonly Turn[], { rungs, people, frozen }: PlanInput, school: School) {
  const known = new Map<string, BlockTerms>();
  const termsIn = turns.map(({ block }, r) => {
    if (r < frozen.rounds.length) return null;
    const terms = known.get(block.id) ?? termsOf(block, rungs, people, school);
    known.set(block.id, terms);
    return terms;
  });
  const contactOnly = new Set(termsIn.flatMap((terms, r) => (terms?.contactOnly ? [r] : [])));
  return { contactOnly, sitOut: (round: number) => termsIn[round]?.out ?? new Map<string, string>() };
}

const attendee = (p: PlanPerson): Attendee => ({
  person: pairPerson(p, p.level, limitsFor(p)),
  from: p.from,
  until: p.until,
});

const NOBODY = "Nobody is ticked as here yet. Tick at least two people.";

/** Too few to pair, in words; null where it can be tried. */
export function peopleFault(people: readonly unknown[]): string | null {
  if (people.length === 0) return NOBODY;
  if (people.length === 1) return "One person alone cannot pair. Tick somebody else, or work with the person yourself.";
  return null;
}

/** Blocks with pads in which somebody would hold once more than the other. */
const oddHolding = (blocks: readonly Block[], rungs: readonly PlanRung[], clock: Clock): string[] =>
  blocks
    .filter(
      ({ rung, rounds, stations }) =>
        rung !== null && !stations && rounds % 2 === 1 && holdsWholeRound(rolesIn(rungs[rung]?.text ?? ""), clock),
    )
    .map(({ title }) => `${title}: with pads each holds for a whole round. Give it an even number of rounds.`);

/** A takedown asks who has learnt to fall, by name. */
function askForFalls(rungs: readonly PlanRung[], people: readonly PlanPerson[], school: School): string[] {
  const unknown = people.filter(({ falls }) => falls === false).map(({ name }) => name);
  const falls = rungs.some((rung) => !rung.past && needsFall(asGiven(rung, { a: undefined, b: undefined }, school)));
  return falls && unknown.length > 0
    ? [`Who has learnt to fall? Nobody has said so of ${unknown.join(", ")}: they are given nothing that throws them.`]
    : [];
}

const guestNote = ({ name }: PlanPerson): string =>
  `${name} is here for the first time: a round to watch, then the first rung with somebody steady, without contact.`;

/** Minors need somebody grown up in the hall, beside the instructor where there are many. */
const MINORS_EACH = 12;
function supervision(people: readonly PlanPerson[]): string[] {
  const minors = people.filter((p) => p.age === "minor").length;
  const adults = people.length - minors;
  if (minors === 0) return [];
  if (adults === 0) return ["Only minors are here: a second adult beside the instructor should be in the hall."];
  return minors > MINORS_EACH * (adults + 1)
    ? ["Many minors and few adults: ask for help, local rules decide how much."]
    : [];
}

function* scaled<T>(work: Generator<number, T>, share: number): Generator<number, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield step.value * share;
  }
}
