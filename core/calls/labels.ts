/** What can be called in a drill: the labels of its choices, or its first feeds where it has none. */
import type { Checked } from "../drill/types.ts";
import { readerFor, type LineReader } from "../read/line-reader.ts";
import type { ScoreItem, ScoreLine } from "../score/types.ts";
import type { Vocabulary } from "../words/vocabulary.ts";
import type { CallLabel, CallOptions } from "./calls.ts";

/** At most this many feeds are taken as calls. */
const MOST = 24;

/** Labels of a drill, each as often as the others, and who attack in turn where the drill says so. */
export type DrillCalls = Pick<CallOptions, "labels" | "turns">;

/** The calls of a drill. Labels that two of its choices have in common are told apart. */
export function drillCalls(checked: Checked, vocabulary: Vocabulary): DrillCalls {
  const reader = readerFor(checked.header, vocabulary);
  const turns = checked.header.order;
  const choices = choicesOf(checked.score.items).map((lines) =>
    lines.flatMap((line) => callsOf(line, checked, reader)),
  );
  const labels: CallLabel[] = [];
  choices.forEach((choice, i) => {
    for (const call of choice) {
      const taken = labels.some(({ name }) => name === call.name);
      if (!taken) labels.push(call);
      else if (!choice.slice(0, choice.indexOf(call)).some(({ name }) => name === call.name))
        labels.push({ ...call, name: `${call.name} (choice ${i + 1})` });
    }
  });
  if (labels.length > 0) return { labels, turns };
  const feeds = [...new Set(checked.exchanges.map(({ row }) => row))].flatMap((row) => feedsAt(row.index, checked));
  return { labels: [...new Set(feeds)].slice(0, MOST).map((name) => ({ name, weight: 1 })), turns };
}

/** The lines of each choice, in order; what lies in other blocks is part of none. */
const choicesOf = (items: readonly ScoreItem[]): readonly (readonly ScoreLine[])[] =>
  items.flatMap((item) => {
    if (item.kind !== "block") return [];
    const inner = choicesOf(item.items);
    return item.head.type === "choose" ? [item.items.filter((one) => one.kind === "line"), ...inner] : inner;
  });

/** What is called for a line: its label, or each number of its range. */
function callsOf({ label, line, row }: ScoreLine, checked: Checked, reader: LineReader): CallLabel[] {
  const feeds = feedsAt(row.index, checked);
  if (feeds.length > 1) return feeds.map((feed) => ({ name: label ? `${label}: ${feed}` : feed, weight: 1 }));
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
  return [reverses ? { name, weight: 1, reverses } : { name, weight: 1 }];
}

/** What may come first in a row: one thing, or each number of a range. */
function feedsAt(row: number, { exchanges }: Checked): string[] {
  const here = exchanges.filter((e) => e.row.index === row && (e.pass ?? 1) === 1);
  const first = here.filter((e) => e.from === here[0]!.from);
  return [...new Set(first.map(({ feedText }) => feedText))];
}
