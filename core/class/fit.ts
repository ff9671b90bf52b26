/** Which rung of a ladder fits a pair: their level, their bodies, their limits. */
import { assess } from "../policy/assess.ts";
import { checkFor } from "../policy/judge.ts";
import { type Bodies } from "../drill/check.ts";
import type { Checked } from "../drill/types.ts";
import type { Pair } from "../pairs/pairs.ts";
import type { School } from "../policy/school.ts";
import type { Person } from "../pairs/score.ts";
import { rolesIn } from "./roles.ts";
import { parse } from "../score/parse.ts";
import type { Score } from "../score/types.ts";

export interface PlanRung {
  readonly text: string;
  readonly title: string;
  readonly load: number;
  /** Which of two themes of an evening it belongs to. */
  readonly theme?: 0 | 1;
}

/** Limits that the plan knows by name; any other is shown on the card as it is written. */
export const LIMITS = ["no head contact", "no contact", "no falls", "no kicks"] as const;

/** Somebody calls what comes, for the whole room. */
const isForAll = (text: string): boolean => /^\s*choose\s+call\s*:/im.test(text);

interface Fit {
  /** Place of the rung on the ladder, from 0. */
  readonly rung: number;
  readonly checked: Checked;
  /** What the instructor should know, in words. */
  readonly notes: readonly string[];
}

/** Levels at which a pair takes an easier or a harder rung than the class; the weaker of the two decides. */
const EASIER = 2;
const HARDER = 4;

/** Level of a pair: that of its weaker one. */
export const levelOf = ({ a, b, c }: Pair): number => Math.min(a.level, b.level, c?.level ?? Infinity);

/** Measures of a person by id; nothing where none were taken. */
type BodyOf = (id: string) => NonNullable<Bodies["A"]>;

/**
 * The rung for a pair where the class works on `base`: one easier or harder by level, then down until
 * it holds for the bodies and limits of all of them, whoever feeds. Where none does, the one for the
 * class, with what is wrong.
 */
export function fitRung(rungs: readonly PlanRung[], base: number, pair: Pair, bodyOf: BodyOf, school: School): Fit {
  const level = levelOf(pair);
  // What is called is heard by all: nobody works on a rung with other calls.
  const called = isForAll(rungs[base]?.text ?? "");
  const wanted = called ? base : base + (level <= EASIER ? -1 : level >= HARDER ? 1 : 0);
  const same = [...rungs.keys()].filter((i) => (rungs[i]!.theme ?? 0) === (rungs[base]?.theme ?? 0));
  const [least, most] = [same[0] ?? 0, same[same.length - 1] ?? 0];
  const start = Math.max(least, Math.min(most, wanted));
  let first: Fit | null = null;
  for (let rung = start; rung >= least; rung--) {
    // Two do not work on what is written for three, where there is anything else.
    if (!pair.c && rolesIn(rungs[rung]!.text).people === 3) continue;
    const fit = onRung(rungs[rung]!, pair, bodyOf, school);
    if (fit.against.length === 0) {
      const calls = called ? ["The calls are not for them: their feeder picks."] : [];
      const lower = first ? [`An easier rung: ${first.notes[0]}`, ...calls] : [];
      return { rung, checked: fit.checked, notes: [...lower, ...fit.notes] };
    }
    first ??= { rung, checked: fit.checked, notes: [...fit.against, ...fit.notes] };
  }
  if (first) return first;
  const { checked, notes } = onRung(rungs[start]!, pair, bodyOf, school);
  return { rung: start, checked, notes: ["This is for three. The two of you do the rows of A and B.", ...notes] };
}

/** Rungs as they were read: the same few are asked for by every pair. */
const scores = new WeakMap<PlanRung, Score>();
function scoreOf(rung: PlanRung): Score {
  const known = scores.get(rung) ?? parse(rung.text);
  scores.set(rung, known);
  return known;
}

/** Every order in which the people of a pair or trio come to feed and to answer; the one they begin with first. */
function seatings({ a, b, c }: Pair): (readonly [Person, Person, Person | null])[] {
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

/** Distances that differ by less need not be said, m. */
const SAME_DISTANCE = 0.05;

function onRung(rung: PlanRung, pair: Pair, bodyOf: BodyOf, school: School) {
  const score = scoreOf(rung);
  const bodies = ([one, two, three]: readonly [Person, Person, Person | null]): Bodies => ({
    A: bodyOf(one.id),
    B: bodyOf(two.id),
    ...(three ? { C: bodyOf(three.id) } : {}),
  });
  const [begin, ...later] = seatings(pair);
  const checked = checkFor(score, school, bodies(begin!));
  const against = refusals(checked, pair);
  const notes = asides(checked, pair);
  for (const seats of later) {
    const name = seats[0].name;
    const other = assess(score, school, bodies(seats));
    const worst =
      other.verdict === "broken" &&
      checked.verdict !== "broken" &&
      checkFor(score, school, bodies(seats)).findings.find(isError);
    if (worst) against.push(`When ${name} feeds ${seats[1].name}: ${worst.message}`);
    else if (!pair.c && Math.abs(other.distance - checked.distance) >= SAME_DISTANCE)
      notes.push(`When ${name} feeds they stand ${other.distance.toFixed(2)} m apart.`);
  }
  return { checked, against, notes };
}

const isError = (f: { readonly severity: string }): boolean => f.severity === "error";

/** Why a drill does not work for a pair: the geometry of their bodies, or a limit of one of them. */
function refusals({ verdict, findings, exchanges, header }: Checked, pair: Pair): string[] {
  const found: string[] = [];
  const worst = findings.find(isError);
  if (verdict === "broken" && worst) found.push(worst.message);
  const contact = header.contact !== "none";
  for (const person of [pair.a, pair.b, ...(pair.c ? [pair.c] : [])]) {
    const limit = (word: (typeof LIMITS)[number]) => person.limits.some((l) => l.toLowerCase().includes(word));
    const say = (what: string) => found.push(`${person.name}: ${what}`);
    if (limit("no falls") && exchanges.some((e) => e.blow?.path === "shoot"))
      say("no falls, and this goes to the ground");
    if (limit("no kicks") && exchanges.some((e) => e.blow?.limb === "leg")) say("no kicks");
    if (limit("no contact") && contact) say("no contact");
    if (limit("no head contact") && contact && exchanges.some((e) => e.blow?.zone === "head"))
      say("no contact to the head");
  }
  return found;
}

/** What is no reason for another rung but is said on the card. */
function asides({ header }: Checked, pair: Pair): string[] {
  const notes: string[] = [];
  if (pair.noContact && header.contact !== "none") notes.push("Without contact: the weight gap is too large.");
  if ([pair.a, pair.b].some((p) => p.minor) && (header.contact === "medium" || header.contact === "full"))
    notes.push("A minor: touch only.");
  for (const p of [pair.a, pair.b, ...(pair.c ? [pair.c] : [])])
    if (p.height === null) notes.push(`The height of ${p.name} is not known: checked for 175 cm.`);
  return notes;
}
