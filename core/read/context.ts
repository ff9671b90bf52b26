import { keptFor } from "../base/bounded.ts";
import type { Gear } from "../score/person.ts";
import type { LineHeader } from "../score/header.ts";
import type { BodyState } from "../body/state.ts";
import type { ResolveContext } from "./resolve.ts";

/** Gear that somebody else can hit. */
const PADS: ReadonlySet<Gear> = new Set(["mitts", "belly pad", "kick shield"]);

/** Contexts of a header by person and sides: the same few are asked for at every turn. */
const contexts = new WeakMap<LineHeader, Map<string, ResolveContext>>();

/** What the words of one person mean depends on what they hold, their sides and the drill's kind. */
export function resolveContext(state: BodyState, header: LineHeader): ResolveContext {
  const known = keptFor(contexts, header, () => new Map<string, ResolveContext>());
  const key = `${state.actor}${state.lead}${state.weaponSide}`;
  let context = known.get(key);
  if (!context) known.set(key, (context = contextOf(state, header)));
  return context;
}

function contextOf(state: BodyState, header: LineHeader): ResolveContext {
  const held = state.body.person.holds;
  return {
    holds: held?.kind ?? null,
    twoSticks: held?.count === 2,
    pads: state.body.person.wears.some((gear) => PADS.has(gear)),
    kind: header.kind,
    tradition: header.tradition,
    hand: state.weaponSide,
    lead: state.lead,
    numbering: header.numbering,
  };
}
