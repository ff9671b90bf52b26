/** What one line adds to the verdict and the load of its score, whatever stands round it. */
import type { Share } from "../base/units.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { LineResult } from "./walk.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Severity } from "../findings/rules.ts";
import { goesHigh, goesLow, limbKind } from "../exchange/blow.ts";
import type { MoveUse } from "../read/types.ts";
import { needsWeapon } from "../words/vocabulary.ts";
import type { Actor, Line } from "../score/types.ts";

/** The gravest finding that decides a verdict; null where there is none. */
export type Worst = "error" | "risk" | null;

/** The parts that a line adds to the verdict and load of its drill. */
export interface LineShare {
  readonly worst: Worst;
  readonly exchanges: number;
  readonly returns: number;
  /** Beats of its turns beyond the first of each. */
  readonly extraBeats: number;
  /** Exchanges with more than one thing done at a time, or a move of several parts. */
  readonly together: number;
  /** Bits of the answerer's own choices: half of log2 of their number. */
  readonly bits: number;
  readonly footwork: number;
  readonly feints: number;
  /** Pushed with force; pushed all at once. */
  readonly hardPush: boolean;
  readonly suddenPush: boolean;
  readonly fromLeft: boolean;
  readonly fromRight: boolean;
  /** The lowest tempo ceiling of its exchanges above 0, share of full speed; null where none has one. */
  readonly ceiling: Share | null;
  /** The lowest ceiling above which an answer is late; null where time does not matter. */
  readonly lateAbove: Share | null;
  /** What is thrown in it, each kind once: gear and floor depend on it. */
  readonly thrown: readonly Thrown[];
}

/** A blow or shot as gear is asked for it. */
export interface Thrown {
  readonly by: Actor;
  readonly at: Actor;
  readonly limb: "hand" | "leg" | "body";
  readonly zone: "head" | "body" | "leg";
  readonly weapon: boolean;
  /** Whoever is hit by it may go to the floor. */
  readonly fells: boolean;
}

/** What is thrown in an exchange, by either of the two. */
export function thrownIn({ blow, returns, feeder, responder, layers }: CheckedExchange): Thrown[] {
  const found: Thrown[] = [];
  const add = (use: MoveUse, by: Actor, at: Actor) => {
    const { attack, fells = false } = use.move;
    if (attack && !layers.some((layer) => layer.by === "strike" && layer.use === use))
      found.push({
        by,
        at,
        limb: limbKind(use),
        zone: placeOf(use),
        weapon: needsWeapon(use.move),
        fells: fells || attack.path === "shoot",
      });
  };
  if (blow) add(blow.feed.use, feeder, responder);
  for (const { use } of returns) add(use, responder, feeder);
  return found;
}

function placeOf(use: MoveUse): Thrown["zone"] {
  if (goesHigh(use)) return "head";
  return goesLow(use) ? "leg" : "body";
}

/** Returns the graver of two severities. */
export const worseOf = (one: Worst, two: Worst): Worst => (one === "error" || two === "error" ? "error" : (one ?? two));

/** Returns the gravest severity of several findings. */
export function worstOf(findings: readonly FindingDraft[]): Worst {
  let worst: Worst = null;
  for (const { severity } of findings) {
    if (severity === "error") return "error";
    if (severity === "risk") worst = "risk";
  }
  return worst;
}

/** How grave it is that a line is done at a tempo (share of full speed), where lateness counts as `severity`. */
export function lateIn({ lateAbove }: LineShare, tempo: Share, severity: Severity | "off"): Worst {
  if (lateAbove === null || lateAbove >= tempo) return null;
  return severity === "error" || severity === "risk" ? severity : null;
}

/** The share of a line from its walk. */
export function shareOf({ exchanges, findings }: LineResult, line: Line): LineShare {
  let worst = worstOf(findings);
  let returns = 0;
  let together = 0;
  let footwork = 0;
  let feints = 0;
  let hardPush = false;
  let suddenPush = false;
  let fromLeft = false;
  let fromRight = false;
  let ceiling: Share | null = null;
  let lateAbove: Share | null = null;
  const thrown = new Map<string, Thrown>();
  for (const e of exchanges) {
    if (e.findings.length > 0) worst = worseOf(worst, worstOf(e.findings));
    returns += e.returns.length;
    if (e.layers.length > 1 || e.answer.length > 1 || e.answer.some(({ move }) => move.parts)) together++;
    for (const use of e.answer) if (use.move.group === "footwork") footwork++;
    if (e.feed?.feint) feints++;
    if (e.feed?.move.energy) {
      if (e.feed.commitment === "committed") hardPush = true;
      if (e.feed.length < 1) suddenPush = true;
    }
    if (e.blow?.incoming === "left") fromLeft = true;
    if (e.blow?.incoming === "right") fromRight = true;
    if (e.ceiling !== null && e.ceiling > 0) ceiling = lower(ceiling, e.ceiling);
    if (e.ceiling !== null && e.times !== null && e.feed) lateAbove = lower(lateAbove, e.ceiling);
    for (const one of thrownIn(e)) thrown.set(`${one.by}${one.at}${one.limb}${one.zone}${one.weapon}${one.fells}`, one);
  }
  return {
    worst,
    exchanges: exchanges.length,
    returns,
    extraBeats: extraBeats(line),
    together,
    bits: alternativeBits(exchanges, line),
    footwork,
    feints,
    hardPush,
    suddenPush,
    fromLeft,
    fromRight,
    ceiling,
    lateAbove,
    thrown: [...thrown.values()],
  };
}

const lower = (least: Share | null, next: Share): Share => (least !== null && least < next ? least : next);

function extraBeats({ turns }: Line): number {
  let beats = 0;
  for (const turn of turns) beats += Math.max(0, (turn.alternatives[0]?.beats.length ?? 1) - 1);
  return beats;
}

/** Alternatives of an answer are the responder's own choice: half a bit each. */
function alternativeBits(exchanges: readonly CheckedExchange[], { anyOrder }: Line): number {
  if (exchanges.length < 2) return 0;
  const answers = new Map<string, Set<string>>();
  for (const e of exchanges) {
    // Numbers in any order are the feeder's choice: each has its own answer.
    const at = anyOrder ? `${e.from} ${e.feedText}` : `${e.from}`;
    const set = answers.get(at) ?? new Set();
    answers.set(at, set.add(e.answer.map((a) => a.text).join("+")));
  }
  let bits = 0;
  for (const set of answers.values()) if (set.size > 1) bits += Math.log2(set.size) / 2;
  return bits;
}
