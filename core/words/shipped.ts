/** All moves and numbering sets that ship, read from the data files. */
import bladeBlows from "./data/blade-blows.json" with { type: "json" };
import contact from "./data/contact.json" with { type: "json" };
import cues from "./data/cues.json" with { type: "json" };
import energies from "./data/energies.json" with { type: "json" };
import evasions from "./data/evasions.json" with { type: "json" };
import footwork from "./data/footwork.json" with { type: "json" };
import handBlows from "./data/hand-blows.json" with { type: "json" };
import handDefences from "./data/hand-defences.json" with { type: "json" };
import legBlows from "./data/leg-blows.json" with { type: "json" };
import legDefences from "./data/leg-defences.json" with { type: "json" };
import beyond from "./data/not-modelled.json" with { type: "json" };
import numbering from "./data/numbering.json" with { type: "json" };
import returnToOrder from "./data/return-to-order.json" with { type: "json" };
import said from "./data/sayings.json" with { type: "json" };
import stances from "./data/stances.json" with { type: "json" };
import stickBlows from "./data/stick-blows.json" with { type: "json" };
import takedowns from "./data/takedowns.json" with { type: "json" };
import weaponArm from "./data/weapon-arm.json" with { type: "json" };
import weaponDefences from "./data/weapon-defences.json" with { type: "json" };
import yielding from "./data/yielding.json" with { type: "json" };
import type { NumberedRole, NumberingSet, StandardMove } from "./numbering.ts";
import type { MoveData } from "./types.ts";

/** One file of moves: what they have in common is said once; a move's own fields win. */
export interface MoveFile {
  readonly about?: string;
  readonly common?: object;
  readonly moves: readonly object[];
}

/** The shipped files by name. Their shape is tested with `schema.ts`, not at every start. */
export const moveFiles: Readonly<Record<string, MoveFile>> = {
  "hand-blows": handBlows,
  "leg-blows": legBlows,
  takedowns,
  "stick-blows": stickBlows,
  "blade-blows": bladeBlows,
  cues,
  energies,
  footwork,
  evasions,
  "hand-defences": handDefences,
  "leg-defences": legDefences,
  "weapon-defences": weaponDefences,
  "weapon-arm": weaponArm,
  contact,
  yielding,
  "return-to-order": returnToOrder,
  stances,
};

/** The moves of a file with what they have in common filled in. */
export const movesOf = (file: MoveFile): MoveData[] =>
  file.moves.map((move) => ({ ...file.common, ...move }) as MoveData);

/** All shipped moves. */
export const shippedMoves: readonly MoveData[] = Object.values(moveFiles).flatMap(movesOf);
/** What each numbered move means on a kind of line, most special first. */
export const standardMoves = numbering.standard as unknown as Readonly<Record<NumberedRole, readonly StandardMove[]>>;
/** All shipped numbering sets. */
export const numberingSets = numbering.sets as readonly NumberingSet[];
/** What several moves are called at once, and the beats that it stands for. */
export const sayings: readonly { readonly names: readonly string[]; readonly means: readonly string[] }[] =
  said.sayings;
/** Words of the trade that are not judged, with what can be written instead. */
export const notModelled: readonly { readonly names: readonly string[]; readonly instead: string }[] = beyond.words;
