/** What all operators share: candidates, plain lines taken apart and put together again. */
import { lineNumber, type LineNumber } from "../../base/units.ts";
import { cueOf } from "../../exchange/cue.ts";
import type { CheckedExchange } from "../../exchange/types.ts";
import type { Checked } from "../../drill/types.ts";
import type { School } from "../../policy/school.ts";
import type { Header } from "../../score/header.ts";
import type { Actor, ScoreLine, Turn } from "../../score/types.ts";
import { lineText, turnText, notedBeat } from "../../score/format.ts";
import { linesOf } from "../../score/structure.ts";
import { lineOf, single, turnOf, withLines, type HeaderChanges, type Rows } from "../../score/edit.ts";
import type { OperatorId } from "../operator-names.ts";

/** A changed drill before it is checked. */
export interface Candidate {
  readonly operator: OperatorId;
  readonly parameters: Readonly<Record<string, string | number>>;
  readonly rows: Rows;
  /** What changed, in one sentence. */
  readonly changed: string;
}

/** Returns the changes that an operator can make of a drill. */
export type Operator = (checked: Checked, school: School) => Candidate[];

/** The first few that fit; the rest is not even looked at. */
export function firstOf<T>(items: Iterable<T>, most: number, fits: (item: T) => boolean): T[] {
  const found: T[] = [];
  for (const item of items) {
    if (fits(item)) found.push(item);
    if (found.length === most) break;
  }
  return found;
}

/** The title of a variation says what it is a variation of. */
export const titled = (checked: Checked, what: string) => ({ title: `${checked.header.title ?? "Drill"}: ${what}` });

/** A line of one feed and its answer, with beats as texts. */
export interface PlainLine {
  readonly item: ScoreLine;
  readonly feeder: Actor;
  readonly responder: Actor;
  readonly feeds: readonly string[];
  readonly answers: readonly string[];
  /** Turns after the answer, as they stand. */
  readonly rest: readonly Turn[];
  /** The exchange of the first feed. */
  readonly exchange: CheckedExchange;
}

/** A line that a cue or hold begins: a pad, a step in, a grip. */
export const isCued = ({ row }: ScoreLine, { exchanges }: Checked): boolean =>
  exchanges.some((e) => e.row === row && e.feed !== null && cueOf(e.feed) !== null);

const plain = new WeakMap<Checked, readonly PlainLine[]>();

/** The lines of a drill that can be taken apart: no alternatives, no meeting, somebody answers. Most operators ask. */
export function plainLines(checked: Checked): readonly PlainLine[] {
  let lines = plain.get(checked);
  if (!lines) plain.set(checked, (lines = takenApart(checked)));
  return lines;
}

function takenApart(checked: Checked): PlainLine[] {
  const found: PlainLine[] = [];
  for (const item of linesOf(checked.score.items)) {
    const [feed, answer, ...rest] = item.line.turns;
    const feeds = single(feed);
    const answers = single(answer);
    const exchange = checked.exchanges.find((e) => e.row === item.row && e.feed);
    if (item.line.meets || !feed || !answer || !feeds || !answers || !exchange || answers.beats.length === 0) continue;
    // Blows on a pad are no answers that could be changed for others; what to do with a hold is said by its own data.
    if (isCued(item, checked)) continue;
    found.push({
      item,
      feeder: exchange.feeder,
      responder: exchange.responder,
      feeds: feeds.beats.map(notedBeat),
      answers: answers.beats.map(notedBeat),
      rest,
      exchange,
    });
  }
  return found;
}

/** The lines that can be taken apart, each once: what changes in one changes where it stands again. */
export function differentLines(checked: Checked): PlainLine[] {
  const texts = new Set<string>();
  return plainLines(checked).filter(({ item }) => {
    const text = lineText(item.line);
    return !texts.has(text) && texts.add(text);
  });
}

/** The blows that a line throws in the beat of its answer. */
export function hitsOf({ exchange, answers }: Pick<PlainLine, "exchange" | "answers">): string[] {
  const hits = exchange.beat.filter((use) => use.move.attack && !use.move.answer).map((use) => use.text);
  return hits.filter((hit) => answers[0] !== hit && exchange.beat.length > 1);
}

/** Another answer with the blows that the line throws in the same beat. */
export const withHits = (answer: string, line: Pick<PlainLine, "exchange" | "answers">): string =>
  [answer, ...hitsOf(line)].join(" + ");

/** Lines of one feed with nothing behind its answer, each once. */
export const simpleLines = (checked: Checked): PlainLine[] =>
  differentLines(checked).filter((line) => line.feeds.length === 1 && line.rest.length === 0);

/** Number of its row, from 1. */
export const rowOf = (line: PlainLine): LineNumber => lineNumber(line.item.row.index);
/** The first feed as it is asked about: `A jab`. */
export const feedOf = (line: PlainLine): string => `${line.feeder} ${line.feeds[0]!}`;

/** The line as text with other feeds, other answers, other turns after them. */
export function rebuilt(
  { item, feeds, answers, rest }: PlainLine,
  change: { feeds?: readonly string[]; answers?: readonly string[]; rest?: readonly string[] },
): string {
  const [feed, answer] = item.line.turns;
  return lineOf([
    turnOf(feed!.actor, change.feeds ?? feeds),
    turnOf(answer!.actor, change.answers ?? answers),
    ...(change.rest ?? rest.map(turnText)),
  ]);
}

/** The drill with one line in place of another, wherever that stands. */
export function withLine(checked: Checked, of: PlainLine, line: string, header: HeaderChanges): Rows {
  const text = lineText(of.item.line);
  const same = (one: ScoreLine) => one === of.item || lineText(one.line) === text;
  return withLines(checked.score, (one) => (same(one) ? line : one.line), header);
}

/** A header row of a person with something put in place of what stands there. */
export function personRow(
  checked: Checked,
  actor: Actor,
  change: (words: readonly string[]) => string[],
): Record<string, string> {
  const row = checked.score.rows.find(
    ({ content }) => content.body.kind === "header" && content.body.key.text.toUpperCase() === actor,
  );
  const value = row?.content.body.kind === "header" ? (row.content.body.value?.text ?? "") : "";
  const words = value
    .split(",")
    .map((w) => w.trim())
    .filter(Boolean);
  return { [actor]: change(words).join(", ") };
}

/** Lowest tempo that a variation is slowed to. */
const SLOWEST = 0.3;
/** Who is alone keeps their own pace, and what is felt grows by place, onset and blindness: tempo is no step of it. */
export const growsByTempo = ({ kind }: Pick<Header, "kind">): boolean => kind === "feeder" || kind === "flow";

/** Added choice, contact or a new tool starts slower on the same rung. */
const SLOWER = 0.1;

/** The tempo row of a drill one step slower; nothing where it is slow already. */
export const slower = ({ header }: Checked): Record<string, string> => {
  if (!growsByTempo(header)) return {};
  const next = Math.max(SLOWEST, header.tempo - SLOWER);
  return next < header.tempo ? { tempo: `${Math.round(next * 100)}%` } : {};
};
