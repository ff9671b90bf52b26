/** The art that a drill belongs to, as far as it shows: nothing is put in that comes from another. */
import type { Checked } from "../../drill/types.ts";
import { limbKind } from "../../exchange/blow.ts";
import type { MoveUse } from "../../read/types.ts";
import { needsWeapon } from "../../words/vocabulary.ts";
import type { Move } from "../../words/types.ts";
import { nameKey, type Vocabulary } from "../../words/vocabulary.ts";

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
    const thrown = checked.exchanges.flatMap(({ feed, beat, returns }) => [
      ...(feed ? [feed] : []),
      ...beat,
      ...returns.map(({ use }) => use),
    ]);
    const blows = thrown.filter(({ move }) => move.attack && move.attack.path !== "shoot");
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

/** The move whose name stands in a text of a blow and its modifiers; null where there is none. */
function blowNamed(text: string, { byName }: Vocabulary): Move | null {
  const words = text.toLowerCase().split(/\s+/);
  for (let length = words.length; length > 0; length--)
    for (let start = 0; start + length <= words.length; start++) {
      const moves = byName.get(nameKey(words.slice(start, start + length).join(" ")));
      const move = moves?.find(({ attack }) => attack);
      if (move) return move;
    }
  return null;
}
