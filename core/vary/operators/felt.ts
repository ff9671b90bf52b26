/** How pushes grow: stronger, and all at once. */
import { CHANGES } from "../change-words.ts";
import { isArmPart } from "../../body/parts.ts";
import { takenPart } from "../../exchange/limbs.ts";
import type { MoveUse } from "../../read/types.ts";
import type { CheckedExchange } from "../../exchange/types.ts";
import type { Checked } from "../../drill/types.ts";
import type { Part, ScoreLine } from "../../score/types.ts";
import { lineText } from "../../score/format.ts";
import { mapParts, withLines } from "../../score/edit.ts";
import { titled, type Operator } from "./shared.ts";

/** A push that is fed, and the row it stands in. */
type Push = Pick<CheckedExchange, "row"> & { readonly use: MoveUse };

/** The pushes and pulls of a drill that are fed. Letting go has no force. */
const pushesIn = ({ exchanges }: Checked): Push[] =>
  exchanges.flatMap(({ feed, row }) =>
    feed?.move.energy !== undefined && feed.move.energy.direction !== "gone" ? [{ row, use: feed }] : [],
  );

/** The drill with every push written otherwise; null where nobody is pushed, or one of them is so already. */
function everyPush(checked: Checked, isSo: (use: MoveUse) => boolean, change: (part: Part) => Part, title: string) {
  const pushes = pushesIn(checked);
  if (pushes.length === 0 || pushes.some(({ use }) => isSo(use))) return null;
  const isPush = (item: ScoreLine, { from }: Part) =>
    pushes.some(({ row, use }) => row === item.row && use.from === from);
  return withLines(
    checked.score,
    (item) => lineText(mapParts(item.line, (part) => (isPush(item, part) ? change(part) : part))),
    titled(checked, title),
  );
}

/** What is felt on arms alone is called pressure. */
const named = (checked: Checked): "push" | "pressure" =>
  pushesIn(checked).every(({ use }) => isArmPart(takenPart(use))) ? "pressure" : "push";

const word = (part: Part, text: string): Part["words"][number] => ({ from: part.to, to: part.to, text });

/** Every push with force behind it: whoever goes with it late, or not all the way, loses their balance. */
export const harderPush: Operator = (checked) => {
  const { header } = checked;
  // Nobody pushes a child hard, nor where contact is left out.
  if (header.contact === "none" || header.actors.some((actor) => header.people[actor].minor)) return [];
  const hard = ({ words, ...span }: Part): Part => {
    const place = words.findIndex(({ text }) => text === "to" || text === "on");
    const last = (place < 0 ? words.length : place) - 1;
    return { ...span, words: words.map((one, i) => (i === last ? { ...one, text: `${one.text}!` } : one)) };
  };
  const rows = everyPush(checked, ({ commitment }) => commitment !== null, hard, `stronger ${named(checked)}`);
  return rows ? [{ operator: "harder-push", parameters: {}, rows, changed: CHANGES.harderPush(named(checked)) }] : [];
};

/** A push in half the time: no slow beginning that tells where it goes. */
export const suddenPush: Operator = (checked) => {
  const sudden = (part: Part): Part => ({ ...part, words: [...part.words, word(part, "@1/2")] });
  const rows = everyPush(checked, ({ length }) => length < 1, sudden, `sudden ${named(checked)}`);
  return rows ? [{ operator: "sudden-push", parameters: {}, rows, changed: CHANGES.suddenPush(named(checked)) }] : [];
};
