/** Where somebody who wants to break a drill goes on from: after each exchange of its rows, and at each count of a cycle. */
import { beatText, lineText, notedBeat } from "../score/format.ts";
import { single } from "../score/edit.ts";
import { linesOf } from "../score/structure.ts";
import { isThrown } from "../trade/feeder.ts";
import type { Actor, Row, ScoreItem, ScoreLine } from "../score/types.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";

/** A played line: what was fed and what answered it, beat for beat, and the rows of its cycle before it. */
export interface Played {
  readonly before: readonly string[];
  readonly feeder: Actor;
  readonly responder: Actor;
  readonly feeds: readonly string[];
  readonly answers: readonly string[];
  /** One answers, or both act at once, as in a cycle of strokes. */
  readonly joint: "->" | "<>";
}

/** A place in a drill from which it can be broken. */
export interface Start {
  readonly row: Row;
  readonly played: Played;
  /** What the answerer sends back behind it. */
  readonly returns: readonly string[];
  /** In a cycle that meets: what would come at this count, and the exchange before it. */
  readonly planned: { readonly feed: string; readonly answer: string; readonly after: CheckedExchange } | null;
}

/** A played line as notation. */
export function playedText({ feeder, responder, feeds, answers, joint }: Played, actors: number): string {
  const aimed = feeds.map((feed) => (actors > 2 && !/ at [ABC]\b/.test(feed) ? `${feed} at ${responder}` : feed));
  const answered = answers.length === 0 ? "" : ` ${joint} ${responder} ${answers.join(", ")}`;
  return `${feeder} ${aimed.join(", ")}${answered}`;
}

/** The starts of a drill, equal ones once. */
export function startsOf(drill: Checked): Start[] {
  const seen = new Set<string>();
  return [...cyclesAndRows(drill.score.items)].flatMap(({ item, before }) =>
    (item.line.meets ? countOf(item, before, drill) : exchangesOf(item, before, drill)).filter(
      ({ played, planned }) => {
        const key = [...played.before, playedText(played, 2), planned?.feed].join("\n");
        return !seen.has(key) && seen.add(key);
      },
    ),
  );
}

interface Placed {
  readonly item: ScoreLine;
  /** The rows of one pass before it. */
  readonly before: readonly string[];
}

/** Rows stand alone; those of a loop follow one another. */
function* cyclesAndRows(items: readonly ScoreItem[]): Generator<Placed> {
  for (const item of items)
    if (item.kind === "line") yield { item, before: [] };
    else if (item.kind === "block" && item.head.type === "loop" && !item.items.some(({ kind }) => kind === "block")) {
      const rows = [...linesOf(item.items)];
      for (const [i, row] of rows.entries())
        yield { item: row, before: rows.slice(0, i).map(({ line }) => lineText(line)) };
    } else if (item.kind === "block") yield* cyclesAndRows(item.items);
}

/** A count at which both strike: the one who breaks it throws something else, the other does what comes next anyhow. */
function countOf(item: ScoreLine, before: readonly string[], drill: Checked): Start[] {
  const [one, two] = item.line.turns;
  const fed = single(one)?.beats[0];
  const met = single(two)?.beats[0];
  const here = drill.exchanges.findIndex(({ row }) => row === item.row);
  const after = drill.exchanges[here - 1] ?? drill.exchanges[here];
  if (!fed || !met || one?.actor === null || two?.actor === null || !after) return [];
  const [feeder, responder] = [one!.actor as Actor, two!.actor as Actor];
  const played = { before, feeder, responder, feeds: [], answers: [], joint: "->" as const };
  return [
    {
      row: item.row,
      played,
      returns: [],
      planned: { feed: beatText(fed), answer: beatText(met), after },
    },
  ];
}

/**
 * After each exchange of a row that feeds, with what was fed before it in the row. Where a row begins with a cue, what
 * its holder throws at them later stands alone.
 */
function exchangesOf(item: ScoreLine, before: readonly string[], drill: Checked): Start[] {
  const [one, two] = item.line.turns;
  const feeds = single(one)?.beats;
  const answers = single(two)?.beats;
  const found = drill.exchanges.filter(
    ({ row, feed, answer, pass }) =>
      row === item.row && feed !== null && isThrown(feed) && answer.length > 0 && (pass ?? 1) === 1,
  );
  const follows = drill.header.kind === "flow" || drill.header.kind === "sensitivity" ? before : [];
  const start = (exchange: CheckedExchange, fed: readonly string[], met: readonly string[], returns: string[]) => ({
    row: item.row,
    played: {
      before: follows,
      feeder: exchange.feeder,
      responder: exchange.responder,
      feeds: fed,
      answers: met,
      joint: "->" as const,
    },
    returns,
    planned: null,
  });
  const alone = () =>
    found.map((e) =>
      start(
        e,
        [e.feed!.text],
        [e.answerText],
        e.returns.map(({ use }) => use.text),
      ),
    );
  if (!feeds || !answers || lineText(item.line).includes("{")) return alone();
  const inRow = found.flatMap((e) => {
    const { feed, answerSpan } = e;
    if (!answerSpan || !feeds.some(({ from, to }) => feed!.from >= from && feed!.from < to)) return [];
    return start(
      e,
      feeds.filter(({ from }) => from <= feed!.from).map(notedBeat),
      answers.filter(({ from }) => from <= answerSpan.from).map(notedBeat),
      answers.filter(({ from }) => from > answerSpan.from).map(notedBeat),
    );
  });
  return inRow.length > 0 ? inRow : alone();
}
