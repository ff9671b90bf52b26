/** The art that a drill belongs to, as far as it shows: nothing is put in that comes from another. */
import data from "./schools-of-movement.json" with { type: "json" };
import type { Checked } from "../drill/types.ts";
import { limbKind } from "../exchange/blow.ts";
import type { MoveUse } from "../read/types.ts";
import { needsWeapon, type Vocabulary } from "../words/vocabulary.ts";
import { type Move, TRADITIONS } from "../words/types.ts";
import { nameIn } from "./own-words.ts";

interface Art {
  readonly kicks: boolean;
  readonly hands: boolean;
  readonly weapons: boolean;
}

const known = new WeakMap<Checked, Art>();

/** What is thrown in a drill, by either of the two. */
export function artOf(checked: Checked): Art {
  let art = known.get(checked);
  if (!art) {
    const blows = usesIn(checked).filter(({ move }) => move.attack && move.attack.path !== "shoot");
    const some = (test: (use: MoveUse) => boolean) => blows.some(test);
    art = {
      kicks: some((use) => limbKind(use) === "leg"),
      hands: some((use) => limbKind(use) === "hand" && !needsWeapon(use.move)),
      weapons: some((use) => needsWeapon(use.move)),
    };
    known.set(checked, art);
  }
  return art;
}

/** True where a blow, as it is written, is one that this drill's art has. */
export function inArt(text: string, { kicks, hands, weapons }: Art, vocabulary: Vocabulary): boolean {
  const move = blowNamed(text, vocabulary);
  if (!move?.attack) return true;
  if (move.limb.endsWith("leg")) return kicks;
  return needsWeapon(move) ? weapons : hands;
}

/** Moves that a drill of such a school of movement does not have. */
const foreignTo = (tradition: string | null): ((move: Move) => boolean) => {
  const known = TRADITIONS.find((one) => one === tradition);
  if (!known || !data.closed.includes(known)) return () => false;
  return (move) => !move.own && !move.names[known] && !data.everybodys.includes(move.group);
};

/** A move of the drill's own school of movement, or of the school that trains it. */
export function isOwnTo({ header }: Checked): (move: Move) => boolean {
  const known = TRADITIONS.find((one) => one === header.tradition);
  return (move) => move.own || (known !== undefined && known !== "english" && move.names[known] !== undefined);
}

/** True where nothing comes in that its drill did not have and its school of movement does not. */
export const keepsTradition = (made: Checked, base: Checked): boolean => nativeTo(base)(usesIn(made));

/** True where a text names a move that is foreign to the drill's school of movement. */
export function isForeign(text: string, { header }: Checked, vocabulary: Vocabulary): boolean {
  const move = nameIn(text, vocabulary, () => true)?.move;
  return move !== undefined && foreignTo(header.tradition)(move);
}

/** A drill of a school of movement that has its own moves for all it does. */
export const isClosed = ({ header }: Checked): boolean => data.closed.includes(header.tradition ?? "");

/** What a drill may be answered with: nothing that is foreign to its school of movement. */
export function nativeTo(drill: Checked): (uses: readonly MoveUse[]) => boolean {
  const foreign = foreignTo(drill.header.tradition);
  const had = new Set(usesIn(drill).map(({ move }) => move.id));
  return (uses) => uses.every(({ move }) => had.has(move.id) || !foreign(move));
}

const usesIn = ({ exchanges }: Checked): MoveUse[] =>
  exchanges.flatMap(({ feed, beat, returns }) => [...(feed ? [feed] : []), ...beat, ...returns.map(({ use }) => use)]);

/** The move whose name stands in a text of a blow and its modifiers; null where there is none. */
const blowNamed = (text: string, vocabulary: Vocabulary): Move | null =>
  nameIn(text, vocabulary, ({ attack }) => attack !== undefined)?.move ?? null;
