/** Tokens that depend on where they stand: the first word of a row decides what the row is. */
import { ContextTracker, ExternalTokenizer, type InputStream } from "@lezer/lr";
import {
  BlockHead,
  BlockRow,
  EndWord,
  FormRow,
  FormWord,
  HeaderKey,
  HeaderValue,
  Label,
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
const BEGINS = new Set([Word, BlockHead, SectionWord, FormWord, WrongWord, Label]);

/** True once a row of play has begun: from then on `word:` is a label, no longer a header key. */
export const playContext = new ContextTracker<boolean>({
  start: false,
  shift: (inPlay, term) => inPlay || BEGINS.has(term),
  reduce: (inPlay, term) => inPlay || term === PlayRow || term === BlockRow || term === SectionRow || term === FormRow,
  hash: (inPlay) => (inPlay ? 1 : 0),
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

/** What stands in the row before the current position: nothing, `wrong:`, or something else. */
function before(input: InputStream): "nothing" | "wrong" | "something" {
  let text = "";
  for (let i = -1; text.length < MAX_MARK; i--) {
    const code = input.peek(i);
    if (isEnd(code)) return text === "" ? "nothing" : /^wrong:$/i.test(text) ? "wrong" : "something";
    if (!isBlank(code) && code !== 0xfeff) text = String.fromCharCode(code) + text;
  }
  return "something";
}

/** Letters of `wrong:` and one more. */
const MAX_MARK = 7;

const WRONG = /^wrong(?=[ \t]*:)/i;
const FORM = /^form(?=[ \t]*:)/i;
const BLOCK = /^(?:loop\b[^:#\n>|+,;]*|choose\b[^:#\n>|+,;]*|carry\s*)(?=:)/i;
const HEAD = /^([\p{L}\p{N}_'.-]+(?:[ \t]+[\p{L}\p{N}_'.-]+){0,3})[ \t]*:/u;

/** Row heads: header keys before play, block heads, labels, `section` and `end`. */
export const rowStart = new ExternalTokenizer(
  (input, stack) => {
    const place = before(input);
    if (place === "something") return;
    const row = restOfRow(input);
    const take = (term: number, length: number) => input.acceptToken(term, length);
    if (place === "wrong") {
      const label = HEAD.exec(row);
      if (label && stack.canShift(Label)) take(Label, label[1]!.length);
      return;
    }
    if (WRONG.test(row) && stack.canShift(WrongWord)) return take(WrongWord, "wrong".length);
    if (FORM.test(row) && stack.canShift(FormWord)) return take(FormWord, "form".length);
    const block = BLOCK.exec(row);
    if (block && stack.canShift(BlockHead)) return take(BlockHead, block[0].trimEnd().length);
    const section = /^section(?=[ \t\r]|$)/i.exec(row);
    if (section && stack.canShift(SectionWord)) return take(SectionWord, section[0].length);
    if (/^end[ \t\r]*(?:#|$)/i.test(row) && stack.canShift(EndWord)) return take(EndWord, 3);
    const head = HEAD.exec(row);
    if (!head) return;
    const term = stack.context ? Label : HeaderKey;
    if (stack.canShift(term)) take(term, head[1]!.length);
  },
  { contextual: true },
);

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
