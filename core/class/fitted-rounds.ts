/** The rounds of an evening with a rung fitted to each pair, and what they need and share out. */
import { shownOfAll } from "../drill/shown.ts";
import { type Pair, type Round, NOBODY_ELSE } from "../pairs/pairs.ts";
import { measuresOf } from "../people/measures.ts";
import type { School } from "../policy/school.ts";
import { apartOf, asGiven, fitRung } from "./fit.ts";
import { floorFor, gearFor, gearTurns, shortages, shortageText, type GearCount } from "./gear.ts";
import { wantsNoCloseTouch } from "./limits.ts";
import type { PlanInput, PlannedPair, PlannedRound, PlanPerson, Turn } from "./plan-types.ts";
import { rolesIn } from "./roles.ts";
import { shares, type Worked } from "./shares.ts";
import { changeOn, holdsWholeRound, stationFor, type Block } from "./timetable.ts";

/** Stands for the instructor where they work along: nobody of the list. */
const INSTRUCTOR = "";

/** The rounds of an evening with a rung fitted to each pair, and what they need and share out. */
export class FittedRounds {
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
    private readonly school: School,
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

  /** Somebody who was erased meanwhile has no body any more. */
  private readonly knownBody = (id: string) => (this.byId.has(id) ? this.bodyOf(id) : undefined);

  add(round: Round, { block, turn }: Turn): void {
    const r = this.rounds.length;
    const clock = block.clock ?? this.input.clock;
    const roles = rolesIn(this.input.rungs[block.rung!]?.text ?? "");
    this.meet({ block, turn });
    const side = this.meetings % 2 === 1 ? "left" : "right";
    // At a station with pads both have their turn before they go on.
    const change = block.stations ? Math.min(clock.change, clock.round / 2) : changeOn(roles, clock);
    const all = round.pairs.map((pair, i) => {
      const fit = fitRung(this.input.rungs, stationFor(block, turn, i), pair, this.known);
      // Who holds for the whole round answers in the next one.
      return { pair, ...fit, back: change < clock.round ? fit.back : null };
    });
    // What one of them may not do is nobody's pair.
    const fits = all.filter(({ forbidden }) => forbidden === null);
    const apart = all
      .filter(({ forbidden }) => forbidden !== null)
      .flatMap(({ pair: { a, b, c }, forbidden }) =>
        [a, b, ...(c ? [c] : [])].map((person) => ({ person, why: `no pair here: ${forbidden!}` })),
      );
    this.worked.push(
      fits.map(({ pair, checked, back }) => ({
        ...{ a: pair.a.id, b: pair.b.id, c: pair.c?.id ?? null, checked, side, change, round: clock.round },
        ...(back ? { back: back.checked } : {}),
      })),
    );
    const needs = fits.map(({ checked }) => gearFor(checked));
    if (turn === 0) this.needs.set(block.id, needs);
    const turns = gearTurns(needs, this.input.gear, { seconds: clock.round, first: r });
    const said = fits.map((fit, i) => ({ ...fit, notes: [...fit.notes, ...turns[i]!] }));
    this.worked[r]!.push(...this.withInstructor(round, block.rung!, { side, change, round: clock.round }));
    const floor = fits.reduce((sum, { checked }) => sum + floorFor(checked), 0);
    this.floor = Math.max(this.floor, floor);
    this.rounds.push(
      plannedRound({ ...round, alone: [...round.alone, ...apart] }, said, {
        block: block.id,
        turn,
        side,
        change,
        done: false,
      }),
    );
  }

  /** A round that was run or is under way, as it stands. */
  keep(round: PlannedRound, of: Turn): void {
    const clock = of.block.clock ?? this.input.clock;
    this.meet(of);
    this.rounds.push(round);
    const change = round.change ?? clock.change;
    const checkedOn = ({ a, b }: PlannedPair, rung: number) =>
      asGiven(this.input.rungs[rung]!, { a: this.knownBody(a), b: this.knownBody(b) }, this.school);
    this.worked.push(
      round.pairs
        .filter(({ rung, back }) => this.input.rungs[rung] && this.input.rungs[back ?? rung])
        .map((pair) => ({
          ...{ a: pair.a, b: pair.b, c: pair.c, checked: checkedOn(pair, pair.rung) },
          ...(pair.back === undefined ? {} : { back: checkedOn(pair, pair.back) }),
          ...{ side: round.side, change, round: clock.round },
        })),
    );
  }

  /** Counts how often partners have met: who holds for a whole round hits from the same side in the next one. */
  private meet({ block, turn }: Turn): void {
    const roles = rolesIn(this.input.rungs[block.rung!]?.text ?? "");
    if (turn % 2 === 0 || block.stations || !holdsWholeRound(roles, block.clock ?? this.input.clock)) this.meetings++;
  }

  /** A private lesson: the instructor is the partner of the one who is here. */
  private withInstructor(round: Round, rung: number, at: Pick<Worked, "side" | "change" | "round">): Worked[] {
    if (this.input.people.length > 1) return [];
    return round.alone.map(({ person }) => {
      const pair = { a: person, b: person, c: null, score: 0, noContact: null, locked: false, why: [] };
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

type Fitted = { readonly pair: Pair } & ReturnType<typeof fitRung>;

const plannedRound = (
  round: Round,
  fits: readonly Fitted[],
  at: Pick<PlannedRound, "block" | "turn" | "side" | "change" | "done">,
): PlannedRound => ({
  ...at,
  pairs: fits.map(({ pair, rung, back, checked, notes, stopped }) => ({
    a: pair.a.id,
    b: pair.b.id,
    c: pair.c?.id ?? null,
    locked: pair.locked,
    rung,
    ...(back ? { back: back.rung } : {}),
    ...(stopped ? { form: "stopped short" as const } : {}),
    verdict: shownOfAll(checked),
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
