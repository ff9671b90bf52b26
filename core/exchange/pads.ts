/** Pads: where they are held for a blow, and what is to be said of how. */
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { BodyState } from "../body/state.ts";
import type { Customs } from "../customs/customs.ts";
import type { MoveUse } from "../read/types.ts";
import { otherSide, PADS, type Side } from "../score/person.ts";
import { goesHigh, heightOfTarget, limbKind } from "./blow.ts";
import { MODEL } from "./constants.ts";
import type { Blow, Feed, PadPlace } from "./types.ts";

/** How far in front of the body a pad is held for a blow, m: a forearm before the face, at the body itself. */
export const padAhead = (use: MoveUse, holder: BodyState): number =>
  goesHigh(use) ? MODEL.padAhead * holder.body.height : MODEL.atBody;

/** The holder's pad for a blow of a side: a left blow meets the partner's right hand straight across. */
export const padFor = (blow: Side, pads: Customs["pads"]): Side => (pads === "same" ? blow : otherSide(blow));

/** A blow that names no place goes where the pad is, if it can go there at all. */
export function atPad(blow: MoveUse, { height }: MoveUse): MoveUse {
  const { target } = blow.move.attack!;
  const goes = typeof target !== "string" && height !== null && target[height] !== undefined;
  return goes && !blow.target && !blow.height ? { ...blow, height } : blow;
}

/** How far a pad is held from the middle of the face, so that a blow that misses it goes past, m. */
const BESIDE = 0.2;

/** Where the pad stands for a blow: beside the face a forearm in front of it, at the body where the blow goes. */
export function padPlace(
  cue: MoveUse,
  { feed, side, aim, limb }: Blow,
  holder: BodyState,
  pads: Customs["pads"],
): PadPlace {
  const { use } = feed;
  const held = cue.side === "left" || cue.side === "right" ? cue.side : padFor(side, pads);
  const way = held === "left" ? -1 : 1;
  const high = goesHigh(use);
  const u = high ? way * BESIDE * holder.body.scale : limb === "hand" ? way * Math.max(Math.abs(aim.u), AT_SIDE) : 0;
  return { blow: use.text, side: held, u, w: aim.w, d: aim.d + padAhead(use, holder) };
}

/** How far to the side a mitt lies against the trunk, m. */
const AT_SIDE = 0.12;

/** How a blow wants the pad turned: against it. null for kicks, and for what falls. */
function facingFor({ limb, from }: Blow): MoveUse["facing"] {
  if (limb !== "hand") return null;
  if (!from) return "front";
  return Math.abs(from.u) > Math.abs(from.w) ? "in" : from.w < 0 ? "down" : null;
}

/** What takes a hard kick. */
const SHIELDS: ReadonlySet<string> = new Set(["kick shield", "belly pad", "kick pads"]);

/** A kick goes onto a shield, kick pads or a belly pad; a blow where the pad is held. */
export function padFindings(
  cue: MoveUse,
  blow: Blow,
  holder: BodyState,
  row: Feed["row"],
  pads: Customs["pads"],
): FindingDraft[] {
  const { use } = blow.feed;
  const { wears, padOn } = holder.body.person;
  const found: FindingDraft[] = [];
  const why = `the ${use.text}`;
  const missing = (gear: string) => draft(row, use, "gear-missing", { actor: holder.actor, gear, why });
  const kick = limbKind(use) === "leg" && use.move.attack!.tool !== "knee";
  const hard = kick && use.move.attack!.commitment > MODEL.lightKick;
  if (padOn && (cue.side === "left" || cue.side === "right") && cue.side !== padOn)
    found.push(missing(`a mitt on the ${cue.side} hand`));
  if (hard && !wears.some((gear) => SHIELDS.has(gear))) found.push(missing("kick pads or a kick shield"));
  else if (!wears.some((gear) => PADS.has(gear))) found.push(missing("mitts or a pad"));
  const { heights } = use.move;
  const goes = heightOfTarget(use);
  if (cue.height && !use.target && heights && !heights.includes(cue.height))
    found.push(draft(row, use, "pad", { move: use.text, height: cue.height, heights: heights.join(" or ") }));
  // The last pad takes what remains of a call: only a blow that says where it goes can miss it.
  else if (cue.height && cue.height !== goes && (blow.feed.order === 0 || use.target || use.height))
    found.push(
      draft(row, use, "pad", {
        code: "target",
        move: use.text,
        height: PLACE[cue.height],
        goes: PLACE[goes],
        wants: goes,
      }),
    );
  const facing = facingFor(blow);
  if (cue.facing && facing && cue.facing !== facing)
    found.push(draft(row, use, "pad", { code: "facing", move: use.text, facing: FACING[facing], wants: facing }));
  const held = cue.side === "left" || cue.side === "right" ? cue.side : null;
  const across = padFor(blow.side, pads);
  // Either way is safe: it is said, and decides nothing.
  if (held && blow.limb === "hand" && held !== across)
    found.push({ ...draft(row, use, "pad", { code: "side", move: use.text, pad: across }), severity: "note" });
  return found;
}

const PLACE = { high: "at the head", mid: "at the body", low: "at the legs" } as const;
const FACING = { front: "to the front", in: "inwards", down: "down" } as const;
