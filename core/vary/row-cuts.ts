/** A row of a drill in the parts in which it can come in: feed by feed with its answers, then what is sent back. */
import type { Checked, CheckedExchange } from "../check/types.ts";
import { lineText } from "../score/format.ts";
import { expandRange, rangeOf } from "../score/ranges.ts";
import { linesOf } from "../score/structure.ts";
import type { Beat, Line, ScoreLine } from "../score/types.ts";
import { beatText, mapParts, single, withBeats } from "./edit.ts";

export interface Cut {
  readonly line: Line;
  /** What of the row is not there yet: numbers of a range, feeds of a combination, or what is sent back; null where it is whole. */
  readonly missing: "numbers" | "alternatives" | "feeds" | "layers" | "returns" | null;
  /** What is sent back in it. */
  readonly back: readonly string[];
}

/** The parts of each row of a drill, growing; the last of each is the row itself. */
export const cutsOf = (drill: Checked): readonly (readonly Cut[])[] =>
  [...linesOf(drill.score.items)].map((item) => cutsOfRow(item, drill));

function cutsOfRow(item: ScoreLine, drill: Checked): readonly Cut[] {
  const { line } = item;
  const [feed, answer, ...rest] = line.turns;
  const feeds = single(feed)?.beats;
  const answers = single(answer)?.beats;
  const whole: Cut = { line, missing: null, back: [] };
  const numbers = expandRange(line);
  if (numbers.length > 1)
    return numbers.map((first, i) =>
      i === numbers.length - 1 ? whole : { line: i === 0 ? first : upTo(line, i), missing: "numbers", back: [] },
    );
  if (!line.meets && feed && feeds && answer && answer.alternatives.length > 1)
    return answer.alternatives.map((_, i, all) =>
      i === all.length - 1
        ? whole
        : {
            line: { ...line, turns: [feed, { ...answer, alternatives: all.slice(0, i + 1) }, ...rest] },
            missing: "alternatives",
            back: [],
          },
    );
  if (line.meets || !feed || !answer || !feeds || !answers) return [whole];
  const exchanges = exchangesOf(item, drill);
  const last = exchanges[exchanges.length - 1];
  if (!last) return [whole];
  const part = (some: readonly Beat[], met: readonly Beat[], missing: Cut["missing"]): Cut => ({
    line: {
      ...line,
      turns: [
        { ...feed, alternatives: [withBeats(single(feed)!, some)] },
        { ...answer, alternatives: [withBeats(single(answer)!, met)] },
      ],
    },
    missing,
    back: answers.filter((beat) => beat.from >= last.answerSpan!.to && met.includes(beat)).map(beatText),
  });
  const until = (to: number) => answers.filter((beat) => beat.from < to);
  const parts: Cut[] = [];
  for (const e of exchanges) {
    const all = e === last;
    const some = all ? feeds : feeds.filter((beat) => beat.from <= e.feed!.from);
    parts.push(part(some, until(e.answerSpan!.to), all ? "returns" : "feeds"));
  }
  const plain = parts[parts.length - 1]!;
  const met = until(last.answerSpan!.to);
  if (met.some((beat) => beat.parts.length > 1))
    parts.splice(
      -1,
      1,
      part(
        feeds,
        met.map((beat) => ({ ...beat, parts: beat.parts.slice(0, 1) })),
        "layers",
      ),
      plain,
    );
  const answered = until(last.answerSpan!.to).length;
  for (let n = answered + 1; n < answers.length + (rest.length > 0 ? 1 : 0); n++)
    parts.push(part(feeds, answers.slice(0, n), "returns"));
  const text = lineText(line);
  return [...parts.filter((cut) => lineText(cut.line) !== text), whole];
}

/** A line with a range, only so many numbers behind the first. */
function upTo(line: Line, more: number): Line {
  const { first, last } = rangeOf(line)!;
  const range = `{${first}..${first + (last < first ? -more : more)}}`;
  return mapParts(line, (part) => ({
    ...part,
    words: part.words.map((word) => (/^\{.*\.\..*\}$/.test(word.text) ? { ...word, text: range } : word)),
  }));
}

/** The exchanges of its first turn of feeds with the turn that answers it, each place once: a range has several. */
function exchangesOf({ row, line }: ScoreLine, { exchanges }: Checked): CheckedExchange[] {
  const [feed, answer] = line.turns;
  const found: CheckedExchange[] = [];
  for (const e of exchanges) {
    if (e.row !== row || !e.feed || !e.answerSpan || found.some((other) => other.from === e.from)) continue;
    const fed = e.feed.from >= feed!.from && e.feed.to <= feed!.to;
    if (fed && e.answerSpan.from >= answer!.from && e.answerSpan.to <= answer!.to) found.push(e);
  }
  return found;
}
