/** What can be written at the caret: header keys and blocks at the start of a row, moves by role and modifiers behind it. */
import {
  completionStatus,
  startCompletion,
  type Completion,
  type CompletionContext,
  type CompletionSource,
} from "@codemirror/autocomplete";
import type { Text } from "@codemirror/state";
import type { EditorView } from "@codemirror/view";
import { GAME_EVENTS, GAME_KEYS, GAME_TOUCHES } from "#core/score/game-words.ts";
import { GUARDS, STANCES } from "#core/score/postures.ts";
import type { Role } from "#core/words/types.ts";
import type { MoveName } from "../workers/questions/words.ts";

const MODIFIERS = [
  "lead",
  "rear",
  "left",
  "right",
  "high",
  "mid",
  "low",
  "in",
  "out",
  "to body",
  "to head",
  "to leg",
  "on lead hand",
  "on rear hand",
  "on pad",
  "on pads",
  "on own stick",
  "facing in",
  "facing down",
  "at any",
  "in any order",
];
const HEADER_KEYS = [
  "title",
  "kind",
  "level",
  "range",
  "tempo",
  "contact",
  "context",
  "formation",
  "order",
  "count",
  "stance",
  "guard",
  "numbering",
  "tradition",
  "focus",
  "mats",
  "rules A",
  "rules B",
  "A",
  "B",
];
const BLOCKS = [
  "section ",
  "loop x4:",
  "loop swap x4:",
  "loop x10 each side on count:",
  "choose A:",
  "choose call:",
  "carry:",
  "end",
  "wrong: ",
  "any time: ",
  "lands: ",
  "game NAME:",
  "form: ",
];

/** Values for the keys of a game that take neither moves nor scores. */
const GAME_SAMPLES: Readonly<Record<string, readonly string[]>> = {
  touch: GAME_TOUCHES.map(({ name }) => name),
  ends: ["3 points", "10 feeds", "60 s", "3 points or 90 s"],
  swap: ["at the end", "every 8 feeds", "every 45 s", "never"],
  start: ["A guard; B guard", "range 1.6 m"],
};

/** True where a text ends among the rows of a game. */
export function isInGame(before: string): boolean {
  const rows = before.split("\n");
  const begun = rows.findLastIndex((row) => /^[ \t]*game[ \t]+[^:#]*:[ \t]*(?:#|$)/i.test(row));
  return begun >= 0 && !rows.slice(begun).some((row) => /^[ \t]*end[ \t]*(?:#|$)/i.test(row));
}

/** Completions in a row of a game; null where it takes moves. */
function inGame(before: string) {
  const row = before.trimStart();
  const found = (typed: string, labels: readonly string[], type: string) => ({
    length: typed.length,
    options: labels.map((label) => ({ label, type })),
    validFor: /^[\w ]*$/,
  });
  if (/^[\w ]*$/.test(row)) return found(row, [...GAME_KEYS.map((key) => `${key}: `), "end"], "property");
  const typed = (/[\w ]*$/.exec(row)?.[0] ?? "").trimStart();
  if (/^[abc] scores\s*:/i.test(row))
    return found(
      typed,
      GAME_EVENTS.map(({ name }) => `${name} 1`),
      "property",
    );
  const samples = GAME_SAMPLES[/^(\w+)\s*:/.exec(row)?.[1]?.toLowerCase() ?? ""];
  return samples ? found(typed, samples, "property") : null;
}

/** What the caret stands behind: somebody who feeds, answers, or sends something back. */
export function roleAt(before: string): Extract<Role, "feed" | "answer" | "return"> {
  const row = before.slice(before.lastIndexOf(";") + 1).replace(/"[^"]*"?/g, "");
  const turns = row.split(/->|→|(?<![<-])>/);
  const owed = turns.at(-2)?.split("|").at(-1)?.split(",").length ?? 0;
  const done = turns.at(-1)!.split("|").at(-1)!.split(",").length - 1;
  return turns.length === 1 ? "feed" : done < owed ? "answer" : "return";
}

/** How much further up a move stands that is usual in a role; what nobody holds the thing for stands last. */
function lift({ roles, needs }: MoveName, role: Role, held: string): number {
  if (!canBeHeld(needs, held)) return -50;
  return roles.includes(role) ? 20 : roles.includes("setup") ? 5 : 0;
}

/** `held`: the rows of the header that say what people hold and wear. */
function canBeHeld(needs: MoveName["needs"], held: string): boolean {
  switch (needs) {
    case "stick":
      return /\bstick/i.test(held);
    case "two sticks":
      return /\btwo sticks\b/i.test(held);
    case "blade":
      return /\bknife\b/i.test(held);
    case "weapon":
      return /\b(?:stick|sticks|knife)\b/i.test(held);
    default:
      return true;
  }
}

/** The rows in which a text says what people hold and wear. */
export const heldIn = (text: string): string => (text.match(/^\s*[abc]\s*:.*$/gim) ?? []).join("\n");

const ACTING = /^(?:[abc]|both|any)\s/i;

/** Names of stances or guards where a header row says how somebody stands; null elsewhere. */
function postureAt(before: string) {
  if (!/^\s*(?:[abc]\s*:|stance\s*:|guard\s*:)/i.test(before)) return null;
  const found = /\b(stance|guard)\s*:?\s+(?:[abc]\s+)?([\w -]*)$/i.exec(before);
  if (!found) return null;
  const all = found[1]!.toLowerCase() === "guard" ? GUARDS : STANCES;
  const options = all.map(({ names: [name, ...others] }) => ({
    label: name!,
    detail: others.join(", "),
    type: "property",
  }));
  return { length: found[2]!.length, options, validFor: /^[\w -]*$/ };
}

/** Completions for the row up to the caret; null where nothing can be meant yet. `asked`: by the keys for it; `held`: see `heldIn`. */
export function completionsAt(
  before: string,
  names: readonly MoveName[],
  asked: boolean,
  held: string,
  game = false,
): { readonly length: number; readonly options: readonly Completion[]; readonly validFor: RegExp } | null {
  // Inside a note nothing is read.
  if ((before.match(/"/g)?.length ?? 0) % 2 === 1) return null;
  const start = before.trimStart();
  const ofGame = game ? inGame(before) : null;
  if (ofGame) return ofGame;
  if (/^[\w ]*$/.test(start) && !ACTING.test(start)) {
    if (start === "" && !asked) return null;
    const options = [
      ...HEADER_KEYS.map((key) => ({ label: `${key}: `, type: "property" })),
      ...BLOCKS.map((label) => ({ label, type: "keyword" })),
    ];
    return { length: start.length, options, validFor: /^[\w ]*$/ };
  }
  const posture = postureAt(before);
  if (posture) return posture;
  // Since the last sign of the notation the words are a move and its modifiers.
  const part = /(?:^|[,+|;:"]|->|→|<>|>)\s*(?:(?:[abc]|both|any)\s+)?([\w' -]*)$/i.exec(before);
  if (!part) return null;
  const typed = part[1]!;
  const last = /[\w'-]*$/.exec(typed)![0];
  if (last === "" && !asked) return null;
  const role = roleAt(before);
  const modifiers = typed.includes(" ") ? MODIFIERS.map((label) => ({ label, type: "modifier", boost: 21 })) : [];
  const moves = names.map((n) => ({
    label: n.name,
    detail: n.group,
    info: n.hint,
    type: "move",
    boost: lift(n, role, held),
  }));
  return { length: last.length, options: [...modifiers, ...moves], validFor: /^[\w' -]*$/ };
}

/** An answer that holds against what was fed, as it is offered. */
interface Holding {
  readonly text: string;
  readonly verdict: "valid" | "risky";
  readonly marginCm: number;
  readonly open: readonly string[];
}

/** The feed that is owed an answer at the caret, as `A jab`; null where none is, or nobody is named who fed it. */
export function feedOwed(before: string): string | null {
  if (roleAt(before) !== "answer") return null;
  const row = before.slice(before.lastIndexOf(";") + 1).replace(/"[^"]*"?/g, "");
  const turns = row.split(/->|→|(?<![<-])>/);
  const beats = turns.at(-2)!.split("|").at(-1)!.split(",");
  const actor = /(?:^|:)\s*([abc])\s/i.exec(turns.at(-2)!)?.[1];
  const done = turns.at(-1)!.split("|").at(-1)!.split(",").length - 1;
  const feed = beats[done]?.replace(/^(?:.*:)?\s*[abc]\s/i, "").trim();
  return actor && feed ? `${actor.toUpperCase()} ${feed}` : null;
}

/** What is offered first of what holds. */
const MOST_HOLDING = 8;

/** Answers that hold, in front of everything else, each with what it leaves to spare and open. */
export const holdingOptions = (holding: readonly Holding[]): Completion[] =>
  holding.slice(0, MOST_HOLDING).map(({ text, verdict, marginCm, open }, i) => ({
    label: text,
    type: "move",
    detail: verdict === "risky" ? "risky here" : `holds, ${Math.round(marginCm)} cm to spare`,
    ...(open.length > 0 ? { info: `Leaves open: ${open.join(", ")}` } : {}),
    boost: 99 - i,
  }));

/** Whoever types does not wait longer than this for what holds, ms. */
const PATIENCE = 500;
const late = () => new Promise<readonly Holding[]>((resolve) => setTimeout(() => resolve([]), PATIENCE));

/** What the editor asks while somebody types. */
export interface Asks {
  readonly names: () => readonly MoveName[];
  /** Answers that hold against a feed, for the people and the distance of a text, best first. */
  readonly holding: (text: string, feed: string) => Promise<readonly Holding[]>;
}

/** Shows the list again with what came late, where it is still open on the same text. */
function showAgain(view: EditorView | undefined, doc: Text): void {
  if (view && view.state.doc === doc && completionStatus(view.state)) startCompletion(view);
}

/** The same for the editor; where an answer is owed, those that hold against this very feed come first. */
export function completer({ names, holding }: Asks): CompletionSource {
  let known: { readonly text: string; readonly feed: string; readonly holding: readonly Holding[] } | undefined;

  /** What holds, as far as it is known in time; what is known later opens the list again. */
  async function holdingInTime(text: string, feed: string, { state, view }: CompletionContext) {
    if (known?.text === text && known.feed === feed) return known.holding;
    let waits = true;
    const asked = holding(text, feed).then(
      (found) => {
        known = { text, feed, holding: found };
        if (!waits) showAgain(view, state.doc);
        return found;
      },
      () => [],
    );
    const found = await Promise.race([asked, late()]);
    waits = false;
    return found;
  }

  return async (context) => {
    const { state, pos, explicit } = context;
    const row = state.doc.lineAt(pos);
    const before = row.text.slice(0, pos - row.from);
    const text = state.doc.toString();
    const found = completionsAt(before, names(), explicit, heldIn(text), isInGame(text.slice(0, row.from)));
    if (!found) return null;
    const feed = feedOwed(before);
    const first = feed ? holdingOptions(await holdingInTime(text, feed, context)) : [];
    const named = new Set(first.map(({ label }) => label));
    return {
      from: pos - found.length,
      options: [...first, ...found.options.filter(({ label }) => !named.has(label))],
      validFor: found.validFor,
    };
  };
}
