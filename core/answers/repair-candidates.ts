/** What might mend a finding, as edits of the text. Nothing here is offered before it was checked. */
import {
  answerByOther,
  callChoice,
  closingRows,
  edit,
  headerRow,
  lowerTarget,
  movePad,
  otherLimb,
  one,
  otherTriangle,
  sameStroke,
  touchThere,
  turnFirst,
  withoutMark,
  withoutRule,
  type Make,
} from "./repair-rows.ts";
import { mendGame } from "./mend-games.ts";
import type { Broken, Candidate } from "./repairs.ts";
import { rowOfLine } from "../base/units.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Edit } from "../findings/finding.ts";
import type { RuleId } from "../findings/rules.ts";
import type { Line, Row, Turn } from "../score/types.ts";
import { TRADE } from "../trade/trade.ts";

/** Candidates for a finding, most likely first. */
export function candidatesOf(broken: Broken, answers: readonly string[]): readonly Candidate[] {
  const make = MAKERS[broken.finding.rule];
  return make ? make(broken, answers) : [];
}

/** Another answer in place of the beat that does not work, with the blows of that beat kept where they fit. */
const otherAnswers: Make = ({ exchange }, answers) => {
  if (!exchange) return [];
  const { answerSpan, row, beat } = exchange;
  if (!answerSpan) return firstAnswers(exchange, answers);
  const now = beat.map((use) => use.text).join(" + ");
  const blows = beat.filter((use) => use.move.attack && !use.move.answer).map((use) => use.text);
  return answers.flatMap((answer): Candidate[] => {
    const texts = blows.length > 0 ? [[answer, ...blows].join(" + "), answer] : [answer];
    return texts
      .filter((text) => text !== now)
      .map((text) => ({
        label: `Answer with ${text}`,
        edits: [edit(row.from + answerSpan.from, row.from + answerSpan.to, text)],
      }));
  });
};

/** An answer where nobody answers: behind the answers before it, or as a turn of its own. */
function firstAnswers(exchange: CheckedExchange, answers: readonly string[]): Candidate[] {
  const { row, responder } = exchange;
  const place = turnsAt(row, exchange.from);
  if (!place) return [];
  const { turn, next, line } = place;
  const lines = (answer: string): Edit => {
    if (!next) return edit(row.from + turn.to, row.from + turn.to, ` -> ${responder} ${answer}`);
    const beats = next.alternatives[0]?.beats ?? [];
    const feeds =
      turn.alternatives[0]?.beats.findIndex((beat) => beat.from <= exchange.from && exchange.from < beat.to) ?? 0;
    const before = beats[feeds - 1];
    if (feeds > 0 && before) return edit(row.from + before.to, row.from + before.to, `, ${answer}`);
    const start = beats[0]?.from ?? line.to;
    return edit(row.from + start, row.from + start, `${answer}, `);
  };
  return answers.map((answer) => ({ label: `Answer with ${answer}`, edits: [lines(answer)] }));
}

/** The turn of a row in which something stands, and the one behind it. */
function turnsAt(row: Row, at: number): { line: Line; turn: Turn; next: Turn | undefined } | null {
  const { body } = row.content;
  if (body.kind !== "play") return null;
  for (const line of body.lines) {
    const i = line.turns.findIndex((turn) => turn.from <= at && at < turn.to);
    if (i >= 0) return { line, turn: line.turns[i]!, next: line.turns[i + 1] };
  }
  return null;
}

const intercept: Make = ({ finding }) => one("Mark it as an intercept", edit(finding.to, finding.to, " intercept"));

/** The nearest names in place of the words that are none; modifiers stay. */
const nearestNames: Make = ({ text, finding }) => {
  const typed = String(finding.params.typed ?? "");
  const names = String(finding.params.nearest ?? "")
    .split(", ")
    .filter(Boolean);
  const at = text.slice(finding.from, finding.to).toLowerCase().indexOf(typed);
  const [from, to] = at < 0 ? [finding.from, finding.to] : [finding.from + at, finding.from + at + typed.length];
  return names.map((name) => ({ label: `Write ${name}`, edits: [edit(from, to, name)] }));
};

/** The word that contradicts the move is taken out. */
const withoutWord: Make = ({ text, finding }) => {
  const word = String(finding.params.side ?? finding.params.height ?? "");
  const words = text.slice(finding.from, finding.to).split(" ");
  const rest = words.filter((w) => w.toLowerCase() !== word).join(" ");
  return word === "" ? [] : one(`Take “${word}” out`, edit(finding.from, finding.to, rest));
};

/** The letter of a hand that holds nothing is taken out: the weapon is in the other one. */
const handWithWeapon: Make = ({ text, finding }) => {
  const words = text.slice(finding.from, finding.to);
  const letter = /^([LR])\s+/i.exec(words);
  if (finding.params.needs !== "hand" || !letter) return [];
  return one(`Take “${letter[1]}” out`, edit(finding.from, finding.from + letter[0].length, ""));
};

/** Training targets that are parts of the notation by another name. */
const AIMED_AT: Readonly<Record<string, string>> = { "brow pad": "head", mitt: "chest" };

const safeTarget: Make = ({ text, finding }) => {
  const instead = String(finding.params.instead ?? "");
  const aim = `to ${AIMED_AT[instead] ?? instead}`;
  const now = text.slice(finding.from, finding.to);
  const aimed = /\bto\s+(?:(?:left|right|lead|rear)\s+)?\S+/i;
  const next = aimed.test(now) ? now.replace(aimed, aim) : `${now} ${aim}`;
  return one(`Aim at the ${instead}`, edit(finding.from, finding.to, next));
};

const before =
  (label: string, insert: string): Make =>
  ({ finding }) =>
    one(label, edit(finding.from, finding.from, insert));

/** Two things of one hand come one after the other. */
const oneAfterTheOther: Make = ({ text, finding }) => {
  const plus = text.lastIndexOf("+", finding.from);
  const from = text.slice(0, plus).trimEnd().length;
  return plus < 0 ? [] : one("One after the other", edit(from, plus + 1, ","));
};

/** A key of the header with a value: in its row, or in a new first one. */
function withHeader(broken: Broken, key: string, value: string): Edit {
  const row = headerRow(broken, key.toLowerCase());
  const body = row?.content.body;
  if (!row || body?.kind !== "header")
    return edit(0, 0, `${key}: ${value}\n${broken.checked.score.rows[0]?.content.body.kind === "header" ? "" : "\n"}`);
  const from = row.from + (body.value?.from ?? body.key.to + 1);
  return edit(from, row.from + (body.value?.to ?? body.key.to + 1), body.value ? value : ` ${value}`);
}

/** Without a written distance the first feed sets it. */
const solvedDistance: Make = (broken) => {
  const row = headerRow(broken, "range");
  if (!row) return [];
  const end = broken.text.indexOf("\n", row.from);
  return one("Let the first feed set the distance", edit(row.from, end < 0 ? broken.text.length : end + 1, ""));
};

const slower: Make = (broken) => {
  const percent = Math.floor(Number(broken.finding.params.ceiling) / 5) * 5;
  return percent < 5 ? [] : one(`Slow it down to ${percent}%`, withHeader(broken, "tempo", `${percent}%`));
};

/** The tempo at which a game is fair. */
const evener: Make = (broken) => {
  const percent = Number(broken.finding.params.slower);
  return percent > 0 ? one(`Play it at ${percent}%`, withHeader(broken, "tempo", `${percent}%`)) : [];
};

const trainingKnife: Make = ({ text, finding }) => {
  const at = text.slice(finding.from, finding.to).search(/\bknife\b/i);
  return at < 0 ? [] : one("Make it a training knife", edit(finding.from + at, finding.from + at, "training "));
};

const onMats: Make = (broken) => one("Work on mats", withHeader(broken, "mats", "yes"));

/** Somebody puts on what is missing, or mats are laid out. */
const putOn: Make = (broken, answers) => {
  if (broken.finding.params.code === "mats") return onMats(broken, answers);
  const actor = String(broken.finding.params.actor ?? "A");
  const row = headerRow(broken, actor.toLowerCase());
  const body = row?.content.body;
  const now = body?.kind === "header" ? (body.value?.text.trim() ?? "") : "";
  if (/\bmitts? (left|right)\b/i.test(now) && /a mitt on/.test(String(broken.finding.params.gear)))
    return one("Wear both mitts", withHeader(broken, actor, now.replace(/\bmitts? (left|right)\b/i, "mitts")));
  const pieces = String(broken.finding.params.gear ?? "").split(" or ");
  return pieces.flatMap((piece) => {
    const gear = piece.replace(/^an? /, "");
    const apart = [now, `wears ${gear}`].filter(Boolean).join(", ");
    const worn = /\bwears\b/i.test(now) ? `${now}, ${gear}` : apart;
    return [worn, apart].map((value) => ({
      label: `${actor} wears ${gear}`,
      edits: [withHeader(broken, actor, value)],
    }));
  });
};

const lightContact: Make = (broken) => one("Keep the contact light", withHeader(broken, "contact", "light"));
const noContact: Make = (broken) => one("Work without contact", withHeader(broken, "contact", "none"));

/** What stands there and means nothing is taken out. */
const takeOut: Make = ({ finding }) =>
  finding.params.code === "junk" ? one("Take it out", edit(finding.from, finding.to, "")) : [];

/** Moves side by side are beats of their own, and so is one that is done twice. */
const commaBetween: Make = ({ finding }) => {
  const { code, apart } = finding.params;
  if (code !== "two-moves" && code !== "times") return [];
  const label = code === "times" ? "Write each of them" : "Put a comma between them";
  return one(label, edit(finding.from, finding.to, String(apart)));
};

const either =
  (...makers: readonly Make[]): Make =>
  (broken, answers) =>
    makers.flatMap((make) => make(broken, answers));

/** A hold that a step does not bring near begins where hands touch. */
const nearer: Make = (broken) =>
  String(broken.finding.params.code).startsWith("hold")
    ? one("Start where forearms touch", withHeader(broken, "range", "trap"))
    : [];

/** A step with the blow, where it has none yet. */
const comeIn: Make = (broken, answers) =>
  broken.finding.params.stepped ? [] : before("Come in with it", `${TRADE.companions.forward} + `)(broken, answers);

/** A step with the answer before a blow that falls short, and with the blow as well. */
const comeInBefore: Make = ({ checked, finding }) => {
  const row = checked.score.rows[rowOfLine(finding.line)];
  const place = row && turnsAt(row, finding.from - row.from);
  const first = place?.turn.alternatives[0]?.beats[0];
  if (!row || !first || row.from + first.from >= finding.from) return [];
  const step = `${TRADE.companions.forward} + `;
  const at = row.from + first.from;
  return [
    { label: "Come in with the answer", edits: [edit(at, at, step)] },
    { label: "Come in with both", edits: [edit(at, at, step), edit(finding.from, finding.from, step)] },
  ];
};

/** How each rule may be mended; a rule that is not here has no repair of one step. */
const MAKERS: Readonly<Partial<Record<RuleId, Make>>> = {
  game: (broken, answers) =>
    /^unfair/.test(String(broken.finding.params.code)) ? evener(broken, answers) : mendGame(broken, answers),
  syntax: (broken, answers) => either(takeOut, commaBetween)(broken, answers),
  "unknown-move": nearestNames,
  "bad-move": either(withoutWord, withoutMark, handWithWeapon, otherAnswers),
  "line-open": otherAnswers,
  "wrong-material": otherAnswers,
  resisting: otherAnswers,
  "rule-broken": either(touchThere, otherAnswers, withoutRule),
  "inside-line": otherAnswers,
  "off-balance": otherAnswers,
  tight: otherAnswers,
  "no-answer": (broken, answers) =>
    broken.finding.params.code === "attack"
      ? either(otherAnswers, intercept)(broken, answers)
      : either(answerByOther, otherAnswers)(broken, answers),
  "limb-busy": either(oneAfterTheOther, otherAnswers),
  "limb-pinned": either(otherAnswers, otherLimb),
  "not-recovered": before(`Write ${TRADE.waysBack[0]!} before it`, `${TRADE.waysBack[0]!}, `),
  "out-of-reach": (broken, answers) =>
    broken.finding.params.code === "return"
      ? either(comeIn, comeInBefore)(broken, answers)
      : either(turnFirst, lowerTarget, comeIn, solvedDistance, nearer, otherTriangle)(broken, answers),
  "too-close": either(before("Step back first", `${TRADE.repairs.leaves}, `), solvedDistance, otherTriangle),
  pad: movePad,
  "blade-arm": otherAnswers,
  "no-meet": sameStroke,
  "ambiguous-cue": callChoice,
  "loop-open": closingRows,
  "no-step": solvedDistance,
  late: either(slower, otherAnswers),
  "unsafe-target": safeTarget,
  "training-tool": trainingKnife,
  "gear-missing": putOn,
  minor: either(lightContact, noContact, onMats),
  "weight-gap": noContact,
};
