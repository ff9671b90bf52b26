/**
 * What an instructor says with a rung: two cues and one fault from the data of the move that is new, a line for the
 * feeder, and when to go on. The words stand in `coaching.json`.
 */
import data from "./coaching.json" with { type: "json" };
import type { RowIndex } from "../base/units.ts";
import type { Checked } from "../drill/types.ts";
import { cueOf } from "../exchange/cue.ts";
import type { Blow, CheckedExchange } from "../exchange/types.ts";
import type { MoveUse } from "../read/types.ts";
import { lineText } from "../score/format.ts";
import { linesOf } from "../score/structure.ts";
import type { Row, ScoreBlock, ScoreLine } from "../score/types.ts";
import type { OperatorId } from "../vary/operator-names.ts";

/** The words of a teacher for a rung. */
export interface Coaching {
  /** Rows, from 1, that are new or not as they were; none where the whole drill is done in another way. */
  readonly rows: readonly number[];
  /** Where in the checked score that is which is new; the first row where nothing else is. */
  readonly at: readonly RowIndex[];
  readonly cues: readonly string[];
  /** What to watch for; null where the moves say none. */
  readonly fault: string | null;
  /** How to feed it: where to, how it ends, what to do when no answer comes. */
  readonly feeder: string;
  /** What clean looks like, as one sentence. */
  readonly goOn: string;
}

type FeedClass = keyof typeof data.feeds;
interface Change {
  readonly cues: readonly string[];
  readonly fault: string;
  readonly feeder: string;
  readonly goOn: string;
}
const CHANGES: Readonly<Partial<Record<string, Change>>> = data.changes;
const OTHER_ZONES: Readonly<Partial<Record<string, string>>> = data.zones.other;
const HAND_ZONES: Readonly<Partial<Record<string, string>>> = data.zones.hand;

/** As many cues as anybody hears at once. */
const CUES = 2;

/** What is said with a rung; `before`: the rung under it, null for the first; `operator`: what made it. */
export function coachingOf(now: Checked, before: Checked | null, operator: OperatorId | "rows" | null): Coaching {
  const lines = [...linesOf(now.score.items)];
  const known = new Set(before ? [...linesOf(before.score.items)].map(({ line }) => lineText(line)) : []);
  const fresh = lines.filter(({ line }) => !known.has(lineText(line)));
  const about = fresh[0] ?? lines[0];
  const exchanges = about ? now.exchanges.filter((e) => e.row === about.row) : [];
  const change = CHANGES[changeKey(now, before, operator) ?? ""];
  const moves = newMoves(exchanges, before);
  const cues = [...(change?.cues ?? []), ...moves.flatMap(({ move }) => move.coaching)];
  const main = exchanges.find((e) => e.feed) ?? exchanges[0];
  return {
    rows: before && fresh.length < lines.length ? fresh.map(({ row }) => rowNumber(lines, row)) : [],
    at: (fresh.length > 0 ? fresh : lines.slice(0, 1)).map(({ row }) => row.index),
    cues: [...new Set(cues)].slice(0, CUES),
    fault: change?.fault ?? moves.flatMap(({ move }) => move.faults)[0] ?? null,
    feeder: change?.feeder ?? feederLine(main, about, now),
    goOn: `Go on when ${change?.goOn ?? data.goOn[goalOf(exchanges, about, now, before)]}.`,
  };
}

const rowNumber = (lines: readonly ScoreLine[], row: Row): number => lines.findIndex((one) => one.row === row) + 1;

/** What of a change is coached by itself: what an operator did, a rule, a block that came round the rows. */
function changeKey(now: Checked, before: Checked | null, operator: OperatorId | "rows" | null): string | null {
  const key =
    operator === "rows" ? blockKey(now, before) : operator === "restriction" ? ruleKey(now, before) : operator;
  const felt = now.header.kind === "sensitivity" && key !== null ? `${key} felt` : null;
  return felt !== null && felt in CHANGES ? felt : key;
}

function ruleKey({ header }: Checked, before: Checked | null): string {
  const { B: rules } = header.rules;
  return rules.has(BLIND) && !before?.header.rules.B.has(BLIND) ? BLIND : "restriction";
}
const BLIND = "eyes closed";

/** A choice that came in or grew, or a cycle that came round the rows. */
function blockKey(now: Checked, before: Checked | null): string | null {
  const [choice, earlier] = [blocksOf(now, "choose"), before ? blocksOf(before, "choose") : []];
  const count = (blocks: readonly ScoreBlock[]) => blocks.reduce((sum, { items }) => sum + items.length, 0);
  if (count(choice) > count(earlier))
    return choice.some(({ head }) => head.type === "choose" && head.by === "call") ? "calls" : "feeders-choice";
  const cycle = blocksOf(now, "loop").length > 0 && (!before || blocksOf(before, "loop").length === 0);
  return cycle && now.header.kind === "feeder" ? "keep-going" : null;
}
const blocksOf = ({ score }: Checked, type: "loop" | "choose"): ScoreBlock[] =>
  score.items.flatMap((item) => (item.kind === "block" && item.head.type === type ? [item] : []));

/** What a row asks for that was not there: what answers first, then what goes back, then what is fed. */
function newMoves(exchanges: readonly CheckedExchange[], before: Checked | null): MoveUse[] {
  const had = new Set(before?.exchanges.flatMap((e) => [...answering(e), ...fed(e)]).map(({ move }) => move.id));
  const all = [...exchanges.flatMap(answering), ...exchanges.flatMap(fed)];
  const fresh = all.filter(({ move }) => !had.has(move.id));
  return fresh.length > 0 ? [...fresh, ...all] : all;
}
const answering = (e: CheckedExchange): MoveUse[] => [...e.answer, ...e.beat, ...e.returns.map(({ use }) => use)];
const fed = ({ feed }: CheckedExchange): MoveUse[] => (feed ? [feed] : []);

function classOf({ feed, blow }: CheckedExchange, about: ScoreLine | undefined, { header }: Checked): FeedClass {
  if (header.kind === "solo" || !feed) return "solo";
  if (about?.line.meets) return "meeting";
  const cue = cueOf(feed);
  if (cue === "cycle") return "meeting";
  if (cue) return cue === "pad" || cue === "hold" || cue === "shot" ? cue : "cue";
  if (feed.move.energy || !blow) return "push";
  if (blow.path === "shoot") return "shot";
  if (blow.tool === "blade") return "blade";
  if (blow.weapon) return "weapon";
  return blow.limb === "leg" ? "kick" : "hand";
}

/** How to feed it: where to, with or without a step, how it ends, and what to do when no answer comes. */
function feederLine(main: CheckedExchange | undefined, about: ScoreLine | undefined, now: Checked): string {
  const kind = main ? classOf(main, about, now) : "solo";
  const words = data.feeds[kind];
  const aimed = main?.blow && (kind === "hand" || kind === "kick" || kind === "weapon" || kind === "blade");
  const ends = now.header.contact === "none" ? words.none : words.contact;
  return [...(aimed ? [target(main.blow, kind), distance(main.blow)] : []), ends, words.late]
    .filter((sentence) => sentence !== "")
    .join(" ");
}

function target({ zone }: Blow, kind: FeedClass): string {
  const name = zone.replace(/ (?:left|right)$/, "");
  const word = (kind === "hand" ? HAND_ZONES[name] : undefined) ?? OTHER_ZONES[name];
  return word ? `To ${word}.` : "";
}

/** A step shorter than this is none that one would say, m. */
const A_STEP = 0.12;
const distance = ({ step }: Blow): string => (step >= A_STEP ? "Step in with it." : "You reach without a step.");

function goalOf(
  exchanges: readonly CheckedExchange[],
  about: ScoreLine | undefined,
  now: Checked,
  before: Checked | null,
): keyof typeof data.goOn {
  const main = exchanges.find((e) => e.feed) ?? exchanges[0];
  const kind = main ? classOf(main, about, now) : "solo";
  if (kind === "push" || kind === "hold" || kind === "pad" || kind === "meeting" || kind === "solo" || kind === "cue")
    return kind;
  const back = new Set(before?.exchanges.flatMap((e) => e.returns.map(({ use }) => `${e.feedText}|${use.text}`)));
  return exchanges.some((e) => e.returns.some(({ use }) => !back.has(`${e.feedText}|${use.text}`))) ? "return" : "blow";
}
