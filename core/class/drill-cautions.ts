/** What to see to before a very drill is done, by what is in it. */
import type { Checked } from "../drill/types.ts";
import { allDone } from "../drill/done.ts";
import { isBareToBlade } from "../exchange/verdict.ts";
import { CAUTIONS, TAP } from "./cautions.ts";
import { gearFor, gearLabel } from "./gear.ts";
import { movesOf, needsFall } from "./limits.ts";

/** True for a drill with holds, locks, headlocks or chokes. */
export const needsTap = (checked: Pick<Checked, "exchanges" | "games">): boolean =>
  movesOf(checked).some(({ contact }) => contact?.kind === "grip" || contact?.kind === "pin");

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
  const bare = allDone(checked).some(isBareToBlade);
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
