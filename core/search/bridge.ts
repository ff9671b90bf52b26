/** The shortest run of moves from the end of one drill to the start of another, by search. */
import type { CheckedExchange, Pose } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import { lineText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import { checkText, validSubset } from "../answers/check-text.ts";
import { headerRows } from "../score/edit.ts";
import { TRADE } from "../trade/trade.ts";

interface Bridge {
  /** Rows between the two drills; empty where the second can start as the first ends. */
  readonly rows: readonly string[];
  readonly text: string;
  readonly checked: Checked;
}
/** Ways from one drill to another, or why there are none. */
export type BridgeResult =
  | {
      readonly ok: true;
      readonly bridges: readonly Bridge[];
      /** What the rows between mend, a sentence each: distance, feet, hands, heads. Empty where nothing has to be mended. */
      readonly why: readonly string[];
    }
  | { readonly ok: false; readonly message: string };

interface BridgeOptions {
  /** Most positions looked at. */
  readonly nodes: number;
  readonly count: number;
  /** Most rows between the two. */
  readonly depth: number;
}
/** The usual effort for a bridge. */
export const BRIDGE_DEFAULTS: BridgeOptions = { nodes: 1200, count: 3, depth: 3 };
/** Positions of one length from which the search goes on: those nearest to the start that is wanted. */
const BEAM = 10;

/** Joins the sound rows of two drills into one that carries on from row to row; yields the share of the search done. */
export function* bridge(
  from: Checked,
  to: Checked,
  school: School,
  options: BridgeOptions = BRIDGE_DEFAULTS,
): Generator<number, BridgeResult> {
  const one = validSubset(from, school);
  const two = validSubset(to, school);
  if (!one || !two)
    return {
      ok: false,
      message: `No row of “${(one ? to : from).header.title ?? "a drill"}” is sound: mend it at the desk first.`,
    };
  const fault = unlike(one, two);
  if (fault) return { ok: false, message: fault };
  const first = playOf(one);
  const second = playOf(two);
  const write = (between: readonly string[]) =>
    `${[
      ...headerRows(one.score, { title: `${one.header.title ?? "Drill"}, then ${two.header.title ?? "the other"}` }),
      "",
      "carry:",
      ...[...first, ...between, ...second].map((row) => `  ${row}`),
      "end",
    ].join("\n")}\n`;
  const start = two.exchanges[0];
  const candidates = ["both", ...one.header.actors].flatMap((actor) => TRADE.waysBack.map((way) => `${actor} ${way}`));
  const bridges: Bridge[] = [];
  let why: string[] = [];
  let nodes = 0;
  let front: string[][] = [[]];
  for (let depth = 0; depth <= options.depth && bridges.length === 0; depth++) {
    const next: { readonly rows: string[]; readonly away: number }[] = [];
    for (const rows of front) {
      if (nodes++ >= options.nodes || bridges.length >= options.count) break;
      yield Math.min(1, nodes / options.nodes);
      const text = write(rows);
      const checked = checkText(text, school);
      const there = checked.exchanges.find((e) => e.row.index >= checked.score.rows.length - second.length - 2);
      if (!start || !there) continue;
      const away = difference(start, there);
      if (rows.length === 0) why = whyNot(start, there);
      if (checked.verdict !== "broken" && away <= SAME_PLACE) bridges.push({ rows, text, checked });
      else next.push({ rows, away });
    }
    next.sort((a, b) => a.away - b.away);
    front = next.slice(0, BEAM).flatMap(({ rows }) => candidates.map((row) => [...rows, row]));
  }
  return bridges.length > 0
    ? { ok: true, bridges, why }
    : {
        ok: false,
        message: `No way was found from the end of “${one.header.title ?? "the first"}” to the start of “${two.header.title ?? "the second"}” in ${options.depth} moves. Put a row that brings both back (both recover, or reset) at the end of the first.`,
      };
}

const playOf = (drill: Checked): string[] => [...linesOf(drill.score.items)].map(({ line }) => lineText(line));

/** Why two drills cannot be done one after the other without a stop; null where they can. */
function unlike(one: Checked, two: Checked): string | null {
  for (const drill of [one, two]) {
    if (drill.score.items.some((item) => item.kind === "block" && item.head.type === "choose"))
      return `“${drill.header.title ?? "A drill"}” has a choice in it: where it ends is not known.`;
  }
  if (one.header.kind !== two.header.kind)
    return `One is a ${one.header.kind} drill, the other a ${two.header.kind} drill: what is known beforehand differs.`;
  const held = (drill: Checked) =>
    drill.header.actors.map((actor) => drill.header.people[actor].holds?.kind ?? "nothing").join(" and ");
  if (held(one) !== held(two))
    return `They hold different things: ${held(one)}, then ${held(two)}. A tool cannot change inside a drill.`;
  return null;
}

/** Bodies that differ by less start the same, m: half of what one step takes; the step of the feed takes up the rest. */
const SAME_PLACE = 0.16;
/** What stands for a thing that no step can mend: the other foot in front, a hand held. m */
const ELSE = 1;

/**
 * How far the bodies are from where the second drill begins by itself, m: distance and heads, and a
 * great deal for the other foot in front. Weight may be anywhere; it is shifted by the next blow.
 */
function difference(alone: CheckedExchange, joined: CheckedExchange): number {
  let sum = Math.abs(apart(alone.before) - apart(joined.before));
  for (const pose of alone.before) {
    const now = joined.before.find((other) => other.actor === pose.actor);
    if (!now) return Infinity;
    if (now.lead !== pose.lead || now.pinned.length !== pose.pinned.length) sum += ELSE;
    sum += Math.hypot(now.head.u, now.head.w);
  }
  return sum;
}

/** What keeps the second drill from starting where the first ends, as an instructor says it. */
function whyNot(alone: CheckedExchange, joined: CheckedExchange): string[] {
  const [now, wanted] = [apart(joined.before), apart(alone.before)];
  const said: string[] = [];
  if (Math.abs(now - wanted) > 0.01)
    said.push(
      `The first ends ${now.toFixed(2)} m apart, the second starts at ${wanted.toFixed(2)} m: ${now > wanted ? "close up" : "make room"}.`,
    );
  for (const pose of alone.before) {
    const here = joined.before.find(({ actor }) => actor === pose.actor);
    if (!here) continue;
    if (here.lead !== pose.lead) said.push(`${pose.actor} has the other foot in front: change feet.`);
    if (here.pinned.length > pose.pinned.length) said.push(`A hand of ${pose.actor} is still held: let go.`);
    if (Math.hypot(here.head.u, here.head.w) > 0.01) said.push(`${pose.actor} is not upright yet: come back to guard.`);
  }
  return said;
}

function apart(poses: readonly Pose[]): number {
  const [a, b] = poses;
  return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
}
