/** Repairs of games: an answer more or a feed less where there is a hole, a row that is missing, a touch that is safe. */
import { rowOfLine } from "../base/units.ts";
import type { Edit } from "../findings/finding.ts";
import { headerRows } from "../score/edit.ts";
import { beatText } from "../score/format.ts";
import { gameKey } from "../score/game-rows.ts";
import type { Alternative, GameKeyRow, ScoreGame } from "../score/types.ts";
import { rankAnswers } from "./answers.ts";
import { edit, one, type Make } from "./repair-rows.ts";
import type { Broken, Candidate } from "./repairs.ts";

/** How a game is played that says nothing of it. */
const USUAL = { touch: "to the glove", ends: "3 points or 60 s", scores: "clean 1" } as const;

/** What mends a game, most likely first. */
export const mendGame: Make = (broken) => {
  const game = gameOf(broken);
  if (!game) return [];
  const { code, actor } = broken.finding.params;
  switch (code) {
    case "hole":
      return [...moreAnswers(broken, game), ...withoutOption(broken, game)];
    case "no-touch":
      return one(`Add “touch: ${USUAL.touch}”`, newRow(broken, game, `touch: ${USUAL.touch}`));
    case "no-ends":
      return one(`Add “ends: ${USUAL.ends}”`, newRow(broken, game, `ends: ${USUAL.ends}`));
    case "no-scores":
      return one(`Let ${actor} score`, newRow(broken, game, `${actor} scores: ${scoresOf(game, String(actor))}`));
    case "event":
    case "points":
      return one("Write what can score", edit(broken.finding.from, broken.finding.to, scoresHere(broken, game)));
    case "never":
      return withoutScore(broken, game);
    case "head":
    case "touch":
    case "touch-weapon":
    case "touch-pads":
      return withValue(game, "touch", USUAL.touch, `Touch to the glove`);
    case "ends":
      return withValue(game, "ends", USUAL.ends, `Write “ends: ${USUAL.ends}”`);
    case "swap":
      return withValue(game, "swap", "at the end", "Change roles at the end");
    case "key":
      return one(`Take “${broken.finding.params.found}” out`, ...withoutRow(broken));
    default:
      return [];
  }
};

/** The game in which something was found. */
function gameOf({ checked, finding }: Broken): ScoreGame | null {
  const row = rowOfLine(finding.line);
  for (const item of checked.score.items)
    if (item.kind === "game" && (item.row.index === row || item.keys.some((key) => key.row.index === row))) return item;
  return null;
}

const keyOf = (game: ScoreGame, name: string): GameKeyRow | undefined => game.keys.find((key) => gameKey(key) === name);
const feederOf = (game: ScoreGame): string =>
  (/^(.) may$/.exec(game.keys.map(gameKey).find((k) => / may$/.test(k)) ?? "a may")?.[1] ?? "a").toUpperCase();

/** The feeder scores on an open line, the other one with an answer that holds. */
const scoresOf = (game: ScoreGame, actor: string): string => (actor === feederOf(game) ? "line 1" : USUAL.scores);

/** The same for the row in which something was found. */
function scoresHere({ finding }: Broken, game: ScoreGame): string {
  const key = game.keys.find(({ row }) => row.index === rowOfLine(finding.line));
  return scoresOf(game, (key ? gameKey(key) : "a").charAt(0).toUpperCase());
}

/** Most answers looked at for each feed of an option. */
const MOST = 4;

/** An option more for the one who has no answer: for each feed of the option the best that there is. */
function moreAnswers(broken: Broken, game: ScoreGame): readonly Candidate[] {
  const { checked, finding, school } = broken;
  const { actor, feeder } = finding.params;
  const may = keyOf(game, `${String(actor).toLowerCase()} may`);
  const feeds = optionAt(broken, game)?.beats.map(beatText) ?? [];
  const last = may?.lines.at(-1);
  if (!may || !last || feeds.length === 0) return [];
  const context = headerRows(checked.score);
  const answers = feeds.map((feed) =>
    rankAnswers(context, `${feeder} ${feed}`, school, MOST).filter(({ exchange }) => exchange.verdict === "valid"),
  );
  const at = may.row.from + last.to;
  return Array.from({ length: MOST }, (_, i) => answers.map((all) => all[i] ?? all[0]))
    .flatMap((chosen) =>
      chosen.every((answer) => answer !== undefined) ? [chosen.map(({ text }) => text).join(", ")] : [],
    )
    .map((text) => ({ label: `${actor} may also ${text}`, edits: [edit(at, at, ` | ${text}`)] }));
}

/** The option that a finding is about. */
function optionAt({ finding }: Broken, game: ScoreGame): Alternative | undefined {
  for (const { row, lines } of game.keys)
    for (const line of lines)
      for (const alternative of line.turns.flatMap(({ alternatives }) => alternatives))
        if (row.from + alternative.from === finding.from) return alternative;
  return undefined;
}

function withoutOption(broken: Broken, game: ScoreGame): readonly Candidate[] {
  const { text, finding } = broken;
  const option = optionAt(broken, game);
  if (!option) return [];
  const end = finding.from + (option.to - option.from);
  const behind = /^\s*\|\s*/.exec(text.slice(end));
  const before = /\s*\|\s*$/.exec(text.slice(0, finding.from));
  if (!behind && !before) return [];
  const [from, to] = behind ? [finding.from, end + behind[0].length] : [finding.from - before![0].length, end];
  return one(`Take “${String(finding.params.feed)}” out`, edit(from, to, ""));
}

/** A row behind the last one of the game, as deep as that. */
function newRow({ text }: Broken, game: ScoreGame, row: string): Edit {
  const last = game.keys.at(-1)?.row ?? game.row;
  const end = text.indexOf("\n", last.from);
  const at = end < 0 ? text.length : end;
  return edit(at, at, `\n  ${row}`);
}

function withValue(game: ScoreGame, key: string, value: string, label: string): readonly Candidate[] {
  const row = keyOf(game, key);
  if (!row?.value) return [];
  return one(label, edit(row.row.from + row.value.from, row.row.from + row.value.to, value));
}

/** What never scores is taken out; where nothing else is there, something that can takes its place. */
function withoutScore({ text, finding }: Broken, game: ScoreGame): readonly Candidate[] {
  const { actor, event } = finding.params;
  const behind = /^\s*,\s*/.exec(text.slice(finding.to));
  const before = /\s*,\s*$/.exec(text.slice(0, finding.from));
  if (!behind && !before) {
    const scores = scoresOf(game, String(actor));
    return one(`${actor} scores: ${scores}`, edit(finding.from, finding.to, scores));
  }
  const [from, to] = behind
    ? [finding.from, finding.to + behind[0].length]
    : [finding.from - before![0].length, finding.to];
  return one(`Take “${event}” out`, edit(from, to, ""));
}

function withoutRow({ text, checked, finding }: Broken): readonly Edit[] {
  const row = checked.score.rows[rowOfLine(finding.line)];
  if (!row) return [];
  const end = text.indexOf("\n", row.from);
  return [edit(row.from, end < 0 ? text.length : end + 1, "")];
}
