import { contactMoves, order, yielding } from "./contact.ts";
import { evasions, footwork } from "./evasions.ts";
import { cues, energies } from "./feeder.ts";
import { handBlows } from "./hand-blows.ts";
import { handDefences, legDefences } from "./hand-defences.ts";
import { legBlows, takedowns } from "./leg-blows.ts";
import { weaponArm, weaponDefences } from "./weapon-defences.ts";
import { bladeBlows, stickBlows } from "./weapons.ts";
import type { MoveData } from "../types.ts";

/** All moves that ship. */
export const shippedMoves: readonly MoveData[] = [
  ...handBlows, ...legBlows, ...takedowns, ...stickBlows, ...bladeBlows, ...cues, ...energies,
  ...footwork, ...evasions, ...handDefences, ...legDefences, ...weaponDefences, ...weaponArm,
  ...contactMoves, ...yielding, ...order,
];
