/** Which rung of a ladder fits a pair: their level, their bodies, their limits. */
import { check, type Bodies } from "../check/check.ts";
import type { Checked } from "../check/types.ts";
import type { Pair } from "../pairs/pairs.ts";
import type { School } from "../school/school.ts";
import { parse } from "../score/parse.ts";

export interface PlanRung {
  readonly text: string;
  readonly title: string;
  readonly load: number;
}

/** Limits that the plan knows by name; any other is shown on the card as it is written. */
export const LIMITS = ["no head contact", "no contact", "no falls", "no kicks"] as const;

export interface Fit {
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

/**
 * The rung for a pair where the class works on `base`: one easier or harder by level, then down until
 * it holds for the bodies and limits of the two. Where none does, the one for the class, with what is wrong.
 */
export function fitRung(rungs: readonly PlanRung[], base: number, pair: Pair, bodies: Bodies, school: School): Fit {
  const level = levelOf(pair);
  const wanted = base + (level <= EASIER ? -1 : level >= HARDER ? 1 : 0);
  const start = Math.max(0, Math.min(rungs.length - 1, wanted));
  let first: Fit | null = null;
  for (let rung = start; rung >= 0; rung--) {
    const checked = check(parse(rungs[rung]!.text), school, bodies);
    const against = refusals(checked, pair);
    if (against.length === 0) {
      const lower = first ? [`An easier rung: ${first.notes[0]}`] : [];
      return { rung, checked, notes: [...lower, ...asides(checked, pair)] };
    }
    first ??= { rung, checked, notes: against };
  }
  return { ...first!, notes: [...first!.notes, ...asides(first!.checked, pair)] };
}

/** Why a drill does not work for a pair: the geometry of their bodies, or a limit of one of them. */
function refusals({ verdict, findings, exchanges, header }: Checked, pair: Pair): string[] {
  const found: string[] = [];
  const worst = findings.find((f) => f.severity === "error");
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
