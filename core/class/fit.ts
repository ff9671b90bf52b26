/** Which rung of a ladder fits a pair: their level, their bodies, their limits. */
import { assess } from "../policy/assess.ts";
import { checkFor } from "../policy/judge.ts";
import { type Bodies } from "../drill/check.ts";
import type { Checked } from "../drill/types.ts";
import type { Pair } from "../pairs/pairs.ts";
import type { School } from "../policy/school.ts";
import { GUEST_LEVEL, type Person } from "../pairs/score.ts";
import { apartInWords } from "./apart.ts";
import { contactFree, stoppedShort } from "./contact-free.ts";
import { limitsAgainst, wantsNoCloseTouch, withoutContactLimit } from "./limits.ts";
import { listed } from "../vary/change-words.ts";
import { rolesIn } from "./roles.ts";
import { CONTACTS } from "../score/header.ts";
import { parse } from "../score/parse.ts";
import type { Score } from "../score/types.ts";
import { stepFor, type PlanRung } from "./plan-rung.ts";

/** Somebody calls what comes, for the whole room. */
const isForAll = (text: string): boolean => /^\s*choose\s+call\s*:/im.test(text);

/** A rung for some of the roles that people of a pair come to have. */
interface Fit {
  /** Place of the rung on the ladder, from 0. */
  readonly rung: number;
  readonly checked: Checked;
  /** What the instructor should know, in words. */
  readonly notes: readonly string[];
  /** Its rows are stopped short of the partner. */
  readonly stopped: boolean;
  /** Why they may do none of the rungs; null: this one. */
  readonly forbidden: string | null;
}

/** The rungs of a pair: who answers has their own. */
interface PairFit extends Fit {
  /** What the first answers while the second feeds; null where it is the same. */
  readonly back: Pick<Fit, "rung" | "checked"> | null;
}

/** Level of a pair: that of its weaker one. */
export const levelOf = ({ a, b, c }: Pair): number => Math.min(a.level, b.level, c?.level ?? Infinity);

/** The distance at the start in words. */
export const apartOf = ({ distance, header: { people, kind } }: Checked): string =>
  kind === "sensitivity" ? IN_CONTACT : apartInWords(distance, people.A, people.B);

const IN_CONTACT = "in contact from the start";

/** What the log says of somebody on a ladder. */
export interface Learned {
  /** The chance of a clean answer on each rung, and the one that is wanted. */
  readonly chances: readonly number[];
  readonly target: number;
  /** Why, in a sentence. */
  readonly why: string;
}

/** Whom the instructor wants on an easier rung than is suggested, or on a harder one. */
export interface Step {
  readonly who: string;
  readonly by: -1 | 1;
}

interface KnownOf {
  /** Measures of a person by id; nothing where none were taken. */
  readonly bodyOf: (id: string) => NonNullable<Bodies["A"]>;
  readonly school: School;
  /** Null while too little of them was seen: then their level says it. */
  readonly learnedOf?: (id: string) => Learned | null;
  /** What the instructor says otherwise of somebody. */
  readonly stepOf?: (id: string) => Step["by"] | 0;
}

/**
 * The rungs for a pair where the class works on `base`. Who answers has the rung of their own level, safety and tempo
 * are those of the weaker; three, and two who do the same, work on the rung of the weakest. Then down until it holds
 * for the bodies and limits of all of them; where none does, the one for the class, with what is wrong.
 */
export function fitRung(rungs: readonly PlanRung[], base: number, pair: Pair, known: KnownOf): PairFit {
  const all = seatings(pair);
  const fits = (seats: readonly Seats[], level: number) => {
    // Who answers alone has what the log says of them; of several the level of the weakest decides.
    const own = seats.length === 1 ? (known.learnedOf?.(seats[0]![1].id) ?? null) : null;
    return fitSeats(rungs, base, { pair, seats, level, own, ...known });
  };
  if (pair.c || !rolesIn(rungs[base]?.text ?? "").fed) return { ...fits(all, levelOf(pair)), back: null };
  const [first, second] = [fits([all[0]!], pair.b.level), fits([all[1]!], pair.a.level)];
  // What holds for one of the two answers holds for the pair.
  const both = { forbidden: first.forbidden ?? second.forbidden, stopped: first.stopped || second.stopped };
  return first.rung === second.rung
    ? { ...first, ...both, notes: oneRung(pair, first, second), back: null }
    : { ...first, ...both, notes: twoRungs(pair, first, second), back: second };
}

/** What is said where both answer the same. */
function oneRung({ a }: Pair, first: Fit, second: Fit): string[] {
  const apart = apartOf(second.checked);
  return [
    ...new Set([
      ...first.notes,
      ...second.notes,
      ...(apart === apartOf(first.checked) ? [] : [`When ${a.name} answers: ${apart}.`]),
    ]),
  ];
}

/** What is said where each answers something of their own: the pace and the contact of the easier one hold for both. */
function twoRungs({ a, b }: Pair, first: Fit, second: Fit): string[] {
  const [easy, hard] = first.rung < second.rung ? [first, second] : [second, first];
  const [slow, fast] = [easy.checked.header, hard.checked.header];
  const who = hard === first ? b.name : a.name;
  return [
    ...new Set([...first.notes, ...second.notes]),
    ...(fast.tempo > slow.tempo ? [`Both at ${Math.round(slow.tempo * 100)}% of full speed, ${who} too.`] : []),
    ...(CONTACTS.indexOf(fast.contact) > CONTACTS.indexOf(slow.contact)
      ? [`Contact for both: ${slow.contact === "none" ? "none, stop short" : slow.contact}.`]
      : []),
  ];
}

/** Where somebody of a level works while the class is at `base`; a guest at the very first. */
const placeFor = (level: number, base: number): number => (level === GUEST_LEVEL ? 0 : base + stepFor(level));

/** One easier, the same or one harder: the one whose chance is nearest to what is wanted, else by level. */
function wantedFor({ level, own }: Pick<SeatsOfPair, "level" | "own">, base: number): number {
  if (!own || level === GUEST_LEVEL) return placeFor(level, base);
  const off = (rung: number) => Math.abs((own.chances[rung] ?? Infinity) - own.target);
  return [base, base - 1, base + 1].reduce((best, rung) => (off(rung) < off(best) ? rung : best));
}

interface SeatsOfPair extends KnownOf {
  readonly pair: Pair;
  readonly seats: readonly Seats[];
  readonly level: number;
  readonly own: Learned | null;
}

function fitSeats(rungs: readonly PlanRung[], base: number, of: SeatsOfPair): Fit {
  // What is called is heard by all: nobody works on a rung with other calls.
  const called = isForAll(rungs[base]?.text ?? "");
  const step = called ? 0 : stepOn(of);
  const wanted = called ? base : wantedFor(of, base) + step;
  const same = [...rungs.keys()].filter(
    (i) => (rungs[i]!.theme ?? 0) === (rungs[base]?.theme ?? 0) && rungs[i]!.past === rungs[base]?.past,
  );
  const [least, most] = [same[0] ?? 0, same[same.length - 1] ?? 0];
  const start = Math.max(least, Math.min(most, wanted));
  let first: Fit | null = null;
  let allowed: Fit | null = null;
  for (let rung = start; rung >= least; rung--) {
    // Two do not work on what is written for three, where there is anything else.
    if (!of.pair.c && rolesIn(rungs[rung]!.text).people === 3) continue;
    const fit = onRung(rungs[rung]!, of);
    if (fit.against.length + fit.barred.length === 0) {
      const calls = called ? ["The calls are not for them: their feeder picks."] : [];
      const lower = first ? [`An easier rung: ${first.notes[0]}`, ...calls] : [];
      const learned = of.own && rung !== base ? [`${of.seats[0]![1].name}: ${of.own.why}.`] : [];
      const said = step === 0 ? [] : [saidOtherwise(of, step)];
      const notes = [...lower, ...fit.notes, ...(step === 0 ? learned : said)];
      return { rung, checked: fit.checked, stopped: fit.stopped, forbidden: null, notes };
    }
    const { checked, stopped } = fit;
    const here = { rung, checked, stopped, notes: [...fit.barred, ...fit.against, ...fit.notes] };
    first ??= { ...here, forbidden: fit.barred[0] ?? null };
    // Bodies that do not quite fit are for the instructor to see to; a limit is for nobody to pass over.
    if (fit.barred.length === 0) allowed ??= { ...here, forbidden: null };
  }
  if (allowed ?? first) return (allowed ?? first)!;
  const { checked, notes, stopped, barred } = onRung(rungs[start]!, of);
  const forThree = ["This is for three. The two of you do the rows of A and B.", ...notes];
  return { rung: start, checked, stopped, forbidden: barred[0] ?? null, notes: forThree };
}

/** Who answers alone is asked about; of several one who needs it easier decides, and harder is it for all or nobody. */
function stepOn({ pair, seats, stepOf }: SeatsOfPair): Step["by"] | 0 {
  if (!stepOf) return 0;
  const steps = (seats.length === 1 ? [seats[0]![1]] : membersOf(pair)).map(({ id }) => stepOf(id));
  if (steps.includes(-1)) return -1;
  return steps.every((one) => one === 1) ? 1 : 0;
}

const saidOtherwise = ({ pair, seats }: SeatsOfPair, step: Step["by"]): string =>
  `${seats.length === 1 ? seats[0]![1].name : listed(membersOf(pair).map(({ name }) => name))}: ${step < 0 ? "easier" : "harder"}, as you said.`;

/** A rung as it was given to a pair, for their bodies: what was run is looked at, never fitted again. */
export const asGiven = (
  rung: PlanRung,
  { a, b }: { readonly a: Bodies["A"] | undefined; readonly b: Bodies["A"] | undefined },
  school: School,
): Checked => checkFor(scoreOf(rung), school, { ...(a ? { A: a } : {}), ...(b ? { B: b } : {}) });

/** Rungs as they were read: the same few are asked for by every pair. */
const scores = new WeakMap<PlanRung, Score>();
function scoreOf(rung: PlanRung): Score {
  const known = scores.get(rung) ?? parse(rung.text);
  scores.set(rung, known);
  return known;
}

/** Who feeds, who answers, and the third. */
type Seats = readonly [Person, Person, Person | null];

/** Every order in which the people of a pair or trio come to feed and to answer; the one they begin with first. */
function seatings({ a, b, c }: Pair): Seats[] {
  if (!c)
    return [
      [a, b, null],
      [b, a, null],
    ];
  const three = [a, b, c] as const;
  return three.flatMap((one) =>
    three.filter((two) => two !== one).map((two) => [one, two, three.find((p) => p !== one && p !== two)!] as const),
  );
}

function onRung(rung: PlanRung, { pair, seats, bodyOf, school }: SeatsOfPair) {
  const free = pair.noContact === null ? null : contactFree(checkFor(scoreOf(rung), school));
  const stopped = free?.kind === "stopped short";
  const score = stopped ? parse(stoppedShort(rung.text)) : scoreOf(rung);
  const bodies = ([one, two, three]: Seats): Bodies => ({
    A: bodyOf(one.id),
    B: bodyOf(two.id),
    ...(three ? { C: bodyOf(three.id) } : {}),
  });
  const [begin, ...later] = seats;
  const checked = checkFor(score, school, bodies(begin!));
  const against = brokenFor(checked);
  const barred =
    pair.noContact !== null && free === null
      ? [`${pair.noContact}, and this is all contact.`]
      : limitsOf(checked, pair);
  const notes = asides(checked, pair);
  const apart = apartOf(checked);
  for (const others of later) {
    const name = others[0].name;
    const other = assess(score, school, bodies(others));
    const worst =
      other.verdict === "broken" &&
      checked.verdict !== "broken" &&
      checkFor(score, school, bodies(others)).findings.find(isError);
    if (worst) against.push(`When ${name} feeds ${others[1].name}: ${worst.message}`);
    const { kind, people } = checked.header;
    const of = bodies(others);
    const swapped = { A: { ...people.A, ...of.A }, B: { ...people.B, ...of.B } };
    const theirs = kind === "sensitivity" ? IN_CONTACT : apartInWords(other.distance, swapped.A, swapped.B);
    if (!worst && !pair.c && theirs !== apart) notes.push(`When ${name} begins: ${theirs}.`);
  }
  // Who begins is said where it is not the first of the pair.
  const whose = begin![0] === pair.a ? "" : `When ${begin![0].name} feeds ${begin![1].name}: `;
  return {
    ...{ checked, barred, notes, stopped },
    against: against.map((text, i) => (i === 0 && isBroken(checked) ? whose + text : text)),
  };
}

const isError = (f: { readonly severity: string }): boolean => f.severity === "error";
const isBroken = ({ verdict }: Checked): boolean => verdict === "broken";

/** Why a drill does not work for the bodies of a pair. */
function brokenFor(checked: Checked): string[] {
  const worst = isBroken(checked) ? checked.findings.find(isError) : undefined;
  return worst ? [worst.message] : [];
}

/** Why a drill is none for a pair, by the limits of one of them; without contact it is done in another form already. */
const limitsOf = (checked: Checked, pair: Pair): string[] =>
  membersOf(pair).flatMap(({ name, limits }) =>
    limitsAgainst(pair.noContact === null ? limits : withoutContactLimit(limits), checked).map(
      (said) => `${name}: ${said}`,
    ),
  );

const membersOf = ({ a, b, c }: Pair): readonly Person[] => (c ? [a, b, c] : [a, b]);

/** What is no reason for another rung but is said on the card. */
function asides({ header, findings }: Checked, pair: Pair): string[] {
  const notes: string[] = [];
  if (pair.noContact !== null) notes.push(`Without contact: ${pair.noContact}.`);
  if ([pair.a, pair.b].some((p) => p.age === "minor") && (header.contact === "medium" || header.contact === "full"))
    notes.push("A minor: touch only.");
  // Roles change: it holds for whoever of them asks for it.
  const asked = membersOf(pair).filter(({ age, limits }) => age === "minor" || wantsNoCloseTouch(limits));
  for (const { rule, message } of findings)
    if (rule === "close-touch")
      notes.push(message.replace(/^For [ABC]/, `For ${listed(asked.map(({ name }) => name))}`));
  for (const p of membersOf(pair))
    if (p.height === null) notes.push(`The height of ${p.name} is not known: checked for 175 cm.`);
  return notes;
}
