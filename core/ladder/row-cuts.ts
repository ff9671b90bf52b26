/** The rows of a drill as a ladder brings them in: each by its parts, feed by feed with its answers, then what is sent back. */
import { cueOf } from "../exchange/cue.ts";
import { TRADE } from "../trade/trade.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import { lineText, beatText } from "../score/format.ts";
import { expandRange, rangeOf, spokenRange } from "../score/ranges.ts";
import { linesOf } from "../score/structure.ts";
import { firstTurn, saidFeed } from "../vary/feed-name.ts";
import type { Alternative, Beat, Line, ScoreLine, Turn } from "../score/types.ts";
import { beatOf, mapParts, single, withBeats } from "../score/edit.ts";

/** A drill with a part left out. */
export interface Cut {
  readonly line: Line;
  /** What of the row is not there yet; null where it is whole. */
  readonly missing: "numbers" | "alternatives" | "feeds" | "parts" | "layers" | "hit" | "returns" | "blows" | null;
  /** What is sent back in it. */
  readonly back: readonly string[];
}

/** A row of a drill with its feeds and answers. */
export interface DrillRow {
  readonly line: Line;
  /** What it begins with, as one says it. */
  readonly feed: string;
  /** Its feed; where several rows begin alike, what meets it as well. */
  readonly name: string;
  /** Its parts, growing, but for those of rows before it; the last is the row itself. */
  readonly cuts: readonly Cut[];
}

const kept = new WeakMap<Checked, readonly DrillRow[]>();

/** The rows of a drill one after another, without blocks: chance and cycles come later. */
export function drillRows(drill: Checked): readonly DrillRow[] {
  let rows = kept.get(drill);
  if (!rows) {
    const items = rowItems(drill);
    const feeds = items.map((item) => saidFeed(item, drill));
    // A part that an earlier row had already would only be that once more.
    const had = new Set<string>();
    rows = items.map((item, i) => {
      // A move is learned by its parts once: where the drill begins with it.
      const cuts = cutsOf(item, drill)
        .filter((cut) => cut.missing === null || !had.has(lineText(cut.line)))
        .filter((cut) => cut.missing !== "parts" || i === 0);
      for (const cut of cuts) had.add(lineText(cut.line));
      return {
        line: item.line,
        feed: feeds[i]!,
        name: doneName(item, drill) ?? cueName(item, drill) ?? toldApart(item.line, feeds, i),
        cuts,
      };
    });
    kept.set(drill, rows);
  }
  return rows;
}

/** The rows that a ladder brings in; one that a block only repeats is there already. */
export function rowItems({ score }: Checked): readonly ScoreLine[] {
  const items = [...linesOf(score.items)];
  const parts = score.items.filter(({ kind }) => kind !== "section");
  if (parts.length < 2 || parts.every(({ kind }) => kind === "line")) return items;
  const texts = items.map(({ line }) => lineText(line));
  return items.filter((_, i) => texts.indexOf(texts[i]!) === i);
}

/** A row that nobody answers is called by what is done in it; null for others. */
const doneName = ({ line }: ScoreLine, { header }: Checked): string | null =>
  line.turns.length === 1 && !line.meets && header.kind !== "solo" ? `“${firstTurn(line)}”` : null;

/** A row that a cue begins is called by what is done about it: blows on pads, what meets who walks in; null for others. */
function cueName(item: ScoreLine, drill: Checked): string | null {
  const first = cuedBy(item, drill);
  if (!first) return null;
  return isPad(first) ? onPads(first.answerText) : `${first.feedText} with ${first.answerText}`;
}

/** The exchange of a row that a cue begins; null for others. */
function cuedBy({ row, line }: ScoreLine, { exchanges }: Checked): CheckedExchange | null {
  const first = exchanges.find((e) => e.row === row && e.feed !== null);
  return first?.feed && cueOf(first.feed) && !line.meets ? first : null;
}

const isPad = ({ feed }: CheckedExchange): boolean => feed !== null && cueOf(feed) === "pad";
/** Returns blows on pads in words. */
export const onPads = (blows: string): string => `${blows} on the pads`;

/** The feed of a row; where several begin alike, with what meets it. */
const toldApart = (line: Line, feeds: readonly string[], i: number): string =>
  feeds.indexOf(feeds[i]!) === feeds.lastIndexOf(feeds[i]!) ? feeds[i]! : metName(line, feeds[i]!);

function metName(line: Line, feed: string): string {
  const met = single(line.turns[1])?.beats[0];
  return met && !line.meets ? `${feed} with ${spokenRange(beatText(met))}` : feed;
}

function cutsOf(item: ScoreLine, drill: Checked): readonly Cut[] {
  const { line } = item;
  const whole: Cut = { line, missing: null, back: [] };
  const cued = cuedBy(item, drill);
  if (drill.header.kind === "solo" && line.turns.length === 1) return [...byBlow(line, 0), whole];
  if (cued && isPad(cued)) return [...byBlow(line, 1), whole];
  // Holds and what else a cue begins come in as they are: half of them is another thing.
  if (cued && (!cued.feed || cueOf(cued.feed) !== "approach")) return [whole];
  const parts = byNumber(line) ?? byAnswer(line) ?? byExchange(item, drill);
  const text = lineText(line);
  return [...parts.filter((cut) => lineText(cut.line) !== text), whole];
}

const endsOnly = (beat: Beat): boolean => TRADE.waysBack.includes(beatText(beat));
const stands = (beat: Beat): boolean => TRADE.postures.some((word) => beatText(beat).startsWith(`${word} `));

/** What one thing after another is learned by, alone or on pads: the first two, three, ... of a turn. */
function byBlow(line: Line, at: number): Cut[] {
  const turn = line.turns[at];
  const all = single(turn)?.beats ?? [];
  // What only ends a combination belongs to the blow before it, how one stands to the one behind it.
  const ends = all.flatMap((_, i) => (i > 0 && endsOnly(all[i]!) ? [] : i > 0 && stands(all[i - 1]!) ? [] : [i]));
  const counts = ends.slice(2).filter((i) => i < all.length);
  const parts = [...counts, ...(line.turns.length > at + 1 && all.length > 1 ? [all.length] : [])];
  return parts.map((count) => ({
    line: { ...line, turns: [...line.turns.slice(0, at), only(turn!, single(turn)!, all.slice(0, count))] },
    missing: "blows",
    back: [],
  }));
}

/** One number of a range, the first two, the first three; null for a line without a range. */
function byNumber(line: Line): Cut[] | null {
  const range = rangeOf(line);
  if (!range) return null;
  const step = range.last < range.first ? -1 : 1;
  return expandRange(line).map((first, i) => ({
    line: i === 0 ? first : withRange(line, `{${range.first}..${range.first + step * i}}`),
    missing: "numbers",
    back: [],
  }));
}

const withRange = (line: Line, range: string): Line =>
  mapParts(line, (part) => ({
    ...part,
    words: part.words.map((word) => (/^\{.*\.\..*\}$/.test(word.text) ? { ...word, text: range } : word)),
  }));

/** One of the answers to choose from, the first two, the first three; null for a line without such a choice. */
function byAnswer(line: Line): Cut[] | null {
  const [feed, answer, ...rest] = line.turns;
  if (line.meets || !single(feed) || !answer || answer.alternatives.length < 2) return null;
  return answer.alternatives.map((_, i, all) => ({
    line: { ...line, turns: [feed!, { ...answer, alternatives: all.slice(0, i + 1) }, ...rest] },
    missing: "alternatives",
    back: [],
  }));
}

/** Feed by feed with its answer, the first things that answer, all of them, and what is sent back blow by blow. */
function byExchange(item: ScoreLine, drill: Checked): Cut[] {
  const { line } = item;
  const [feed, answer, ...rest] = line.turns;
  const feeds = single(feed);
  const answers = single(answer);
  const exchanges = line.meets || !feeds || !answers ? [] : exchangesOf(item, drill);
  const last = exchanges[exchanges.length - 1];
  if (!feeds || !answers || !last) return [];
  const part = (missing: Cut["missing"], some: readonly Beat[], met: readonly Beat[]): Cut => ({
    line: { ...line, turns: [only(feed!, feeds, some), only(answer!, answers, met)] },
    missing,
    back: met.filter((beat) => beat.from >= last.answerSpan!.to).map(beatText),
  });
  const until = ({ answerSpan }: CheckedExchange) => answers.beats.filter((beat) => beat.from < answerSpan!.to);
  const met = until(last);
  const [move, ...others] = exchanges.length === 1 && met.length === 1 ? last.answer : [];
  const parts = (others.length === 0 ? (move?.move.parts ?? []) : []).map((text) =>
    part("parts", feeds.beats, [beatOf(text)]),
  );
  const begun = exchanges.slice(0, -1).map((e) =>
    part(
      "feeds",
      feeds.beats.filter((beat) => beat.from <= e.feed!.from),
      until(e),
    ),
  );
  const firsts = met.map((beat) => ({ ...beat, parts: beat.parts.slice(0, 1) }));
  // What is left out is a second line of defence, or the blow of the same beat.
  const hits = last.beat.some((use) => use.move.attack !== undefined);
  const layers = met.some((beat) => beat.parts.length > 1) ? [part(hits ? "hit" : "layers", feeds.beats, firsts)] : [];
  // Where somebody answers what is sent back, all of it is a part of its own.
  const most = answers.beats.length - (rest.length > 0 ? 0 : 1);
  // A way out at the end belongs to the blow before it.
  const struck = new Set(last.returns.map(({ use }) => use.from));
  const backs = Array.from({ length: Math.max(0, most - met.length) }, (_, i) => met.length + i + 1)
    .filter((count) => rest.length > 0 || answers.beats.slice(count).some((beat) => struck.has(beat.from)))
    .map((count) => part("returns", feeds.beats, answers.beats.slice(0, count)));
  return [...parts, ...begun, ...layers, part("returns", feeds.beats, met), ...backs];
}

const only = (turn: Turn, alternative: Alternative, beats: readonly Beat[]): Turn => ({
  ...turn,
  alternatives: [withBeats(alternative, beats)],
});

/** The exchanges of its first turn of feeds with the turn that answers it. */
function exchangesOf({ row, line }: ScoreLine, { exchanges }: Checked): CheckedExchange[] {
  const [feed, answer] = line.turns;
  const found: CheckedExchange[] = [];
  for (const e of exchanges) {
    // A pass of a cycle repeats the one before it.
    if (e.row !== row || !e.feed || !e.answerSpan || found.some((other) => other.from === e.from)) continue;
    const fed = e.feed.from >= feed!.from && e.feed.to <= feed!.to;
    if (fed && e.answerSpan.from >= answer!.from && e.answerSpan.to <= answer!.to) found.push(e);
  }
  return found;
}
