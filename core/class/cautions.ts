/** What is said on every card, and the rows of a score that people on the floor need. */

import { isBareToBlade } from "../exchange/verdict.ts";
import type { Checked } from "../drill/types.ts";
import { gearFor, gearLabel } from "./gear.ts";
import { movesOf, needsFall } from "./limits.ts";

/** Cautions for every class. */
export const CAUTIONS = [
  "“Stop” ends everything at once; anybody may say it at any time.",
  "Slow before fast. Gear by tempo and tool; training blades only. No contact to eyes, throat, groin, spine, back of the head or knees. This sheet checks the logic of the drill; the instructor, local law and the rules of insurer and federation decide what may be practised.",
] as const;

/** What ends a hold: a person who is held cannot always speak. Common practice, no source. */
const TAP = "Two taps end a hold at once: on the partner, on yourself, on the mat. Let go at the first.";

/** True for a drill with holds, locks, headlocks or chokes. */
export const needsTap = ({ exchanges }: Pick<Checked, "exchanges">): boolean =>
  movesOf({ exchanges }).some(({ contact }) => contact?.kind === "grip" || contact?.kind === "pin");

/** The cautions of a drill, the tap first where somebody is held. */
export const cautionsFor = ({ taps }: { readonly taps: boolean }): readonly string[] =>
  taps ? [TAP, ...CAUTIONS] : CAUTIONS;

interface Caution {
  readonly about: "mats" | "blades" | "gear" | "tap" | "stop";
  readonly says: string;
}

const BLADES = "Blunt training blades only, never a live edge.";
const BARE = "Holds as a drill. With a live blade: leave; you will be cut.";

/** What to see to before this very drill is done: the floor, blades, gear, the tap, and the word that ends it. */
export function drillCautions(checked: Checked): readonly Caution[] {
  const { header } = checked;
  const pieces = Object.entries(gearFor(checked)).map(([kind, count]) => `${gearLabel(kind)}: ${count}`);
  const blades = header.actors.some((actor) => header.people[actor].holds?.kind.includes("knife"));
  const bare = checked.exchanges.some(isBareToBlade);
  return [
    ...(needsFall(checked)
      ? [{ about: "mats", says: "Somebody may go down: on mats, and only people who have learnt to fall." } as const]
      : []),
    ...(blades ? [{ about: "blades", says: bare ? `${BLADES} ${BARE}` : BLADES } as const] : []),
    ...(pieces.length > 0 ? [{ about: "gear", says: `Gear for a pair: ${pieces.join(", ")}.` } as const] : []),
    ...(needsTap(checked) ? [{ about: "tap", says: TAP } as const] : []),
    { about: "stop", says: CAUTIONS[0] },
  ];
}

/** The rows of a text that people on the floor need: who holds what, and the play. */
export const playRows = (text: string): string[] =>
  text
    .split("\n")
    .filter(
      (row) =>
        row.trim() !== "" &&
        !/^\s*(#|(title|kind|level|range|tempo|focus|contact|context|mats|numbering|tradition)\s*:)/i.test(row),
    );
