/** The other side of everything: feet, hands, sides, numbers. */
import { CHANGES } from "../change-words.ts";
import type { Checked } from "../../drill/types.ts";
import type { School } from "../../policy/school.ts";
import type { Line, Part } from "../../score/types.ts";
import { mapParts, withLines } from "../../score/edit.ts";
import { lineText } from "../../score/format.ts";
import { personRow, titled, type Operator } from "./shared.ts";

const SWAP: Readonly<Record<string, string>> = { left: "right", right: "left", l: "R", r: "L" };

/** A line with every side and every numbered angle turned over. */
export function mirrorLine({ header }: Checked, school: School, line: Line): Line {
  const angles = school.vocabulary.numbering.get(header.numbering)?.angles ?? [];
  const mirrorNumber = (text: string): string => {
    const angle = angles[Number(text) - 1];
    if (!angle?.side) return text;
    const other = angles.findIndex(
      (a) =>
        a.line === angle.line &&
        a.height === angle.height &&
        a.part === angle.part &&
        a.side !== angle.side &&
        a.side !== null,
    );
    return other < 0 ? text : String(other + 1);
  };
  return mapParts(line, (part: Part): Part => {
    const numbered = part.words.some((w) => /^(strike|block|counter|angle)$/i.test(w.text));
    return {
      ...part,
      words: part.words.map((word) => {
        const swapped = SWAP[word.text.toLowerCase()];
        const text = swapped ?? (numbered && /^\d+$/.test(word.text) ? mirrorNumber(word.text) : word.text);
        return { ...word, text };
      }),
    };
  });
}

/** Returns the drill on the other side. */
export const mirror: Operator = (checked, school) => {
  const { header, score } = checked;
  const changes: Record<string, string | null> = { ...titled(checked, "other side") };
  const armed = header.actors.some((actor) => header.people[actor].holds);
  for (const actor of header.actors) {
    const person = header.people[actor];
    const lead = person.lead === "left" ? "right" : "left";
    const hand = person.hand === "left" ? "right" : "left";
    const sided = /^(lead (left|right)|(left|right) handed)$/i;
    // Nobody becomes left-handed by it: only what is held changes hands.
    const held = person.holds ? [`${hand} handed`] : [];
    const kept = (word: string) => !(person.holds ? sided : /^lead (left|right)$/i).test(word);
    Object.assign(
      changes,
      personRow(checked, actor, (words) => [`lead ${lead}`, ...held, ...words.filter(kept)]),
    );
  }
  return [
    {
      operator: "mirror",
      parameters: {},
      rows: withLines(score, (item) => mirrorLine(checked, school, item.line), changes),
      changed: armed ? CHANGES.mirrorWithTools() : CHANGES.mirror(),
    },
  ];
};

/** Letters of the two who change places, outside notes. */
const swapped = (text: string): string =>
  text.replace(/"[^"]*"|\b[BC]\b/g, (found) => (found === "B" ? "C" : found === "C" ? "B" : found));

/** Three on a triangle: who came second comes last, with what they hold and wear. */
export const otherWay: Operator = (checked) => {
  if (checked.header.actors.length < 3) return [];
  const { order } = checked.header;
  const own = (actor: "B" | "C") => personRow(checked, actor, (words) => [...words])[actor] || null;
  return [
    {
      operator: "other-way",
      parameters: {},
      rows: withLines(checked.score, ({ line }) => swapped(lineText(line)), {
        ...titled(checked, "the other way round"),
        ...(order ? { order: swapped(order.join(" ")) } : {}),
        B: own("C"),
        C: own("B"),
      }),
      changed: CHANGES.otherWay(),
    },
  ];
};
