import type { Header } from "../score/header.ts";
import type { BodyState } from "../body/state.ts";
import type { ResolveContext } from "../words/resolve.ts";

/** What the words of one person mean depends on what he holds, his sides and the drill's kind. */
export function resolveContext(state: BodyState, header: Header): ResolveContext {
  const held = state.body.person.holds;
  return {
    holds: held?.kind ?? null,
    twoSticks: held?.count === 2,
    kind: header.kind,
    tradition: header.tradition,
    hand: state.weaponSide,
    lead: state.lead,
    numbering: header.numbering,
  };
}
