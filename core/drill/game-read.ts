/** From the keys of a game, as written, to what they say. */
import { readRange } from "../score/header.ts";
import { beatText, lineText } from "../score/format.ts";
import { MAX_OPTIONS } from "../score/limits.ts";
import { GAME_EVENTS, GAME_KEYS, GAME_TOUCHES } from "../score/game-words.ts";
import { expandRange } from "../score/ranges.ts";
import { gameKey } from "../score/game-rows.ts";
import type { Actor, GameKeyRow, Line, ScoreGame, Span } from "../score/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { type Game, type GameEnd, type GameMay, type GameOption, type GameScore, type GameSwap } from "./game-types.ts";

type Say = (row: GameKeyRow, span: Span, params: FindingDraft["params"]) => void;
type Draft = { -readonly [K in keyof Game]: Game[K] };

/** Reads the keys of a game; what is wrong with them is said. */
export function readGame({ row, name, keys }: ScoreGame): { game: Game; findings: FindingDraft[] } {
  const findings: FindingDraft[] = [];
  const say: Say = (key, span, params) => findings.push(draft(key.row, span, "game", params));
  const game: Draft = {
    name: name.text.trim(),
    row,
    head: name,
    start: [],
    range: null,
    may: [],
    scores: [],
    touch: null,
    ends: [],
    swap: "at the end",
  };
  for (const key of keys) readKey(game, key, say);
  const has = (name: string) => keys.some((key) => gameKey(key) === name);
  const missing = [...(game.may.length < 2 ? ["may"] : []), ...["touch", "ends"].filter((key) => !has(key))];
  for (const key of missing)
    findings.push(draft(row, name, "game", { code: `no-${key}`, game: game.name, actor: missingActor(game) }));
  return { game, findings };
}

const missingActor = ({ may }: Game): string => (may[0]?.actor === "B" ? "A" : may.length === 0 ? "A" : "B");

function readKey(game: Draft, key: GameKeyRow, say: Say): void {
  const name = gameKey(key);
  const ofPerson = /^([abc]) (may|scores)$/.exec(name);
  const actor = ofPerson?.[1]?.toUpperCase() as Actor | undefined;
  if (actor && ofPerson?.[2] === "may") game.may = [...game.may, readMay(actor, key, say)];
  else if (actor) game.scores = [...game.scores, { actor, row: key.row, events: readScores(key, say) }];
  else if (name === "start") readStart(game, key, say);
  else if (name === "touch") {
    game.touch = GAME_TOUCHES.find((touch) => touch.name === textOf(key)) ?? null;
    if (!game.touch) say(key, spanOf(key), { code: "touch", found: textOf(key), known: listed(GAME_TOUCHES) });
  } else if (name === "ends") game.ends = readEnds(key, say);
  else if (name === "swap") game.swap = readSwap(key, say);
  else say(key, key.key, { code: "key", found: key.key.text, known: GAME_KEYS.join(", ") });
}

const listed = (all: readonly { readonly name: string }[]): string => all.map(({ name }) => name).join(", ");
const textOf = ({ value }: GameKeyRow): string => (value?.text ?? "").trim().toLowerCase().replace(/\s+/g, " ");
const spanOf = ({ key, value }: GameKeyRow): Span => value ?? key;

function readMay(actor: Actor, key: GameKeyRow, say: Say): GameMay {
  const options: GameOption[] = [];
  for (const written of key.lines) {
    if (written.turns.length !== 1 || written.turns[0]!.actor !== null) {
      say(key, written, { code: "may-turn", actor });
      continue;
    }
    for (const line of expandRange(written))
      for (const alternative of line.turns[0]!.alternatives) {
        const text = alternative.beats.map(beatText).join(", ");
        options.push({ from: alternative.from, to: alternative.to, row: key.row, text, alternative });
      }
  }
  if (options.length === 0 && key.lines.length === 0) say(key, key.key, { code: "may-nothing", actor });
  const beyond = options[MAX_OPTIONS];
  if (beyond) say(key, beyond, { code: "many-options", actor, most: MAX_OPTIONS });
  return { actor, row: key.row, options: options.slice(0, MAX_OPTIONS) };
}

function readScores(key: GameKeyRow, say: Say): GameScore[] {
  const scores: GameScore[] = [];
  const span = spanOf(key);
  let at = span.from;
  for (const part of (key.value?.text ?? "").split(",")) {
    const from = at + (part.length - part.trimStart().length);
    const place = { from, to: from + part.trim().length };
    at += part.length + 1;
    const found = /^(.*?)\s+(-?\d{1,2})$/.exec(part.trim().toLowerCase().replace(/\s+/g, " "));
    const event = found && GAME_EVENTS.find(({ name }) => name === found[1]);
    if (event) scores.push({ ...place, event, points: Number(found[2]) });
    else if (found) say(key, place, { code: "event", found: found[1]!, known: listed(GAME_EVENTS) });
    else say(key, part.trim() === "" ? key.key : place, { code: "points", found: part.trim() });
  }
  return scores;
}

function readStart(game: Draft, key: GameKeyRow, say: Say): void {
  for (const line of key.lines) {
    const text = lineText(line);
    const range = /^range (.*)$/i.exec(text)?.[1];
    if (range !== undefined) {
      const read = readRange(range.toLowerCase(), (_, known = []) =>
        say(key, line, { code: "start-range", found: range, known: known.join(", ") }),
      );
      game.range = read ?? game.range;
    } else if (isSetUp(line)) game.start = [...game.start, { row: key.row, line }];
    else say(key, line, { code: "start", found: text });
  }
}

/** One person, or both, and what they do before it begins. */
const isSetUp = ({ turns, meets }: Line): boolean =>
  turns.length === 1 && !meets && turns[0]!.actor !== null && turns[0]!.alternatives.length === 1;

const UNITS = { points: [1, 50], s: [5, 600], feeds: [1, 100] } as const;

function readEnds(key: GameKeyRow, say: Say): GameEnd[] {
  const ends: GameEnd[] = [];
  for (const part of textOf(key).split(/\s+or\s+/)) {
    const found = /^(\d{1,3})\s*(points?|s|seconds|feeds?)$/.exec(part);
    const unit = found && (/^p/.test(found[2]!) ? "points" : /^f/.test(found[2]!) ? "feeds" : "s");
    const count = Number(found?.[1]);
    const fits = unit && count >= UNITS[unit][0] && count <= UNITS[unit][1] && !ends.some((end) => end.unit === unit);
    if (unit && fits && ends.length < 2) ends.push({ unit, count });
    else say(key, spanOf(key), { code: "ends", found: part });
  }
  return ends;
}

function readSwap(key: GameKeyRow, say: Say): GameSwap {
  const text = textOf(key);
  if (text === "at the end" || text === "never") return text;
  const found = /^every (\d{1,3})\s*(s|seconds|feeds?)$/.exec(text);
  const count = Number(found?.[1]);
  if (found && count >= 1) return { unit: found[2]!.startsWith("s") ? "s" : "feeds", count };
  say(key, spanOf(key), { code: "swap", found: text });
  return "at the end";
}
