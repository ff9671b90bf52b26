/** The plan of a class: blocks, rounds, pairs with their rungs, and what each person gets out of it. */
import type { Checked } from "../drill/types.ts";
import { measuresOf, pairPerson, type Measured } from "../people/measures.ts";
import { youngest } from "../pairs/ages.ts";
import { planEvening, type Attendee, type LockedPair, type PairIds } from "../pairs/evening.ts";
import { LINES_FROM } from "../pairs/lines.ts";
import { NOBODY_ELSE, type Pair, type Round } from "../pairs/pairs.ts";
import { GUEST_LEVEL, type Wish } from "../pairs/score.ts";
import type { PairWeights } from "../policy/pair-weights.ts";
import type { School } from "../policy/school.ts";
import { apartOf, fitRung, type Learned, type PlanRung, type Step } from "./fit.ts";
import { floorFor, gearFor, gearTurns, shortages, shortageText, type GearCount } from "./gear.ts";
import { lineUpCheck } from "./line-up.ts";
import { wantsNoCloseTouch } from "./limits.ts";
import { CHILDREN_GAMES } from "./games.ts";
import { rolesIn } from "./roles.ts";
import { inQueues, onePartner, shares, unfair, type Share, type Worked } from "./shares.ts";
import { closeTitle, themeOf, warmUpTitle } from "./theme.ts";
import {
  blockFaults,
  CLOCK,
  changeOn,
  holdsWholeRound,
  packClass,
  partsOf,
  stationFor,
  type Block,
  type Clock,
} from "./timetable.ts";

export interface PlanPerson extends Measured {
  readonly level: number;
  readonly limits: readonly string[];
  /** First round here, from 0, and the round before which the person leaves; null: to the end. */
  readonly from: number;
  readonly until: number | null;
  /** What the log says of them on this ladder; left out or null while too little was seen. */
  readonly learned?: Learned | null;
}

export interface PlanInput {
  readonly minutes: number;
  readonly clock: Clock;
  readonly rungs: readonly PlanRung[];
  readonly people: readonly PlanPerson[];
  /** null: packed again. */
  readonly blocks: readonly Block[] | null;
  readonly weights: PairWeights;
  readonly wishes: readonly Wish[];
  /** Meetings of earlier classes by `a|b`, the smaller id first. */
  readonly met: Readonly<Record<string, number>>;
  readonly gear: GearCount;
  /** Rounds that were run already. */
  readonly done: readonly (readonly PairIds[])[];
  readonly locked: readonly LockedPair[];
  /** The rung to begin with, from 0: where another evening got to. */
  readonly begin?: number;
  /** Partners change in two lines; left out: as is usual for so many people. */
  readonly lines?: boolean | null;
  /** Whom the instructor wants on an easier or a harder rung. */
  readonly steps?: readonly Step[];
}

export interface PlannedPair extends PairIds {
  readonly locked: boolean;
  /** What B answers while A feeds. */
  readonly rung: number;
  /** What A answers while B feeds, where that is another rung and roles change within the round. */
  readonly back?: number;
  readonly verdict: Checked["verdict"];
  /** Distance of the two at the start, m. */
  readonly distance: number;
  /** The same as people measure it; kept plans of earlier versions have none. */
  readonly apart?: string;
  readonly why: readonly string[];
  readonly notes: readonly string[];
}
export interface PlannedRound {
  readonly block: string;
  /** Round within its block, from 0. */
  readonly turn: number;
  readonly side: "left" | "right";
  /** Roles change after so many seconds; as long as the round: only after it. Kept plans of earlier versions have none. */
  readonly change?: number;
  readonly done: boolean;
  readonly pairs: readonly PlannedPair[];
  readonly alone: readonly { readonly id: string; readonly why: string }[];
}
/** A share without maps: plain data for screens and files. */
export interface PlainShare extends Omit<Share, "feeds" | "answers"> {
  readonly feeds: readonly (readonly [string, number])[];
  readonly answers: readonly (readonly [string, number])[];
}
export type ClassPlan =
  | {
      readonly ok: true;
      readonly blocks: readonly Block[];
      /** What is looked at before anybody begins; kept plans of earlier versions have none. */
      readonly check?: string;
      /** Minutes that are not used; negative: too long. */
      readonly left: number;
      readonly rounds: readonly PlannedRound[];
      /** How the lines stand at the start, by id; empty or left out where pairs are called by name. */
      readonly lines?: readonly { readonly stays: readonly string[]; readonly moves: readonly string[] }[];
      readonly shares: readonly PlainShare[];
      /** What is short, not met or unfair, in words. */
      readonly notes: readonly string[];
      /** Floor needed at once, square metres. */
      readonly floor: number;
      /** Repetitions of each in queues in the same minutes of work. */
      readonly queue: number;
    }
  | { readonly ok: false; readonly message: string };

/** Plans a class; yields the share done. Same input, same plan. */
export function* planClass(input: PlanInput, school: School): Generator<number, ClassPlan> {
  const { people, rungs, clock } = input;
  if (people.length === 0) return { ok: false, message: NOBODY };
  const packed = input.blocks ? ({ ok: true, blocks: input.blocks } as const) : packedFrom(input, school);
  if (!packed.ok) return packed;
  const { blocks } = packed;
  const turns = blocks.flatMap((block) =>
    block.rung === null ? [] : Array.from({ length: block.rounds }, (_, turn) => ({ block, turn })),
  );
  const evening = yield* scaled(
    planEvening(people.map(attendee), {
      rounds: turns.length,
      weights: input.weights,
      wishes: input.wishes,
      met: new Map(Object.entries(input.met)),
      done: input.done,
      locked: input.locked,
      lines: input.lines ?? people.length >= LINES_FROM,
      ...togetherness(turns, input),
    }),
    0.5,
  );
  const fitted = new FittedRounds(input, school);
  for (const [r, round] of evening.rounds.entries()) {
    yield 0.5 + r / evening.rounds.length / 2;
    fitted.add(round, turns[r]!);
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
    notes: [
      ...blockFaults(
        blocks,
        input.minutes,
        rungs.map((r) => r.load),
      ),
      ...evening.notes,
      ...fitted.shortIn(blocks),
      ...leftOutTheme(blocks, rungs),
      ...oddHolding(blocks, rungs, clock),
      ...unfair(all, fitted.name),
      ...onePartner(fitted.rounds, people),
      ...supervision(people),
      ...people.filter(({ level }) => level === GUEST_LEVEL).map(guestNote),
    ],
    floor: fitted.floor,
    queue: inQueues((turns.length * clock.round) / 60),
  };
}

/** The blocks of an evening that nobody has laid out yet. */
function packedFrom(input: PlanInput, school: School) {
  const theme = themeOf(input.rungs, school);
  const { minutes, rungs, clock } = input;
  const close = closeTitle(theme);
  return packClass(
    minutes,
    rungs.map((r) => r.title),
    clock,
    {
      warmUp: warmUpTitle(theme),
      ...shapeOf(input),
      close: isForChildren(input) ? `${close}; nobody leaves but with who fetches them` : close,
    },
  );
}

const isForChildren = ({ people }: Pick<PlanInput, "people">): boolean => youngest(people)?.child === true;

/** How the blocks of a class have to be: by what is held, by themes, by age. */
export const shapeOf = (input: Pick<PlanInput, "rungs" | "clock" | "people" | "begin">) => ({
  begin: input.begin ?? 0,
  even: input.rungs.some(({ text }) => holdsWholeRound(rolesIn(text), input.clock)),
  parts: partsOf(input.rungs),
  ...(isForChildren(input) ? { games: CHILDREN_GAMES, drink: "Drink, toilet" } : {}),
});

/** The clock for who is here: shorter rounds for the young. */
export function clockFor(people: PlanInput["people"]): Clock {
  const ages = youngest(people);
  return ages ? { round: ages.round, change: ages.change, rest: ages.rest, explain: ages.explain } : CLOCK;
}

/** A theme for which there are no minutes. */
function leftOutTheme(blocks: readonly Block[], rungs: readonly PlanRung[]): string[] {
  const worked = new Set(blocks.flatMap(({ rung }) => (rung === null ? [] : [rungs[rung]?.theme ?? 0])));
  return partsOf(rungs).length > worked.size && worked.size > 0
    ? ["There are minutes for one of the two themes only. Give more, or leave one out."]
    : [];
}

/** A round as it stands among those of its block. */
interface Turn {
  readonly block: Block;
  readonly turn: number;
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

/** Stands for the instructor where they work along: nobody of the list. */
const INSTRUCTOR = "";

/** The rounds of an evening with a rung fitted to each pair, and what they need and share out. */
class FittedRounds {
  readonly rounds: PlannedRound[] = [];
  /** Floor needed at once, square metres. */
  floor = 0;
  private meetings = 0;
  private readonly worked: Worked[][] = [];
  private readonly needs = new Map<string, GearCount[]>();
  private readonly byId: ReadonlyMap<string, PlanPerson>;
  private readonly known: Parameters<typeof fitRung>[3];

  constructor(
    private readonly input: PlanInput,
    school: School,
  ) {
    this.byId = new Map(input.people.map((p) => [p.id, p]));
    const steps = new Map(input.steps?.map(({ who, by }) => [who, by]));
    this.known = {
      ...{ bodyOf: this.bodyOf, school, stepOf: (id: string) => steps.get(id) ?? 0 },
      learnedOf: (id: string) => this.byId.get(id)?.learned ?? null,
    };
  }

  readonly name = (id: string): string => this.byId.get(id)?.name ?? id;

  private readonly bodyOf = (id: string) => {
    const person = this.byId.get(id)!;
    return { ...measuresOf(person), noCloseTouch: wantsNoCloseTouch(person.limits) };
  };

  add(round: Round, { block, turn }: Turn): void {
    const r = this.rounds.length;
    const { clock } = this.input;
    const roles = rolesIn(this.input.rungs[block.rung!]?.text ?? "");
    // Who holds for a whole round hits from the same side in the next one.
    if (turn % 2 === 0 || block.stations || !holdsWholeRound(roles, clock)) this.meetings++;
    const side = this.meetings % 2 === 1 ? "left" : "right";
    // At a station with pads both have their turn before they go on.
    const change = block.stations ? Math.min(clock.change, clock.round / 2) : changeOn(roles, clock);
    const fits = round.pairs.map((pair, i) => {
      const fit = fitRung(this.input.rungs, stationFor(block, turn, i), pair, this.known);
      // Who holds for the whole round answers in the next one.
      return { pair, ...fit, back: change < clock.round ? fit.back : null };
    });
    this.worked.push(
      fits.map(({ pair, checked, back }) => ({
        ...{ a: pair.a.id, b: pair.b.id, c: pair.c?.id ?? null, checked, side, change },
        ...(back ? { back: back.checked } : {}),
      })),
    );
    const needs = fits.map(({ checked }) => gearFor(checked));
    if (turn === 0) this.needs.set(block.id, needs);
    const turns = gearTurns(needs, this.input.gear, { seconds: clock.round, first: r });
    const said = fits.map((fit, i) => ({ ...fit, notes: [...fit.notes, ...turns[i]!] }));
    this.worked[r]!.push(...this.withInstructor(round, block.rung!, { side, change }));
    const floor = fits.reduce((sum, { checked }) => sum + floorFor(checked), 0);
    this.floor = Math.max(this.floor, floor);
    this.rounds.push(
      plannedRound(round, said, { block: block.id, turn, side, change, done: r < this.input.done.length }),
    );
  }

  /** A private lesson: the instructor is the partner of the one who is here. */
  private withInstructor(round: Round, rung: number, at: Pick<Worked, "side" | "change">): Worked[] {
    if (this.input.people.length > 1) return [];
    return round.alone.map(({ person }) => {
      const pair = { a: person, b: person, c: null, score: 0, noContact: false, locked: false, why: [] };
      const { checked } = fitRung(this.input.rungs, rung, pair, this.known);
      return { a: INSTRUCTOR, b: person.id, c: null, checked, ...at };
    });
  }

  /** What each works in all these rounds. */
  shares() {
    const ids = this.input.people.map((p) => p.id);
    return shares(this.worked, ids, this.input.clock);
  }

  /** Gear that is short: the same lack once, with the block, or how many there are. */
  shortIn(blocks: readonly Block[]): string[] {
    const where = new Map<string, Set<string>>();
    for (const { id, title } of blocks)
      for (const lack of shortages(this.needs.get(id) ?? [], this.input.gear).map(shortageText))
        where.set(lack, (where.get(lack) ?? new Set()).add(title));
    return [...where].map(([lack, titles]) =>
      titles.size === 1 ? `${[...titles].join()}: ${lack}` : `In ${titles.size} blocks: ${lack}`,
    );
  }
}

const attendee = (p: PlanPerson): Attendee => ({
  person: pairPerson(p, p.level, p.limits),
  from: p.from,
  until: p.until,
});

type Fitted = { readonly pair: Pair } & ReturnType<typeof fitRung>;

const plannedRound = (
  round: Round,
  fits: readonly Fitted[],
  at: Pick<PlannedRound, "block" | "turn" | "side" | "change" | "done">,
): PlannedRound => ({
  ...at,
  pairs: fits.map(({ pair, rung, back, checked, notes }) => ({
    a: pair.a.id,
    b: pair.b.id,
    c: pair.c?.id ?? null,
    locked: pair.locked,
    rung,
    ...(back ? { back: back.rung } : {}),
    verdict: checked.verdict,
    distance: Math.round(checked.distance * 100) / 100,
    apart: apartOf(checked),
    why: pair.why,
    notes,
  })),
  alone: round.alone.map(({ person, why }) => ({
    id: person.id,
    why: why === NOBODY_ELSE ? "a private lesson: you are the partner" : why,
  })),
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

const guestNote = ({ name }: PlanPerson): string =>
  `${name} is here for the first time: a round to watch, then the first rung with somebody steady, without contact.`;

/** Minors need somebody grown up in the hall, beside the instructor where there are many. */
const MINORS_EACH = 12;
function supervision(people: readonly PlanPerson[]): string[] {
  const minors = people.filter((p) => p.minor).length;
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
