/** A drill as it is said to people who read no notation: who does what, row by row. */
import type { Header } from "../score/header.ts";
import { beatText } from "../score/format.ts";
import type { Alternative, Score, ScoreBlock, ScoreGame, ScoreItem, ScoreLine, Turn } from "../score/types.ts";
import { readGame } from "../drill/game-read.ts";
import { GAME_RULES } from "../score/game-words.ts";
import { ANY_TIME } from "./cautions.ts";
import { gameInWords } from "./game-in-words.ts";
import { spoken } from "../vary/change-words.ts";

/** One row or block head: what is said, and how deep it stands in blocks. */
export interface SaidRow {
  readonly text: string;
  readonly depth: number;
}

/** All rows of a drill in words; what shows how it goes wrong is left out. */
export const inWords = (score: Score, header: Header): SaidRow[] => said(score.items, header, 0);

const said = (items: readonly ScoreItem[], header: Header, depth: number): SaidRow[] =>
  items.flatMap((item): SaidRow[] => {
    switch (item.kind) {
      case "wrong":
      case "section":
        return [];
      case "line":
        return [{ text: lineInWords(item, header), depth }];
      case "lands":
        return [{ text: lineInWords(item.shows, header), depth }];
      case "any time":
        return [
          { text: `At any time: ${lineInWords(item.shows, header)}`, depth },
          { text: ANY_TIME, depth: depth + 1 },
        ];
      case "game":
        return gameRows(item, depth);
      case "block":
        if (item.implied) return said(item.items, header, depth);
        return [{ text: headInWords(item.head), depth }, ...said(item.items, header, depth + 1)];
    }
  });

function gameRows(item: ScoreGame, depth: number): SaidRow[] {
  const [title, ...rows] = gameInWords(readGame(item).game, beatsOf);
  return [{ text: title!, depth }, ...[...rows, ...GAME_RULES].map((text) => ({ text, depth: depth + 1 }))];
}

/** What is round the rows of a block. */
function headInWords(head: ScoreBlock["head"]): string {
  switch (head.type) {
    case "choose":
      return head.by === "call" ? "One of these is called:" : `${head.by} picks one of these:`;
    case "carry":
      return "One after the other, without a stop:";
    case "loop": {
      const sides = { written: "", each: ", all of it on each side", alternate: ", each time on the other side" }[
        head.sides
      ];
      const swap = head.swap ? ", roles change after each one" : "";
      return `${head.times} times${sides}${swap}${head.onCount ? ", on the count" : ""}:`;
    }
  }
}

/** Who does what in a row: `A: jab. B: slip out, then cross.` */
function lineInWords({ line: { turns, meets }, lands }: ScoreLine, { kind }: Header): string {
  const [first, second] = turns;
  if (meets && first && second) return together(beatsOf(first.alternatives[0]!), beatsOf(second.alternatives[0]!));
  if (kind === "solo") return turns.map((turn) => capital(turnInWords(turn))).join(" ");
  const hit = (i: number) => (lands && i === 0 ? " It lands." : "");
  return turns
    .map((turn, i) => `${capital(turn.actor ?? (i % 2 === 0 ? "A" : "B"))}: ${turnInWords(turn)}${hit(i)}`)
    .join(" ");
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Two who do the same are said once; a count is written with one of them only. */
function together(one: string, two: string): string {
  const plain = (text: string) => text.replace(/ \d+$/, "");
  const longer = one.length >= two.length ? one : two;
  return plain(one) === plain(two) ? `Both: ${longer}.` : `A: ${one}. B at once: ${two}.`;
}

const turnInWords = ({ alternatives }: Turn): string => `${alternatives.map(beatsOf).join("; or ")}.`;

const TIMES: Readonly<Record<number, string>> = { 2: "twice", 3: "three times", 4: "four times", 5: "five times" };

/** What one person does, one thing after the other. */
function beatsOf({ beats }: Alternative): string {
  const all = beats.map((beat) => spoken(beatText(beat)).replaceAll(" + ", " with ")).filter((text) => text !== "");
  const [first] = all;
  const times = TIMES[all.length];
  if (first && times && all.every((one) => one === first)) return `${first}, ${times}`;
  return all.length < 2 ? all.join() : `${all.slice(0, -1).join(", ")}, then ${all[all.length - 1]!}`;
}
