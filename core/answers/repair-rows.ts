/** Repairs that change more than an answer: pads, meetings, choices, cycles, rules, the distance of three. */
import { rowOfLine } from "../base/units.ts";
import type { Edit } from "../findings/finding.ts";
import { beginsPlay } from "../score/structure.ts";
import type { Row } from "../score/types.ts";
import { TRADE } from "../trade/trade.ts";
import { closeCycle } from "./close-cycle.ts";
import type { Broken, Candidate } from "./repairs.ts";

/** Returns candidates for a finding, most likely first; `answers` are those that hold against its feed. */
export type Make = (broken: Broken, answers: readonly string[]) => readonly Candidate[];

/** Returns an edit of a text: from one place to another, with new words. */
export const edit = (from: number, to: number, insert: string): Edit => ({ from, to, insert });
/** Returns a list of one candidate. */
export const one = (label: string, ...edits: readonly Edit[]): readonly Candidate[] => [{ label, edits }];

/** Returns the header row of a key (in lower case), or null. */
export function headerRow({ checked }: Broken, key: string): Row | null {
  for (const row of checked.score.rows) {
    const { body } = row.content;
    if (body.kind === "header" && body.key.text.toLowerCase() === key) return row;
    if (beginsPlay(body)) break;
  }
  return null;
}

/** The pad goes where the blow goes, or looks at it. */
export const movePad: Make = ({ text, finding, exchange }) => {
  const cue = exchange?.feed;
  if (!exchange || !cue) return [];
  const { code, wants, heights, facing } = finding.params;
  const from = exchange.row.from + cue.from;
  const now = text.slice(from, exchange.row.from + cue.to);
  const put = (label: string, next: string) => one(label, edit(from, from + now.length, next));
  if (code === "facing") {
    const turned = /\bfacing\s+\w+/i.test(now)
      ? now.replace(/\bfacing\s+\w+/i, `facing ${String(wants)}`)
      : `${now} facing ${String(wants)}`;
    return put(`Turn the pad ${String(facing)}`, turned);
  }
  const wanted = String(wants ?? heights ?? "").split(" or ");
  return wanted.flatMap((height) => put(`Hold the pad ${height}`, now.replace(/\b(high|mid|low)\b/i, height)));
};

/** Both do the same: two equal strokes cross. Two that fall on one line are changed for two that cross. */
export const sameStroke: Make = ({ text, checked, finding }) => {
  const row = checked.score.rows[rowOfLine(finding.line)];
  if (!row || row.content.body.kind !== "play") return [];
  const line = row.content.body.lines.find(({ meets }) => meets);
  const [first, second] = line?.turns ?? [];
  if (!first || !second) return [];
  const at = ({ alternatives }: typeof first) => {
    const beat = alternatives[0]?.beats[0];
    return beat ? { from: row.from + beat.from, to: row.from + beat.to } : null;
  };
  const [left, right] = [at(first), at(second)];
  if (!left || !right) return [];
  const said = text.slice(left.from, left.to);
  const hand = /^[LR] /.exec(said)?.[0] ?? "";
  const stroke = `${hand}${TRADE.strokes[0]!}`;
  return [
    { label: `Both ${said}`, edits: [edit(right.from, right.to, said)] },
    { label: `Both ${stroke}`, edits: [edit(left.from, left.to, stroke), edit(right.from, right.to, stroke)] },
    {
      label: "Without the counts",
      edits: [left, right].map(({ from, to }) => edit(from, to, uncounted(text.slice(from, to)))),
    },
  ];
};

const uncounted = (words: string): string => words.replace(/\s+\d+$/, "");

/** The lines of a choice are called, or the one who answers chooses. */
export const callChoice: Make = ({ text, checked, finding }) => {
  const rows = checked.score.rows.slice(0, finding.line);
  const head = rows.findLast(({ content: { body } }) => body.kind === "block");
  if (!head) return [];
  const end = text.indexOf("\n", head.from);
  const words = text.slice(head.from, end < 0 ? text.length : end);
  const by = /choose\s+([abc])\b/i.exec(words);
  if (!by) return [];
  const from = head.from + by.index + by[0].length - 1;
  const other = by[1]!.toUpperCase() === "A" ? "B" : "A";
  return [
    { label: "Call each line", edits: [edit(from, from + 1, "call")] },
    { label: `Let ${other} choose`, edits: [edit(from, from + 1, other)] },
  ];
};

/** Positions that a repair may look at before it gives up. */
const LOOKED_AT = 400;

/** Rows at the end of the cycle that bring it back. */
export const closingRows: Make = ({ text, checked, school }) =>
  closeCycle(text, checked, school, { nodes: LOOKED_AT, count: 2, depth: 1 }).map(({ rows, text: closed }) => {
    const from = firstDifference(text, closed);
    const rest = text.length - from;
    return {
      label: `Add ${rows.join(", ")}`,
      edits: [edit(from, from, closed.slice(from, closed.length - rest))],
    };
  });

function firstDifference(before: string, after: string): number {
  let at = 0;
  while (at < before.length && before[at] === after[at]) at++;
  return at;
}

/** The rule of the drill that is broken is taken out. */
export const withoutRule: Make = (broken) => {
  const { finding, text } = broken;
  const rule = String(finding.params.rule ?? "");
  for (const key of ["rules a", "rules b", "rules c"]) {
    const row = headerRow(broken, key);
    const body = row?.content.body;
    if (!row || rule === "" || body?.kind !== "header" || !body.value) continue;
    const said = body.value.text.split(",").map((word) => word.trim());
    const left = said.filter((word) => word.toLowerCase() !== rule);
    if (left.length === said.length) continue;
    const end = text.indexOf("\n", row.from);
    const whole = edit(row.from, end < 0 ? text.length : end + 1, "");
    const value = row.from + body.value.from;
    return one(
      `Leave “${rule}” out`,
      left.length === 0 ? whole : edit(value, value + body.value.text.length, left.join(", ")),
    );
  }
  return [];
};

/** The touch goes where the push comes. */
export const touchThere: Make = ({ text, finding }) => {
  const { code, touch, push } = finding.params;
  if (code === "rule") {
    const side = /\b(left|right)\b/.exec(text.slice(finding.from, finding.to))?.[0];
    const on = `${TRADE.repairs.touches} ${side ? `${side} ` : ""}chest, `;
    return one("Touch first", edit(finding.from, finding.from, on));
  }
  if (code !== "touch-lies") return [];
  const row = text.lastIndexOf("\n", finding.from) + 1;
  const at = text.slice(row, finding.from).lastIndexOf(` ${String(touch)} `);
  const from = row + at + 1;
  return at < 0 ? [] : one(`Touch on the ${String(push)}`, edit(from, from + String(touch).length, String(push)));
};

/** Distances of three at which hands and sticks reach, m. Common practice, no source. */
const SIDES_OF_THREE = ["2 m", "1.6 m", "1.2 m"];

/** Three people stand nearer, or further apart. */
export const otherTriangle: Make = (broken) => {
  const row = headerRow(broken, "formation");
  const body = row?.content.body;
  if (!row || body?.kind !== "header" || !body.value || !/^triangle/i.test(body.value.text)) return [];
  const from = row.from + body.value.from;
  const { length } = body.value.text;
  return SIDES_OF_THREE.map((side) => ({
    label: `Stand ${side} apart`,
    edits: [edit(from, from + length, `triangle ${side}`)],
  }));
};

/** A kick at what these two bodies allow: the body, then the leg. */
export const lowerTarget: Make = ({ text, finding }) => {
  if (finding.params.code !== "high") return [];
  const now = text.slice(finding.from, finding.to);
  return ["body", "leg"].map((part) => ({
    label: `Aim at the ${part}`,
    edits: [edit(finding.from, finding.to, now.replace(/\bto\s+\w+/, `to ${part}`))],
  }));
};

const OTHER_LIMB: Readonly<Record<string, string>> = { lead: "rear", rear: "lead", jab: "cross", cross: "jab" };

/** The same blow with the limb that nobody holds. */
export const otherLimb: Make = ({ text, finding }) => {
  const now = text.slice(finding.from, finding.to);
  const swapped = now.replace(/\b(?:lead|rear|jab|cross)\b/, (word) => OTHER_LIMB[word] ?? word);
  return swapped === now ? [] : one("With the other one", edit(finding.from, finding.to, swapped));
};

/** A person who is held from behind turns first, or hits backwards. */
export const turnFirst: Make = ({ finding }) => {
  if (finding.params.code !== "behind") return [];
  return [
    { label: "Turn out first", edits: [edit(finding.from, finding.from, `${TRADE.repairs.turns}, `)] },
    { label: "Hit backwards", edits: [edit(finding.from, finding.to, TRADE.repairs.backwards)] },
  ];
};

/** Words that nobody can do with what is in the hand: without the hand, or a mark that is not needed. */
export const withoutMark: Make = ({ text, finding }) => {
  const now = text.slice(finding.from, finding.to);
  const { code, one: first, two } = finding.params;
  const drop = (word: string) => now.replace(new RegExp(`\\b${word}\\b ?`, "i"), "").trim();
  if (code === "no-feint") return one("Take the ~ away", edit(finding.from, finding.to, now.replace("~", "")));
  if (code === "contradicts")
    return [first, two].map((word) => ({
      label: `Take “${word}” out`,
      edits: [edit(finding.from, finding.to, drop(String(word)))],
    }));
  const hand = /\b[LR] /.exec(now)?.[0];
  return hand ? one("With the hand that holds it", edit(finding.from, finding.to, now.replace(hand, ""))) : [];
};

/** The one who is attacked answers, in place of the other. */
export const answerByOther: Make = ({ text, checked, finding, exchange }, answers) => {
  if (finding.params.code !== "nobody" || !exchange || checked.header.actors.length < 3) return [];
  const end = text.indexOf("\n", exchange.row.from);
  const to = end < 0 ? text.length : end;
  const row = text.slice(exchange.row.from, to);
  const arrow = row.indexOf("->", exchange.from);
  const moved = /->\s*([ABC])\b/.exec(row.slice(arrow < 0 ? row.length : arrow));
  const from = exchange.row.from + arrow + (moved ? moved[0].length - 1 : 0);
  const named = moved
    ? [{ label: `${exchange.responder} answers`, edits: [edit(from, from + 1, exchange.responder)] }]
    : [];
  const given = answers.length > 0 ? answers : TRADE.defences;
  const behind = given.map((answer) => ({
    label: `Answer with ${answer}`,
    edits: [edit(to, to, ` -> ${exchange.responder} ${answer}`)],
  }));
  return [...named, ...behind];
};
