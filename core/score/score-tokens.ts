/** Tokens that depend on where they stand: the first word of a row decides what the row is. */
import { ContextTracker, ExternalTokenizer, type InputStream } from "@lezer/lr";
import {
  AnyTimeWord,
  BlockHead,
  BlockRow,
  EndWord,
  FormRow,
  FormWord,
  GameKey,
  GameName,
  GamePlayKey,
  GameWord,
  HeaderKey,
  HeaderValue,
  Label,
  LandsWord,
  PlayRow,
  SectionName,
  SectionRow,
  SectionWord,
  Word,
  WrongWord,
} from "./score-parser.terms.ts";

const NEWLINE = 10;
const HASH = 35;
const COLON = 58;
const isBlank = (code: number) => code === 32 || code === 9 || code === 13 || code === 0xa0;
const isEnd = (code: number) => code === NEWLINE || code < 0;

/** Longest first word looked at; a row head is a few words at most. */
const MAX_HEAD = 120;

/** With which play begins. */
const BEGINS = new Set([Word, BlockHead, SectionWord, FormWord, WrongWord, AnyTimeWord, LandsWord, Label]);
const PLAYED = new Set([PlayRow, BlockRow, SectionRow, FormRow]);

/** Where in a score a row stands: a word and a colon are a header key, a label or a key of a game. */
type Place = "header" | "play" | "game";
const PLACES: readonly Place[] = ["header", "play", "game"];

/** The place of the rows behind a token. */
function behind(place: Place, term: number): Place {
  if (term === GameWord) return "game";
  if (place === "game") return term === EndWord ? "play" : "game";
  return BEGINS.has(term) ? "play" : place;
}

/** Knows whether play has begun, from when on `word:` is a label, and whether a game stands open. */
export const playContext = new ContextTracker<Place>({
  start: "header",
  shift: behind,
  reduce: (place, term) => (place === "header" && PLAYED.has(term) ? "play" : place),
  hash: (place) => PLACES.indexOf(place),
  strict: false,
});

/** Reads the row from the current position up to its end, a comment or `MAX_HEAD` characters. */
function restOfRow(input: InputStream): string {
  let text = "";
  for (let i = 0; i < MAX_HEAD; i++) {
    const code = input.peek(i);
    if (isEnd(code)) break;
    text += String.fromCharCode(code);
  }
  return text;
}

/** What stands in the row before the current position: nothing, a mark of a row, the word of a game, or something else. */
function before(input: InputStream): "nothing" | "mark" | "game" | "something" {
  let text = "";
  for (let i = -1; text.length < MAX_MARK; i--) {
    const code = input.peek(i);
    if (isEnd(code)) {
      if (text === "") return "nothing";
      return /^game$/i.test(text) ? "game" : /^(?:wrong|anytime|lands):$/i.test(text) ? "mark" : "something";
    }
    if (!isBlank(code) && code !== 0xfeff) text = String.fromCharCode(code) + text;
  }
  return "something";
}

/** Letters of the longest mark of a row and one more. */
const MAX_MARK = 9;

/** Marks of rows of play: how it goes wrong, what may come at any time, what happens where it lands. */
const MARKS: readonly (readonly [RegExp, number])[] = [
  [/^wrong(?=[ \t]*:)/i, WrongWord],
  [/^any[ \t]+time(?=[ \t]*:)/i, AnyTimeWord],
  [/^lands(?=[ \t]*:)/i, LandsWord],
];
const FORM = /^form(?=[ \t]*:)/i;
const BLOCK = /^(?:loop\b[^:#\n>|+,;]*|choose\b[^:#\n>|+,;]*|carry\s*)(?=:)/i;
const HEAD = /^([\p{L}\p{N}_'.-]+(?:[ \t]+[\p{L}\p{N}_'.-]+){0,3})[ \t]*:/u;
/** `game NAME:` and nothing else in the row. */
const GAME = /^game(?=[ \t]+[^\s:][^:#\n]*:[ \t\r]*(?:#|$))/i;
const GAME_NAME = /^[^:#\n]*[^:#\s]/;
/** Keys of a game behind which moves stand. */
const GAME_PLAY = /^(?:start|[abc][ \t]+may)$/i;
const END = /^end[ \t\r]*(?:#|$)/i;

/** Row heads: header keys before play, block heads, labels, games and their keys, `section` and `end`. */
export const rowStart = new ExternalTokenizer(
  (input, stack) => {
    const place = before(input);
    if (place === "something") return;
    const row = restOfRow(input);
    const take = (term: number, length: number) => input.acceptToken(term, length);
    if (place === "game") {
      if (isBlank(input.next)) return;
      const name = stack.canShift(GameName) ? GAME_NAME.exec(row) : null;
      if (name) take(GameName, name[0].length);
      return;
    }
    if (place === "mark") {
      const label = HEAD.exec(row);
      if (label && stack.canShift(Label)) take(Label, label[1]!.length);
      return;
    }
    const [term, length] = headOf(row, stack.context as Place, (one) => stack.canShift(one)) ?? [];
    if (term !== undefined && length !== undefined) take(term, length);
  },
  { contextual: true },
);

/** The token at the start of a row, with its length; null for a row of play without a head. */
function headOf(row: string, place: Place, can: (term: number) => boolean): readonly [number, number] | null {
  if (END.test(row) && can(EndWord)) return [EndWord, 3];
  const head = HEAD.exec(row);
  if (place === "game") {
    const key = head ? (GAME_PLAY.test(head[1]!) ? GamePlayKey : GameKey) : null;
    return key !== null && can(key) ? [key, head![1]!.length] : null;
  }
  for (const [mark, term] of MARKS) {
    const found = mark.exec(row);
    if (found && can(term)) return [term, found[0].length];
  }
  if (FORM.test(row) && can(FormWord)) return [FormWord, "form".length];
  if (GAME.test(row) && can(GameWord)) return [GameWord, "game".length];
  const block = BLOCK.exec(row);
  if (block && can(BlockHead)) return [BlockHead, block[0].trimEnd().length];
  const section = /^section(?=[ \t\r]|$)/i.exec(row);
  if (section && can(SectionWord)) return [SectionWord, section[0].length];
  if (!head) return null;
  const term = place === "play" ? Label : HeaderKey;
  return can(term) ? [term, head[1]!.length] : null;
}

/** Free text after a header key or after `section`: up to the end of the row or a comment. */
export const rowRest = new ExternalTokenizer(
  (input, stack) => {
    const term = stack.canShift(HeaderValue) ? HeaderValue : stack.canShift(SectionName) ? SectionName : null;
    if (term === null || isBlank(input.next) || isEnd(input.next) || input.next === HASH) return;
    if (term === SectionName && input.next === COLON) return;
    let length = 0;
    let end = 0;
    for (; ; length++) {
      const code = input.peek(length);
      if (isEnd(code)) break;
      if (code === HASH && isBlank(input.peek(length - 1))) break;
      if (!isBlank(code)) end = length + 1;
    }
    input.acceptToken(term, end);
  },
  { contextual: true },
);
