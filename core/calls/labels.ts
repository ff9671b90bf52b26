/** What can be called in a drill: the labels of its choices, or its first feeds where it has none. */
import type { Checked } from "../drill/types.ts";
import { lineText } from "../score/format.ts";
import { linesDone } from "../score/structure.ts";
import { readerFor, type LineReader } from "../read/line-reader.ts";
import type { ScoreItem, ScoreLine } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";
import type { CallLabel, CallOptions } from "./calls.ts";

/** At most this many feeds are taken as calls. */
const MOST = 24;

/** What is called together: a choice of the drill, each of its labels as often as the others. */
interface CallChoice {
  readonly name: string;
  readonly labels: readonly CallLabel[];
}
/** The choices of a drill, of which one is called at a time, and who attack in turn where the drill says so. */
export interface DrillCalls extends Pick<CallOptions, "turns" | "rotates"> {
  readonly choices: readonly CallChoice[];
}

/** The calls of a drill: those of each of its choices, or its feeds where it has none. */
export function drillCalls(checked: Checked, vocabulary: Vocabulary): DrillCalls {
  const reader = readerFor(checked.header, vocabulary);
  const { order: turns, actors } = checked.header;
  const rotates = actors.length > 2;
  const choices = choicesOf(checked.score.items)
    .map((lines) => unique(lines.flatMap((line) => callsOf(line, checked, reader))))
    .filter((labels) => labels.length > 0);
  if (choices.length > 0)
    return {
      choices: choices.map((labels, i) => ({
        name: `Choice ${i + 1}: ${listed(labels)}`,
        labels: withAnyTime(labels, checked),
      })),
      turns,
      rotates,
    };
  const items = [...linesDone(checked.score.items)];
  const feeds = [...new Set(items.flatMap((item) => feedsOf(item, checked)))].slice(0, MOST);
  const free = items.length > 0 && items.every(isFree) ? FREE : {};
  const labels = spoken(feeds).map((name) => ({ name, weight: 1, ...free }));
  return { choices: [{ name: listed(labels), labels: withAnyTime(labels, checked) }], turns, rotates };
}

/** With what may come at any time among the others: less than one in ten, since rounds are rounded. */
function withAnyTime(labels: readonly CallLabel[], { exchanges }: Checked): readonly CallLabel[] {
  const others = labels.reduce((sum, { weight }) => sum + weight, 0);
  if (others === 0 || !exchanges.some(({ anyTime }) => anyTime)) return labels;
  return [...labels, { name: "any time", weight: Math.floor((others / 12) * 100) / 100 }];
}

/** Each name once; two rows of one name are one call. */
const unique = (labels: readonly CallLabel[]): CallLabel[] =>
  labels.filter(({ name }, i) => labels.findIndex((one) => one.name === name) === i);

const listed = (labels: readonly CallLabel[]): string => labels.map(({ name }) => name).join(", ");

/**
 * Names as they are called across a room: what all have in common before or behind is left out (`strike 1`, `strike
 * 2`: `1`, `2`), and so is where a blow goes as long as they are still told apart.
 */
function spoken(feeds: readonly string[]): string[] {
  const first = feeds[0]?.split(" ")[0];
  const short = feeds.map((feed) => feed.replace(/ to (?:left |right )?\w+$| (?:high|mid|low)$/, ""));
  const apart = new Set(short).size === feeds.length ? short : [...feeds];
  const numbered = apart.length > 1 && apart.every((feed) => new RegExp(`^${first} \\d+$`).test(feed));
  return numbered ? apart.map((feed) => feed.slice(first!.length + 1)) : apart;
}

/** The lines of each choice, in order; what lies in other blocks is part of none. */
const choicesOf = (items: readonly ScoreItem[]): readonly (readonly ScoreLine[])[] =>
  items.flatMap((item) => {
    if (item.kind !== "block") return [];
    const inner = choicesOf(item.items);
    if (item.head.type !== "choose") return inner;
    const lines = item.items.flatMap((one) => (one.kind === "line" ? [one] : one.kind === "lands" ? [one.shows] : []));
    return [lines, ...inner];
  });

/** What is called for a line: its label, or each number of its range. */
function callsOf(item: ScoreLine, checked: Checked, reader: LineReader): CallLabel[] {
  const { label, line } = item;
  const feeds = feedsOf(item, checked);
  const free = isFree(item) ? FREE : {};
  if (feeds.length > 1)
    return spoken(feeds).map((feed) => ({ name: label ? `${label} ${feed}` : feed, weight: 1, ...free }));
  const reverses = reader
    .read(line)
    .plays.some(({ turns }) =>
      turns.some(({ alternatives }) =>
        alternatives
          .flat()
          .some(({ beats }) => beats.some(({ parts }) => parts.some((p) => p.meaning?.use.move.reverses))),
      ),
    );
  const name = label ?? feeds[0];
  if (!name) return [];
  return [reverses ? { name, weight: 1, reverses } : { name, weight: 1, ...free }];
}

const FREE = { free: true } as const;
/** It goes to either of the other two, whichever is called. */
const isFree = ({ line }: ScoreLine): boolean => / at any\b/.test(lineText(line));

/** What may come first in a row: one thing, or each number of a range; at whom is called on its own where that is free. */
function feedsOf(item: ScoreLine, { exchanges }: Checked): string[] {
  const here = exchanges.filter((e) => e.row === item.row && (e.pass ?? 1) === 1);
  const first = here.filter((e) => e.from === here[0]!.from);
  const free = isFree(item);
  return [...new Set(first.map(({ feedText }) => (free ? feedText.replace(/ at [ABC]$/, "") : feedText)))];
}
