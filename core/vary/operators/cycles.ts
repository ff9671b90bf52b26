/** Operators on a running cycle of sticks: the hands change, somebody enters. */
import tools from "./tools.json" with { type: "json" };
import { CHANGES } from "../change-words.ts";
import { TRADE } from "../../trade/trade.ts";
import type { Checked } from "../../drill/types.ts";
import type { Held } from "../../score/person.ts";
import { lineText } from "../../score/format.ts";
import type { Line, ScoreBlock } from "../../score/types.ts";
import { blockRows, headerRows, written, type Rows } from "../../score/edit.ts";
import { mirrorLine } from "./mirror.ts";
import { personRow, slower, titled, type Candidate, type Operator } from "./shared.ts";

interface Cycle {
  readonly block: ScoreBlock;
  readonly lines: readonly Line[];
}

/** The loop of a flow drill whose rows are all blows that meet; null where the drill is another. */
function cycleOf({ score, header }: Checked): Cycle | null {
  const [block, ...others] = score.items.filter((item) => item.kind !== "section");
  if (header.kind !== "flow" || others.length > 0 || block?.kind !== "block" || block.head.type !== "loop") return null;
  const lines = block.items.flatMap((item) => (item.kind === "line" && item.line.meets ? [item.line] : []));
  return lines.length === block.items.length && lines.length > 1 ? { block, lines } : null;
}

const looped = (checked: Checked, cycle: Cycle, rows: Rows, title: string): Rows =>
  written(
    headerRows(checked.score, { ...titled(checked, title), ...slower(checked) }),
    blockRows(cycle.block.head, rows),
  );

/** Nobody holds two: a hand is free to take over or to take hold. */
const freeHands = ({ header }: Checked): boolean =>
  header.actors.every((actor) => header.people[actor].holds?.count !== 2);

/** A new tool starts slowly again, share of full speed. */
const SLOW = 0.4;

const now = ({ kind, count }: Held): string => (count === 2 ? "two sticks" : kind);
/** A tool of that length (m) is no other one than what the words say, which give it in cm. */
const isAsLong = (length: number, words: string): boolean =>
  words.startsWith("stick ") && Math.abs(length * 100 - Number(/(\d+) cm/.exec(words)?.[1])) < 10;

/** The same cycle with another tool in both their hands. */
export const cycleTool: Operator = (checked) => {
  const cycle = cycleOf(checked);
  const { header, score } = checked;
  const held = header.actors.map((actor) => header.people[actor].holds);
  if (!cycle || cycle.block.head.type !== "loop") return [];
  const { head, items } = cycle.block;
  const fits = tools.inFlow.filter((tool) =>
    held.every((one) => one !== null && !one.off && now(one) === tool.now && !isAsLong(one.length, tool.holds)),
  );
  return fits.map((tool) => {
    const people = header.actors.map((actor) =>
      personRow(checked, actor, (words) => words.map((word) => (/^holds /i.test(word) ? `holds ${tool.holds}` : word))),
    );
    const sides = tool.alternate ? "alternate" : head.sides;
    return {
      operator: "other-tool",
      parameters: { tool: tool.tool },
      rows: written(
        headerRows(score, {
          ...titled(checked, tool.words.toLowerCase()),
          ...Object.assign({}, ...people),
          tempo: `${Math.round(Math.min(SLOW, header.tempo) * 100)}%`,
        }),
        blockRows(
          { ...head, sides },
          items.flatMap((item) => (item.kind === "line" ? [lineText(item.line)] : [])),
        ),
      ),
      changed: CHANGES.toolAlone(tool.words, ""),
    };
  });
};

/** After some beats both change hands; the cycle goes on mirrored and changes back, so that it closes. */
export const handChange: Operator = (checked, school) => {
  const cycle = cycleOf(checked);
  if (!cycle || !freeHands(checked)) return [];
  const { lines } = cycle;
  const half = lines.length % 2 === 0 && lines.length > 2 ? [lines.length / 2] : [];
  return [lines.length, ...half].map((beat): Candidate => {
    const first = lines.slice(0, beat).map(lineText);
    const mirrored = lines.slice(0, beat).map((line) => lineText(mirrorLine(checked, school, line)));
    const whole = beat === lines.length;
    return {
      operator: "swap-hands",
      parameters: { beat },
      rows: looped(
        checked,
        cycle,
        [...first, CHANGE, ...mirrored, CHANGE],
        whole ? "hands change" : `hands change after ${beat}`,
      ),
      changed: CHANGES.hands(whole ? null : beat),
    };
  });
};
const CHANGE = `both ${TRADE.changeHands}`;

/** The beats after which something can come in before the cycle is over. */
const beatsInside = (count: number): number[] =>
  Array.from({ length: Math.max(0, count - 1) }, (_, i) => i + 1).slice(1);

/** One takes hold of the far end as it passes, the other slaps it off; the cycle runs on. */
export const entry: Operator = (checked) => {
  const cycle = cycleOf(checked);
  if (!cycle || !freeHands(checked)) return [];
  const rows = cycle.lines.map(lineText);
  return (["A", "B"] as const).flatMap((actor) =>
    beatsInside(rows.length).map((beat): Candidate => {
      const other = actor === "A" ? "B" : "A";
      const inside = [`${actor} ${TRADE.entry.takes}`, `${other} ${TRADE.entry.frees}`];
      return {
        operator: "entry",
        parameters: { beat, actor },
        rows: looped(checked, cycle, [...rows.slice(0, beat), ...inside, ...rows.slice(beat)], `${actor} enters`),
        changed: CHANGES.entry(beat, actor, other),
      };
    }),
  );
};

/** Other patterns of the same cycle: all strokes high, or a thrust that each parries behind the last count. */
export const pattern: Operator = (checked) => {
  const cycle = cycleOf(checked);
  if (!cycle) return [];
  const rows = cycle.lines.map(lineText);
  const high = rows.map((row) => row.replace(/\b(?:low|mid)\b/g, "high"));
  const { feed, answer } = TRADE.thrust;
  const thrusts = (["A", "B"] as const).map((one, i) => `${one} ${feed} -> ${i === 0 ? "B" : "A"} ${answer}`);
  return [
    {
      operator: "pattern",
      parameters: { pattern: "high" },
      rows: looped(checked, cycle, high, "all high"),
      changed: CHANGES.allHigh(),
    },
    {
      operator: "pattern",
      parameters: { pattern: "thrust" },
      rows: looped(checked, cycle, [...rows, ...thrusts], "with a thrust"),
      changed: CHANGES.thrustIn(rows.length),
    },
  ];
};
