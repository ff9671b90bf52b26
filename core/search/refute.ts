/**
 * Plays the feeder who wants to break a drill: after each exchange they do what their free limbs can,
 * and the best answers that are in time are tried, a few plies deep. The shortest line that lands is
 * the refutation, and the counter to train.
 */
import { lineNumber, millis, type LineNumber, type Share } from "../base/units.ts";
import { TRADE, withOwn } from "../trade/trade.ts";
import { checkFor } from "../policy/judge.ts";
import { rankAnswers } from "../answers/answers.ts";
import { contextOf } from "../score/edit.ts";
import { ceilingOf, contactTime, movementTime, reactionTime } from "../exchange/time.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { seeded, type Random } from "../random/random.ts";
import { parse } from "../score/parse.ts";

interface RefuteOptions {
  /** How many actions of the feeder in a row are tried after an exchange. */
  readonly plies: number;
  /** Most positions looked at. */
  readonly nodes: number;
  /** Decides among actions of equal threat; the same seed gives the same search. */
  readonly seed: number;
  /** Asked between positions; true ends the search with what is known so far. */
  readonly cancelled?: () => boolean;
}
export const REFUTE_DEFAULTS: RefuteOptions = { plies: 3, nodes: 4000, seed: 1 };

export type Refutation =
  | { readonly kind: "holds"; readonly plies: number; readonly nodes: number }
  | {
      readonly kind: "refuted";
      /** Row of the exchange it starts from, from 1. */
      readonly row: LineNumber;
      /** The line that lands, as notation. */
      readonly line: string;
      /** What lands at its end. */
      readonly lands: string;
      readonly plies: number;
      readonly reason: string;
      /** Another first answer after which the same line no longer lands, or null. */
      readonly repair: string | null;
      readonly nodes: number;
    }
  | { readonly kind: "stopped"; readonly plies: number; readonly nodes: number; readonly why: "nodes" | "cancelled" }
  | { readonly kind: "nothing"; readonly reason: string };

/** A played line: what was fed and what answered it, beat for beat. */
interface Played {
  readonly feeder: string;
  readonly responder: string;
  readonly feeds: readonly string[];
  readonly answers: readonly string[];
}

class Search {
  nodes = 0;
  private readonly chance: Random;
  /** Answers tried against an action of the feeder. */
  private readonly defences: readonly string[];
  constructor(
    private readonly context: readonly string[],
    private readonly tempo: Share,
    private readonly school: School,
    private readonly options: RefuteOptions,
  ) {
    this.chance = seeded(options.seed);
    this.defences = withOwn(TRADE.defences, school.vocabulary);
  }

  get stopped(): "nodes" | "cancelled" | null {
    if (this.options.cancelled?.()) return "cancelled";
    return this.nodes >= this.options.nodes ? "nodes" : null;
  }

  lineOf({ feeder, responder, feeds, answers }: Played): string {
    return `${feeder} ${feeds.join(", ")} -> ${responder} ${answers.join(", ")}`;
  }

  /** The last exchange of a played line. */
  look(played: Played): CheckedExchange | null {
    this.nodes++;
    const { exchanges } = checkFor(parse([...this.context, this.lineOf(played)].join("\n")), this.school);
    return exchanges[played.feeds.length - 1] ?? null;
  }

  /** What the feeder's free limbs can do now, greatest threat first. */
  actions(exchange: CheckedExchange): string[] {
    return exchange.followUps
      .filter((next) => next.state === "open")
      .map((next) => ({ text: next.move, order: next.threat + this.chance() * 1e-6 }))
      .sort((a, b) => b.order - a.order)
      .map((next) => next.text);
  }

  /** Positions after a ply: every action of the feeder with its best answer in time; or what landed. */
  expand(
    played: Played,
    exchange: CheckedExchange,
  ): {
    next: { played: Played; exchange: CheckedExchange }[];
    landed: { played: Played; move: string; why: string } | null;
  } {
    const next: { played: Played; exchange: CheckedExchange }[] = [];
    const actions = this.actions(exchange);
    for (const action of actions) {
      if (this.stopped) break;
      const fed = { ...played, feeds: [...played.feeds, action] };
      const answered = this.answer(fed, actions.length);
      if (answered.kind === "met") next.push(answered);
      else if (answered.kind === "landed")
        return {
          next,
          landed: { played: { ...fed, answers: [...played.answers, answered.tried] }, move: action, why: answered.why },
        };
    }
    return { next, landed: null };
  }

  private answer(
    fed: Played,
    choices: number,
  ):
    | { kind: "met"; played: Played; exchange: CheckedExchange }
    | { kind: "landed"; tried: string; why: string }
    | { kind: "short" } {
    let nearest: { tried: string; why: string } | null = null;
    for (const text of this.defences) {
      if (this.stopped) return { kind: "short" };
      const played = { ...fed, answers: [...fed.answers, text] };
      const exchange = this.look(played);
      if (!exchange) continue;
      // A blow that does not reach is no threat.
      if (
        exchange.findings.some((f) => f.rule === "out-of-reach" || f.rule === "too-close" || f.rule === "limb-pinned")
      )
        return { kind: "short" };
      if (exchange.verdict !== "valid" && exchange.verdict !== "risky") continue;
      const ceiling = unannounced(exchange, choices);
      if (ceiling >= this.tempo) return { kind: "met", played, exchange };
      nearest ??= {
        tried: text,
        why: `no answer is in time at ${Math.round(this.tempo * 100)} %: ${text} could be up to ${Math.round(ceiling * 100)} %`,
      };
    }
    return {
      kind: "landed",
      ...(nearest ?? { tried: this.defences[0]!, why: "nothing that the body can do from here meets it" }),
    };
  }
}

/** Tempo up to which an answer is in time when one of several things may come and none is announced. */
function unannounced({ blow, layers }: CheckedExchange, choices: number): number {
  if (!blow) return 0;
  const working = layers.filter((layer) => layer.fails === null);
  const movement = millis(Math.min(...working.map((layer) => movementTime([layer]))));
  return ceilingOf(contactTime(blow.feed, blow, 1), movement, reactionTime({ sense: "sight", choices, rhythm: false }));
}

/** Searches a checked drill for the shortest line that lands, exchange by exchange, ply by ply. */
export function refute(checked: Checked, school: School, options: RefuteOptions = REFUTE_DEFAULTS): Refutation {
  const context = contextOf(checked.score);
  const search = new Search(context, checked.header.tempo, school, options);
  const starts = startsOf(checked, search);
  if (starts.length === 0)
    return { kind: "nothing", reason: "There is no blow with a valid answer here to go on from." };
  let front = starts;
  for (let ply = 1; ply <= options.plies; ply++) {
    const reached: typeof front = [];
    for (const position of front) {
      const why = search.stopped;
      if (why) return { kind: "stopped", plies: ply - 1, nodes: search.nodes, why };
      const { next, landed } = search.expand(position.played, position.exchange);
      if (landed) {
        const line = format(parse(search.lineOf(landed.played))).trim();
        return {
          kind: "refuted",
          row: position.row,
          line,
          lands: landed.move,
          plies: ply,
          reason: landed.why,
          repair: repairFor(position, search, context, school),
          nodes: search.nodes,
        };
      }
      // Known positions with the same bodies and hands differ only in how they came about.
      for (const n of next) reached.push({ ...n, row: position.row, first: position.first });
    }
    front = reached;
  }
  return { kind: "holds", plies: options.plies, nodes: search.nodes };
}

interface Position {
  readonly played: Played;
  readonly exchange: CheckedExchange;
  readonly row: LineNumber;
  /** The exchange of the drill it started from. */
  readonly first: Played;
}

/** The exchanges of the drill that work, each as a line of its own; equal ones once. */
function startsOf(checked: Checked, search: Search): Position[] {
  const seen = new Set<string>();
  const found: Position[] = [];
  for (const e of checked.exchanges) {
    if (
      !e.feed?.move.attack ||
      e.answer.length === 0 ||
      (e.verdict !== "valid" && e.verdict !== "risky") ||
      e.layers.some((l) => l.by === "meet")
    )
      continue;
    const played: Played = {
      feeder: e.feeder,
      responder: e.responder,
      feeds: [e.feed.text],
      answers: [e.answerText],
    };
    const line = search.lineOf(played);
    if (seen.has(line)) continue;
    seen.add(line);
    const exchange = search.look(played);
    if (exchange && exchange.verdict !== "invalid")
      found.push({ played, exchange, row: lineNumber(e.row.index), first: played });
  }
  return found;
}

/** Other answers tried as a repair. */
const REPAIRS = 6;

/** The best other answer to the first feed after which one ply no longer lands. */
function repairFor({ first }: Position, search: Search, context: readonly string[], school: School): string | null {
  const others = rankAnswers(context, `${first.feeder} ${first.feeds[0]}`, school).filter(
    (a) => a.exchange.verdict === "valid" && a.text !== first.answers[0],
  );
  for (const { text } of others.slice(0, REPAIRS)) {
    const played = { ...first, answers: [text] };
    const exchange = search.look(played);
    if (exchange && !search.expand(played, exchange).landed) return text;
  }
  return null;
}
