/** A checked game as screens show it: who may what, as a table, with what scores and whether it is fair. */
import { GAME_RULES } from "../score/game-words.ts";
import { fairnessWords, gameInWords } from "../class/game-in-words.ts";
import type { RowIndex, Share } from "../base/units.ts";
import type { CheckedGame, GameCell } from "../drill/game-types.ts";
import { beatText } from "../score/format.ts";
import { spoken } from "../vary/change-words.ts";

/** What one answers, as a table: a row for each feed, a column for each answer. */
interface GameTableView {
  readonly actor: string;
  readonly feeds: readonly string[];
  readonly answers: readonly string[];
  readonly cells: readonly (readonly GameCellView[])[];
}

/** An answer to a feed: whether it holds, and up to which tempo, % of full speed. */
interface GameCellView {
  readonly verdict: GameCell["verdict"];
  /** In time at the tempo of the drill. */
  readonly inTime: boolean;
  readonly ceiling: number | null;
  /** Nothing came, and they moved all the same. */
  readonly forNothing: boolean;
}

/** A game as screens show it. */
export interface GameView {
  readonly name: string;
  readonly row: RowIndex;
  readonly verdict: CheckedGame["verdict"];
  readonly feeder: string | null;
  readonly tables: readonly GameTableView[];
  /** What scores, how it touches, when it ends. */
  readonly says: readonly string[];
  readonly rules: readonly string[];
  /** null where nothing can be said of it yet. */
  readonly fairness: string | null;
}

/** The view of a checked game; `tempo`: of its drill. */
export function gameView(checked: CheckedGame, tempo: Share): GameView {
  const { game, verdict, feeder, answers, fairness } = checked;
  const textsOf = (actor: string | null) =>
    (game.may.find((may) => may.actor === actor)?.options ?? []).map(({ text }) => text);
  const says = gameInWords(game, ({ beats }) => beats.map((beat) => spoken(beatText(beat))).join(", "));
  return {
    name: game.name,
    row: game.row.index,
    verdict,
    feeder,
    tables: answers.map(({ actor, cells }) => ({
      actor,
      feeds: textsOf(feeder),
      answers: textsOf(actor),
      cells: cells.map((row) => row.map((cell) => cellView(cell, tempo))),
    })),
    says: says.slice(1).filter((row) => !/^[ABC] may: /.test(row)),
    rules: GAME_RULES,
    fairness: fairness.of === 0 ? null : fairnessWords(checked, tempo),
  };
}

const cellView = ({ verdict, ceiling, forNothing }: GameCell, tempo: Share): GameCellView => ({
  verdict,
  inTime: ceiling === null || ceiling >= tempo,
  ceiling: ceiling === null ? null : Math.floor(ceiling * 100),
  forNothing,
});
