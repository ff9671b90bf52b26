/** Which pad takes which blow: schools hold the one straight across, or the one of the blow's own name. */
import type { Customs } from "../customs/customs.ts";
import { padFor } from "../exchange/pads.ts";
import { limbSide } from "../exchange/blow.ts";
import type { Checked } from "../drill/types.ts";
import type { Side } from "../score/person.ts";
import type { MoveUse } from "../read/types.ts";

/** A blow with the pad that takes it. */
export interface PadLine {
  readonly blow: string;
  readonly pad: Side;
}

/** The hand blows of a drill that land on somebody who holds mitts, each once, with the pad that takes it. */
export function padLines(checked: Checked, pads: Customs["pads"]): PadLine[] {
  const { people } = checked.header;
  const lines = new Map<string, PadLine>();
  const add = (use: MoveUse, side: Side, holder: keyof typeof people) => {
    if (people[holder].wears.includes("mitts") && use.move.attack && use.move.limb.endsWith("hand"))
      lines.set(use.text, { blow: use.text, pad: padFor(side, pads) });
  };
  for (const e of checked.exchanges) {
    if (e.feed && e.blow) add(e.feed, e.blow.side, e.responder);
    if (e.contact)
      for (const { use, by } of e.layers)
        if (by === "strike") add(use, limbSide(use, e.contact.receiver, null), e.feeder);
    if (e.contact)
      for (const { use } of e.returns) add(use, limbSide(use, e.contact.receiver, e.blow?.incoming ?? null), e.feeder);
  }
  return [...lines.values()];
}
