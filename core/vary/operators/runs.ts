/** Operators on how often and on which side: the same again, both sides in turn, on the count, all in one go. */
import { CHANGES } from "../change-words.ts";
import { beatText, lineText } from "../../score/format.ts";
import { blockRows, headerRows, single, written } from "../../score/edit.ts";
import { linesOf } from "../../score/structure.ts";
import type { BlockHead, Line } from "../../score/types.ts";
import type { Checked } from "../../drill/types.ts";
import { differentLines, rebuilt, rowOf, titled, withLine, type Candidate, type Operator } from "./shared.ts";

/** The same feed at most so often in a row. */
const MOST_TIMES = 5;

/** The same feed and answer once more before what goes back: twice, three times, up to five. */
export const again: Operator = (checked) =>
  differentLines(checked).flatMap((line) => {
    const { feeds, answers, rest } = line;
    const times = feeds.length;
    const alike = feeds.every((feed) => feed === feeds[0]) && answers.slice(0, times).every((a) => a === answers[0]);
    // A blow in the answering beat is the end of it, not something to repeat.
    const hits = line.exchange.beat.some((use) => use.move.attack);
    if (!alike || hits || rest.length > 0 || times >= MOST_TIMES || answers.length < times) return [];
    const more = { feeds: [feeds[0]!, ...feeds], answers: [answers[0]!, ...answers] };
    return [
      {
        operator: "again" as const,
        parameters: { row: rowOf(line), times: times + 1 },
        rows: withLine(checked, line, rebuilt(line, more), titled(checked, `${times + 1} in a row`)),
        changed: CHANGES.again(times + 1, feeds[0]!, answers[0]!),
      },
    ];
  });

const PASSES = 10;

/** The rows of a drill without blocks in a loop of its own. */
function looped(checked: Checked, head: Partial<BlockHead & { type: "loop" }>, title: string): string[] | null {
  if (checked.score.items.some((item) => item.kind !== "line" && item.kind !== "section")) return null;
  const lines = [...linesOf(checked.score.items)].map(({ line }) => lineText(line));
  const loop = { type: "loop", times: PASSES, swap: false, sides: "written", onCount: false, ...head } as const;
  return [...written(headerRows(checked.score, titled(checked, title)), blockRows(loop, lines))];
}

/** Each pass on the other side. */
export const sides: Operator = (checked) => {
  // A tool does not change hands from pass to pass.
  const armed = checked.header.actors.some((actor) => checked.header.people[actor].holds);
  const rows = armed ? null : looped(checked, { sides: "alternate" }, "both sides");
  return rows ? [{ operator: "sides", parameters: { passes: PASSES }, rows, changed: CHANGES.sides() }] : [];
};

/** Somebody counts, and each count is one pass. */
export const onCount: Operator = (checked) => {
  const rows = looped(checked, { onCount: true }, "on the count");
  return rows ? [{ operator: "on-count", parameters: { passes: PASSES }, rows, changed: CHANGES.onCount() }] : [];
};

/** Most moves that one person does in one go. */
const MOST_MOVES = 8;

/** Alone: a row and the next without a stop between. */
export const oneGo: Operator = (checked) => {
  const items = [...linesOf(checked.score.items)];
  if (checked.header.kind !== "solo" || checked.score.items.some(({ kind }) => kind === "block")) return [];
  return items.slice(1).flatMap((item, i): Candidate[] => {
    const [one, two] = [movesOf(items[i]!.line), movesOf(item.line)];
    if (!one || !two || one.length + two.length > MOST_MOVES) return [];
    const all = [...one, ...two];
    const actor = item.line.turns[0]!.actor;
    const joined = `${actor ? `${actor} ` : ""}${all.join(", ")}`;
    const rest = items.flatMap((other, j) => (j === i + 1 ? [] : [j === i ? joined : lineText(other.line)]));
    return [
      {
        operator: "one-go",
        parameters: { row: i + 1 },
        rows: written(headerRows(checked.score, titled(checked, "in one go")), rest),
        changed: CHANGES.joined(all),
      },
    ];
  });
};

const movesOf = ({ turns }: Line): string[] | null =>
  turns.length === 1 ? (single(turns[0])?.beats.map(beatText) ?? null) : null;
