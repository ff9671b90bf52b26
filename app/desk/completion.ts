/** What can be written at the caret: header keys and blocks at the start of a row, moves by role and modifiers behind it. */
import type { Completion, CompletionContext, CompletionResult } from "@codemirror/autocomplete";
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
  "form: ",
];

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

/** Completions for the row up to the caret; null where nothing can be meant yet. `asked`: by the keys for it; `held`: see `heldIn`. */
export function completionsAt(
  before: string,
  names: readonly MoveName[],
  asked: boolean,
  held: string,
): { readonly length: number; readonly options: readonly Completion[]; readonly validFor: RegExp } | null {
  // Inside a note nothing is read.
  if ((before.match(/"/g)?.length ?? 0) % 2 === 1) return null;
  const start = before.trimStart();
  if (/^[\w ]*$/.test(start) && !ACTING.test(start)) {
    if (start === "" && !asked) return null;
    const options = [
      ...HEADER_KEYS.map((key) => ({ label: `${key}: `, type: "property" })),
      ...BLOCKS.map((label) => ({ label, type: "keyword" })),
    ];
    return { length: start.length, options, validFor: /^[\w ]*$/ };
  }
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

/** The same for the editor. */
export const completer =
  (names: () => readonly MoveName[]) =>
  ({ state, pos, explicit }: CompletionContext): CompletionResult | null => {
    const row = state.doc.lineAt(pos);
    const found = completionsAt(row.text.slice(0, pos - row.from), names(), explicit, heldIn(state.doc.toString()));
    return found && { from: pos - found.length, options: found.options, validFor: found.validFor };
  };
