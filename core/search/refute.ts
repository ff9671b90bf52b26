/**
 * Plays a good feeder who wants to break a drill: after each exchange they throw what a feeder of this art throws
 * next, the answers that the trade gives are tried, and those that are not in time do not count, a few actions deep.
 * The shortest line that lands is the refutation, and the counter to train. Every line obeys the check of the drill.
 */
import { lineNumber, share, type LineNumber, type Share } from "../base/units.ts";
import { nextFeeds, thrownIn } from "../trade/feeder.ts";
import { isForeign } from "../trade/art.ts";
import { inOwnWords } from "../trade/own-words.ts";
import { rankIn, standardFor } from "../trade/standards.ts";
import { TRADE, withOwn } from "../trade/trade.ts";
import { checkFor } from "../policy/judge.ts";
import { givenAnswers, rankAnswers } from "../answers/answers.ts";
import { contextOf } from "../score/edit.ts";
import { MODEL } from "../exchange/constants.ts";
import { ceilingOf, percent, reactionTime, senseOf } from "../exchange/time.ts";
import { guardedPart, openUnder } from "../exchange/openings.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { countExchanges, placeWords } from "../drill/exchange-count.ts";
import type { Checked } from "../drill/types.ts";
import type { School } from "../policy/school.ts";
import { format } from "../score/format.ts";
import { parse } from "../score/parse.ts";
import { guardNamed } from "../score/postures.ts";
import { playedText, startsOf, type Played, type Start } from "./starts.ts";

interface RefuteOptions {
  /** How many actions of the feeder in a row are tried after an exchange. */
  readonly plies: number;
  /** Most positions looked at. */
  readonly nodes: number;
  /** Asked between positions; true ends the search with what is known so far. */
  readonly cancelled?: () => boolean;
}
/** The usual effort for a refutation. */
export const REFUTE_DEFAULTS: RefuteOptions = { plies: 3, nodes: 4000 };

/** A line that lands, or how deep the drill holds. */
export type Refutation =
  | { readonly kind: "holds"; readonly plies: number; readonly nodes: number }
  | {
      readonly kind: "refuted";
      /** Line of the exchange it starts from, from 1, and that exchange's number. */
      readonly row: LineNumber;
      readonly exchange: number;
      /** The line that lands, as notation. */
      readonly line: string;
      /** What lands at its end. */
      readonly lands: string;
      readonly plies: number;
      readonly reason: string;
      /** Tempo up to which the answer that the line ends with is in time; null where none is named. */
      readonly inTime: Share | null;
      /** Another answer in that row, sound in the drill, after which nothing lands as deep; null where none was found. */
      readonly repair: string | null;
      readonly nodes: number;
    }
  | { readonly kind: "stopped"; readonly plies: number; readonly nodes: number; readonly why: "nodes" | "cancelled" }
  | { readonly kind: "nothing"; readonly reason: string };

/** A good feeder has a few things that come next, not twenty. */
const ACTIONS = 4;
/** An answer that works at a crawl only is none to name. */
const NAMED = share(0.1);
/** Other answers tried as a repair. */
const REPAIRS = 6;

/** A stroke without the hand that does it: what comes next anyhow is no surprise, whichever way it is written. */
const unsided = (blow: string): string => blow.replace(/^[LR] /, "");

/** A blow with the step that takes it to who went back. */
const walking = (blow: string): string => `${TRADE.companions.forward} + ${blow}`;

/** A start with what the check says of it. */
interface Begun extends Start {
  readonly exchange: CheckedExchange;
}
interface Position {
  readonly start: Begun;
  readonly played: Played;
  /** The exchange at the end of what was played. */
  readonly exchange: CheckedExchange;
  /** What would come now if nobody broke it. */
  readonly planned: Start["planned"];
}
interface Landing {
  readonly from: Begun;
  readonly played: Played;
  readonly move: string;
  readonly why: string;
  readonly inTime: Share | null;
}

class Search {
  nodes = 0;
  private readonly context: readonly string[];
  private readonly tempo: Share;
  /** What the drill breaks as it stands, apart from which nothing may be broken. */
  private readonly known: ReadonlySet<string>;
  constructor(
    private readonly drill: Checked,
    private readonly school: School,
    private readonly options: RefuteOptions,
  ) {
    this.context = contextOf(drill.score);
    this.tempo = drill.header.tempo;
    this.known = new Set(drill.findings.filter((f) => f.severity !== "note").map((f) => f.rule));
  }

  get stopped(): "nodes" | "cancelled" | null {
    if (this.options.cancelled?.()) return "cancelled";
    return this.nodes >= this.options.nodes ? "nodes" : null;
  }

  private check(played: Played): Checked {
    this.nodes++;
    const line = playedText(played, this.drill.header.actors.length);
    // What came before goes on into the line: outside of a block each row would begin afresh.
    const rows = played.before.length === 0 ? [line] : ["carry:", ...[...played.before, line].map((row) => `  ${row}`)];
    return checkFor(parse([...this.context, "", ...rows].join("\n")), this.school);
  }

  /** The last exchange of a played line. */
  look(played: Played): CheckedExchange | null {
    const { exchanges } = this.check(played);
    return exchanges[exchanges.length - 1] ?? null;
  }

  /** What the feeder throws now: within reach, walking after them if need be, and nothing that the check refuses. */
  private actions({ played, exchange, planned }: Position): string[] {
    const found: string[] = [];
    const usual = nextFeeds(thrownIn(exchange), this.drill, this.school.vocabulary);
    for (const next of this.openFirst(usual, played)) {
      if (this.stopped || found.length === ACTIONS) break;
      if (planned && unsided(next) === unsided(planned.feed)) continue;
      const refused = this.refused({ ...played, feeds: [...played.feeds, next] });
      if (refused.length === 0) found.push(next);
      else if (refused.every((rule) => rule === "out-of-reach")) {
        const after = walking(next);
        if (this.refused({ ...played, feeds: [...played.feeds, after] }).length === 0) found.push(after);
      }
    }
    return found;
  }

  /** Puts feeds first that go where the other guard is open; a usual guard leaves the order of the trade. */
  private openFirst(feeds: readonly string[], played: Played): readonly string[] {
    const guard = guardNamed(this.drill.header.people[played.responder].guard);
    if (!guard || openUnder(guard) === null) return feeds;
    const part = new Map(
      feeds.map((feed) => {
        const { blow } = this.look({ ...played, feeds: [...played.feeds, feed] }) ?? {};
        return [feed, blow ? guardedPart(blow.zone) : null];
      }),
    );
    const rank = (feed: string) => {
      const at = part.get(feed);
      return at && guard.opens[at] ? 0 : at && guard.covers[at] ? 2 : 1;
    };
    return [...feeds].sort((one, two) => rank(one) - rank(two));
  }

  /** Rules that a line breaks before it is answered, but for those that the drill breaks as it stands. */
  private refused(fed: Played): string[] {
    return this.check(fed).findings.flatMap(({ rule, severity }) =>
      severity === "note" || rule === "no-answer" || this.known.has(rule) ? [] : [rule],
    );
  }

  /** Positions after a ply: every action of the feeder with its first answer in time; or what landed. */
  expand(position: Position): { next: Position[]; landed: Landing | null } {
    const next: Position[] = [];
    const { played, planned } = position;
    const actions = this.actions(position);
    for (const action of actions) {
      if (this.stopped) break;
      const fed = { ...played, feeds: [...played.feeds, action] };
      const answered = this.answer(fed, planned?.answer ?? null, actions.length);
      if (answered.kind === "met")
        next.push({
          start: position.start,
          played: behindMeeting(answered.played, this.drill),
          exchange: answered.exchange,
          planned: null,
        });
      else if (answered.kind === "landed") return { next, landed: { ...answered, from: position.start, move: action } };
    }
    return { next, landed: null };
  }

  /** The answers that are tried against what was fed, in the order in which they are given; what nobody gives is not. */
  private *answers(fed: Played): Generator<string> {
    const asked = this.look(fed);
    const { vocabulary } = this.school;
    const { header } = this.drill;
    const [feeder, answerer] = [header.people[fed.feeder], header.people[fed.responder]];
    const standard = asked?.feed
      ? standardFor(
          { use: asked.feed, blow: asked.blow, feeder, answerer, tradition: header.tradition },
          this.school.standards,
        )
      : null;
    const alone = `${fed.feeder} ${fed.feeds[fed.feeds.length - 1]!}`;
    const seen = new Set<string>();
    for (const list of [
      () => withOwn(standard?.answers ?? [], vocabulary),
      () => (asked?.blow ? withOwn(TRADE.defences, vocabulary) : []),
      () => rankAnswers(this.context, alone, this.school).map((a) => a.text),
    ])
      for (const text of list()) {
        if (seen.has(text) || rankIn(standard, text).never) continue;
        seen.add(text);
        const own = inOwnWords(text, header.tradition, vocabulary);
        if (!isForeign(own, this.drill, vocabulary)) yield own;
      }
  }

  private answer(
    fed: Played,
    planned: string | null,
    choices: number,
  ):
    | { kind: "met"; played: Played; exchange: CheckedExchange }
    | { kind: "landed"; played: Played; why: string; inTime: Share | null }
    | { kind: "short" } {
    const tried = (text: string, joint: Played["joint"]) => {
      const played = { ...fed, answers: [...fed.answers, text], joint };
      const exchange = this.look(played);
      return exchange && { played, exchange, holds: exchange.verdict === "valid" || exchange.verdict === "risky" };
    };
    // What they do in any case may meet it as well: nothing has to be seen for that.
    const anyhow = planned === null ? null : tried(planned, "<>");
    if (anyhow?.holds) return { kind: "met", ...anyhow };
    // The one that is named is the one that people give, not the quickest of all.
    let tooLate = false;
    let late: { text: string; ceiling: Share } | null = null;
    for (const text of this.answers(fed)) {
      if (this.stopped) return { kind: "short" };
      const met = tried(text, "->");
      if (!met?.holds) continue;
      const ceiling = this.unannounced(met.exchange, choices);
      if (ceiling >= this.tempo) return { kind: "met", ...met };
      if (ceiling >= NAMED) late ??= { text, ceiling };
      tooLate = true;
    }
    if (!late)
      return {
        kind: "landed",
        played: fed,
        inTime: null,
        why: tooLate
          ? `at ${percent(this.tempo)}% nothing is in time`
          : "nothing that the body can do from there meets it",
      };
    return {
      kind: "landed",
      played: { ...fed, answers: [...fed.answers, late.text] },
      inTime: late.ceiling,
      why: `at ${percent(this.tempo)}% nothing is in time. The ${late.text} works up to ${percent(late.ceiling)}%`,
    };
  }

  /** Tempo up to which an answer is in time when one of several things may come and none is announced. */
  private unannounced({ times, blow }: CheckedExchange, choices: number): Share {
    if (!times) return share(MODEL.ceilingCap);
    const sense = senseOf(this.drill.header.kind, blow ? "sight" : "touch");
    const { contact, movement } = times;
    return ceilingOf(contact, movement, reactionTime({ sense, choices, rhythm: false }));
  }

  /** The shortest line that lands from some positions, ply by ply; or how deep they hold. */
  from(
    starts: readonly Position[],
    plies: number,
  ): { landed: Landing; plies: number } | { landed: null; plies: number } {
    let front = starts;
    for (let ply = 1; ply <= plies; ply++) {
      const reached: Position[] = [];
      for (const position of front) {
        if (this.stopped) return { landed: null, plies: ply - 1 };
        const { next, landed } = this.expand(position);
        if (landed) return { landed, plies: ply };
        reached.push(...next);
      }
      front = reached;
    }
    return { landed: null, plies };
  }

  /** A start with what the check says of it; null where it does not hold. */
  begin(start: Start): Position | null {
    const exchange = start.planned ? start.planned.after : this.look(start.played);
    const holds = exchange?.verdict === "valid" || exchange?.verdict === "risky";
    if (!exchange || !holds) return null;
    return { start: { ...start, exchange }, played: start.played, exchange, planned: start.planned };
  }

  /**
   * The best other answer to where it started from that is sound in the drill, and after which nothing lands as deep.
   * With what is sent back behind it where that has to walk after them.
   */
  repair({ from: start }: Landing, plies: number): string | null {
    const { played, planned, returns } = start;
    if (planned) return null;
    const had = new Set(start.exchange.answer.map(({ move }) => move.id));
    const feed = `${played.feeder} ${played.feeds[played.feeds.length - 1]!}`;
    const others = givenAnswers(this.context, feed, this.school).filter(({ exchange }) =>
      exchange.answer.every(({ move }) => !had.has(move.id)),
    );
    const [first, ...rest] = returns;
    const walked = first === undefined ? [] : [walking(first), ...rest];
    for (const { text } of others.slice(0, REPAIRS)) {
      const answered = (behind: readonly string[]): Played => ({
        ...played,
        answers: [...played.answers.slice(0, -1), text, ...behind],
      });
      const behind = [returns, ...(first === undefined ? [] : [walked])].find((list) => this.isSound(answered(list)));
      if (!behind) continue;
      const begun = this.begin({ ...start, played: answered([]) });
      if (begun && !this.from([begun], plies).landed && !this.stopped)
        return behind === returns ? text : [text, ...behind].join(", ");
    }
    return null;
  }

  /** Nothing is broken, and nothing comes too late. */
  private isSound(played: Played): boolean {
    const { verdict, findings } = this.check(played);
    return verdict !== "broken" && findings.every(({ rule }) => rule !== "late" || this.known.has(rule));
  }
}

/** Two strokes that met are a row of their own: the next feed goes in the row after it. */
function behindMeeting(played: Played, { header }: Checked): Played {
  if (played.joint === "->") return played;
  const met = playedText(played, header.actors.length);
  return { ...played, before: [...played.before, met], feeds: [], answers: [], joint: "->" };
}

/** Searches a checked drill for the shortest line that lands, exchange by exchange, ply by ply. */
export function refute(checked: Checked, school: School, options: RefuteOptions = REFUTE_DEFAULTS): Refutation {
  const { of } = countExchanges(checked);
  const fault = checked.findings.find(({ severity }) => severity === "error");
  if (fault) return { kind: "nothing", reason: `Mend ${placeWords(fault, of(fault))} first: ${fault.message}` };
  const search = new Search(checked, school, options);
  const starts = startsOf(checked).flatMap((start) => search.begin(start) ?? []);
  if (starts.length === 0) return { kind: "nothing", reason: nothingComes(checked) };
  const { landed, plies } = search.from(starts, options.plies);
  const why = search.stopped;
  if (!landed && why) return { kind: "stopped", plies, nodes: search.nodes, why };
  if (!landed) return { kind: "holds", plies, nodes: search.nodes };
  // With the strokes that met since it began, which are rows of their own.
  const since = landed.played.before.slice(landed.from.played.before.length);
  const line = [...since, playedText(landed.played, checked.header.actors.length)].join("; ");
  const row = lineNumber(landed.from.row.index);
  return {
    kind: "refuted",
    row,
    exchange: of({ line: row }) ?? 1,
    line: format(parse(line)).trim(),
    lands: landed.move,
    plies,
    reason: landed.why,
    inTime: landed.inTime,
    repair: search.repair(landed, plies),
    nodes: search.nodes,
  };
}

const nothingComes = ({ header: { kind } }: Checked): string =>
  kind === "solo"
    ? "Nobody feeds where people train alone: there is nothing to break."
    : "Nothing here is thrown, pushed or held that a partner answers: there is nothing to break.";
